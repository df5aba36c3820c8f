import type { FoodRow } from '../../reference/tables';
import { mustBeWithin, type Refusal } from '../errors';
import { figureById } from '../freezing/freeze-look-up';
import { advise } from '../safety/advise';
import { plain } from '../things/thing';

/** Sizes that are sold, cc of oxygen. Common practice. */
const sizes_cc = [50, 100, 200, 300, 400, 500, 1000, 1500, 2000, 2500, 3000] as const;

export interface AbsorberInput {
	readonly food: FoodRow;
	/** Of the jar, bag or bucket, 0.1 to 30 L. */
	readonly volume_L: number;
	/** How it lies: grain and powder, or light pieces with much air between. */
	readonly lies: 'dense' | 'light';
	/** Share of the container that is filled, 0.2 to 1. */
	readonly fill?: number;
	/** Share of water by weight, %; without it the food is taken to be dried as the tables say. */
	readonly moisture?: number;
}
export interface Absorber {
	readonly kind: 'absorber';
	readonly air_mL: number;
	readonly oxygen_mL: number;
	/** The size to take, cc, and how many. */
	readonly size_cc: number;
	readonly count: number;
}

/**
 * Oxygen to take out of a container, and the absorber for it.
 *
 *     V_O2 = 0.2095 · V · (fill·void + 1 − fill)
 *
 * Rounded up to a size that is sold. Refused by the safety module for what is moist, fat, or meat at room temperature.
 *
 * @throws {DomainError} OUT_OF_RANGE
 * @source oxygen in air, U.S. Standard Atmosphere 1976; voids Utah State University Extension (rows, from memory)
 */
export function absorberFor(input: AbsorberInput): Absorber | Refusal {
	mustBeWithin(input.volume_L, 0.1, 30, 'volume_L');
	const fill = input.fill ?? 1;
	mustBeWithin(fill, 0.2, 1, 'fill');
	const { moisture } = input;
	if (moisture !== undefined) mustBeWithin(moisture, 0, 100, 'moisture');
	const advice = advise({ ...plain(input.food), state: 'dried' }, 'absorber', {
		place: 'room',
		...(moisture === undefined ? {} : { moisture })
	});
	if (advice.kind === 'refused') return advice;
	const percent = (id: string): number => {
		const { value } = figureById(id);
		return typeof value === 'number' ? value : (value[0] + value[1]) / 2;
	};
	const open = percent(input.lies === 'dense' ? 'absorber/void-dense' : 'absorber/void-light') / 100;
	const air_mL = input.volume_L * 1000 * (fill * open + 1 - fill);
	const oxygen_mL = (air_mL * percent('absorber/oxygen')) / 100;
	const largest = sizes_cc[sizes_cc.length - 1] as number;
	const count = Math.max(1, Math.ceil(oxygen_mL / largest));
	const size_cc = sizes_cc.find((s) => s * count >= oxygen_mL) ?? largest;
	return { kind: 'absorber', air_mL, oxygen_mL, size_cc, count };
}
