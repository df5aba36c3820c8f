import { refusalRows, type RefusalRow } from '../../reference/safety';
import { sources } from '../../reference/sources';
import type { FoodRow } from '../../reference/tables';
import type { Refusal } from '../errors';
import { waysOn } from './ways-on';

const byId = new Map(refusalRows.map((row) => [row.id, row]));

/**
 * Rules beside which the tested jars of a food are a way on. Where the food itself is the trouble (thawed, damaged, of a
 * refused kind, no altitude known) they would send the person back into it.
 */
const offersJars = new Set([
	'untested-food',
	'untested-product',
	'vacuum-room',
	'oil-shelf',
	'pickle-shelf-own',
	'jam-own',
	'meat-shelf',
	'smoke-shelf',
	'salt-shelf',
	'perishable-room'
]);

/** What the sentence of a rule needs filled in. */
export interface Blanks {
	readonly food?: FoodRow | null | undefined;
	readonly called?: string;
	readonly product?: string;
	readonly style?: string;
	/** Ways on that are known here and now, before the rule's own. */
	readonly first?: readonly string[];
}

export function ruleOf(id: string): RefusalRow {
	const row = byId.get(id);
	if (!row) throw new Error(`There is no safety rule "${id}".`);
	return row;
}

/** A rule's refusal: its reason in one sentence, whose word it is, and at least one way on. */
export function refuse(id: string, blanks: Blanks = {}): Refusal {
	return refusalOf(ruleOf(id), blanks);
}

export function refusalOf(row: RefusalRow, blanks: Blanks): Refusal {
	const name = blanks.food?.name ?? blanks.called ?? 'this food';
	const filled = row.reason
		.replace('{food}', name)
		.replace('{product}', blanks.product ?? 'that')
		.replace('{style}', blanks.style ?? 'different');
	const jars = offersJars.has(row.id) || (row.foods !== undefined && blanks.food !== undefined);
	const own = blanks.food ? waysOn(blanks.food, jars) : [];
	const instead = [...new Set([...(blanks.first ?? []), ...row.instead, ...own])];
	return {
		kind: 'refused',
		rule: row.id,
		reason: filled.charAt(0).toUpperCase() + filled.slice(1),
		source: sources[row.source].title,
		instead: instead.length > 0 ? instead.slice(0, 6) : ['Use it fresh', 'Ask your extension service']
	};
}
