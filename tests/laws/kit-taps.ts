import type { RunEvent } from '../../src/core/runs/kinds';
import { kit } from '../../src/core/runs/kinds/kit';
import type { KitTap } from '../../src/core/runs/kinds/kit/acts';
import type { KitEvent } from '../../src/core/runs/kinds/kit/events';
import type { KitPlan } from '../../src/core/runs/kinds/kit/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/** A tap that somebody at the table could make who sees these events: mostly what the page says, sometimes a slip. */
export function kitTap(
	random: Random,
	plan: KitPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
): KitTap {
	const { next, below, pick } = random;
	const state = kit.fold(plan, startedAt, shown as readonly KitEvent[]);
	const [subject] = plan.subjects;
	const part = pick(plan.parts);
	const common = commonTap(random, state, shown, { ...subject, mark: {}, food: part.food.id, form: part.form }, where);
	if (common) return common;
	if (next() < 0.3) return { type: 'part-ready', part: part.n, grams: 1 + below(Math.round(part.raw_g * 1.3)) };
	const acts = kit.acts(plan, state, now).filter((a) => a.button);
	return acts.length > 0 ? (pick(acts).button?.tap ?? { type: 'finish' }) : { type: 'note', text: 'nothing to do' };
}
