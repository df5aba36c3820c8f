import { lookRows, type FindingRow, type LookRow } from '../../reference/looks';
import type { Thing } from '../things/thing';

export const lookKinds = [
	'seal',
	'shake',
	'clump',
	'soft',
	'frost',
	'brine',
	'brine-cold',
	'bag',
	'row',
	'cured'
] as const;
export type LookKind = (typeof lookKinds)[number];
export const findings = [
	'fine',
	'lost-seal',
	'bulging',
	'damp',
	'mouldy',
	'soft',
	'sprouting',
	'rotten',
	'frost',
	'thawed',
	'low-brine',
	'film',
	'ready',
	'gnawed',
	'hard-frost'
] as const;
export type Finding = (typeof findings)[number];

/** A look that was taken. */
export interface Looked {
	readonly kind: LookKind;
	readonly finding: Finding;
	/** ms */
	readonly at: number;
}

/** A look that is due, or will be. */
export interface DueLook {
	readonly row: LookRow;
	/** ms */
	readonly at: number;
}

const day_ms = 86_400_000;

/** What is looked at; by which way it was made, where one made it. */
export interface Watched extends Pick<Thing, 'food' | 'state'> {
	readonly wayId?: string | null;
}

/** Whether a row of the looks is for such a thing in such a place. */
function isFor(row: LookRow, thing: Watched, place: string): boolean {
	const { food, state } = thing;
	if (!row.states.includes(state)) return false;
	if (row.ways && !row.ways.includes(thing.wayId ?? '')) return false;
	if (row.places && !row.places.includes(place)) return false;
	if (row.groups && !row.groups.includes(food.group)) return false;
	if (row.notGroups?.includes(food.group)) return false;
	return row.leastWeeks === undefined || (food.want?.weeks[1] ?? 0) >= row.leastWeeks;
}

/**
 * The looks that a lot wants: each row's next one, counted from the last that was taken of its kind, or from its start.
 *
 * @param since when it came to be what it is, ms
 * @param now ms
 */
export function looksOf(
	thing: Watched,
	place: string,
	since: number,
	looked: readonly Looked[],
	now: number
): DueLook[] {
	return lookRows
		.filter((row) => isFor(row, thing, place))
		.flatMap((row) => {
			const last = Math.max(-Infinity, ...looked.filter((l) => l.kind === row.id).map((l) => l.at));
			if (last > -Infinity && row.every_days === null) return [];
			const at = last > -Infinity ? last + (row.every_days ?? 0) * day_ms : since + row.first_days * day_ms;
			// What was due long ago and never taken is no longer of use: a seal is looked at in its first days.
			const end = since + (row.until_days ?? Infinity) * day_ms;
			return at > end || now > end ? [] : [{ row, at }];
		});
}

/** The row of a finding. @throws {Error} none such in the table: a bug of the caller */
export function findingRow(kind: LookKind, finding: Finding): FindingRow {
	const row = lookRows.find((r) => r.id === kind)?.findings.find((f) => f.id === finding);
	if (!row) throw new Error(`The look "${kind}" has no finding "${finding}".`);
	return row;
}

/**
 * What looks say of a lot's end: the earliest day that a finding set, and whether it ended it.
 * Of each kind the last look counts: what was damp and is dry again is no longer first in line.
 */
export function afterLooks(looked: readonly Looked[]): { readonly by: number | null; readonly ended: boolean } {
	const last = new Map<LookKind, Looked>();
	for (const one of [...looked].sort((a, b) => a.at - b.at)) last.set(one.kind, one);
	let by: number | null = null;
	let ended = false;
	for (const one of last.values()) {
		const row = findingRow(one.kind, one.finding);
		if (row.effect === 'end') ended = true;
		if (row.effect === 'use-first') by = Math.min(by ?? Infinity, one.at + (row.days ?? 0) * day_ms);
	}
	return { by, ended };
}
