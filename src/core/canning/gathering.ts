import { mustBePositive, mustBeWithin } from '../errors';

export interface Picking {
	/** ms. */
	readonly at: number;
	readonly kg: number;
	/** Best used by, ms: freshness of this picking where it stands; Infinity once it is frozen. */
	readonly bestBy: number;
}
export interface GatheringInput {
	/** A canner load, or a recipe's weight, kg. */
	readonly need_kg: number;
	readonly pickings: readonly Picking[];
	/** ms. */
	readonly now: number;
}
export interface Gathering {
	readonly have_kg: number;
	readonly short_kg: number;
	/** Whole loads there already. */
	readonly loads: number;
	/** Of the oldest picking: the run is not later than this. Null before the first picking, Infinity where all is frozen. */
	readonly deadline: number | null;
	/** kg a day from the pickings so far; null before the second. */
	readonly rate_kg_day: number | null;
	/** When it fills: likely, and where nine of ten do; null where it cannot be said. */
	readonly fills: { readonly likely: number; readonly from: number; readonly to: number } | null;
	readonly verdict: 'full' | 'in time' | 'close' | 'too late' | 'unknown';
	readonly words: string;
}

const day_ms = 86_400_000;
/** Pickings of one day count as one: a rate wants a second day. */
const least_ms = 0.75 * day_ms;

/**
 * Pickings toward a load: what is missing, when it fills, and whether the oldest lasts until then.
 *
 *     rate = Σ kg after the first / (last − first);  ln rate ± 1.645·max(0.2, cv/√(n − 1))
 *
 * The first picking only starts the clock: what it had grown before is not known.
 *
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE
 * @source common practice
 */
export function gathering({ need_kg, pickings, now }: GatheringInput): Gathering {
	mustBePositive(need_kg, 'need_kg');
	for (const p of pickings) {
		mustBeWithin(p.kg, 0.001, 10_000, 'kg');
		mustBeWithin(p.at, 0, now, 'at');
	}
	const list = [...pickings].sort((a, b) => a.at - b.at);
	const have_kg = list.reduce((sum, p) => sum + p.kg, 0);
	const short_kg = Math.max(0, need_kg - have_kg);
	const deadline = list.length > 0 ? Math.min(...list.map((p) => p.bestBy)) : null;
	const loads = Math.floor(have_kg / need_kg + 1e-9);
	const rate = rateOf(list);
	const common = { have_kg, short_kg, loads, deadline, rate_kg_day: rate?.kg_day ?? null };
	if (loads > 0)
		return {
			...common,
			fills: null,
			verdict: 'full',
			words: `There is enough for ${loads === 1 ? 'a load' : `${loads} loads`}.`
		};
	if (!rate) {
		const words =
			list.length === 0
				? 'Nothing has been picked yet.'
				: 'After a picking on a second day it can be said when it fills.';
		return { ...common, fills: null, verdict: 'unknown', words };
	}
	const days = short_kg / rate.kg_day;
	const when = (factor: number) => now + days * factor * day_ms;
	const spread = Math.exp(1.645 * rate.doubt);
	const fills = { likely: when(1), from: when(1 / spread), to: when(spread) };
	const limit = deadline ?? Infinity;
	const verdict = fills.to <= limit ? 'in time' : fills.likely <= limit ? 'close' : 'too late';
	const words = {
		'in time': 'It fills before the oldest picking turns.',
		close: 'It may fill before the oldest picking turns: put the oldest by (freeze it, or a smaller load) if it is not full in time.',
		'too late': 'The oldest picking turns before it fills: make a smaller load, or freeze what there is and go on from the freezer.'
	}[verdict]; // prettier-ignore
	return { ...common, fills, verdict, words };
}

function rateOf(list: readonly Picking[]): { kg_day: number; doubt: number } | undefined {
	const [first, ...later] = list;
	const last = later.at(-1);
	// Two baskets of one morning tell nothing of the next day.
	if (!first || !last || last.at - first.at < least_ms) return undefined;
	const sum = later.reduce((total, p) => total + p.kg, 0);
	const mean = sum / later.length;
	const variance = later.reduce((total, p) => total + (p.kg - mean) ** 2, 0) / Math.max(1, later.length - 1);
	const cv = later.length > 1 ? Math.sqrt(variance) / mean : 0.6;
	return { kg_day: sum / ((last.at - first.at) / day_ms), doubt: Math.max(0.2, cv / Math.sqrt(later.length)) };
}
