import type { RunEvent } from '../../src/core/runs/kinds';
import { cookDown } from '../../src/core/runs/kinds/cook-down';
import type { CookTap } from '../../src/core/runs/kinds/cook-down/acts';
import type { CookEvent } from '../../src/core/runs/kinds/cook-down/events';
import { subjectOf, type CookPlan } from '../../src/core/runs/kinds/cook-down/plan';
import type { Random } from './random';

/** A tap that somebody at the pan could make who sees these events: mostly what the page says, sometimes a slip. */
export function cookTap(
	{ next, below, pick }: Random,
	plan: CookPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: { placeIds: readonly string[]; containerIds: readonly (string | null)[]; form?: (food: string) => string | undefined }
): CookTap {
	const state = cookDown.fold(plan, startedAt, shown as readonly CookEvent[]);
	const [end] = state.ends;
	if (end !== undefined && next() < 0.35) return { type: 'undo', target: end };
	const what = next();
	const subject = subjectOf(plan);
	if (what < 0.08 && shown.length > 0) return { type: 'undo', target: pick(shown).id };
	if (what < 0.15) return { type: 'finish' };
	if (what < 0.19) return { type: 'stop', reason: 'called away' };
	if (what < 0.23 && where.placeIds.length > 0)
		return { type: 'by-product', food: subject.food.id, form: where.form?.(subject.food.id) ?? subject.form, grams: 20 + below(200), placeId: pick(where.placeIds) };
	if (what < 0.26) return { type: 'again', would: pick(['yes', 'changed', 'no'] as const), change: pick(['', 'thicker']) };
	if (what < 0.42)
		return { type: 'pack', packs: 1 + below(3), pack_g: pick([subject.portion_g, Math.max(1, Math.round(subject.portion_g / 2))]), containerId: pick(where.containerIds), placeId: pick(where.placeIds) };
	if (what < 0.47) return { type: 'weigh', grams: Math.round(subject.load_g * (0.6 + next() * 0.6)) };
	if (what < 0.52) return { type: 'depth', mm: 5 + below(200) };
	if (what < 0.55) return { type: 'milled', grams: 1 + below(subject.load_g * 2) };
	if (what < 0.59) return { type: 'cooled', dC: below(900) };
	if (what < 0.61) return { type: 'boil-again' };
	const acts = cookDown.acts(plan, state, now + 3_600_000).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	const tap = act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
	return tap.type === 'depth' ? { ...tap, mm: 20 + below(100) } : tap;
} // prettier-ignore
