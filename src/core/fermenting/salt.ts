import { fermentRules, type FermentRow } from '../../reference/fermenting';
import { sources } from '../../reference/sources';
import { mustBePositive, type Refusal } from '../errors';

export interface SaltAsk {
	readonly row: FermentRow;
	/** Cut and ready, g. */
	readonly vegetable_g: number;
	readonly way: 'dry' | 'brine';
	/** Of the cut weight, or of the brine, %; the middle of what is printed without it. */
	readonly percent?: number;
	/** Water that is poured over, g; by the row's share of a filled jar without it. */
	readonly water_g?: number;
}

export interface Salted {
	readonly kind: 'salted';
	readonly salt_g: number;
	/** 0 where it makes its own brine. */
	readonly water_g: number;
	/** As it was reckoned: of the cut weight, or of the brine. */
	readonly percent: number;
	/** To vegetable and water together, when all of it is one: what the germs meet. */
	readonly end_percent: number;
	/** Past what is printed, but within what is safe: a hint. */
	readonly warning?: string;
}

const printed = sources.usdaCanning2015.title;

/**
 * The salt of a ferment: by the cut weight where it makes its own brine; else a brine over it, and what that comes to when
 * vegetable and water are one. Refused where it ends weaker than the weaker of the printed krauts, or is salted as no recipe is.
 *
 * @param ask.vegetable_g g
 * @throws {DomainError} NOT_POSITIVE
 * @source USDA Complete Guide, Guide 6 (from memory); common practice marked so at the rows
 */
export function saltFor(ask: SaltAsk): Salted | Refusal {
	const { row, way, vegetable_g } = ask;
	mustBePositive(vegetable_g, 'vegetable_g');
	const range = way === 'dry' ? row.dry : row.brine;
	if (!range)
		return {
			kind: 'refused',
			reason:
				way === 'dry'
					? 'It does not give enough juice to stand in its own: it goes under a brine.'
					: 'It is salted by its weight and stands in its own juice.',
			source: printed,
			instead: [way === 'dry' ? 'Brine over it' : 'Salt by the weight of what is cut']
		};
	const percent = ask.percent ?? (range[0] + range[1]) / 2;
	const water_g = way === 'dry' ? 0 : (ask.water_g ?? waterOf(row, vegetable_g, percent));
	const salt_g = way === 'dry' ? (vegetable_g * percent) / 100 : (water_g * percent) / (100 - percent);
	const end_percent = (salt_g / (vegetable_g + water_g)) * 100;
	// A thousandth is the scale's play, not a weaker brine.
	if (end_percent < fermentRules.leastEnd_percent.value - 1e-3)
		return {
			kind: 'refused',
			reason: `It ends at ${end_percent.toFixed(1)} % of salt in vegetable and water together: below ${fermentRules.leastEnd_percent.value} % the wrong germs are faster than the acid.`,
			source: printed,
			instead: [way === 'dry' ? `At least ${range[0]} % of the cut weight` : `A brine of ${range[0]} to ${range[1]} %`, 'Less water over it']
		};
	if (end_percent > fermentRules.mostEnd_percent.value)
		return {
			kind: 'refused',
			reason: `It ends at ${end_percent.toFixed(1)} % of salt: above ${fermentRules.mostEnd_percent.value} % it hardly sours.`,
			source: printed,
			instead: [`${range[0]} to ${range[1]} %`]
		};
	const warning =
		percent < range[0] - 1e-9 || percent > range[1] + 1e-9
			? `${range[0]} to ${range[1]} % is what ${row.confidence === 'practice' ? 'is usual' : 'is printed'}.`
			: undefined;
	return { kind: 'salted', salt_g, water_g, percent, end_percent, ...(warning ? { warning } : {}) };
} // prettier-ignore

/** Water that fills the jar up, by the share of vegetable in it. */
function waterOf({ share }: FermentRow, vegetable_g: number, percent: number): number {
	const brine_g = (vegetable_g * (1 - share)) / share;
	return brine_g * (1 - percent / 100);
}

export interface FermentTime {
	readonly kind: 'days';
	readonly days: readonly [number, number];
	/** Not within a printed band: between two of them the shorter's least to the longer's most, past the last one its days. */
	readonly between: boolean;
	readonly warning?: string;
}

/**
 * Days until it is ready in a room of so much. Between two bands nothing is printed: then it is from the least of the one to the
 * most of the other, and the taste says. Nothing is computed.
 *
 * @param room_C °C
 */
export function fermentDays({ days }: FermentRow, room_C: number): FermentTime | Refusal {
	const r = fermentRules;
	if (room_C > r.most_C.value)
		return { kind: 'refused', reason: 'It is warmer there than 80 °F (27 °C): it goes soft, and the wrong germs like it.', source: printed, instead: ['A place of 18 to 22 °C (65 to 72 °F)', 'Wait for cooler days, the vegetables in the fridge'] }; // prettier-ignore
	if (room_C < r.least_C.value)
		return { kind: 'refused', reason: 'It is too cold there for it to begin: below 10 °C (50 °F).', source: printed, instead: ['Begin it at 18 to 22 °C (65 to 72 °F), and move it once it bubbles'] }; // prettier-ignore
	const warning =
		room_C > r.warm_C.value
			? 'Above 75 °F (24 °C) it may soften.'
			: room_C < r.cool_C.value
				? 'Below 60 °F (16 °C) it may not ferment: no bubbles by the fifth day, and it is taken to a warmer place.'
				: undefined;
	const more = warning ? { warning } : {};
	const inside = days.find((b) => room_C >= b.from_C - 0.05 && room_C <= b.to_C + 0.05);
	if (inside) return { kind: 'days', days: inside.days, between: false, ...more };
	const below = [...days].reverse().find((b) => b.to_C < room_C);
	const above = days.find((b) => b.from_C > room_C);
	if (below && above)
		return { kind: 'days', days: [Math.min(below.days[0], above.days[0]), Math.max(below.days[1], above.days[1])], between: true, ...more }; // prettier-ignore
	const [nearest] = below ? [below] : above ? [above] : [];
	return nearest
		? { kind: 'days', days: nearest.days, between: true, ...more }
		: { kind: 'refused', reason: 'No time is published for it.', source: printed, instead: ['Taste it from the third day on'] };
} // prettier-ignore
