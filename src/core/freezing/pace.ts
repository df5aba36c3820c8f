import { freezingRules } from '../../reference/rules';

/**
 * How many times faster frozen food grows old at a temperature than at its published one.
 *
 *     pace = 2^((T − T_freezer)/halved), at least 1
 *
 * A matter of quality alone; colder than published gives nothing back.
 *
 * @param place_C °C
 * @source the extension rule that each 10 °F above 0 °F halves the months (common practice)
 */
export const frozenPace = (place_C: number): number =>
	Math.max(1, 2 ** ((place_C - freezingRules.freezer_C.value) / freezingRules.halved_K.value));

/** A stay in a freezer; the last is open. */
export interface ColdStay {
	readonly place_C: number;
	/** ms */
	readonly from: number;
	/** ms; null while it lies there. */
	readonly until: number | null;
}

/** The temperature at which food grows old at a pace: what a day of many readings comes to. */
export const paceAs_C = (pace: number): number =>
	freezingRules.freezer_C.value + freezingRules.halved_K.value * Math.log2(Math.max(1, pace));

/**
 * The last stay with what its freezer's own probe said of it: where it was measured, that counts, and between and after the
 * place's usual temperature.
 *
 * @param stays in the order of time, the last open
 * @param measured stretches that were measured, in the order of time, none over another
 */
export function withMeasured(stays: readonly ColdStay[], measured: readonly ColdStay[]): readonly ColdStay[] {
	const last = stays.at(-1);
	if (!last || last.until !== null || measured.length === 0) return stays;
	const cut: ColdStay[] = [];
	let from = last.from;
	for (const one of measured) {
		const [begin, end] = [Math.max(one.from, from), one.until ?? Infinity];
		if (end <= begin || !Number.isFinite(end)) continue;
		if (begin > from) cut.push({ place_C: last.place_C, from, until: begin });
		cut.push({ place_C: one.place_C, from: begin, until: end });
		from = end;
	}
	return [...stays.slice(0, -1), ...cut, { place_C: last.place_C, from, until: null }];
}

/**
 * What is left of a frozen pack's label, over the history of its freezers: warm weeks use it up faster.
 *
 * @param label ms, as it was given when the pack was frozen
 * @param stays in the order of time, at least one
 * @returns ms; never after the label
 */
export function labelOver(label: number, stays: readonly ColdStay[]): number {
	const [first] = stays;
	if (!first) return label;
	let left = label - first.from;
	if (left <= 0) return label;
	for (const { place_C, from, until } of stays) {
		const pace = frozenPace(place_C);
		const used = until === null ? Infinity : Math.max(0, until - from) * pace;
		if (used >= left) return Math.min(label, from + left / pace);
		left -= used;
	}
	return label;
}
