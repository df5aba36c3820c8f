/** What an instrument measures. Held in g, °C, Pa above the air. */
export const quantities = ['mass', 'temperature', 'gauge-pressure'] as const;
export type Quantity = (typeof quantities)[number];
/** What can be paired: what measures, and what prints labels. */
export const tools = [...quantities, 'print'] as const;
export type Tool = (typeof tools)[number];

/** One reading, as the application holds it. */
export interface Reading {
	/** By the server's clock, ms. */
	readonly at: number;
	/** g, °C or Pa. */
	readonly value: number;
	/** Whether it had come to rest, as the instrument says; undefined where it does not. */
	readonly steady?: boolean;
	/** What is wrong with it, as the instrument says; empty where nothing is. */
	readonly fault: string;
	/** 0 to 1; undefined where it has none or does not say. */
	readonly battery?: number;
}

/** Older than this a reading says nothing of now, ms. */
export const stale_ms = 6_000;
/** Readings within this are looked at to see whether it has come to rest, ms, and so many at least. */
const rest_ms = 3_500;
const rest_count = 3;
/** At rest they differ by no more: g or a share of the weight, °C, Pa. */
const rest = {
	mass: { least: 1.5, share: 0.004 },
	temperature: { least: 0.3, share: 0 },
	'gauge-pressure': { least: 700, share: 0 }
} as const;

/** How an instrument stands now. */
export type Standing =
	| { readonly is: 'steady' | 'moving'; readonly reading: Reading }
	| { readonly is: 'silent'; readonly reading: Reading | null }
	| { readonly is: 'faulty'; readonly reading: Reading };

/**
 * Whether an instrument can be taken at its word: its last reading is of now, without a fault, and has come to rest.
 *
 * @param recent in order of time, the newest last
 */
export function standing(quantity: Quantity, recent: readonly Reading[], now: number): Standing {
	const reading = recent.at(-1) ?? null;
	if (!reading || now - reading.at > stale_ms) return { is: 'silent', reading };
	if (reading.fault !== '') return { is: 'faulty', reading };
	if (reading.steady === false) return { is: 'moving', reading };
	const window = recent.filter((r) => reading.at - r.at <= rest_ms && r.fault === '');
	const { least, share } = rest[quantity];
	const play = Math.max(least, Math.abs(reading.value) * share);
	const calm = window.length >= rest_count && window.every((r) => Math.abs(r.value - reading.value) <= play);
	return { is: calm ? 'steady' : 'moving', reading };
}
