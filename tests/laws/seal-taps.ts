import { seal } from '../../src/core/runs/kinds/seal';
import type { SealEvent } from '../../src/core/runs/kinds/seal/events';
import type { SealPlan } from '../../src/core/runs/kinds/seal/plan';
import { commonTap } from './common-taps';
import type { Tapper } from './fold-law';

/** How somebody taps at a sealer: mostly what comes next, now and then something else. */
export const sealTap: Tapper<SealPlan> = (random, plan, startedAt, now, shown, where) => {
	const state = seal.fold(plan, startedAt, shown as readonly SealEvent[]);
	const [subject] = plan.subjects;
	const spot = { ...subject, mark: {}, food: subject.food.id };
	const common = random.next() < 0.5 ? commonTap(random, state, shown, spot, where) : undefined;
	if (common) return common;
	const round = 1 + random.below(plan.rounds.length);
	if (random.next() < 0.2)
		return random.pick([
			{ type: 'round-out', round } as const,
			{ type: 'round-back', round } as const,
			{ type: 'round-filled', round, bags: 1 + random.below(20) } as const,
			{ type: 'round-sealed', round, bags: 1 + random.below(20) } as const,
			{ type: 'bags-ready' } as const,
			{ type: 'frozen-first' } as const
		]);
	const acts = seal.acts(plan, state, now).filter((a) => a.button !== null);
	return acts[0]?.button?.tap ?? { type: 'note', text: 'nothing to do' };
};
