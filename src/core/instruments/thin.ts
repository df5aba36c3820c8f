import type { Reading } from './reading';

/** Readings of a stretch as one: their mean, and the least and most of them. */
export interface Thinned {
	/** The stretch's start, ms. */
	readonly at: number;
	/** Its length, ms. */
	readonly span: number;
	readonly value: number;
	readonly least: number;
	readonly most: number;
	readonly count: number;
}

/** Raw for two days, then a minute each, after a fortnight an hour each. */
export const thinning = [
	{ after_ms: 2 * 86_400_000, span_ms: 60_000 },
	{ after_ms: 14 * 86_400_000, span_ms: 3_600_000 }
] as const;

/** Readings gathered into stretches of a length; faulty ones are left out. @param span ms, above 0 */
export function thin(readings: readonly Reading[], span: number): Thinned[] {
	const byStretch = new Map<number, Reading[]>();
	for (const r of readings) {
		if (r.fault !== '') continue;
		const at = Math.floor(r.at / span) * span;
		byStretch.set(at, [...(byStretch.get(at) ?? []), r]);
	}
	return [...byStretch]
		.sort(([a], [b]) => a - b)
		.map(([at, list]) => {
			const values = list.map((r) => r.value);
			return {
				at,
				span,
				value: values.reduce((a, b) => a + b, 0) / values.length,
				least: Math.min(...values),
				most: Math.max(...values),
				count: values.length
			};
		});
}
