import { DomainError } from '../errors';
import { tally, type RunState } from './fold';
import type { RunPlan } from './plan';

export interface Closing {
	/** Raw grams that the run used up: all of them, or the share that got as far as the pot. */
	readonly raw_g: number;
	readonly load_g: number;
	readonly packed_g: number;
	readonly packs: number;
	readonly supper_g: number;
	/** Packed weight from the raw weight; null when nothing was packed. */
	readonly yield: number | null;
	readonly elapsed_s: number;
	/** Hands-on, from the plan's own estimate scaled to what went through and no longer than the run: the clock cannot see hands. */
	readonly hands_s: number;
	readonly lots: readonly {
		/** The tap that packed them; entries of before have none. */
		readonly eventId?: string;
		readonly packs: number;
		readonly pack_g: number;
		readonly containerId: string | null;
		readonly placeId: string;
	}[];
	readonly potfuls: readonly {
		readonly n: number;
		readonly grams: number;
		readonly outcome: 'firm' | 'supper' | 'left';
		/** Actual seconds in each stage it went through. */
		readonly stages: Readonly<Record<string, number>>;
	}[];
}

/**
 * What a finished or stopped run goes into the book with.
 *
 * A stopped run uses up the share of the raw weight that had been in the pot or on a tray; the rest stays in the basket.
 *
 * @throws {DomainError} NOT_READY: the run goes on
 */
export function closeRun(plan: RunPlan, state: RunState): Closing {
	if (state.phase === 'working' || state.endedAt === null) {
		throw new DomainError('NOT_READY', 'run', 'The run goes on; finish or stop it first.');
	}
	const sums = tally(state);
	const through_g = sums.firm_g + sums.supper_g + sums.under_g;
	const share = state.phase === 'finished' ? 1 : state.load_g > 0 ? Math.min(1, through_g / state.load_g) : 0;
	const raw_g = Math.round(plan.raw_g * share);
	const end = state.endedAt;
	return {
		raw_g,
		load_g: state.phase === 'finished' ? state.load_g : through_g,
		packed_g: sums.packed_g,
		packs: state.packed.reduce((total, p) => total + p.packs, 0),
		supper_g: sums.supper_g,
		yield: sums.packed_g > 0 && raw_g > 0 ? sums.packed_g / raw_g : null,
		elapsed_s: Math.round((end - state.startedAt) / 1000),
		hands_s: Math.round(
			Math.min(
				plan.expected.hands_s * (plan.load_g > 0 ? Math.min(1, through_g / plan.load_g) : 0),
				(end - state.startedAt) / 1000
			)
		),
		lots: state.packed.map(({ eventId, packs, pack_g, containerId, placeId }) => ({
			eventId,
			packs,
			pack_g,
			containerId,
			placeId
		})),
		potfuls: state.potfuls
			.filter((p) => p.spot !== 'waiting')
			.map((p) => ({
				n: p.n,
				grams: p.grams,
				outcome: p.spot === 'firm' ? 'firm' : p.spot === 'supper' ? 'supper' : 'left',
				stages: Object.fromEntries(
					p.path
						.filter((s) => s.spot !== 'firm' && s.spot !== 'supper')
						.map((s, i) => [s.spot, Math.round(((p.path[i + 1]?.at ?? end) - s.at) / 1000)])
				)
			}))
	};
}
