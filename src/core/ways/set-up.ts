import { findProcesses } from '../canning/find-process';
import { productsOf } from '../canning/products';
import { boilingPoint_C } from '../heat/boiling-point';
import { blanchRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain } from '../things/thing';
import { freezeWays, type FreezeWay } from './freeze-ways';
import type { BurnerKind } from '../../reference/rules';
import type { Units } from '../quantities/format';
import type { Kitchen } from './kitchen';

/** Three answers: where it stands, the pot and its burner, what keeps the cold. */
export interface SetUp {
	readonly units: Units;
	readonly altitudeM: number;
	readonly pot: { readonly litres: number; readonly burnerW: number; readonly burnerKind: BurnerKind };
	readonly freezerL: number;
	readonly freezerC: number;
	readonly iceKg: number;
	readonly basins: number;
	readonly trays: number;
}

/** What three answers change, by examples that everybody knows: crushed tomatoes in quarts, nine kilos of green beans. */
export interface SetUpEffects {
	readonly boil_C: number;
	/** Boiling water, crushed tomatoes in quarts: minutes at the sea and here; null where the table has no column. */
	readonly tomatoes_min: { readonly sea: number; readonly here: number } | null;
	/** Green beans through the pot; null where no pot was said. */
	readonly beans: {
		readonly potful_kg: number;
		readonly reboil_s: number;
		readonly potfuls: number;
		readonly elapsed_s: number;
		/** Potfuls that the ice cools. */
		readonly iced: number;
	} | null;
	/** What may go in to freeze in a day, kg. */
	readonly freezeDay_kg: number;
}

/** Of beans, by which the pot is shown. */
export const shownBeans_g = 9_000;

function tomatoMinutes(altitude_m: number): number | null {
	const product = productsOf('tomatoes').find((p) => p.product === 'crushed');
	if (!product) return null;
	const [found] = findProcesses({ product, altitude_m, jar: 'quart' }).filter((p) => p.method === 'boiling-water');
	return found?.minutes ?? null;
}

/**
 * What an altitude, a pot and a freezer change.
 *
 * @throws {DomainError} OUT_OF_RANGE: the altitude
 */
export function setUpEffects(kitchen: Kitchen & { altitude_m: number }, now: number): SetUpEffects {
	const sea = tomatoMinutes(0);
	const here = kitchen.altitude_m > 3048 ? null : tomatoMinutes(kitchen.altitude_m);
	const food = foodById('green-beans');
	const way = food && kitchen.pots.length > 0 ? beansWay(kitchen, now) : undefined;
	const { line } = way ?? {};
	return {
		boil_C: boilingPoint_C(kitchen.altitude_m),
		tomatoes_min: sea === null || here === null ? null : { sea, here },
		beans:
			way && line
				? {
						potful_kg: line.potful_kg,
						reboil_s: line.reboil_s,
						potfuls: line.potfuls,
						elapsed_s: line.line_s,
						iced: line.icePerPotful_kg > 0 ? Math.floor(kitchen.ice_kg / line.icePerPotful_kg) : 0
					}
				: null,
		freezeDay_kg: kitchen.freezeDay_kg
	};
}

/** Green beans in a potful of this pot alone, kg, and how long the boil takes to come back, s; null where none can be told. */
export function potfulOf(kitchen: Kitchen, potId: string, now: number): { kg: number; reboil_s: number } | null {
	const pots = kitchen.pots.filter((p) => p.id === potId);
	if (kitchen.altitude_m === null || pots.length === 0) return null;
	const line = beansWay({ ...kitchen, pots }, now)?.line;
	return line ? { kg: line.potful_kg, reboil_s: line.reboil_s } : null;
}

function beansWay(kitchen: Kitchen, now: number): FreezeWay | undefined {
	const food = foodById('green-beans');
	if (!food) return undefined;
	const { ways } = freezeWays({ thing: plain(food), grams: shownBeans_g, food_C: 18, kitchen, choices: {}, now });
	const rows = new Set(blanchRows.filter((r) => r.food === food.id && r.method === 'water').map((r) => r.id));
	return ways.find((w): w is FreezeWay => w.kind === 'way' && w.row !== undefined && rows.has(w.row.id));
}
