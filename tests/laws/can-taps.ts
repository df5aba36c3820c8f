import type { RunEvent } from '../../src/core/runs/kinds';
import { can } from '../../src/core/runs/kinds/can';
import type { CanTap } from '../../src/core/runs/kinds/can/act';
import { acids, type CanEvent } from '../../src/core/runs/kinds/can/events';
import { mark_Pa, type CanPlan } from '../../src/core/runs/kinds/can/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/**
 * A tap that somebody at the canner could make who sees these events: mostly what the page says, sometimes a slip.
 *
 * @param often how often it is one that every kind knows
 */
export function canTap(
	random: Random,
	plan: CanPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where,
	often = 0.55
): CanTap {
	const { next, below, pick } = random;
	const state = can.fold(plan, startedAt, shown as readonly CanEvent[]);
	const subject = pick(plan.subjects);
	const end = pick(plan.ends);
	const spot = { ...subject, mark: { subject: end.n }, food: subject.food.id };
	const common = next() < often ? commonTap(random, state, shown, spot, where) : undefined;
	if (common) return common.type === 'weigh' ? { ...common, subject: subject.n } : common;
	const load = 1 + below(Math.max(1, state.loads.length));
	if (next() < 0.1) return slip(random, plan, load);
	const acts = can.acts(plan, state, now).filter((a) => a.button);
	const ready = acts.filter((a) => a.ready);
	const act = ready.length > 0 ? pick(ready) : acts.length > 0 ? pick(acts) : undefined;
	const tap = act?.button?.tap;
	if (!tap) return { type: 'note', text: 'nothing to do' };
	if (tap.type === 'gauge' && tap.weight === undefined)
		return { ...tap, Pa: mark_Pa(plan) + (next() < 0.08 ? -1 - below(3000) : below(9000)) };
	// What is asked is answered well, mostly: else no history comes to its jars.
	const [other] = act.others ?? [];
	const kind = act.kind;
	if (kind === 'filled') return other && next() < 0.7 ? other.tap : tap;
	if (kind === 'watched') return other && next() < 0.5 ? other.tap : tap;
	return other && next() < 0.05 ? other.tap : tap;
}

function slip({ next, below, pick }: Random, plan: CanPlan, load: number): CanTap {
	const product = pick(plan.subjects).n;
	const what = below(14);
	switch (what) {
		case 0:
			return { type: 'fell', load };
		case 1:
			return { type: 'heat-off', load };
		case 2:
			return { type: 'full-boil', load };
		case 3:
			return { type: 'weight-on', load };
		case 4:
			return { type: 'kitchen-changed', what: pick(['altitude', 'gauge'] as const) };
		case 5:
			return { type: 'give-up', load };
		case 6:
			return { type: 'as-printed', product, word: next() < 0.5 ? 'yes' : 'no' };
		case 7:
			return { type: 'broken', load, product, jars: 1 };
		case 8:
			return { type: 'jars-out', load };
		case 9:
			return { type: 'filled', load, product, jars: 1 + below(8), ...(next() < 0.7 ? { acid: pick(acids) } : {}) };
		case 10:
			return { type: 'lid-on', load };
		case 11:
			return { type: 'gauge', load, ...(next() < 0.5 ? { Pa: below(120_000) } : { weight: pick(['moves', 'still'] as const) }) };
		case 12:
			return { type: 'gauge', load, Pa: mark_Pa(plan) + 2000, least_Pa: mark_Pa(plan) + below(3000) - 1000 };
		default:
			return { type: 'plan-is-right' };
	}
} // prettier-ignore
