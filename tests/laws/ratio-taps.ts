import type { RunEvent } from '../../src/core/runs/kinds';
import { ratio } from '../../src/core/runs/kinds/ratio';
import type { RatioTap } from '../../src/core/runs/kinds/ratio/acts';
import type { RatioEvent } from '../../src/core/runs/kinds/ratio/events';
import type { RatioPlan } from '../../src/core/runs/kinds/ratio/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/** A tap that somebody at the table could make who sees these events: mostly what the page says, sometimes a slip. */
export function ratioTap(
	random: Random,
	plan: RatioPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
): RatioTap {
	const { next, below, pick } = random;
	const state = ratio.fold(plan, startedAt, shown as readonly RatioEvent[]);
	const [subject] = plan.subjects;
	const end = pick(plan.ends);
	const common = commonTap(
		random,
		state,
		shown,
		{ ...subject, mark: { subject: end.n }, food: subject.food.id },
		where
	);
	if (common) return common.type === 'weigh' ? { ...common, subject: 1 } : common;
	const what = next();
	if (what < 0.12) return { type: 'measured', mL: 100 + below(3000) };
	if (what < 0.2)
		return { type: 'added', set: 1 + below(3), item: 1 + below(subject.items.length), scoop: 1 + below(4) };
	const acts = ratio.acts(plan, state, now).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	// The whole of it at one tap, half of the time: else no history comes to its jars.
	const [other] = act?.others ?? [];
	return (next() < 0.5 ? other?.tap : undefined) ?? act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
}
