import { sayMonth } from '$core/quantities/dates';
import type { GlanceRefused, GlanceWay } from '$core/ways/glance';
import { canningRules } from '$reference/canning-rules';
import type { WayRefused, WayRow } from '$lib/ui/ways/view';
import { canSlug, type CanEntry, type Look } from './look';

/** A way of the list under its name in the address. */
export interface Named {
	readonly slug: string;
	readonly name: string;
	readonly row: Look['list'][number];
	/** The jars of a canned way. */
	readonly jar?: string;
}

/** The list of the core with the names that addresses use: freezing first, then the dryer, then jars as they are. */
export function named({ freeze, list, cans }: Look): Named[] {
	const plain = cans.filter((c) => !c.recipe);
	return list.map((row, i) => {
		const frozen = freeze[i];
		if (frozen) {
			const { way, cuts } = frozen;
			const cut = way.kind === 'way' && cuts.length > 1 ? `, ${way.cut.name}` : '';
			return { slug: frozen.becomes, name: `${row.name}${cut}`, row };
		}
		if (i === freeze.length) return { slug: 'dry', name: row.name, row };
		const can = plain[i - freeze.length - 1];
		return can
			? { slug: canSlug(can.id), name: can.way.product.name, row, jar: can.way.jar }
			: { slug: 'can', name: row.name, row };
	});
}

/** "3:28" */
const hoursMinutes = (seconds: number): string => {
	const minutes = Math.round(seconds / 60);
	return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};

export const count = (n: number, one: string): string => (n === 1 ? one : `${one}s`);

const rowOf = ({ slug, name, row, jar }: Named, best: string | null): WayRow => {
	const way = row.kind === 'way' ? row : null;
	return {
		slug,
		name,
		figure: way ? `${way.packs}` : '',
		unit: way ? count(way.packs, jar ?? way.each) : '',
		hands: way ? hoursMinutes(way.hands_s) : '',
		until: way ? (way.keepsUntil ? sayMonth(way.keepsUntil) : 'weeks') : '',
		best,
		// That it takes more than a day or a load is said where it is open.
		missing: /\bload/.test(way?.missing ?? '') ? null : (way?.missing ?? (row.kind === 'note' ? row.words : null))
	};
};

/** Nothing of it can be done in this kitchen today, whatever it would give. */
const isNotNow = (way: GlanceWay): boolean => way.packs < 1 || /^no (dryer|pressure canner) in/.test(way.missing ?? '');

/** What is compared: ways that keep at least half as long as the one that keeps longest. */
const comparable = (ways: readonly GlanceWay[], now: number): GlanceWay[] => {
	const days = (w: GlanceWay) => (w.keepsUntil ? (Date.parse(w.keepsUntil) - now) / 86_400_000 : 0);
	const most = Math.max(...ways.map(days));
	return ways.filter((w) => days(w) >= most / 2);
};

/**
 * What each is best at, among ways that keep comparably; one word a way, and each word once.
 *
 * @param now ms
 */
export function bests(ways: readonly GlanceWay[], now: number): Map<GlanceWay, string> {
	const found = new Map<GlanceWay, string>();
	const among = comparable(ways, now);
	const mark = (word: string, list: readonly GlanceWay[], value: (w: GlanceWay) => number) => {
		const [first, second] = [...list].sort((a, b) => value(a) - value(b));
		if (first && second && value(first) < value(second) && !found.has(first)) found.set(first, word);
	};
	// Of one hand's five minutes, one hour's quarter: a smaller difference is none.
	mark('least work', among, (w) => Math.round(w.hands_s / 300));
	mark('keeps longest', ways, (w) => -Date.parse(w.keepsUntil ?? '1970-01-01'));
	mark('soonest away', among, (w) => Math.round(w.elapsed_s / 900));
	mark('least room', among, (w) => Math.round(w.litres * 2));
	return found;
}

/** The list in its three parts: now, not now, and no. */
export function rowsOf(all: readonly Named[], now: number) {
	const open = all.flatMap((n) => (n.row.kind === 'way' ? [{ named: n, way: n.row }] : []));
	const today = open.filter(({ way }) => !isNotNow(way));
	const best = bests(
		today.map((o) => o.way),
		now
	);
	return {
		// What is tested without amounts is open all the same; it is compared with nothing.
		rows: [
			...today.map(({ named: n, way }) => rowOf(n, best.get(way) ?? null)),
			...all.filter((n) => n.row.kind === 'note').map((n) => rowOf(n, null))
		],
		notNow: open.filter(({ way }) => isNotNow(way)).map(({ named: n }) => rowOf(n, null)),
		no: all.flatMap((n) => (n.row.kind === 'refused' ? [refused(n, n.row)] : []))
	};
}

const refused = ({ slug, name }: Named, { reason, source, instead }: GlanceRefused): WayRefused => ({
	slug,
	name,
	reason,
	source,
	instead
});

export const recipesOf = (cans: readonly CanEntry[]) =>
	cans.filter((c) => c.recipe).map((c) => ({ slug: canSlug(c.id), name: c.way.product.name }));

/** Best of what is in jars, months. */
export const jarMonths = canningRules.best_months.value;
