import type { RunEvent } from '../../src/core/runs/kinds';
import { dry } from '../../src/core/runs/kinds/dry';
import type { DryTap } from '../../src/core/runs/kinds/dry/act';
import type { DryEvent } from '../../src/core/runs/kinds/dry/events';
import type { DryPlan } from '../../src/core/runs/kinds/dry/plan';
import type { Random } from './random';

/** A tap that somebody at the dryer could make who sees these events: mostly what the page says, sometimes a slip. */
export function dryTap(
	{ next, below, pick }: Random,
	plan: DryPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: {
		placeIds: readonly string[];
		containerIds: readonly (string | null)[];
		form?: (food: string) => string | undefined;
	}
): DryTap {
	const state = dry.fold(plan, startedAt, shown as readonly DryEvent[]);
	const [end] = state.ends;
	if (end !== undefined && next() < 0.35) return { type: 'undo', target: end };
	const what = next();
	if (what < 0.08 && shown.length > 0) return { type: 'undo', target: pick(shown).id };
	if (what < 0.15) return { type: 'finish' };
	if (what < 0.19) return { type: 'stop', reason: 'called away' };
	const one = pick(plan.subjects);
	const mark = plan.subjects.length > 1 ? { subject: one.n } : {};
	if (what < 0.23 && where.placeIds.length > 0)
		return {
			type: 'by-product',
			...mark,
			food: one.food.id,
			form: where.form?.(one.food.id) ?? one.form,
			grams: 20 + below(200),
			placeId: pick(where.placeIds)
		};
	if (what < 0.26)
		return { type: 'again', would: pick(['yes', 'changed', 'no'] as const), change: pick(['', 'thinner']) };
	if (what < 0.4)
		return {
			type: 'pack',
			...mark,
			packs: 1 + below(3),
			pack_g: pick([one.portion_g, Math.max(1, Math.round(one.portion_g / 2))]),
			containerId: pick(where.containerIds),
			placeId: pick(where.placeIds)
		};
	const trays = state.trays.length > 0 ? state.trays : [];
	const tray = trays.length > 0 ? pick(trays).tray : 1;
	if (what < 0.44) return { type: 'weigh', ...mark, grams: Math.round(one.load_g * (0.6 + next() * 0.6)) };
	if (what < 0.47) return { type: 'power', on: next() < 0.5 };
	if (what < 0.5) return { type: 'swap', tray, slot: 1 + below(plan.dryer.trays + 1) };
	if (what < 0.53) return { type: 'scale', tray, grams: 1 + below(one.perTray_g * 2) };
	if (what < 0.56) return { type: 'back', tray, slot: 1 + below(plan.dryer.trays) };
	if (what < 0.58) return { type: 'out', tray, why: pick(['eaten', 'spoiled'] as const) };
	if (what < 0.62)
		return { type: 'load', ...mark, tray: 1 + below(9), slot: 1 + below(plan.dryer.trays), mL: 100 + below(900) };
	const acts = dry.acts(plan, state, now + 3_600_000).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	const tap = act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
	return tap.type === 'identified' ? { ...tap, words: 'an expert, by spore print' } : tap;
}
