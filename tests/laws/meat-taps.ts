import type { RunEvent } from '../../src/core/runs/kinds';
import { breakDown } from '../../src/core/runs/kinds/break-down';
import type { BreakDownTap } from '../../src/core/runs/kinds/break-down/acts';
import type { BreakDownEvent } from '../../src/core/runs/kinds/break-down/events';
import type { BreakDownPlan } from '../../src/core/runs/kinds/break-down/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/** A tap that somebody at the table could make who sees these events: mostly what the page says, sometimes a slip. */
export function meatTap(
	random: Random,
	plan: BreakDownPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
): BreakDownTap {
	const { next, below, pick } = random;
	const state = breakDown.fold(plan, startedAt, shown as readonly BreakDownEvent[]);
	const spot = { mark: {}, food: plan.food.id, form: 'bones', portion_g: 500, load_g: plan.table_g };
	const common = next() < 0.5 ? commonTap(random, state, shown, spot, where) : undefined;
	if (common) return common;
	const part = pick(plan.parts.filter((p) => p.food !== null));
	if (next() < 0.1)
		return pick([
			{ type: 'box-back', box: 1 + below(plan.boxes.length + 1) },
			{ type: 'box-out', box: 1 + below(plan.boxes.length + 1) },
			{ type: 'part-done', part: part.n },
			{ type: 'part', part: part.n, grams: 1 + below(900), placeId: pick(where.placeIds) }
		] as const);
	const acts = breakDown.acts(plan, state, now).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	const tap = act?.button?.tap;
	if (!tap) return { type: 'note', text: 'nothing to do' };
	if (tap.type === 'part') {
		const [all] = act.others ?? [];
		if (all && next() < 0.3) return all.tap;
		return { ...tap, grams: Math.max(1, Math.round(tap.grams * next())) };
	}
	const [other] = act.others ?? [];
	return other && next() < 0.3 ? other.tap : tap;
}
