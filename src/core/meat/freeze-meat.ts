import { meatRules } from '../../reference/breakdown';
import { dayLimit_kg } from '../freezing/freezer-week';
import { mustBePositive } from '../errors';

export interface FreezerRoom {
	readonly id: string;
	readonly name: string;
	/** Inside, and free, L. */
	readonly litres: number;
	readonly free_L: number;
	/** New food a day that the household measured or said, kg; the published load without it. */
	readonly day_kg?: number;
}

export interface DayLoad {
	/** From 1. */
	readonly day: number;
	readonly freezer: string;
	readonly kg: number;
}

export interface FreezePlan {
	/** Litres short, least and most: 0 where it fits. */
	readonly short_L: readonly [number, number];
	readonly fits: boolean;
	/** By day and freezer, as planned: 2 lb to the cubic foot, and no more in a freezer than fits. */
	readonly loads: readonly DayLoad[];
	/** Until the last of it is in; null where it does not fit. */
	readonly days: number | null;
	/** At the upper of the published loads, 3 lb. */
	readonly daysLeast: number | null;
	/** Into all of them in a day, kg. */
	readonly day_kg: number;
}

/**
 * Meat into freezers over days: each takes its published load a day and no more in all than it has room for, so that what is in it
 * already stays cold. Where all of it does not fit there is no plan: the litres that are missing come first.
 *
 * @param kg of packs; `litres` is the room that they take, least and most, stacked
 * @throws {DomainError} NOT_POSITIVE
 * @source NCHFP, Freezing: 2 to 3 lb to the cubic foot in 24 hours (from memory)
 */
export function freezeMeat(
	kg: number,
	litres: readonly [number, number],
	freezers: readonly FreezerRoom[]
): FreezePlan {
	mustBePositive(kg, 'kg');
	const free = freezers.reduce((sum, f) => sum + Math.max(0, f.free_L), 0);
	const short_L = [Math.max(0, litres[0] - free), Math.max(0, litres[1] - free)] as const;
	// By the room that it may take at the most: what was planned has to go in.
	const kg_L = kg / litres[1];
	const fits = short_L[1] === 0;
	const day = (f: FreezerRoom) => Math.max(0, f.day_kg ?? dayLimit_kg(f.litres));
	const plan = fits ? laidOut(kg, freezers.map((f) => ({ id: f.id, day: day(f), room: Math.max(0, f.free_L) * kg_L }))) : null; // prettier-ignore
	const upper = meatRules.dayMost_kg_L.value;
	const fast = fits ? laidOut(kg, freezers.map((f) => ({ id: f.id, day: Math.max(day(f), f.litres * upper), room: Math.max(0, f.free_L) * kg_L }))) : null; // prettier-ignore
	const days = (loads: readonly DayLoad[] | null) => loads?.at(-1)?.day ?? null;
	return {
		short_L,
		fits,
		loads: plan ?? [],
		days: days(plan),
		daysLeast: days(fast),
		day_kg: freezers.reduce((sum, f) => sum + day(f), 0)
	};
}

/** A year is longer than any plan of freezing. */
const mostDays = 400;

function laidOut(
	kg: number,
	freezers: readonly { readonly id: string; readonly day: number; readonly room: number }[]
): readonly DayLoad[] | null {
	const room = freezers.map((f) => f.room);
	const loads: DayLoad[] = [];
	let left = kg;
	for (let day = 1; left > 1e-9 && day <= mostDays; day++) {
		freezers.forEach((f, i) => {
			const goes = Math.min(left, f.day, room[i] ?? 0);
			if (goes <= 1e-9) return;
			room[i] = (room[i] ?? 0) - goes;
			left -= goes;
			loads.push({ day, freezer: f.id, kg: goes });
		});
	}
	return left > 1e-6 ? null : loads;
}
