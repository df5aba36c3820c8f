import { clockRules, freshnessRules } from '../../reference/rules';
import { heatSteps } from '../../reference/safety';
import type { FoodRow, PlaceKind, Range } from '../../reference/tables';
import type { Provenance } from '../../reference/row';
import { mustBeWithin } from '../errors';
import { frozenPace } from '../freezing/pace';
import type { Keeping, StandingPlace } from './keeping';
import { keptAt, spoilsOutOfCold } from './kept-clock';
import { thingsIn } from './mixture';
import type { Age, State, Thing } from './thing';

/** An interval in one place. The last one of a lot is open. */
export interface Stay {
	readonly place: StandingPlace;
	/** Of the place, °C. */
	readonly place_C: number;
	/** ms */
	readonly from: number;
	/** ms; null while it stands there. */
	readonly until: number | null;
	/** What it was there, where that is not what it is now: frozen for months, then thawed. */
	readonly state?: State;
}

export interface Clock extends Keeping {
	/** Best used by, ms: the shorter of the published days, less what was used up elsewhere. */
	readonly bestBy: number;
	/** Gone by, ms: the longer. */
	readonly goneBy: number;
	/** Share of the whole clock that is used up now; 1 is its end. */
	readonly used: number;
	readonly age: Age;
}

const day_ms = 86_400_000;
/** 40 °F, the published fridge, with the play of a thermometer; 90 °F, above which an hour is all; a freezer's warmest. */
const fridge_C = 5;
const hot_C = 32.2;
const freezer_C = -12;

/**
 * How long a thing keeps in a place.
 *
 *     days(T) = days(T_ref) · Q10^((T_ref − T)/10) · condition
 *
 * Cold helps only down to the food's own limit (chilling injury below), and no more than doubles a published figure.
 * Where no row is known for a place, the counter's is used and scaled.
 *
 * Meat, fish, stock, cooked dishes, and whatever is cooked or thawed go by the clock of safety instead: two hours out of
 * the cold, one above 90 °F, and no scaling up; in the fridge their published days.
 *
 * @param place_C −40 to 45 °C
 * @throws {DomainError} OUT_OF_RANGE
 * @source the food's keeping rows; USDA FSIS for the clock of safety; Q10 2 to 3 for most produce (common practice)
 */
export function keepsAt(thing: Thing, place: StandingPlace, place_C: number): Keeping {
	mustBeWithin(place_C, -40, 45, 'place_C');
	const { food, state, was, condition, madeOf } = thing;
	const key = `${state} ${was ?? ''} ${condition} ${place} ${place_C} ${madeOf ? JSON.stringify(madeOf) : ''}`;
	const known = remembered.get(food)?.get(key);
	if (known) return known;
	const keeping = work(thing, place, place_C);
	const ofFood = remembered.get(food) ?? new Map<string, Keeping>();
	if (ofFood.size >= mostRemembered) ofFood.clear();
	remembered.set(food, ofFood.set(key, keeping));
	return keeping;
}

/** What was worked out before: the tables never change, and shelves ask the same of hundreds of lots. */
const remembered = new WeakMap<FoodRow, Map<string, Keeping>>();
const mostRemembered = 200;

function work(thing: Thing, place: StandingPlace, place_C: number): Keeping {
	if (thing.madeOf !== undefined && thing.madeOf.length > 1) return weakest(thing, place, place_C);
	if (thing.state === 'frozen' && place_C <= freezer_C) return frozen(thing, frozenPace(place_C));
	const kept = keptAt(thing, place, place_C);
	if (kept) return kept;
	if (place === 'ground' && !thing.food.perishable) return { ...inTheRow(thing), limit: 'quality' };
	const second = secondClock(thing);
	if (second || thing.food.perishable || spoilsOutOfCold(thing)) return perishable(thing, place_C, second);
	return produce(thing, asProduce[place], Math.max(-2, place_C));
}

/** Which row of produce a place goes by. */
const asProduce: Readonly<Record<StandingPlace, PlaceKind>> = {
	counter: 'counter',
	cool: 'cool',
	fridge: 'fridge',
	cellar: 'cellar',
	freezer: 'fridge',
	pantry: 'counter',
	ground: 'cellar',
	crock: 'counter'
};

/** Standing in the ground: by common practice the shorter of the row's months and what its store would give it. */
function inTheRow({ food }: Thing): Provenance & { readonly days: Range } {
	const { days, source, confidence } = clockRules.ground;
	const weeks = food.want?.weeks;
	return weeks
		? { days: [Math.min(days[0], weeks[0] * 7), Math.min(days[1], weeks[1] * 7)], source, confidence }
		: { days, source, confidence };
}

/** A mixture keeps as long as what goes first in it; what is dangerous in one part is dangerous in all. */
function weakest(thing: Thing, place: StandingPlace, place_C: number): Keeping {
	const parts = thingsIn(thing).map((part) => keepsAt(part, place, place_C));
	const first = parts.reduce((a, b) => (b.days[0] < a.days[0] ? b : a));
	const safety = parts.some((p) => p.limit === 'safety' && p.days[1] <= Math.min(...parts.map((o) => o.days[1])));
	return {
		...first,
		days: [first.days[0], Math.max(first.days[0], Math.min(...parts.map((p) => p.days[1])))],
		limit: safety ? 'safety' : first.limit
	};
}

function produce(thing: Thing, place: PlaceKind, place_C: number): Keeping {
	const { food } = thing;
	const row = food.keeping.find((k) => k.place === place) ?? food.keeping[0];
	if (!row) throw new Error(`${food.id} has no keeping time`);
	const felt_C = Math.max(place_C, Math.min(food.coldest_C, row.at_C));
	const soundness = thing.condition === 'unsound' ? freshnessRules.soft.value : freshnessRules[thing.condition].value;
	const condition = Math.min(soundness, thing.state === 'prepared' ? freshnessRules.cut.value : 1);
	const scale = Math.min(2, freshnessRules.q10.value ** ((row.at_C - felt_C) / 10)) * condition;
	const warning =
		place_C < food.coldest_C - 1
			? `${food.name} suffer below ${food.coldest_C} °C: pitting and off flavour. A warmer place is better.`
			: undefined;
	return {
		days: [row.days[0] * scale, row.days[1] * scale],
		limit: 'quality',
		source: row.source,
		confidence: row.confidence,
		...(warning ? { warning } : {})
	};
}

/** Thawed, cooked and soaked things count by days of their own, whatever they were before. */
function secondClock({ state, food }: Thing): (Provenance & { readonly days: Range }) | undefined {
	if (state === 'thawed' || state === 'frozen') return clockRules.thawed;
	if (state === 'mixed' || state === 'coated') return clockRules.cooked;
	if (state === 'cooked' && food.group !== 'dish' && food.group !== 'stock') return clockRules.cooked;
	return state === 'soaked' ? clockRules.soaked : undefined;
}

/** Out of the cold the published two hours (one above 90 °F) are the end, not a quality; the fridge has its days. */
function perishable(
	thing: Thing,
	place_C: number,
	second: (Provenance & { readonly days: Range }) | undefined
): Keeping {
	const { food } = thing;
	const fridge = food.keeping.find((k) => k.place === 'fridge');
	const own = second ?? fridge;
	if (own && place_C <= fridge_C)
		return { days: own.days, limit: 'safety', source: own.source, confidence: own.confidence };
	const hours = minutesOf(place_C > hot_C ? 'out-of-the-cold-hot' : 'out-of-the-cold') / 60;
	return {
		days: [hours / 24, hours / 24],
		limit: 'safety',
		source: 'fsis',
		confidence: 'from memory',
		warning: `${food.name}: out of the cold ${hours === 1 ? 'one hour' : 'two hours'} at most, all places together. Into the fridge or freezer.`
	};
}

/** Months of the freezer, of quality alone: the shortest and longest that its cuts are given; sooner where it is warmer. */
function frozen({ food }: Thing, pace: number): Keeping {
	const rows = food.cuts.flatMap((c) => [
		...(c.raw.kind === 'refused' ? [] : [c.raw]),
		...(c.cookFirst ? [c.cookFirst] : [])
	]);
	const held = food.keepOnly?.freezer_months;
	const months = held ? [held] : rows.map((r) => r.months);
	if (months.length === 0 || (!held && food.cuts.some((c) => c.blanch?.length))) months.push(clockRules.frozen.months);
	const from = held ? food.keepOnly : rows[0];
	return {
		days: [(Math.min(...months.map((m) => m[0])) * 30.4) / pace, (Math.max(...months.map((m) => m[1])) * 30.4) / pace],
		limit: 'quality',
		source: from?.source ?? clockRules.frozen.source,
		confidence: from?.confidence ?? clockRules.frozen.confidence
	};
}

const minutesOf = (id: string): number => {
	const minutes = heatSteps.find((s) => s.id === id)?.minutes;
	if (minutes === undefined) throw new Error(`There is no heat step "${id}".`);
	return minutes;
};

/**
 * Where a thing is on its clock, over every place that it has stood in.
 *
 * Each stay uses up its share of the time that the thing keeps there; the shares add up. An hour on the warm counter is not
 * forgotten in the fridge, and cold never gives back what warmth has taken.
 *
 * @param stays in the order of time, at least one; the last is open
 * @param now ms
 * @throws {DomainError} OUT_OF_RANGE: a temperature
 */
export function clockOf(thing: Thing, stays: readonly Stay[], now: number): Clock {
	const last = stays.at(-1);
	if (!last) throw new Error('A lot has stood somewhere.');
	let usedBest = 0;
	let usedEnd = 0;
	let bestBy: number | undefined;
	let goneBy: number | undefined;
	let used = 0;
	let safety = false;
	for (const stay of stays) {
		const there = stay.state ? { ...thing, state: stay.state } : thing;
		const { days, limit } = keepsAt(there, stay.place, stay.place_C);
		const end = stay === last ? Infinity : (stay.until ?? stay.from);
		const length = Math.max(0, end - stay.from) / day_ms;
		if (bestBy === undefined && usedBest + length / days[0] >= 1)
			bestBy = stay.from + (1 - usedBest) * days[0] * day_ms;
		if (goneBy === undefined && usedEnd + length / days[1] >= 1) {
			goneBy = stay.from + (1 - usedEnd) * days[1] * day_ms;
			safety = limit === 'safety';
		}
		const until = Math.max(0, Math.min(now, end) - stay.from) / day_ms;
		used += until / days[1];
		usedBest += length / days[0];
		usedEnd += length / days[1];
	}
	const keeping = keepsAt(thing, last.place, last.place_C);
	const best = bestBy ?? last.from;
	const gone = Math.max(goneBy ?? best, best);
	const past = now >= gone ? 'end' : now >= best ? 'best' : 'no';
	return { ...keeping, bestBy: best, goneBy: gone, used, age: { past, limit: safety ? 'safety' : keeping.limit } };
}

/** What a thing past its best is still good for, in words; for one past its end, what to do. */
export function stillGoodFor({ food, age }: Thing): string | undefined {
	if (!age || age.past === 'no') return undefined;
	if (age.past === 'end' && age.limit === 'safety') return undefined;
	const sorted = 'Sort it first: what is mouldy, slimy or smells is out.';
	if (food.perishable) return 'Cook it through today, and freeze what is cooked; do not keep it longer raw.';
	if (food.leafy || food.group === 'herb') return `${sorted} Good leaves go into the pot today.`;
	if (food.group === 'fruit')
		return `${sorted} Sound parts for sauce, jam by a tested recipe, the dryer or the freezer; whole fruit in jars wants sounder.`;
	if (food.keepOnly) return `${sorted} ${food.keepOnly.words}.`;
	return `${sorted} Sound parts for soup, the dryer or the freezer; jars want it fresh.`;
}
