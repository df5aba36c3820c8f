import { mustBePositive } from '../errors';

/** What came in toward a load at one time. */
export interface Picking {
	/** ms. */
	readonly at: number;
	/** Of it what is there now, g. */
	readonly grams: number;
	/** Until when it must be worked on, ms: its clock, or its label in the freezer. */
	readonly until: number;
}

export interface GatherForecast {
	readonly have_g: number;
	readonly missing_g: number;
	/**
	 * When it is full, ms: as likely as not, and nine times in ten between these; null where it is full, or where one picking
	 * tells no pace yet.
	 */
	readonly full: null | { readonly at: number; readonly low: number; readonly high: number };
	/** A picking, and the days between two, as they were so far. */
	readonly pace: null | { readonly grams: number; readonly days: number };
	/** The picking that must be worked on first; null without any. */
	readonly first: null | { readonly until: number; readonly grams: number };
	/** Whether it fills before the first of it has to be worked on. */
	readonly fills: 'full' | 'in time' | 'perhaps' | 'not in time' | 'unknown';
}

/** One garden's pickings differ so much in weight and in days, as standard deviations of the logarithm (common practice). */
const usual = { weight: 0.5, gap: 0.4 } as const;
/** The usual counts for so many pickings of one's own. */
const priorWeight = 3;
const day_ms = 86_400_000;
/** Pickings within half a day are one: two baskets of one morning. */
const sameMorning_ms = day_ms / 2;
const nineInTen = 1.645;

/** Pickings of one morning together, in their order. */
function mornings(pickings: readonly Picking[]): { at: number; grams: number }[] {
	const list: { at: number; grams: number }[] = [];
	for (const { at, grams } of [...pickings].sort((a, b) => a.at - b.at)) {
		const last = list.at(-1);
		if (last && at - last.at < sameMorning_ms) last.grams += grams;
		else list.push({ at, grams });
	}
	return list;
}

/** Spread of logarithms, drawn toward what is usual while there are few. */
function spread(values: readonly number[], usually: number): number {
	const logs = values.map((v) => Math.log(Math.max(1e-6, v)));
	const mean = logs.reduce((sum, x) => sum + x, 0) / Math.max(1, logs.length);
	const squares = logs.reduce((sum, x) => sum + (x - mean) ** 2, 0);
	return Math.sqrt((squares + priorWeight * usually ** 2) / (Math.max(0, logs.length - 1) + priorWeight));
}

/**
 * Pickings over days toward a load: what is there, when it fills by their own pace, and whether the oldest can wait so long.
 *
 * The pace is the mean picking over the mean gap; of k pickings that are still wanted, with n seen, the logarithm of the time
 * has the variance (s_w² + s_g²)(1/k + 1/n): what is still to come, and what is known of the pace.
 *
 * @param pickings what of each is there now; 0 or more of them
 * @param target_g above 0
 * @throws {DomainError} NOT_POSITIVE
 * @source the forecast is ours; held against simulated gardens in the test
 */
export function gatherForecast(pickings: readonly Picking[], target_g: number, now: number): GatherForecast {
	mustBePositive(target_g, 'target_g');
	const there = pickings.filter((p) => p.grams > 0);
	const have_g = there.reduce((sum, p) => sum + p.grams, 0);
	const missing_g = Math.max(0, target_g - have_g);
	const first = [...there].sort((a, b) => a.until - b.until)[0];
	const oldest = first
		? {
				until: first.until,
				grams: there.filter((p) => p.until <= first.until + day_ms).reduce((s, p) => s + p.grams, 0)
			}
		: null;
	const list = mornings(there);
	const gaps = list.slice(1).map((m, i) => (m.at - (list[i]?.at ?? m.at)) / day_ms);
	const base = { have_g, missing_g, first: oldest };
	const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;
	const pace = gaps.length > 0 ? { grams: mean(list.map((m) => m.grams)), days: mean(gaps) } : null;
	if (missing_g === 0) return { ...base, full: null, pace, fills: 'full' };
	const last = list.at(-1);
	if (!pace || !last) return { ...base, full: null, pace, fills: 'unknown' };
	// It fills with a picking, never between two.
	const wanted = Math.max(1, missing_g / pace.grams + 0.5);
	const weights = spread(
		list.map((m) => m.grams),
		usual.weight
	);
	const between = spread(gaps, usual.gap);
	const sd = Math.sqrt((weights ** 2 + between ** 2) * (1 / wanted + 1 / list.length));
	const days = wanted * pace.days;
	const at = (z: number) => Math.max(now, last.at + days * Math.exp(z * sd) * day_ms);
	const full = { at: at(0), low: at(-nineInTen), high: at(nineInTen) };
	const end = oldest?.until ?? Infinity;
	const fills = full.high <= end ? 'in time' : full.at <= end ? 'perhaps' : 'not in time';
	return { ...base, full, pace, fills };
}
