import rows from './fermenting.json';
import type { Provenance, Row } from './row';
import type { Range } from './tables';

/** How long it takes in a room of so much; between two bands nothing is printed, and nothing is read between them. */
export interface FermentBand {
	readonly from_C: number;
	readonly to_C: number;
	readonly days: Range;
}

/** A vegetable that is fermented in salt. */
export interface FermentRow extends Provenance {
	readonly food: string;
	readonly cut: string;
	/** Salt to the cut weight, %; null where it goes under brine. */
	readonly dry: Range | null;
	/** Salt of the brine poured over it, % of the brine; null where it makes its own. */
	readonly brine: Range | null;
	readonly days: readonly FermentBand[];
	/** By look and taste. */
	readonly ready: string;
	/** In the fridge, under its brine, weeks. */
	readonly cold_weeks: Range;
	/** Of a filled jar so much is vegetable, by weight. */
	readonly share: number;
	readonly mind?: string;
}

// JSON widens literals to strings; salt.test.ts checks every row.
export const ferments = rows as unknown as readonly FermentRow[];

const guide = { source: 'usdaCanning2015', confidence: 'from memory' } as const;
const practice = { source: 'practice', confidence: 'practice' } as const;
const F = (value: number) => ((value - 32) * 5) / 9;

/** Rules of every ferment in salt. */
export const fermentRules = {
	leastEnd_percent: { value: 1.9, unit: '%', at: 'salt to vegetable and water together, in the end: the weaker of the two printed krauts', ...practice },
	mostEnd_percent: { value: 8, unit: '%', at: 'above it the souring drags', ...practice },
	warm_C: { value: F(75), unit: '°C', at: '75 °F: above it softens', ...guide },
	most_C: { value: F(80), unit: '°C', at: '80 °F: too soft', ...guide },
	cool_C: { value: F(60), unit: '°C', at: '60 °F: below it may not ferment', ...guide },
	least_C: { value: 10, unit: '°C', at: 'to begin with; once it bubbles it may stand cooler', ...practice },
	overLeast_m: { value: 0.0254, unit: 'm', at: 'brine over the food, 1 to 2 in', ...guide },
	lookWeek_least: { value: 2, unit: '1', at: 'looks a week, 2 to 3', ...guide },
	topping_percent: { value: 2.77, unit: '%', at: '1 1/2 tbsp of canning salt to a quart of water, for what its own juice does not cover', ...guide },
	sour_pH: { value: 4.6, unit: '1', at: 'below it, by the seventh day at 18 to 24 °C', ...guide }
} as const satisfies Record<string, Row>; // prettier-ignore

export const fermentOf = (food: string): FermentRow | undefined => ferments.find((r) => r.food === food);
