import type { CutRow } from '../../reference/tables';
import { freezeWays } from './freeze-ways';
import { freezeKinds, type FreezeKind, type FreezeWay, type RefusedWay, type WayChoices, type Ways, type WaysInput } from './freeze-way'; // prettier-ignore
import { isMixture } from './mixture-ways';

/** What a household chose for one way: its cut too, and which printed size where a cut has several. */
export interface KindChoices extends WayChoices {
	/** Id of a way of this kind: "blanch:ears-small". */
	readonly size?: string;
}

/** One way into the freezer, over all cuts that it is open for, at the one that is chosen. */
export interface FreezeEntry {
	readonly becomes: FreezeKind;
	readonly way: FreezeWay | RefusedWay;
	/** The cuts that it is open for; where it is refused for all, those that it is refused for. */
	readonly cuts: readonly CutRow[];
	/** The same at this cut in other printed sizes; one alone is no choice. */
	readonly sizes: readonly { readonly id: string; readonly words: string }[];
	/** As the core works it out: portion, styles. */
	readonly ways: Ways;
}

/**
 * Every way of freezing a thing, a line each whatever the cut: open ways first, in the order of their first cut.
 *
 * @param choicesOf what was chosen for a way; its cut and size hold only where it has them
 * @throws {DomainError} as the ways of a cut
 */
export function allFreezeWays(
	input: Omit<WaysInput, 'choices'>,
	choicesOf: (becomes: FreezeKind) => KindChoices
): FreezeEntry[] {
	const { thing } = input;
	const { cuts } = thing.food;
	// What is mixed is made ready already; what came in cut is cut already.
	const own = cuts.find((c) => c.id === thing.form);
	const all = isMixture(thing) || cuts.length === 0 ? [undefined] : own && thing.state !== 'fresh' ? [own] : [...cuts].sort((a, b) => Number(b === own) - Number(a === own)); // prettier-ignore
	const looked = all.map((cut) => freezeWays({ ...input, choices: cut ? { cut: cut.id } : {} }));
	const found = freezeKinds.flatMap((becomes): FreezeEntry[] => {
		const having = looked.filter((l) => l.ways.some((w) => w.becomes === becomes));
		const open = having.filter((l) => l.ways.some((w) => w.becomes === becomes && w.kind === 'way'));
		const among = open.length > 0 ? open : having;
		const { size, ...choices } = choicesOf(becomes);
		const base = among.find((l) => l.cut?.id === choices.cut) ?? among[0];
		if (!base) return [];
		const { cut: _cut, ...rest } = choices;
		const ways =
			Object.keys(rest).length === 0
				? base
				: freezeWays({ ...input, choices: { ...rest, ...(base.cut ? { cut: base.cut.id } : {}) } });
		const mine = ways.ways.filter((w) => w.becomes === becomes);
		const way = mine.find((w) => w.id === size) ?? mine.find((w) => w.kind === 'way') ?? mine[0];
		if (!way) return [];
		return [
			{
				becomes,
				way,
				ways,
				cuts: among.flatMap((l) => (l.cut && !isMixture(thing) ? [l.cut] : [])),
				sizes: mine.flatMap((w) => (w.kind === 'way' ? [{ id: w.id, words: w.row?.cut ?? w.name }] : []))
			}
		];
	});
	const first = (e: FreezeEntry) => looked.findIndex((l) => l.ways.some((w) => w.becomes === e.becomes && w.kind === e.way.kind)); // prettier-ignore
	return found.sort(
		(a, b) => Number(a.way.kind === 'refused') - Number(b.way.kind === 'refused') || first(a) - first(b)
	);
}
