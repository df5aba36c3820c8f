import type { RunEvent } from '../../src/core/runs/kinds';
import { freeze } from '../../src/core/runs/kinds/freeze';
import type { FreezeTap } from '../../src/core/runs/kinds/freeze/act';
import type { FreezeEvent } from '../../src/core/runs/kinds/freeze/events';
import type { FreezePlan } from '../../src/core/runs/kinds/freeze/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/** A tap that somebody at the stove could make who sees these events: mostly what the page says, sometimes a slip. */
export function freezeTap(
	random: Random,
	plan: FreezePlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
): FreezeTap {
	const { next, below, pick } = random;
	const state = freeze.fold(plan, startedAt, shown as readonly FreezeEvent[]);
	const one = pick(plan.subjects);
	const mark = plan.subjects.length > 1 ? { subject: one.n } : {};
	const common = commonTap(random, state, shown, { ...one, mark, food: one.food.id }, where);
	if (common) return common;
	const what = next();
	if (what < 0.06) return { type: 'hold', on: next() < 0.5 };
	if (what < 0.1) return { type: 'ice', grams: below(5000) };
	if (what < 0.12 && plan.subjects.length > 1) return { type: 'order', subjects: [one.n] };
	if (what < 0.16)
		return { type: 'replan', ...mark, next_g: 100 + below(900), reboil_s: 100 + below(200), potful_g: 1000 };
	const acts = freeze.acts(plan, state, now + 3_600_000).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	return act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
}
