import { canningRules, isJarOf, jarVolume_L, type JarSize } from '../../../../reference/canning-rules';
import { sources } from '../../../../reference/sources';
import type { Refusal } from '../../../errors';
import { cannerCapacity, cannerLoads, mixedCannerLoad } from '../../../canning/canner-loads';
import type { TestedProcess } from '../../../canning/find-process';
import { perJar_g } from '../../../canning/jar-yield';
import { recipeOf, sayIngredient } from '../../../canning/recipe-of';
import { shareLeft } from '../../../foods/share';
import { figureById } from '../../../freezing/freeze-look-up';
import { boilingPoint_C } from '../../../heat/boiling-point';
import { sayPressure } from '../../../quantities/format';
import { advise } from '../../../safety/advise';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import { dialWarning, mayBeCanner, usualCanner } from '../../../ways/gear-changes';
import type { Kitchen, KitchenCanner } from '../../../ways/kitchen';
import type { CanEnd, CanPlan, CanSubject, Heat, PlannedCanner } from './plan';
import { acidNames, acidOf, acidsOf } from './say';

/** What is to go into jars: a lot, or a share of it, as one tested product. */
export interface CanAsk {
	readonly lotId: string;
	readonly thing: Thing;
	readonly called: string;
	readonly raw_g: number;
	/** One of those that `advise` allows for this thing, here. */
	readonly process: TestedProcess;
	/** Where somebody says how many jars it will be; else by what the guide prints to a jar. */
	readonly jars?: number;
}

export interface CanWith {
	readonly heat: Heat;
	/** Null: any pot that is deep enough, with a rack; never under pressure. */
	readonly canner: KitchenCanner | null;
	readonly instrument: CanPlan['instrument'];
	/** `yyyy-MM-dd` */
	readonly today: string;
}

/** Jars without a printed weight are taken as filled with so much food, kg to the litre (common practice). */
const food_kg_L = 0.75;
/** Food and liquid of a jar, kg to the litre (common practice). */
const content_kg_L = 0.95;
/** Cooked or raw food that had no process, in the freezer at its best, months (common practice). */
const coldMonths = 3;

const refused = (reason: string, instead: readonly string[]): Refusal => ({
	kind: 'refused',
	reason,
	source: sources.usdaCanning2015.title,
	instead
});

/** Whether a process may be done in this way at all: the heat is the table's, never a person's wish. */
export const suits = (process: TestedProcess, heat: Heat): boolean =>
	heat === 'pressure'
		? process.method === 'pressure'
		: process.method === 'boiling-water' && (heat === 'boiling-water' || process.steamCanner);

/**
 * Freezes a day at the canner into the plan of a run: every minute and pound a cell of the tables, for this altitude and gauge.
 *
 * @returns the plan; or why it is not begun: a canner that does not fit, a dial that is not tested, products that do not go together
 * @throws {DomainError} OUT_OF_RANGE
 * @source the products' own rows
 */
export function planCan(asks: readonly CanAsk[], how: CanWith, kitchen: Kitchen): CanPlan | Refusal {
	const { altitude_m } = kitchen;
	const [first] = asks;
	if (!first) return refused('Nothing was chosen.', ['Choose something of the Basket']);
	if (altitude_m === null)
		return refused('The altitude of this kitchen is not known: time and pressure hang on it.', [
			'Say it in the Kitchen'
		]);
	for (const { thing, process, called } of asks) {
		// Asked again: whoever brought the process here, it is given out by one place alone.
		const advice = advise(thing, 'can', {
			product: process.product.product,
			altitude_m,
			style: process.style,
			jar: process.jar,
			...(process.gauge ? { gauge: process.gauge } : {})
		});
		if (advice.kind === 'refused') return advice;
		const same = advice.processes.find((p) => p.product.id === process.product.id && sameCell(p, process));
		if (!same) return refused(`The tables give no such process for ${called}.`, ['Choose another jar or another way']);
		if (!suits(process, how.heat))
			return refused(
				how.heat === 'steam'
					? `${process.product.name}: a steam canner is for acid food and ${canningRules.steamCanner_min.value} minutes at most.`
					: `${process.product.name} was not tested in ${how.heat === 'pressure' ? 'a pressure canner' : 'boiling water'}.`,
				['Choose the heat that it was tested with']
			);
	}
	const canner = cannerOf(how, first.process);
	if ('kind' in canner) return canner;
	if (asks.length > 1) {
		const mixed = mixedCannerLoad(asks.map((a) => a.process));
		if (mixed.kind === 'refused') return mixed;
	}
	const subjects = asks.map((ask, i) => subjectFor(ask, i + 1, how, canner, kitchen));
	const none = subjects.find((s) => s.jars < 1);
	if (none)
		return refused(`There is not enough of ${none.food.name} for one ${none.jar} jar.`, [
			'A smaller jar, where one was tested',
			'Keep it cold until there is more'
		]);
	const tables = [...new Set(asks.map(({ process: p }) => `${p.sourceTitle} (${p.confidence}${p.row.recalls === 'once' ? ', recalled once' : ''})`))]; // prettier-ignore
	const loads = layLoads(subjects, canner);
	const [pot] = kitchen.pots;
	const planned = cannerLoads({
		process: first.process,
		jars: Math.max(1, loads[0]?.reduce((sum, p) => sum + p.jars, 0) ?? 1),
		capacity: 40,
		burner: pot?.burner ?? { kind: 'gas', power_W: 2500 },
		tap_C: kitchen.tap_C,
		boil_C: boilingPoint_C(altitude_m)
	});
	return {
		core: coreVersion,
		kind: 'can',
		version: 1,
		units: kitchen.units,
		altitude_m,
		boil_C: boilingPoint_C(altitude_m),
		heat: how.heat,
		canner,
		psi: how.heat === 'pressure' ? (first.process.psi ?? null) : null,
		subjects,
		ends: endsOf(asks, subjects),
		loads,
		instrument: how.heat === 'pressure' ? how.instrument : null,
		load_kWh: planned.energy_J / 3.6e6,
		table: tables.join(' · ')
	};
}

const sameCell = (a: TestedProcess, b: TestedProcess): boolean =>
	a.style === b.style &&
	a.jar === b.jar &&
	a.method === b.method &&
	a.gauge === b.gauge &&
	a.minutes === b.minutes &&
	a.psi === b.psi;

/** The canner as it is, where it may be used for this. */
function cannerOf({ heat, canner, today }: CanWith, process: TestedProcess): PlannedCanner | Refusal {
	if (heat !== 'pressure') {
		const { quarts, pints, halfPints } = canner ?? usualCanner;
		const name = canner?.name ?? 'deep pot with a rack';
		return { name, holds: { quarts, pints, halfPints }, gauge: null, dialTested: null };
	}
	const need = ['Boiling water, where the product was tested in it', 'The freezer'];
	if (!canner || canner.gauge === 'none')
		return refused('It was tested under pressure, and there is no pressure canner in the Kitchen.', need);
	if (canner.gauge === null)
		return refused(`Is the gauge of ${canner.name} a dial or a weight? The pressure hangs on it.`, ['Say it in the Kitchen']); // prettier-ignore
	const small = mayBeCanner(canner);
	if (small) return refused(small.reason, [small.instead]);
	if (canner.gauge !== process.gauge)
		return refused(`${canner.name} has ${canner.gauge === 'dial' ? 'a dial' : 'a weight'}, and this pressure is of the other.`, ['Choose its own gauge']); // prettier-ignore
	const untested = dialWarning(canner, today);
	if (untested)
		return refused(untested, ['Have it tested, and write the day in the Kitchen', 'A weighted gauge needs no test']);
	const { name, quarts, pints, halfPints, gauge, dialTested } = canner;
	return { name, holds: { quarts, pints, halfPints }, gauge, dialTested: gauge === 'dial' ? dialTested : null };
}

function subjectFor(ask: CanAsk, n: number, how: CanWith, canner: PlannedCanner, kitchen: Kitchen): CanSubject {
	const { thing, process } = ask;
	const { product, jar, style } = process;
	const [cut] = thing.food.cuts;
	const share = cut ? shareLeft(thing, cut) : 1;
	// What the guide prints to a jar is of the food as it came; by what is prepared it is the same share of it.
	const printed = perJar_g(thing.food, thing.form, product, jar);
	const printed_g = printed ? printed.grams * share : food_kg_L * jarVolume_L[jar] * 1000;
	const most = Math.floor((ask.raw_g * share) / printed_g + 1e-6);
	// Fewer jars than it makes take their part of it alone; the rest stays where it is.
	const fewer = ask.jars !== undefined && ask.jars < most;
	const raw_g = fewer ? Math.min(ask.raw_g, Math.ceil(((ask.jars ?? 0) * printed_g) / share)) : ask.raw_g;
	const load_g = Math.max(1, Math.round(raw_g * share));
	const jars = ask.jars ?? most;
	const need_g = ask.jars === undefined ? printed_g : load_g / ask.jars;
	const portion_g = Math.round(content_kg_L * jarVolume_L[jar] * 1000);
	const { units } = kitchen;
	const made = recipeOf(product, thing.food.id);
	const acid = process.acid;
	const perLoad = cannerCapacity(canner.holds, jar);
	const [pot] = kitchen.pots;
	const planned =
		jars > 0
			? cannerLoads({
					process,
					jars,
					capacity: perLoad,
					burner: pot?.burner ?? { kind: 'gas', power_W: 2500 },
					tap_C: kitchen.tap_C,
					boil_C: boilingPoint_C(kitchen.altitude_m ?? 0)
				})
			: null;
	const container = kitchen.containers.find((c) => c.kind === 'jar' && isJarOf(c.volume_mL, jar));
	const heat = `${process.minutes} min ${how.heat === 'pressure' ? `at ${sayPressure(process.psi ?? 0, process.kPa ?? 0, units)}, ${process.gauge ?? ''}` : how.heat === 'steam' ? 'in steam' : 'in boiling water'}`;
	const [kind] = acid ? acidsOf(acid) : [];
	const lowAcid = product.processes.every((p) => p.method !== 'water');
	return {
		n,
		lotId: ask.lotId,
		raw_g,
		food: { id: thing.food.id, name: ask.called },
		form: thing.food.forms.find((f) => f.id === product.product)?.id ?? thing.form,
		load_g,
		portion_g,
		portionWords: jarName(jar),
		container: container ? { id: container.id, name: container.name } : null,
		months: [canningRules.best_months.value, canningRules.best_months.value],
		use: `${heat}${acid && kind ? `, with ${acidOf(acid, kind, units)} ${acidNames[kind]} or as much acid` : ''}. Ring off, dark and cool.`,
		source: `${sources[process.source].short}, ${product.locator} (${process.confidence})`,
		cautions: [],
		byproducts: [],
		expected: { hands_s: planned?.hands_s ?? 0, elapsed_s: planned?.elapsed_s ?? 0 },
		product: { id: product.id, name: product.name },
		style,
		jar,
		minutes: process.minutes,
		headspace_in: process.headspace_in,
		acid,
		sterile: process.sterileJars,
		prepare: product.prepare,
		ingredients: made ? made.ingredients.map((i) => sayIngredient(i, units)) : [],
		keep: made?.keep ?? [],
		mind: product.mind ?? [],
		jars,
		need_g,
		perJar_g: Math.round(Math.min(portion_g, need_g)),
		lowAcid
	};
}

export const jarName = (jar: JarSize): string => `1 ${jar}`;

/** Jars into loads: one product after the other, each load as full as this canner holds; the rest is topped off with the next. */
function layLoads(subjects: readonly CanSubject[], canner: PlannedCanner): CanPlan['loads'] {
	const loads: { subject: number; jars: number }[][] = [];
	let free = 0;
	for (const subject of subjects) {
		const each = 1 / cannerCapacity(canner.holds, subject.jar);
		let left = subject.jars;
		while (left > 0) {
			const fits = Math.floor(free / each + 1e-6);
			if (fits === 0) {
				loads.push([]);
				free = 1;
				continue;
			}
			const jars = Math.min(left, fits);
			loads.at(-1)?.push({ subject: subject.n, jars });
			left -= jars;
			free -= jars * each;
		}
	}
	return loads;
}

/** Shelf for what had its process; fridge and freezer for what had not. @source figures `second/opened-*` (from memory) */
function endsOf(asks: readonly CanAsk[], subjects: readonly CanSubject[]): CanEnd[] {
	const meat = new Set(['meat', 'poultry', 'fish']);
	const shelves = subjects.map((s): CanEnd => ({
		n: s.n,
		subject: s.n,
		processed: true,
		places: ['pantry', 'cool', 'cellar'],
		state: 'canned',
		keeps: { months: canningRules.best_months.value },
		words: 'onto a shelf'
	}));
	const cold = subjects.flatMap((s, i): CanEnd[] => {
		const raw = s.style === 'raw' && meat.has(asks[i]?.thing.food.group ?? '');
		const id = raw ? 'second/thawed-tender' : s.lowAcid ? 'second/opened-low' : 'second/opened-high';
		const { value } = figureById(id);
		const days = typeof value === 'number' ? value : value[0];
		const n = subjects.length + 2 * i + 1;
		const state = s.style === 'raw' ? ('prepared' as const) : ('cooked' as const);
		return [
			{ n, subject: s.n, processed: false, places: ['fridge'], state, keeps: { months: 0, days }, words: 'into the fridge' },
			{ n: n + 1, subject: s.n, processed: false, places: ['freezer'], state: 'frozen', was: state, keeps: { months: coldMonths }, words: 'into the freezer' }
		]; // prettier-ignore
	});
	return [...shelves, ...cold];
}
