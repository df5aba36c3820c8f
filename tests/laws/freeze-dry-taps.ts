import type { RunEvent } from '../../src/core/runs/kinds';
import { freezeDry } from '../../src/core/runs/kinds/freeze-dry';
import type { FreezeDryTap } from '../../src/core/runs/kinds/freeze-dry/acts';
import type { FreezeDryEvent } from '../../src/core/runs/kinds/freeze-dry/events';
import type { FreezeDryPlan } from '../../src/core/runs/kinds/freeze-dry/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/** A tap that somebody at the machine could make who sees these events: mostly what the page says, sometimes a slip. */
export function freezeDryTap(
	random: Random,
	plan: FreezeDryPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
): FreezeDryTap {
	const { next, below, pick } = random;
	const state = freezeDry.fold(plan, startedAt, shown as readonly FreezeDryEvent[]);
	const subject = pick(plan.subjects);
	const mark = plan.subjects.length > 1 ? { subject: subject.n } : {};
	const common = commonTap(random, state, shown, { ...subject, mark, food: subject.food.id }, where);
	if (common) return common;
	const what = next();
	const tray = 1 + below(5);
	if (what < 0.12) return { type: 'tray-weighed', tray, grams: 1 + below(subject.load_g) };
	if (what < 0.18) return { type: 'tray-filled', tray, grams: 1 + below(subject.load_g * 2) };
	if (what < 0.22) return { type: 'tray-lost', tray };
	const acts = freezeDry.acts(plan, state, now + 20 * 3_600_000).filter((a) => a.button);
	return acts.length > 0 ? (pick(acts).button?.tap ?? { type: 'finish' }) : { type: 'note', text: 'nothing to do' };
}
