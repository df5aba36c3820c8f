import { figures, isFor, type FigureRow } from '../../reference/other-ways';
import type { Provenance } from '../../reference/row';
import { sources } from '../../reference/sources';
import type { FoodRow, PlaceKind, Range } from '../../reference/tables';
import { productsOf } from '../canning/products';
import type { Refusal } from '../errors';
import { keepsAt } from '../things/clock';
import { figureById, lookUpFreezing } from '../freezing/freeze-look-up';
import { cFromF } from '../quantities/units';
import { advise } from '../safety/advise';
import type { Caution } from '../safety/cautions';
import { isMeat } from '../safety/dry';
import type { Query } from '../safety/question';
import { plain, type Thing } from '../things/thing';
import { waysOn } from '../safety/ways-on';
import { apartFrom, type Apart } from './companions';

/** Ways of storing that may be asked about. */
export const storageWays = [
	'counter', 'cool', 'fridge', 'cellar', 'freeze', 'dry', 'can', 'ferment', 'pickle', 'jam', 'vacuum', 'freeze-dry', 'oil',
	'opened', 'thawed'
] as const; // prettier-ignore
export type StorageWay = (typeof storageWays)[number];
export const storagePacks = [
	'freezer-bag', 'vacuum', 'box', 'paper', 'foil', 'shop-tray', 'storage-bag', 'dry-jar', 'fridge-jar'
] as const; // prettier-ignore
export type StoragePack = (typeof storagePacks)[number];

export interface StorageQuestion {
	readonly thing: Thing;
	readonly way: StorageWay;
	readonly pack?: StoragePack;
	/** Of the place, °C. */
	readonly temp_C?: number;
}

/** How long something keeps, one line for each case. */
export interface Keeps extends Provenance {
	readonly what: string;
	readonly time: Range;
	readonly unit: 'day' | 'week' | 'month' | 'year' | 'h';
	/** °C that the figure is for; null where the row names none. */
	readonly at_C: number | null;
	/** 'table': as printed; 'scaled': by the freshness clock of the core, Q10. */
	readonly basis: 'table' | 'scaled';
	readonly at?: string;
}
export interface StorageAnswer {
	readonly kind: 'storage';
	readonly food: FoodRow;
	readonly way: StorageWay;
	readonly keeps: readonly Keeps[];
	/** The store it wants, for a cellar. */
	readonly wants: FoodRow['want'] | null;
	readonly apart: readonly Apart[];
	/** From when it is opened or thawed. */
	readonly second: readonly Keeps[];
	readonly cautions: readonly Caution[];
}

type Timed = Keeps['unit'];
const timed = new Set<string>(['day', 'week', 'month', 'year', 'h']);

const keepsOf = (row: FigureRow): Keeps | undefined =>
	timed.has(row.unit)
		? {
				what: row.what,
				time: typeof row.value === 'number' ? [row.value, row.value] : row.value,
				unit: row.unit as Timed,
				at_C: row.temp_F === undefined ? null : Number(cFromF(row.temp_F).toFixed(1)),
				basis: 'table',
				...(row.at ? { at: row.at } : {}),
				source: row.source,
				confidence: row.confidence,
				...(row.note ? { note: row.note } : {})
			}
		: undefined;
const keepsIn = (rows: readonly FigureRow[]): Keeps[] => rows.map(keepsOf).filter((k): k is Keeps => k !== undefined);

const ofFood = (way: FigureRow['way'], food: FoodRow, prefix = '') =>
	figures.filter((f) => f.way === way && f.id.startsWith(`${way}/${prefix}`) && isFor(f, food));

/**
 * Second clocks of a food: the ones named for it, and of opened jars the one of its acid, where it has tested jars.
 */
export function secondClocks(food: FoodRow, clock: 'opened' | 'thawed'): FigureRow[] {
	const own = figures.filter((f) => f.clock === clock && isFor(f, food));
	if (clock === 'thawed') return own;
	const products = productsOf(food.id);
	const acid = new Set<'low' | 'high'>(
		products.map((p) => (p.processes.some((r) => r.method === 'water') ? 'high' : 'low'))
	);
	const jars = figures.filter((f) => f.clock === 'opened' && f.acid !== undefined && acid.has(f.acid));
	return [...jars, ...own];
}

/** Nothing unsafe was asked, and no figure is known: the food's own safe ways are offered. */
const noRow = (food: FoodRow, way: StorageWay): Refusal => ({
	kind: 'refused',
	reason: `${food.name.charAt(0).toUpperCase()}${food.name.slice(1)}: no keeping time is carried here for "${way}", and none is made up.`,
	source: sources.practice.title,
	instead: waysOn(food, true)
});

/** Dried food: the months of the next warmer printed temperature. Nothing is read between two rows. */
function driedAt(food: FoodRow, temp_C: number | undefined): Keeps[] {
	const rows = ofFood('dry', food, 'keep-').sort((a, b) => (a.temp_F ?? 0) - (b.temp_F ?? 0));
	if (temp_C === undefined) return keepsIn(rows);
	const next = rows.find((r) => r.temp_F !== undefined && temp_C <= cFromF(r.temp_F) + 0.1);
	return keepsIn(next ? [next] : []);
}

const jarRow = figureById('vacuum/fridge-greens');
const jarDays = typeof jarRow.value === 'number' ? jarRow.value : jarRow.value[0];

/** Dried meat is for the cold alone; which cold a temperature means. */
const driedMeatIn = (temp_C: number | undefined): Pick<Query, 'place'> =>
	temp_C === undefined ? {} : { place: temp_C < -5 ? 'freezer' : temp_C < 10 ? 'fridge' : 'room' };

/** What a way asks the safety module. */
function questionOf({ thing, way, pack, temp_C }: StorageQuestion): Query | undefined {
	const { food } = thing;
	const place = temp_C === undefined ? {} : { place_C: temp_C };
	const base = { thing, ...place };
	switch (way) {
		case 'counter':
		case 'cool':
			return { ...base, way: 'room' };
		case 'fridge':
			return { ...base, way: 'fridge' };
		case 'cellar':
			return { ...base, way: 'cellar' };
		case 'dry':
			return { ...base, way: 'dry', heatStep: 'before', ...(isMeat(food) ? driedMeatIn(temp_C) : {}) };
		case 'opened':
		case 'thawed':
			// Both clocks run in the fridge: a warm one is refused for whatever stands in it.
			return temp_C === undefined ? undefined : { ...base, way: 'thaw', thaw: 'fridge', place: 'fridge' };
		case 'can':
			// Only whether any tested jar exists is asked: no time is taken from the answer, so the altitude does not matter.
			return { ...base, way: 'can', altitude_m: 0 };
		case 'ferment':
			return { ...base, way: 'ferment', salt: 'full' };
		case 'pickle':
			return { ...base, way: 'pickle', place: 'fridge' };
		case 'jam':
			return { ...base, way: 'jam', place: 'fridge' };
		case 'freeze-dry':
			return { ...base, way: 'freeze-dry' };
		case 'oil':
			return { ...base, way: 'infuse-oil', place: 'fridge', days: 4 };
		case 'vacuum':
			if (pack === 'dry-jar') return { ...base, thing: { ...thing, state: 'dried' }, way: 'vacuum', place: 'room' };
			if (pack === 'fridge-jar') return { ...base, way: 'vacuum', place: 'fridge', days: 1, sealed: true };
			return { ...base, way: 'vacuum', place: 'freezer' };
		default:
			return undefined;
	}
}

function fresh(food: FoodRow, place: PlaceKind, temp_C: number | undefined): Keeps[] {
	const row = food.keeping.find((k) => k.place === place);
	if (!row) return [];
	const scaled = temp_C !== undefined && Math.abs(temp_C - row.at_C) > 0.5 && !food.perishable;
	const days = scaled ? keepsAt(plain(food), place, temp_C).days : row.days;
	return [
		{
			what: { counter: 'On the counter', cool: 'In a cool room', fridge: 'In the fridge', cellar: 'In the cellar' }[
				place
			],
			time: [days[0], days[1]],
			unit: 'day',
			at_C: scaled ? temp_C : row.at_C,
			basis: scaled ? 'scaled' : 'table',
			source: row.source,
			confidence: row.confidence
		}
	];
}

function keepsFor(question: StorageQuestion): Keeps[] | Refusal {
	const { thing, way, pack, temp_C } = question;
	const { food } = thing;
	switch (way) {
		case 'counter':
		case 'cool':
		case 'fridge':
			return fresh(food, way, temp_C);
		case 'cellar':
			return food.want
				? [
						{
							what: 'In the store it wants',
							time: food.want.weeks,
							unit: 'week',
							at_C: (food.want.C[0] + food.want.C[1]) / 2,
							basis: 'table',
							source: food.want.source,
							confidence: food.want.confidence,
							...(food.want.note ? { note: food.want.note } : {})
						}
					]
				: [];
		case 'freeze':
		case 'vacuum': {
			if (way === 'vacuum' && pack === 'dry-jar') return driedAt(food, temp_C);
			if (way === 'vacuum' && pack === 'fridge-jar') {
				const jar = keepsIn(ofFood('vacuum', food, 'fridge-'));
				if (jar.length > 0) return jar;
				const loose = fresh(food, 'fridge', undefined);
				// Nothing raw keeps longer in such a jar than the row for greens says, unless a row of its own does.
				return loose.map((k) => ({ ...k, time: [Math.min(k.time[0], jarDays), Math.min(k.time[1], jarDays)] }));
			}
			const frozen = lookUpFreezing({ thing, pack: way === 'vacuum' ? 'vacuum' : (pack ?? 'freezer-bag') });
			if (frozen.kind === 'refused') return frozen;
			return frozen.cuts.map((c) => ({
				what: `${c.cut.name}, ${c.method}`,
				time: c.months,
				unit: 'month' as const,
				at_C: -18,
				basis: 'table' as const,
				at: frozen.pack.name,
				source: c.source,
				confidence: c.confidence
			}));
		}
		case 'dry':
			return driedAt(food, temp_C);
		case 'can':
			return keepsIn(figures.filter((f) => f.id === 'can/keep'));
		case 'ferment':
			return keepsIn(ofFood('ferment', food).filter((f) => f.id.endsWith('-fridge')));
		case 'pickle':
			return keepsIn([...ofFood('second', food, 'opened-pickles'), ...ofFood('pickle', food, 'herb-vinegar')]);
		case 'jam':
			return keepsIn(ofFood('jam', food).filter((f) => ['jam/freezer-fridge', 'jam/freezer-freezer'].includes(f.id)));
		case 'freeze-dry':
			return keepsIn(figures.filter((f) => f.id === 'freeze-dry/years'));
		case 'oil':
			return keepsIn(ofFood('oil', food));
		case 'opened':
		case 'thawed':
			return keepsIn(secondClocks(food, way));
	}
}

/**
 * How long a food keeps by a way, in a pack, at a temperature. Printed rows; between two temperatures the shorter months.
 *
 * @returns the cases, or a refusal: unsafe, or no figure known
 * @throws {DomainError} OUT_OF_RANGE for a fresh food beyond −2 to 45 °C
 */
export function lookUpStorage(question: StorageQuestion): StorageAnswer | Refusal {
	const { thing, way } = question;
	const { food } = thing;
	const cautions = new Map<string, Caution>();
	const ask = questionOf(question);
	if (ask) {
		const { thing: asked, way: askedWay, ...terms } = ask;
		const advice = advise(asked, askedWay, terms);
		if (advice.kind === 'refused') return advice;
		advice.cautions.forEach((c) => cautions.set(c.id, c));
	}
	if (way === 'freeze-dry') {
		// The years are for a pack with an absorber on the shelf: whom that is refused is given none.
		// Freeze-dried to the end it holds 2 to 4 % of water (common practice).
		const shelf = advise({ ...thing, state: 'dried' }, 'absorber', { moisture: 4, place: 'room' });
		if (shelf.kind === 'refused') return shelf;
	}
	if (way === 'freeze' && question.temp_C !== undefined) {
		// Any cut will do: only the temperature is asked about here; each cut has its own say below.
		const advice = advise(thing, 'freeze-cooked', { place_C: question.temp_C });
		if (advice.kind === 'refused' && advice.rule === 'freezer-warm') return advice;
	}
	const keeps = keepsFor(question);
	if ('kind' in keeps) return keeps;
	if (keeps.length === 0) return noRow(food, way);
	const second = way === 'freeze' || way === 'vacuum' ? secondClocks(food, 'thawed') : secondClocks(food, 'opened');
	return {
		kind: 'storage',
		food,
		way,
		keeps,
		wants: way === 'cellar' ? (food.want ?? null) : null,
		apart: ['counter', 'cool', 'cellar'].includes(way) ? apartFrom(food) : [],
		second: way === 'opened' || way === 'thawed' ? [] : keepsIn(second),
		cautions: [...cautions.values()]
	};
}
