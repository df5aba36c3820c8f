import type { CanningProduct, PackStyle } from '../../reference/canning';
import { canningRules, type JarSize } from '../../reference/canning-rules';
import { cannerCapacity } from '../canning/canner-loads';
import { perJar_g } from '../canning/jar-yield';
import { canningSteps } from '../canning/steps';
import type { TestedProcess } from '../canning/find-process';
import { productsOf } from '../canning/products';
import { mustBePositive, type Refusal } from '../errors';
import { dateIn, monthsAfter } from '../freezing/keep';
import { advise } from '../safety/advise';
import { inOrder, otherCautions, type Caution } from '../safety/cautions';
import type { Thing } from '../things/thing';
import { cannerFor } from './gear-changes';
import type { Kitchen } from './kitchen';

export interface CanWaysInput {
	readonly thing: Thing;
	readonly grams: number;
	readonly kitchen: Kitchen;
	/** Wanted; where a product was not tested in it, the largest smaller one that was. */
	readonly jar: JarSize;
	/** ms. */
	readonly now: number;
}

/** One tested product of a food in one style and jar, for the whole item. */
export interface CanWay {
	readonly id: string;
	readonly product: CanningProduct;
	readonly style: PackStyle;
	readonly jar: JarSize;
	/** Its rows: boiling water, and by gauge; a choice where there is more than one. */
	readonly processes: readonly TestedProcess[];
	/** Filled jars, where the guide prints what a jar takes. */
	readonly jars?: { readonly count: number; readonly loads: number; readonly perJar_g: number; readonly note?: string };
	/** Vent, process and waits of one load, without heating up and cooling down: s, the least of its processes. */
	readonly load_s: number;
	readonly keepsUntil: string;
	/** No pressure canner is in the Kitchen, and this needs one. */
	readonly noCanner: boolean;
	/** What is to be minded of this product, and of no other: worked out when it is opened. */
	readonly cautions: () => readonly Caution[];
}

export interface CanWays {
	/** The food as it is; or why not. */
	readonly plain: readonly CanWay[] | Refusal;
	/** What it may become by a tested recipe, or another thing made of it. */
	readonly recipes: readonly CanWay[];
	/** Always with the authority, also where all is refused. */
	readonly cautions: readonly Caution[];
	/** What holds for every load, for the canners that are used. */
	readonly steps: { readonly water: readonly string[]; readonly pressure: readonly string[] };
}

/**
 * Everything that the tested tables let an item become in jars, at this kitchen's altitude and with its canner, the
 * safety module having its say on each.
 *
 * @throws {DomainError} NOT_POSITIVE
 */
export function canWays(input: CanWaysInput): CanWays {
	const { thing, kitchen } = input;
	const { food } = thing;
	mustBePositive(input.grams, 'grams');
	const altitude = kitchen.altitude_m === null ? {} : { altitude_m: kitchen.altitude_m };
	const gauge = kitchen.gauge === 'dial' || kitchen.gauge === 'weighted' ? { gauge: kitchen.gauge } : {};
	const plain = advise(thing, 'can', { ...altitude, ...gauge });
	const cautions = new Map<string, Caution>();
	const note = (list: readonly Caution[]) => list.forEach((c) => cautions.set(c.id, c));
	note(otherCautions(food, [thing.condition === 'soft' && 'sound-only']));
	if (plain.kind === 'allowed') note(plain.cautions);
	const plainIds = new Set(plain.kind === 'allowed' ? plain.processes.map((p) => p.product.id) : []);

	const recipes: CanWay[] = [];
	for (const product of productsOf(food.id)) {
		if (plainIds.has(product.id)) continue;
		const advice = advise(thing, 'can', { product: product.product, ...altitude, ...gauge });
		if (advice.kind === 'refused') continue;
		note(advice.cautions);
		recipes.push(
			...waysFrom(
				input,
				advice.processes.filter((p) => p.product.id === product.id),
				() => advice.cautions
			)
		);
	}
	// Each product as it is has its own, too: what holds for a sauce with meat is not said of crushed tomatoes in acid.
	const ofProduct = (product: CanningProduct) => {
		const advice = advise(thing, 'can', { product: product.product, ...altitude, ...gauge });
		return advice.kind === 'allowed' ? advice.cautions : plain.kind === 'allowed' ? plain.cautions : [];
	};
	const own = plain.kind === 'allowed' ? waysFrom(input, plain.processes, ofProduct) : [];
	const used = [...own, ...recipes].flatMap((w) => w.processes);
	return {
		plain: plain.kind === 'allowed' ? own : plain,
		recipes,
		cautions: inOrder([...cautions.values()]),
		steps: {
			water: used.some((p) => p.method === 'boiling-water') ? canningSteps('boiling-water', kitchen.units) : [],
			pressure: used.some((p) => p.method === 'pressure') ? canningSteps('pressure', kitchen.units) : []
		}
	};
}

const smallerFirst: readonly JarSize[] = ['half-pint', 'pint', 'quart', 'half-gallon'];

/** Groups rows by product and style, and takes for each the wanted jar or the nearest smaller that was tested. */
function waysFrom(
	input: CanWaysInput,
	processes: readonly TestedProcess[],
	cautionsOf: (product: CanningProduct) => readonly Caution[]
): CanWay[] {
	const groups = new Map<string, TestedProcess[]>();
	for (const p of processes) {
		const id = `${p.product.id}:${p.style}`;
		groups.set(id, [...(groups.get(id) ?? []), p]);
	}
	return [...groups].flatMap(([id, rows]) => {
		const tested = smallerFirst.filter((jar) => rows.some((r) => r.jar === jar));
		const wanted = smallerFirst.indexOf(input.jar);
		const jar = [...tested].reverse().find((j) => smallerFirst.indexOf(j) <= wanted) ?? tested[0];
		const first = rows[0];
		if (!jar || !first) return [];
		const fitting = rows.filter((r) => r.jar === jar);
		const jars = jarsOf(input, first.product, jar, fitting[0]?.method ?? first.method);
		return [
			{
				id,
				product: first.product,
				style: first.style,
				jar,
				processes: fitting,
				...(jars ? { jars } : {}),
				load_s: Math.min(...fitting.map(loadTime_s)),
				keepsUntil: monthsAfter(dateIn(input.kitchen.zone, input.now), canningRules.best_months.value),
				noCanner: input.kitchen.gauge === 'none' && fitting.every((p) => p.method === 'pressure'),
				cautions: () => inOrder([...cautionsOf(first.product)])
			}
		];
	});
}

/** What is certain of a load's time: come-up and cooling depend on the canner. */
const loadTime_s = (p: TestedProcess): number =>
	p.minutes * 60 +
	(p.method === 'pressure'
		? canningRules.vent_s.value + canningRules.restPressure_s.value
		: canningRules.restWater_s.value);

/** Whole jars of the item, and canner loads of them. */
function jarsOf(
	{ thing, grams, kitchen }: CanWaysInput,
	product: CanningProduct,
	jar: JarSize,
	method: TestedProcess['method']
): CanWay['jars'] {
	const each = perJar_g(thing.food, thing.form, product, jar);
	if (!each) return undefined;
	const count = Math.floor(grams / each.grams);
	const loads = Math.ceil(count / cannerCapacity(cannerFor(kitchen, method), jar));
	return { count, perJar_g: each.grams, loads, ...(each.note ? { note: each.note } : {}) };
}
