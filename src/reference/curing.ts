import rows from './curing.json';
import type { Provenance } from './row';
import type { Range } from './tables';

/** What is done to a food before it is stored: dried outside or healed over, for so many days. */
export interface CuringRow extends Provenance {
	readonly id: string;
	readonly foods: readonly string[];
	/** Curing shortens the life of these. */
	readonly notKinds?: readonly string[];
	readonly days: Range;
	readonly C: Range;
	/** % */
	readonly rh: Range;
	readonly where: string;
	/** By what it is judged: the days are only when to look. */
	readonly look: string;
}

// JSON widens literals to strings; a test checks every row.
export const curingRows = rows as unknown as readonly CuringRow[];

export const curingOf = (food: string, kind?: string): CuringRow | undefined =>
	curingRows.find((r) => r.foods.includes(food) && !(kind !== undefined && r.notKinds?.includes(kind)));

/** How it lies in its store (common practice). */
export const storedHow: readonly { readonly foods: readonly string[]; readonly words: string }[] = [
	{ foods: ['onions', 'garlic', 'shallots'], words: 'hung in nets or braids, or shallow in crates, dry and airy' },
	{ foods: ['winter-squash', 'pumpkins'], words: 'in one layer on slats, not touching, never carried by the stem' },
	{ foods: ['potatoes', 'sweet-potatoes'], words: 'in crates in the dark, covered with sacking, not washed' },
	{ foods: ['carrots', 'beets', 'parsnips', 'turnips', 'rutabagas', 'celery-root', 'radishes', 'horseradish', 'jerusalem-artichokes', 'kohlrabi'], words: 'tops twisted off, not washed, in layers of moist sand that do not touch' },
	{ foods: ['apples', 'pears', 'quinces', 'asian-pears'], words: 'stems on, in one layer or wrapped, each sort by itself' },
	{ foods: ['cabbage', 'napa-cabbage', 'brussels-sprouts'], words: 'outer leaves on, hung by the root or on slats with air between' },
	{ foods: ['leeks', 'celery'], words: 'upright, the roots in moist sand' }
]; // prettier-ignore

/** What may stay where it grew, under straw, into the frost (common practice). */
export const inTheRow: ReadonlySet<string> = new Set(['carrots', 'parsnips', 'beets', 'turnips', 'rutabagas', 'horseradish', 'jerusalem-artichokes', 'leeks', 'kale', 'collards', 'brussels-sprouts', 'celery-root']); // prettier-ignore
