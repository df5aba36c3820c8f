import { sum } from 'd3-array';
import type { FoodGroup } from '../../reference/tables';
import { figureById } from '../freezing/freeze-look-up';
import { mustBeWithin } from '../errors';
import { kgFromLb } from '../quantities/units';
import type { State } from '../things/thing';

/** What stands somewhere and may be eaten: nothing that is stopped or past its end is among it. */
export interface Eatable {
	readonly lot: string;
	readonly food: string;
	readonly name: string;
	readonly group: FoodGroup;
	readonly state: State;
	/** Packs, or null where it is loose; what one of its units weighs, g, and how many units there are. */
	readonly packed: boolean;
	readonly unit_g: number;
	readonly units: number;
	readonly place: string;
	/** By when it is eaten, ms. */
	readonly by: number;
	/** Minced, flat or in small pieces: it goes into the pan frozen. */
	readonly small: boolean;
	/** Of a jar: low in acid, boiled before it is tasted. */
	readonly lowAcid: boolean;
}
export type Role = 'main' | 'vegetable' | 'starch';

/** A helping as it is kept, a head, g (common practice). */
const helping_g: Readonly<Record<Role, number>> = { main: 150, vegetable: 150, starch: 200 };
/** What fills a plate beside the vegetable (common practice). */
const starches: ReadonlySet<string> = new Set([
	'potatoes',
	'sweet-potatoes',
	'sweet-corn',
	'dry-beans',
	'shelling-beans',
	'winter-squash',
	'pumpkins',
	'lima-beans'
]);
const mains: ReadonlySet<FoodGroup> = new Set(['meat', 'poultry', 'fish', 'egg', 'dish']);

/** What a food is on the plate; null for what is none of a supper: fruit, herbs, stock by itself. */
export function roleOf({ group, food }: Pick<Eatable, 'group' | 'food'>): Role | null {
	if (mains.has(group)) return 'main';
	if (starches.has(food)) return 'starch';
	return group === 'vegetable' || group === 'mushroom' ? 'vegetable' : null;
}

const gPerLb = kgFromLb(1) * 1000;
const figure = (id: string): number => Number(figureById(id).value);
/** Minutes in cold water for a pound; a pack of a pound or less an hour at the most, as printed. */
const water_min_lb = figure('thaw/water') * 60;
const waterSmall_min = figure('thaw/water-small') * 60;
const longer = 1 + figure('thaw/from-frozen') / 100;
/** Hours in the fridge for each printed 4 lb, the smaller of the two weights; a small pack takes as long. */
const fridge_h = figure('thaw/fridge');
const fridge_g = 4 * gPerLb;

/** Hours in the fridge until a pack of so many grams is thawed. */
export const thaw_h = (grams: number): number => fridge_h * Math.max(1, Math.ceil(grams / fridge_g - 1e-9));
/** Minutes in cold water, in a bag that lets none in. */
export const waterThaw_min = (grams: number): number =>
	grams <= gPerLb ? waterSmall_min : Math.ceil((grams / gPerLb) * water_min_lb);

/** Minutes on the fire from where it is ready for it (common practice). */
function fire_min({ group, state, small, lowAcid, food }: Eatable): number {
	if (state === 'canned' || state === 'opened') return lowAcid ? 15 : 5;
	if (state === 'pickled' || state === 'fermented') return 0;
	if (group === 'dish' || state === 'cooked') return 15;
	if (group === 'egg') return 10;
	if (mains.has(group)) return small ? 20 : group === 'fish' ? 15 : 30;
	if (state === 'dried') return 45;
	return starches.has(food) && state === 'fresh' ? 30 : state === 'frozen' ? 10 : 15;
}

export interface Minutes {
	readonly minutes: number;
	/** From frozen, thawed in water first, or as it stands. */
	readonly how: 'as it is' | 'from frozen' | 'cold water first';
}
/** From where it stands to the table, by safe ways alone. */
export function minutesOf(e: Eatable): Minutes {
	const fire = fire_min(e);
	if (e.state !== 'frozen') return { minutes: fire, how: 'as it is' };
	if (!mains.has(e.group)) return { minutes: fire, how: 'from frozen' };
	// What is small or a dish goes into the pan frozen, for half as long again; a joint is thawed in water first.
	return e.small || e.group === 'dish'
		? { minutes: Math.round(fire * longer), how: 'from frozen' }
		: { minutes: waterThaw_min(e.unit_g) + fire, how: 'cold water first' };
}

export interface Part {
	readonly eatable: Eatable;
	readonly role: Role;
	/** Whole packs, or units of what is loose. */
	readonly units: number;
	readonly grams: number;
	readonly minutes: Minutes;
}
export interface Meal {
	readonly parts: readonly Part[];
	/** On the table after so many minutes. */
	readonly minutes: number;
	/** What of it is eaten first, and how long it has, ms. */
	readonly first: Eatable;
	readonly score: number;
	/** There is less of a part than so many people eat. */
	readonly short: boolean;
}
export interface SupperAsk {
	readonly people: number;
	/** It is to stand on the table within so many minutes. */
	readonly within_min: number;
	readonly now: number;
	/** When a food was eaten last, ms: what was eaten lately comes later. */
	readonly eaten: ReadonlyMap<string, number>;
	/** Foods that somebody at table does not eat. */
	readonly avoid: ReadonlySet<string>;
}

const day_ms = 86_400_000;
/** Between the last part that is done and the table (common practice). */
const serve_min = 5;

function partOf(eatable: Eatable, role: Role, people: number): Part {
	const wanted = people * helping_g[role];
	const units = Math.min(eatable.units, Math.max(1, Math.ceil(wanted / eatable.unit_g - 0.15)));
	return { eatable, role, units, grams: units * eatable.unit_g, minutes: minutesOf(eatable) };
}

/** How much it wants to be eaten: opened and thawed first, then what has least time left; what was eaten this week later. */
function urgency(e: Eatable, { now, eaten }: SupperAsk): number {
	const days = Math.max(0, (e.by - now) / day_ms);
	const last = eaten.get(e.food);
	const ago = last === undefined ? 14 : Math.min(14, (now - last) / day_ms);
	const second = e.state === 'opened' || e.state === 'thawed' || e.state === 'cooked' ? 1 : 0;
	return second + 3 / (1 + days / 2) + 1 / (1 + days / 60) + (0.6 * ago) / 14;
}

/** Fewer grams than this of what is wanted is no part of a meal. */
const enough = 0.6;

/**
 * Meals out of what stands there: a main part, a vegetable, what fills the plate, by the foods' groups and no recipe; each main
 * part once, the weakest quality and what runs out first at the top, nothing twice in a week where there is other.
 *
 * @returns at most `most`, the best first
 * @throws {DomainError} OUT_OF_RANGE: nobody, or no time
 */
export function suppers(all: readonly Eatable[], ask: SupperAsk, most = 5): Meal[] {
	mustBeWithin(ask.people, 1, 40, 'people');
	mustBeWithin(ask.within_min, 1, 24 * 60, 'within_min');
	const there = all.filter((e) => e.units > 0 && !ask.avoid.has(e.food));
	const parts = there.flatMap((e): Part[] => {
		const role = roleOf(e);
		return role === null ? [] : [partOf(e, role, ask.people)];
	});
	const fast = parts.filter((p) => p.minutes.minutes + serve_min <= ask.within_min);
	const worth = (p: Part) => urgency(p.eatable, ask);
	const of = (role: Role) =>
		fast
			.filter((p) => p.role === role && p.grams >= enough * ask.people * helping_g[role])
			.sort((a, b) => worth(b) - worth(a) || (a.eatable.lot < b.eatable.lot ? -1 : 1));
	const [vegetables, fillings] = [of('vegetable'), of('starch')];
	const used = new Map<string, number>();
	const meals: Meal[] = [];
	// One food is a main part once; the rest go round, so that five meals are not five times the same beans.
	const foods = new Set<string>();
	const takeFrom = (list: readonly Part[], but: string): Part | undefined => {
		const next = [...list]
			.filter((p) => p.eatable.food !== but)
			.sort((a, b) => (used.get(a.eatable.food) ?? 0) - (used.get(b.eatable.food) ?? 0) || worth(b) - worth(a))[0];
		if (next) used.set(next.eatable.food, (used.get(next.eatable.food) ?? 0) + 1);
		return next;
	};
	for (const main of [...of('main'), ...vegetables]) {
		if (meals.length >= most) break;
		const { food, group } = main.eatable;
		if (foods.has(food)) continue;
		foods.add(food);
		// A dish is a meal with a vegetable; two vegetables and what fills are one without meat.
		const green = takeFrom(vegetables, food);
		const filling = group === 'dish' ? undefined : takeFrom(fillings, food);
		if (main.role === 'vegetable' && (!green || !filling)) continue;
		const own = [main, green, filling].filter((p): p is Part => p !== undefined);
		const first = own.reduce((a, b) => (b.eatable.by < a.eatable.by ? b : a)).eatable;
		meals.push({
			parts: own,
			minutes: Math.max(...own.map((p) => p.minutes.minutes)) + serve_min,
			first,
			score: sum(own, worth) / own.length + (own.length === 3 ? 0.3 : 0),
			short: own.some((p) => p.grams < ask.people * helping_g[p.role] * 0.85)
		});
	}
	return meals.sort((a, b) => b.score - a.score);
}

export interface Thaw {
	readonly eatable: Eatable;
	readonly units: number;
	readonly hours: number;
	/** In time for tomorrow's supper. */
	readonly inTime: boolean;
}
/** What goes into the fridge tonight to be thawed tomorrow, by weight: the joints, what is eaten first at the top. */
export function thawsFor(all: readonly Eatable[], ask: SupperAsk, supperAt: number, most = 3): Thaw[] {
	const seen = new Set<string>();
	return all
		.filter((e) => e.state === 'frozen' && e.units > 0 && roleOf(e) === 'main' && !ask.avoid.has(e.food))
		.sort((a, b) => urgency(b, ask) - urgency(a, ask) || a.by - b.by)
		.filter((e) => !seen.has(e.food) && seen.add(e.food))
		.slice(0, most)
		.map((eatable) => {
			const { units } = partOf(eatable, 'main', ask.people);
			const hours = thaw_h(eatable.unit_g);
			return { eatable, units, hours, inTime: ask.now + hours * 3_600_000 <= supperAt };
		});
}
