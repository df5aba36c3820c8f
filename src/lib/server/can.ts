import { cannerCapacity, cannerLoads, mixedCannerLoad } from '$core/canning/canner-loads';
import type { TestedProcess } from '$core/canning/find-process';
import { sayAs } from '$core/quantities/dates';
import { sayCount, sayDuration, sayHeadspace, sayWeight } from '$core/quantities/format';
import { fullness } from '$core/runs/kinds/can/fold';
import { planCan, suits, type CanAsk } from '$core/runs/kinds/can/make';
import type { CanPlan, Heat } from '$core/runs/kinds/can/plan';
import { markWords } from '$core/runs/kinds/can/say';
import { needs } from '$core/runs/kinds/can/fill-acts';
import { canWays, type CanWay } from '$core/ways/can-ways';
import { gaugeOf } from '$core/ways/gear-changes';
import type { Kitchen, KitchenCanner } from '$core/ways/kitchen';
import { dateIn } from '$core/freezing/keep';
import { canningRules, isJarOf, jarSizes, type JarSize } from '$reference/canning-rules';
import type { PackStyle } from '$reference/canning';
import type { cautionTexts } from '$reference/cautions';
import type { Begin } from '$lib/ui/run/types';
import type { CanView } from '$lib/ui/run/can-types';
import type { Stores } from './stores';
import { amountOf, readLot, type LotRead } from './ways/read';

/** What was chosen of a day at the canner. */
export interface CanChosen {
	readonly lot: string;
	readonly product?: string | undefined;
	readonly style?: PackStyle | undefined;
	readonly jar?: JarSize | undefined;
	readonly heat?: Heat | undefined;
	/** Where its row was tested at several pressures, psi. */
	readonly psi?: number | undefined;
	/** By its name in the Kitchen. */
	readonly canner?: string | undefined;
	readonly jars?: number | undefined;
	readonly grams?: number | undefined;
	/** An instrument by id, or `eye`. */
	readonly by?: string | undefined;
	/** What tops it off: a lot and a product of it, `lot product`. */
	readonly more?: string | undefined;
	readonly moreJars?: number | undefined;
}

const heatWords: Readonly<Record<Heat, string>> = {
	'boiling-water': 'boiling water',
	steam: 'a steam canner',
	pressure: 'under pressure'
};
type CautionId = keyof typeof cautionTexts;
/** What is said of the other canner alone. */
const underPressure: readonly CautionId[] = ['pressure-lost', 'vent'];
const otherHeat: Readonly<Record<Heat, readonly string[]>> = {
	pressure: ['boil-lost'] satisfies CautionId[],
	'boiling-water': underPressure,
	steam: underPressure
};
const heats: readonly Heat[] = ['boiling-water', 'steam', 'pressure'];

/** What there is to choose, and what it comes to. */
interface Choice {
	readonly read: LotRead;
	readonly ways: readonly CanWay[];
	readonly way: CanWay;
	readonly process: TestedProcess;
	readonly heat: Heat;
}

const select = (name: string, label: string, value: string, options: Begin['selects'][number]['options']) =>
	options.length > 1 ? [{ name, label, value, options }] : [];

/** Canners that this heat may be done in. */
const cannersFor = (kitchen: Kitchen, heat: Heat): readonly KitchenCanner[] =>
	kitchen.canners.filter((c) => (heat === 'pressure' ? c.gauge !== 'none' : heat === 'boiling-water'));

function waysOf(read: LotRead, kitchen: Kitchen, jar: JarSize, now: Date): readonly CanWay[] | string {
	const { thing, whole_g: grams } = read;
	const all = canWays({ thing, grams, kitchen, jar, now: now.getTime() });
	if ('kind' in all.plain && all.recipes.length === 0) return `${all.plain.reason} ${all.plain.instead.join('; ')}.`;
	return [...('kind' in all.plain ? [] : all.plain), ...all.recipes];
}

/** The gauge of the canner that is chosen decides the pressure, whichever stands first in the Kitchen. */
const withCanner = (kitchen: Kitchen, canner: KitchenCanner | undefined): Kitchen =>
	canner && canner.gauge !== 'none' ? { ...kitchen, gauge: gaugeOf([canner]) } : kitchen;

function chosenOf(read: LotRead, kitchen: Kitchen, ask: CanChosen, now: Date): Choice | string {
	const wanted = ask.jar ?? (kitchen.people >= 4 ? 'quart' : 'pint');
	const ways = waysOf(read, kitchen, wanted, now);
	if (typeof ways === 'string') return ways;
	const products = ways.filter((w) => ask.product === undefined || w.product.id === ask.product);
	const way = products.find((w) => w.style === ask.style) ?? products[0];
	if (!way) return `No tested product of ${read.lot.title} was found for that.`;
	const open = heats.filter((h) => way.processes.some((p) => suits(p, h)));
	const heat = open.find((h) => h === ask.heat) ?? open[0];
	const fitting = way.processes.filter((p) => heat !== undefined && suits(p, heat));
	const process = fitting.find((p) => p.psi === ask.psi) ?? fitting[0];
	if (!heat || !process)
		return `${way.product.name} is tested under pressure, and there is no pressure canner in the Kitchen.`;
	return { read, ways, way, process, heat };
}

const askOf = (choice: Choice, raw_g: number, jars: number | undefined): CanAsk => ({
	lotId: choice.read.lot.id,
	thing: choice.read.thing,
	called: choice.read.lot.title,
	raw_g,
	process: choice.process,
	...(jars === undefined ? {} : { jars })
});

/** What did not seal is done again by the row it was made by, as many jars as there were; other jars only where they are asked for. */
const againAs = (
	{ each_g, ...row }: NonNullable<Awaited<ReturnType<Stores['batches']['cannedAs']>>>,
	free_g: number,
	asked: CanChosen
): CanChosen => ({
	...row,
	...(asked.jar === undefined ? { jars: Math.max(1, Math.round(free_g / Math.max(1, each_g))) } : {}),
	...asked
});

/**
 * A day at the canner: what of a lot goes into which jars, in which canner, by which minutes; what tops the last load off; what
 * the drawer has; how long the day is.
 *
 * @throws {AppError} 400, 404
 */
export async function canFor(
	stores: Stores,
	asked: CanChosen,
	now: Date
): Promise<{ view: CanView; plan: CanPlan | null }> {
	const read = await readLot(stores, asked.lot, now);
	const before = await stores.batches.cannedAs(read.lot.batchId);
	const ask = before ? againAs(before, read.free_g, asked) : asked;
	const [named] = read.kitchen.canners.filter((c) => c.name === ask.canner);
	const kitchen = withCanner(read.kitchen, named);
	const { units } = kitchen;
	const gauges = (await stores.instruments.live()).filter((i) => i.quantity === 'gauge-pressure' && i.trusted);
	const first = read.stop ? `${read.stop.reason} ${read.stop.instead.join('; ')}.` : chosenOf(read, kitchen, ask, now);
	const base: CanView = {
		name: read.lot.title,
		amount: sayWeight(read.free_g, units),
		selects: [],
		numbers: [],
		gets: null,
		needs: '',
		drawer: [],
		clock: [],
		cautions: [],
		source: '',
		stop: ''
	};
	if (read.free_g === 0) return { view: { ...base, stop: 'All of it is at the Stove already.' }, plan: null };
	if (typeof first === 'string') return { view: { ...base, stop: first }, plan: null };
	const day_h = canningRules.coolMost_h.value;
	if (before && now.getTime() - read.lot.since.getTime() > day_h * 3_600_000) {
		const stop = `It is more than ${day_h} hours since these jars came out of the canner without a seal: they have stood too long to be done again. They go out, unopened, as your food authority says.`;
		return { view: { ...base, stop }, plan: null };
	}
	const fitting = cannersFor(kitchen, first.heat);
	const canner = fitting.find((c) => c.name === ask.canner) ?? fitting.find((c) => (first.heat === 'pressure' ? c.gauge === first.process.gauge : c.gauge === 'none')) ?? fitting[0] ?? null; // prettier-ignore
	const by = gauges.find((g) => g.id === ask.by) ?? (ask.by === 'eye' ? undefined : gauges[0]);
	const instrument = by && first.heat === 'pressure' ? { id: by.id, name: by.name } : null;
	const asks = [askOf(first, amountOf(read, ask.grams), ask.jars)];
	const others = await toppingsOf(stores, first, kitchen, ask, now);
	const second = others.find((o) => o.value === ask.more);
	if (second) asks.push(askOf(second.choice, second.choice.read.whole_g, ask.moreJars));
	const plan = planCan(
		asks,
		{ heat: first.heat, canner, instrument, today: dateIn(kitchen.zone, now.getTime()) },
		kitchen
	);
	const view: CanView = { ...base, selects: selectsOf(first, fitting, canner, gauges, by?.id ?? 'eye', others, ask) };
	if (plan.kind === 'refused')
		return {
			view: { ...view, numbers: numbersOf(asks), stop: `${plan.reason} ${plan.instead.join('; ')}.` },
			plan: null
		};
	return {
		plan,
		view: { ...view, ...worked(plan, [first, ...(second ? [second.choice] : [])], canner, kitchen, now) }
	};
}

const numbersOf = (asks: readonly CanAsk[]): CanView['numbers'] =>
	asks.map((a, i) => ({
		name: i === 0 ? 'jars' : 'moreJars',
		label: `${a.process.jar}s of ${a.called}`,
		value: a.jars ?? null
	}));

/** What else of the Basket may go into the same load: the same canner, pressure and pack. */
async function toppingsOf(stores: Stores, first: Choice, kitchen: Kitchen, ask: CanChosen, now: Date) {
	const found: { value: string; words: string; choice: Choice }[] = [];
	for (const { lot } of (await stores.stock.basket()).slice(0, 40)) {
		if (lot.id === first.read.lot.id || found.length >= 12) continue;
		const read = await readLot(stores, lot.id, now);
		if (read.free_g === 0 || read.stop) continue;
		const ways = waysOf(read, kitchen, first.way.jar, now);
		if (typeof ways === 'string') continue;
		for (const way of ways.filter((w) => w.style === first.way.style && w.jar === first.way.jar)) {
			const process = way.processes.find((p) => suits(p, first.heat) && mixedCannerLoad([first.process, p]).kind === 'mixed');
			if (!process) continue;
			found.push({
				value: `${lot.id} ${way.product.id}`,
				words: `${way.product.name}, ${process.minutes} min`,
				choice: { read, ways, way, process, heat: first.heat }
			});
		}
	}
	const kept = ask.more?.split(' ')[0];
	return found.sort((a, b) => Number(b.choice.read.lot.id === kept) - Number(a.choice.read.lot.id === kept));
} // prettier-ignore

function selectsOf(
	{ ways, way, heat, process }: Choice,
	canners: readonly KitchenCanner[],
	canner: KitchenCanner | null,
	gauges: readonly { readonly id: string; readonly name: string }[],
	by: string,
	others: readonly { readonly value: string; readonly words: string }[],
	ask: CanChosen
): Begin['selects'] {
	const products = [...new Map(ways.map((w) => [w.product.id, w.product.name]))];
	const styles = ways.filter((w) => w.product.id === way.product.id).map((w) => w.style);
	const rows = way.product.processes.filter((p) => p.style === way.style);
	const jars = jarSizes.filter((j) => rows.some((p) => p.jars.includes(j)));
	const open = heats.filter((h) => way.processes.some((p) => suits(p, h)));
	return [
		...select('product', 'it becomes', way.product.id, products.map(([value, words]) => ({ value, words }))),
		...select('style', 'packed', way.style, styles.map((s) => ({ value: s, words: `${s} pack` }))),
		...select('jar', 'jars', way.jar, jars.map((j) => ({ value: j, words: `${j}s` }))),
		...select('heat', 'heated', heat, open.map((h) => ({ value: h, words: heatWords[h] }))),
		...(heat === 'pressure' ? select('psi', 'at', `${process.psi ?? ''}`, way.processes.filter((p) => suits(p, heat) && p.gauge === process.gauge).map((p) => ({ value: `${p.psi ?? ''}`, words: `${p.psi} psi, ${p.minutes} min` }))) : []),
		...select('canner', 'canner', canner?.name ?? '', canners.map((c) => ({ value: c.name, words: c.name }))),
		...(heat === 'pressure' ? select('by', 'its gauge read', by, [{ value: 'eye', words: 'by eye' }, ...gauges.map((g) => ({ value: g.id, words: `by ${g.name}` }))]) : []),
		...select('more', 'topped off with', ask.more ?? '', [{ value: '', words: 'nothing' }, ...others.map(({ value, words }) => ({ value, words }))])
	];
} // prettier-ignore

/** What the day comes to. */
function worked(
	plan: CanPlan,
	choices: readonly Choice[],
	canner: KitchenCanner | null,
	kitchen: Kitchen,
	now: Date
): Pick<CanView, 'numbers' | 'gets' | 'needs' | 'drawer' | 'clock' | 'cautions' | 'source'> {
	const { units } = kitchen;
	const [first] = choices;
	const minutes = Math.max(...plan.subjects.map((s) => s.minutes));
	const longest = choices.map((c) => c.process).sort((a, b) => b.minutes - a.minutes)[0];
	const jars = plan.subjects.reduce((sum, s) => sum + s.jars, 0);
	const mixed = choices.length > 1 ? mixedCannerLoad(choices.map((c) => c.process)) : null;
	const [pot] = kitchen.pots;
	const last = plan.loads.at(-1) ?? [];
	const room = 1 - fullness(plan, last);
	const jar = first?.way.jar ?? 'quart';
	const day = longest
		? cannerLoads({
				process: longest,
				jars,
				capacity: cannerCapacity(plan.canner.holds, jar),
				burner: pot?.burner ?? { kind: 'gas', power_W: 2500 },
				tap_C: kitchen.tap_C,
				boil_C: plan.boil_C
			})
		: null;
	const free = Math.floor(room * cannerCapacity(plan.canner.holds, jar) + 1e-6);
	return {
		numbers: plan.subjects.map((s, i) => ({
			name: i === 0 ? 'jars' : 'moreJars',
			label: `${s.jar}s of ${s.food.name}`,
			value: s.jars
		})),
		gets: {
			packs: `${minutes}`,
			each: `min ${plan.psi === null ? `in ${heatWords[plan.heat]}` : `at ${markWords(plan)}, ${plan.canner.gauge === 'weighted' ? 'by the weight' : 'by the dial'}`}`,
			lines: [
				['jars', plan.subjects.map((s) => `${sayCount(s.jars, s.jar)} of ${s.product.name}`).join(', ')],
				[
					'loads',
					`${plan.loads.map((l) => l.reduce((sum, p) => sum + p.jars, 0)).join(' + ')}${free > 0 && plan.loads.length > 0 ? `, room for ${free} more` : ''}`
				],
				['at', `${Math.round(plan.altitude_m)} m, ${plan.canner.name}${plan.canner.dialTested ? `, dial tested ${plan.canner.dialTested}` : ''}`],
				['headspace', plan.subjects.map((s) => sayHeadspace(s.headspace_in, units)).filter((w, i, all) => all.indexOf(w) === i).join(', ')],
				['your hands', sayDuration(day?.hands_s ?? 0)]
			]
		},
		needs: needs(plan),
		drawer: drawerOf(plan, kitchen, day?.lids ?? jars),
		clock: (day?.loads ?? []).map((l, i) => ({
			load: i + 1,
			jars: l.jars,
			from: sayAs(now.getTime() + l.from_s * 1000, kitchen.zone, 'HH:mm'),
			to: sayAs(now.getTime() + l.to_s * 1000, kitchen.zone, 'HH:mm'),
			check: sayAs(now.getTime() + l.check_s[0] * 1000, kitchen.zone, 'EEE HH:mm')
		})),
		cautions: [
			...(mixed?.kind === 'mixed' ? [`${mixed.words} Common practice, not a published mixture.`] : []),
			...plan.subjects.flatMap((s) => s.mind),
			...new Set(choices.flatMap((c) => c.way.cautions().filter((k) => !otherHeat[plan.heat].includes(k.id)).map((k) => k.text)))
		],
		source: plan.table
	};
} // prettier-ignore

/** Whether the drawer has it: jars of the size, and a new lid for each. */
function drawerOf(plan: CanPlan, kitchen: Kitchen, lids: number): CanView['drawer'] {
	const sizes = [...new Set(plan.subjects.map((s) => s.jar))];
	const jars = sizes.map((size) => {
		const want = plan.subjects.filter((s) => s.jar === size).reduce((sum, s) => sum + s.jars, 0);
		const own = kitchen.containers.filter((c) => c.kind === 'jar' && isJarOf(c.volume_mL, size));
		return { what: `${size} jars`, want, have: own.length > 0 ? own.reduce((sum, c) => sum + Math.max(0, c.count), 0) : null };
	});
	const counted = kitchen.supplies.filter((s) => s.kind === 'lid');
	const have = counted.length > 0 ? counted.reduce((sum, s) => sum + Math.max(0, s.amount), 0) : null;
	const filled = plan.subjects.reduce((sum, s) => sum + s.jars, 0);
	const spare = lids - filled;
	return [...jars, { what: spare > 0 ? `new lids (${spare} to spare)` : 'new lids', want: lids, have }];
} // prettier-ignore
