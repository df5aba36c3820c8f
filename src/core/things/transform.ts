import { transformRows, type TransformRow } from '../../reference/transforms';
import { DomainError, mustBePositive } from '../errors';
import { foodById, kindById } from './names';
import { mustBeIdentified, type State, type Thing } from './thing';

/** What comes of a transform: the thing itself, what else comes off, and what is added and lost. Grams; they close. */
export interface Made {
	readonly row: TransformRow;
	readonly thing: Thing;
	readonly grams: number;
	/** By the ends of the published yield. */
	readonly range_g: readonly [number, number];
	readonly by: readonly { readonly thing: Thing; readonly grams: number; readonly kept: boolean }[];
	readonly added_g: number;
	readonly lost: { readonly what: 'water' | 'waste'; readonly grams: number };
	readonly hands_s: number | null;
}

const middle = ([low, high]: readonly [number, number]): number => (low + high) / 2;

/** Steps that cook a thing through: open to what was thawed, which is not kept raw again. */
const cooksThrough = new Set<TransformRow['step']>(['cook', 'reduce', 'mash', 'stock', 'render', 'par-fry']);

/** Whether a row is for a thing as it is. */
function suits(row: TransformRow, thing: Thing): boolean {
	const { food, form, state } = thing;
	if (row.food !== food.id || thing.madeOf !== undefined) return false;
	const formFits = row.from.form === 'any' || row.from.form === form;
	if (row.from.state === state) return formFits;
	// Thawed tomatoes: juice and what is cooked down. Whatever is thawed is cooked through.
	if (state === 'thawed' && (row.from.state === 'fresh' || row.from.state === 'prepared'))
		return (cooksThrough.has(row.step) || row.to.state === 'cooked') && (formFits || form === 'peeled');
	return false;
}

/**
 * What people make of a thing before it is packed, cooked or eaten: the rows of the table that are for it, as it is now.
 * None where its safety stops it: past its end, or not identified.
 */
export function transformsOf(thing: Thing): readonly TransformRow[] {
	if (thing.age?.past === 'end' && thing.age.limit === 'safety') return [];
	if (mustBeIdentified(thing) && thing.identified !== true) return [];
	return transformRows.filter((row) => suits(row, thing));
}

/** A row by its id. @throws {DomainError} BAD_TRANSFORM: there is none, or it is not for this thing */
export function transformOf(thing: Thing, id: string): TransformRow {
	const row = transformsOf(thing).find((r) => r.id === id);
	if (!row)
		throw new DomainError('BAD_TRANSFORM', 'transform', `${thing.called} cannot become "${id}" as they are now.`);
	return row;
}

/**
 * What a transform makes of an amount.
 *
 * @param grams of the thing, above 0
 * @param out_g what came out by the scale, where it was weighed; the rest is shared as the row says
 * @throws {DomainError} NOT_POSITIVE; BAD_TRANSFORM: more came out than went in
 * @source the row's own
 */
export function make(row: TransformRow, thing: Thing, grams: number, out_g?: number): Made {
	mustBePositive(grams, 'grams');
	const added_g = grams * (row.added?.share ?? 0);
	const expected = grams * middle(row.yield);
	const out = out_g ?? expected;
	mustBePositive(out, 'out_g');
	const all = grams + added_g;
	if (out > all * 1.005)
		throw new DomainError('BAD_TRANSFORM', 'out_g', 'More came out than went in. Weigh again, without the bowl.');
	// What the scale found beyond the row's yield was taken from what the row loses or leaves, in their proportion.
	const rest = Math.max(0, all - out);
	const planned = Math.max(1e-9, all - expected);
	const scale = rest / planned;
	const by = (row.by ?? []).map(({ form, share, kept }) => ({
		thing: byProduct(thing, form),
		grams: grams * share * scale,
		kept: kept === true
	}));
	const lost_g = rest - by.reduce((sum, b) => sum + b.grams, 0);
	return {
		row,
		thing: madeInto(row, thing),
		grams: out,
		range_g: [grams * row.yield[0], grams * row.yield[1]],
		by,
		added_g,
		lost: { what: row.lost?.what ?? 'waste', grams: Math.max(0, lost_g) },
		hands_s: row.hands_min_per_kg === undefined ? null : (row.hands_min_per_kg * 60 * grams) / 1000
	};
}

/** What it has become: another food where the row says so, of which the first is then told as what it is made of. */
function madeInto(row: TransformRow, thing: Thing): Thing {
	const { kind: _kind, madeOf: _parts, age: _age, was: _was, ...rest } = thing;
	const food = row.to.food === undefined ? thing.food : foodById(row.to.food);
	if (!food) throw new Error(`The transform "${row.id}" leads to no food.`);
	const other = food !== thing.food;
	const kind = other ? kindById(food.id, row.to.kind) : thing.kind;
	const form = row.to.form === 'any' ? thing.form : row.to.form;
	const state = row.to.state as State;
	return {
		...rest,
		food,
		...(kind ? { kind } : {}),
		called: other ? `${thing.called}, ${form}` : thing.called,
		form,
		// A dish is cooked by nature: its rows are for that state.
		state: other && state === 'cooked' && food.perishable ? 'fresh' : state,
		...(thing.state === 'frozen' && state === 'thawed' ? { was: 'frozen' as const } : {}),
		condition: 'firm'
	};
}

const byProduct = (thing: Thing, form: string): Thing => {
	const { kind: _kind, madeOf: _parts, ...rest } = thing;
	return { ...rest, called: `${thing.food.name} ${form}`, form };
};
