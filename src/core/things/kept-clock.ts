import { figures, isFor, type FigureRow } from '../../reference/other-ways';
import { clockRules } from '../../reference/rules';
import type { FoodRow, Range } from '../../reference/tables';
import { cFromF } from '../quantities/units';
import type { Keeping, StandingPlace } from './keeping';
import type { State, Thing } from './thing';

/** Days of the units that keeping times are printed in. A month is 30.4 days. */
const unitDays: Readonly<Record<string, number>> = { h: 1 / 24, day: 1, week: 7, month: 30.4, year: 365 };
const cold_C = 5;

function daysOf(row: FigureRow): Range {
	const days = unitDays[row.unit];
	if (days === undefined) throw new Error(`"${row.id}" is no keeping time.`);
	const [low, high] = typeof row.value === 'number' ? [row.value, row.value] : row.value;
	return [low * days, high * days];
}

const keeping = (row: FigureRow, limit: Keeping['limit'], warning?: string): Keeping => ({
	days: daysOf(row),
	limit,
	source: row.source,
	confidence: row.confidence,
	...(warning ? { warning } : {})
});

function figure(id: string): FigureRow {
	const row = figures.find((f) => f.id === id);
	if (!row) throw new Error(`There is no figure "${id}".`);
	return row;
}

const isMeat = ({ group }: FoodRow) => ['meat', 'poultry', 'fish'].includes(group);

/**
 * A jar that was sealed: best within the published year, cool and dark.
 *
 * @source USDA Complete Guide to Home Canning, Guide 1 (from memory)
 */
function sealed({ food }: Thing, place_C: number): Keeping {
	// 95 °F, above which the guide lets no sealed jar stand.
	const warm = place_C > 35 ? `Above 35 °C (95 °F) sealed jars spoil: ${food.name} want a cooler place.` : undefined;
	return keeping(figure('can/keep'), 'quality', warm);
}

/**
 * Dried food by the next warmer temperature that is printed: nothing is read between two rows. Dried meat is for the cold
 * alone.
 */
function dried({ food }: Thing, place: StandingPlace, place_C: number): Keeping | undefined {
	if (isMeat(food) || food.id === 'cooked-meat' || food.id === 'cooked-chicken') {
		if (place === 'freezer') return keeping(figure('dry/keep-meat-freezer'), 'quality');
		return place_C <= cold_C ? keeping(figure('dry/keep-meat-fridge'), 'safety') : undefined;
	}
	const rows = figures
		.filter((f) => f.id.startsWith('dry/keep-') && f.temp_F !== undefined && isFor(f, food))
		.sort((a, b) => (a.temp_F ?? 0) - (b.temp_F ?? 0));
	const next = rows.find((r) => place_C <= cFromF(r.temp_F ?? 0) + 0.1);
	if (next) return keeping(next, 'quality');
	const warmest = rows.at(-1);
	return warmest && keeping(warmest, 'quality', 'Warmer than any printed month is for: it fades sooner.');
}

const jams = new Set([
	'jam',
	'jams',
	'jelly',
	'jellies',
	'marmalade',
	'preserve',
	'preserves',
	'conserve',
	'conserves'
]);

/** From when it is opened: by what it was, and for jars by its acid. Only in the cold, unless it was dry. */
function opened(thing: Thing, place_C: number): Keeping | undefined {
	const { food, was } = thing;
	if (was === 'dried') return isMeat(food) ? undefined : keeping(figure('second/opened-dried'), 'quality');
	if (place_C > cold_C) return undefined;
	if (was === 'pickled') return keeping(figure('second/opened-pickles'), 'quality');
	if (was === 'fermented') return fermented(thing, 'fridge', place_C);
	// How much sugar it has nobody said: the shorter weeks of low-sugar jam.
	if (jams.has(thing.form) && food.group === 'fruit') return keeping(figure('second/opened-jam-low'), 'quality');
	return food.acid.class === 'low'
		? keeping(figure('second/opened-low'), 'safety')
		: keeping(figure('second/opened-high'), 'quality');
}

function fermented({ food }: Thing, place: StandingPlace, place_C: number): Keeping {
	const row = figures.find((f) => f.id.startsWith('ferment/') && f.id.endsWith('-fridge') && isFor(f, food));
	if (place_C <= cold_C && row) return keeping(row, 'quality');
	const { days, source, confidence } = clockRules.fermentedCool;
	const warm = place_C > 18 && place !== 'crock' ? 'Finished ferments want it cooler: the cellar or the fridge.' : '';
	return { days, limit: 'quality', source, confidence, ...(warm ? { warning: warm } : {}) };
}

type Keeper = (thing: Thing, place: StandingPlace, place_C: number) => Keeping | undefined;
const rule =
	(name: 'salted' | 'sugared'): Keeper =>
	({ food }) => {
		if (food.perishable) return undefined;
		const { days, source, confidence } = clockRules[name];
		return { days, limit: 'quality', source, confidence };
	};

const keepers: Readonly<Partial<Record<State, Keeper>>> = {
	canned: (thing, _place, place_C) => sealed(thing, place_C),
	// On a board it is a sealed jar; in the cold one that was never processed.
	pickled: (thing, place, place_C) =>
		place === 'fridge' || place_C <= cold_C
			? keeping(figure('second/opened-pickles'), 'quality')
			: sealed(thing, place_C),
	dried,
	opened: (thing, _place, place_C) => opened(thing, place_C),
	fermented,
	salted: rule('salted'),
	sugared: rule('sugared'),
	'in-oil': (_thing, _place, place_C) => (place_C <= cold_C ? keeping(figure('second/oil'), 'safety') : undefined)
};

/**
 * How long a thing keeps that was kept before: sealed, dried, opened, fermented, salted, in oil.
 *
 * @returns undefined where no such clock holds: it then goes by the clock of what spoils
 */
export const keptAt = (thing: Thing, place: StandingPlace, place_C: number): Keeping | undefined =>
	keepers[thing.state]?.(thing, place, place_C);

/** States whose clock, where no figure holds, is that of what spoils: two hours out of the cold. */
export const spoilsOutOfCold = ({ state, was, food }: Thing): boolean =>
	state === 'in-oil' || state === 'mixed' || state === 'coated' || (state === 'opened' && was !== 'dried') || (state === 'dried' && isMeat(food)); // prettier-ignore
