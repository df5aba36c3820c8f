import { freshnessRules } from '../../reference/rules';
import { heatSteps } from '../../reference/safety';
import type { FoodRow, PlaceKind } from '../../reference/tables';
import type { Provenance } from '../../reference/row';
import type { Condition } from '../quantities/parse-haul';
import { mustBeWithin } from '../errors';

export interface FreshnessInput {
	readonly food: FoodRow;
	readonly place: PlaceKind;
	/** Of the place, °C. */
	readonly place_C: number;
	readonly condition: Condition;
	/** When it was picked or came in, ms. */
	readonly since: number;
}

export interface Freshness extends Provenance {
	/** Best used by, ms: the shorter of the published days, scaled. */
	readonly bestBy: number;
	/** Gone by, ms: the longer. */
	readonly goneBy: number;
	readonly days: readonly [number, number];
	/** What to mind about this place. */
	readonly warning?: string;
}

const day_ms = 86_400_000;

/**
 * How long a haul keeps where it stands.
 *
 *     days(T) = days(T_ref) · Q10^((T_ref − T)/10) · condition
 *
 * Cold helps only down to the food's own limit (chilling injury below), and no more than doubles a published figure.
 * Where no row is known for a place, the counter's is used and scaled.
 *
 * Meat, fish, stock and cooked dishes go by the clock of safety instead: two hours out of the cold, one above 90 °F, and
 * no scaling up; in the fridge their published days.
 *
 * @param input.place_C −2 to 45 °C
 * @throws {DomainError} OUT_OF_RANGE
 * @source the food's keeping rows; Q10 2 to 3 for most produce (common practice)
 */
export function freshness(input: FreshnessInput): Freshness {
	mustBeWithin(input.place_C, -2, 45, 'place_C');
	const { food } = input;
	if (food.perishable) return perishable(input);
	const row = food.keeping.find((k) => k.place === input.place) ?? food.keeping[0];
	if (!row) throw new Error(`${food.id} has no keeping time`);
	const felt_C = Math.max(input.place_C, Math.min(food.coldest_C, row.at_C));
	const scale =
		Math.min(2, freshnessRules.q10.value ** ((row.at_C - felt_C) / 10)) * freshnessRules[input.condition].value;
	const days = [row.days[0] * scale, row.days[1] * scale] as const;
	const warning =
		input.place_C < food.coldest_C - 1
			? `${food.name} suffer below ${food.coldest_C} °C: pitting and off flavour. A warmer place is better.`
			: undefined;
	return {
		bestBy: input.since + days[0] * day_ms,
		goneBy: input.since + days[1] * day_ms,
		days,
		source: row.source,
		confidence: row.confidence,
		...(warning ? { warning } : {})
	};
}

/** Out of the cold the published two hours (one above 90 °F) are the end, not a quality; the fridge has its days. */
function perishable({ food, place_C, since }: FreshnessInput): Freshness {
	const fridge = food.keeping.find((k) => k.place === 'fridge');
	const cold = fridge && place_C <= fridge_C;
	const hours = minutesOf(place_C > hot_C ? 'out-of-the-cold-hot' : 'out-of-the-cold') / 60;
	const days: readonly [number, number] = cold ? fridge.days : [hours / 24, hours / 24];
	return {
		bestBy: since + days[0] * day_ms,
		goneBy: since + days[1] * day_ms,
		days,
		source: cold ? fridge.source : 'fsis',
		confidence: 'from memory',
		...(cold
			? {}
			: {
					warning: `${food.name}: out of the cold ${hours === 1 ? 'one hour' : 'two hours'} at most. Into the fridge or freezer.`
				})
	};
}

/** 40 °F, the published fridge, with the play of a thermometer; 90 °F, above which an hour is all. */
const fridge_C = 5;
const hot_C = 32.2;
const minutesOf = (id: string): number => {
	const minutes = heatSteps.find((s) => s.id === id)?.minutes;
	if (minutes === undefined) throw new Error(`There is no heat step "${id}".`);
	return minutes;
};
