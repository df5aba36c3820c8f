import { partById, species, type CuttingRow, type PartId, type SpeciesRow } from '../../reference/breakdown';
import type { Thing } from '../things/thing';
import { DomainError, mustBePositive } from '../errors';

/** What was weighed: alive (or in its skin), dressed and warm, hung and cold, or meat in boxes, cut from the bone already. */
export const bases = ['live', 'hot', 'hanging', 'boxed'] as const;
export type Basis = (typeof bases)[number];

export interface BreakDownAsk {
	readonly species: SpeciesRow;
	readonly option: CuttingRow;
	readonly basis: Basis;
	readonly weight_g: number;
	/** Of the live weight, %; the row's usual one without it. */
	readonly dressed?: number;
	/** It hangs so long after chilling, days. */
	readonly hung_d?: number;
	/** Of its mince, %; as it falls without it. */
	readonly lean?: number;
}

export interface Part {
	readonly id: PartId;
	readonly name: string;
	/** Food and form that it becomes; null for what is lost. */
	readonly food: string | null;
	readonly form: string;
	readonly grams: number;
}

/** The animal that a thing is, whole and raw, where its table has one; parts of one are cut up no further here. */
export const cutUp = ({ food, form, state, madeOf }: Thing): SpeciesRow | undefined =>
	state === 'fresh' && ['whole', 'carcass'].includes(form) && (madeOf?.length ?? 0) <= 1
		? species.find((s) => s.food === food.id)
		: undefined;

/** A step from what was weighed to the cold carcass, g; its loss is what the next one does not have. */
export interface ChainStep {
	readonly id: 'live' | 'hot' | 'cold' | 'hung' | 'boxes';
	readonly name: string;
	readonly grams: number;
}

export interface BreakDown {
	readonly chain: readonly ChainStep[];
	/** On the table, g: the sum of its parts. */
	readonly table_g: number;
	readonly parts: readonly Part[];
}

/**
 * What an animal, a carcass or boxes of meat come to, part by part, by published dressing and cutting yields. What is on the
 * table is the sum of its parts to the gram: what is lost is a part as well.
 *
 * @param ask.weight_g g, whole
 * @throws {DomainError} NOT_POSITIVE; OUT_OF_RANGE: a dressing share outside of 20 to 100 %, lean outside of 50 to 100 %
 * @source the species' rows (extension bulletins from memory; common practice marked so)
 */
export function breakDown(ask: BreakDownAsk): BreakDown {
	mustBePositive(ask.weight_g, 'weight_g');
	const chain = chainOf(ask);
	const table_g = chain.at(-1)?.grams ?? 0;
	const shares = ask.basis === 'boxed' ? boxedShares(ask.option) : Object.entries(ask.option.shares);
	const leaner = withLean(ask, shares as readonly (readonly [PartId, number])[]);
	return { chain, table_g, parts: wholeGrams(ask, leaner, table_g) };
}

function chainOf({ species, basis, weight_g, dressed, hung_d = 0 }: BreakDownAsk): readonly ChainStep[] {
	const grams = Math.round(weight_g);
	if (basis === 'boxed') return [{ id: 'boxes', name: 'in boxes', grams }];
	const share = dressed ?? species.dressing[0]?.usual ?? 100;
	if (share < 20 || share > 100)
		throw new DomainError('OUT_OF_RANGE', 'dressed', 'Dressed it is 20 to 100 % of what it weighed.');
	const list: ChainStep[] = [];
	let now = grams;
	const step = (id: ChainStep['id'], name: string, of = 1) => {
		now = Math.round(now * of);
		list.push({ id, name, grams: now });
	};
	if (basis === 'live') step('live', 'weighed');
	if (basis !== 'hanging') {
		step('hot', 'dressed', basis === 'live' ? share / 100 : 1);
		step('cold', 'chilled', 1 - species.chill / 100);
	} else step('cold', 'hanging, cold');
	if (hung_d > 0) step('hung', `hung ${hung_d} ${hung_d === 1 ? 'day' : 'days'}`, 1 - (species.hang / 100) * (hung_d / 7)); // prettier-ignore
	return list;
}

/** Of boxes all is meat: the parts of the animal that are meat, in the same shares to each other. */
function boxedShares(option: CuttingRow): readonly (readonly [string, number])[] {
	const meat = Object.entries(option.shares).filter(([id]) => partById(id).meat);
	const sum = meat.reduce((s, [, share]) => s + share, 0);
	return meat.map(([id, share]) => [id, (share / sum) * 100]);
}

/** Fatter mince takes up fat, leaner mince leaves it: what is lean stays (Pearson's square). */
function withLean(
	{ species, lean, basis }: BreakDownAsk,
	shares: readonly (readonly [PartId, number])[]
): readonly (readonly [PartId, number])[] {
	if (lean === undefined || basis === 'boxed') return shares;
	if (lean < 50 || lean > 100) throw new DomainError('OUT_OF_RANGE', 'lean', 'Mince is 50 to 100 % lean.');
	const of = new Map(shares);
	const mince = of.get('mince') ?? 0;
	const fat = of.get('fat') ?? 0;
	// No more fat than there is, and no more out of it than is in it.
	const moved = Math.min(fat, mince * (species.lean / lean - 1));
	of.set('mince', mince + moved);
	of.set('fat', fat - moved);
	return [...of];
}

/** Whole grams by the largest remainder: their sum is what is on the table. */
function wholeGrams(
	{ species, option }: BreakDownAsk,
	shares: readonly (readonly [PartId, number])[],
	table_g: number
): readonly Part[] {
	const bare = shares.filter(([, share]) => share > 0);
	const sum = bare.reduce((s, [, share]) => s + share, 0);
	const exact = bare.map(([, share]) => (share / sum) * table_g);
	const grams = apportion(exact, table_g);
	const boned = option.shares.bones !== undefined && option.id !== 'bone-in';
	return bare.map(([id], i) => {
		const { name, form, boned: bonedForm, of } = partById(id);
		return {
			id,
			name,
			food: of === 'none' ? null : of === 'mince' ? species.mince : species.food,
			form: boned ? bonedForm : form,
			grams: grams[i] ?? 0
		};
	});
}

/** Whole numbers whose sum is `sum`, each within one of its exact share; the largest remainders first, ties in their order. */
export function apportion(exact: readonly number[], sum: number): readonly number[] {
	const floors = exact.map((x) => Math.floor(x + 1e-9));
	const left = sum - floors.reduce((s, x) => s + x, 0);
	const order = exact.map((x, i) => ({ i, rest: x - (floors[i] ?? 0) })).sort((a, b) => b.rest - a.rest || a.i - b.i);
	const more = new Set(order.slice(0, Math.max(0, left)).map((o) => o.i));
	return floors.map((f, i) => f + (more.has(i) ? 1 : 0));
}

/** What is known of a part while the table goes on, g. */
export interface Weighed {
	readonly grams: number;
	/** Nothing more comes of it. */
	readonly done: boolean;
}

export interface Balanced {
	/** Expected of each part now, g: what was weighed of those that are done, what is left shared out over the others. */
	readonly expected: readonly number[];
	/** More on the scale than came onto the table, g: somebody weighed twice, or the first weight was wrong. */
	readonly over_g: number;
	/** Nowhere, though every part is done, g: of boxes nothing is lost on paper. */
	readonly missing_g: number;
}

/**
 * The parts re-balanced by what was weighed: done ones are what the scale said; what is left of the table is shared out over the
 * others as it was expected, none below what it has already. Loss is never weighed: it takes what nobody else has.
 *
 * @param parts as planned, in whole grams
 * @param weighed by part, in their order
 */
export function rebalance(parts: readonly Pick<Part, 'id' | 'grams'>[], weighed: readonly Weighed[]): Balanced {
	const table_g = parts.reduce((sum, p) => sum + p.grams, 0);
	const seen = (i: number): Weighed => weighed[i] ?? { grams: 0, done: false };
	const fixed = new Map<number, number>();
	parts.forEach((_, i) => seen(i).done && fixed.set(i, seen(i).grams));
	// A part that has more than its share of what is left stays at what it has, and the rest is shared out anew.
	for (;;) {
		const open = parts.map((p, i) => ({ i, grams: p.grams })).filter(({ i }) => !fixed.has(i));
		const left = table_g - [...fixed.values()].reduce((s, g) => s + g, 0);
		const sum = open.reduce((s, o) => s + o.grams, 0);
		const share = (grams: number) => (sum > 0 ? (grams / sum) * Math.max(0, left) : Math.max(0, left) / open.length);
		const held = open.filter(({ i, grams }) => seen(i).grams > share(grams) + 1e-9);
		if (held.length === 0) {
			const exact = apportion(open.map((o) => share(o.grams)), Math.max(0, open.length > 0 ? left : 0));
			const expected = parts.map((_, i) => fixed.get(i) ?? exact[open.findIndex((o) => o.i === i)] ?? 0);
			return { expected, over_g: Math.max(0, -left), missing_g: open.length > 0 ? 0 : Math.max(0, left) };
		}
		for (const { i } of held) fixed.set(i, seen(i).grams);
	}
} // prettier-ignore
