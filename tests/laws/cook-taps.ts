import type { RunEvent } from '../../src/core/runs/kinds';
import { cookDown } from '../../src/core/runs/kinds/cook-down';
import type { CookTap } from '../../src/core/runs/kinds/cook-down/acts';
import type { CookEvent } from '../../src/core/runs/kinds/cook-down/events';
import { subjectOf, type CookPlan } from '../../src/core/runs/kinds/cook-down/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/** A tap that somebody at the pan could make who sees these events: mostly what the page says, sometimes a slip. */
export function cookTap(
	random: Random,
	plan: CookPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
): CookTap {
	const { next, below, pick } = random;
	const state = cookDown.fold(plan, startedAt, shown as readonly CookEvent[]);
	const subject = subjectOf(plan);
	const common = commonTap(random, state, shown, { ...subject, mark: {}, food: subject.food.id }, where);
	if (common) return common;
	const what = next();
	if (what < 0.1) return { type: 'depth', mm: 5 + below(200) };
	if (what < 0.16) return { type: 'milled', grams: 1 + below(subject.load_g * 2) };
	if (what < 0.24) return { type: 'cooled', dC: below(900) };
	if (what < 0.28) return { type: 'boil-again' };
	const acts = cookDown.acts(plan, state, now + 3_600_000).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	const tap = act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
	return tap.type === 'depth' ? { ...tap, mm: 20 + below(100) } : tap;
}
