import type { RunEvent } from '../../src/core/runs/kinds';
import { freeze } from '../../src/core/runs/kinds/freeze';
import type { FreezeTap } from '../../src/core/runs/kinds/freeze/act';
import type { FreezeEvent } from '../../src/core/runs/kinds/freeze/events';
import type { FreezePlan } from '../../src/core/runs/kinds/freeze/plan';
import type { Random } from './random';

/** A tap that somebody at the stove could make who sees these events: mostly what the page says, sometimes a slip. */
export function freezeTap(
	{ next, below, pick }: Random,
	plan: FreezePlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: {
		placeIds: readonly string[];
		containerIds: readonly (string | null)[];
		form?: (food: string) => string | undefined;
	}
): FreezeTap {
	const state = freeze.fold(plan, startedAt, shown as readonly FreezeEvent[]);
	// Opened again after a mistake: every end that is seen is taken back.
	const [end] = state.ends;
	if (end !== undefined && next() < 0.35) return { type: 'undo', target: end };
	const what = next();
	if (what < 0.08 && shown.length > 0) return { type: 'undo', target: pick(shown).id };
	if (what < 0.16) return { type: 'finish' };
	if (what < 0.2) return { type: 'stop', reason: 'called away' };
	const one = pick(plan.subjects);
	const mark = plan.subjects.length > 1 ? { subject: one.n } : {};
	if (what < 0.24 && where.placeIds.length > 0)
		return {
			type: 'by-product',
			...mark,
			food: one.food.id,
			form: where.form?.(one.food.id) ?? one.form,
			grams: 20 + below(200),
			placeId: pick(where.placeIds)
		};
	if (what < 0.27)
		return { type: 'again', would: pick(['yes', 'changed', 'no'] as const), change: pick(['', 'earlier']) };
	if (what < 0.45)
		return {
			type: 'pack',
			...mark,
			packs: 1 + below(4),
			pack_g: pick([one.portion_g, one.portion_g, Math.max(1, Math.round(one.portion_g / 2))]),
			containerId: pick(where.containerIds),
			placeId: pick(where.placeIds)
		};
	if (what < 0.5) return { type: 'weigh', ...mark, grams: Math.round(one.load_g * (0.6 + next() * 0.6)) };
	if (what < 0.54) return { type: 'note', text: `note ${below(100)}` };
	if (what < 0.57) return { type: 'hold', on: next() < 0.5 };
	if (what < 0.59) return { type: 'ice', grams: below(5000) };
	if (what < 0.6 && plan.subjects.length > 1) return { type: 'order', subjects: [one.n] };
	if (what < 0.62)
		return { type: 'replan', ...mark, next_g: 100 + below(900), reboil_s: 100 + below(200), potful_g: 1000 };
	const acts = freeze.acts(plan, state, now + 3_600_000).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	return act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
}
