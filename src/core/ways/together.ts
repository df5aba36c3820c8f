import { mixedCannerLoad } from '../canning/canner-loads';
import { apart, mixedLoad, type Apart, type DryerItem } from '../drying/mixed-load';
import type { CanWay } from './can-ways';
import type { DryWay } from './dry-ways';
import type { FreezeWay } from './freeze-way';
import type { KitchenDryer } from './kitchen';

/** A lot with a way that it could share something by. */
export interface WithWay<W> {
	readonly lotId: string;
	readonly name: string;
	readonly way: W;
}

/** Lots that share the water of one pot, and what one heating of it saves. */
export interface SharedPot {
	readonly pot: string;
	readonly lots: readonly WithWay<FreezeWay>[];
	readonly saved_s: number;
	readonly savedWater_L: number;
}

/** Foods blanched in the same pot, one after the other in the same water: each heating after the first is saved. */
export function sharedPots(lots: readonly WithWay<FreezeWay>[]): SharedPot[] {
	const wet = lots.filter(({ way }) => way.line && way.pot && way.row?.method === 'water');
	return [...new Set(wet.map(({ way }) => way.pot?.id))].flatMap((id): SharedPot[] => {
		const mine = wet.filter(({ way }) => way.pot?.id === id);
		if (mine.length < 2) return [];
		const sum = (of: (w: FreezeWay) => number) => mine.reduce((total, { way }) => total + of(way), 0);
		const most = (of: (w: FreezeWay) => number) => Math.max(...mine.map(({ way }) => of(way)));
		const toBoil = (w: FreezeWay) => w.line?.toBoil_s ?? 0;
		const water = (w: FreezeWay) => w.line?.water_L ?? 0;
		return [
			{
				pot: mine[0]?.way.pot?.name ?? '',
				lots: mine,
				saved_s: sum(toBoil) - most(toBoil),
				savedWater_L: sum(water) - most(water)
			}
		];
	});
}

export interface SharedDryer {
	readonly lots: readonly WithWay<DryWay>[];
	/** Hours of the dryer by themselves, one after the other, and shared. */
	readonly alone_h: number;
	readonly together_h: number;
	readonly runs: number;
	/** Pairs that must not or should not stand in it together. */
	readonly apart: readonly Apart[];
	readonly words: readonly string[];
}

/** Lots in one dryer: never longer than one after the other. Null with fewer than two. */
export function sharedDryer(lots: readonly WithWay<DryWay>[], dryer: KitchenDryer): SharedDryer | null {
	if (lots.length < 2) return null;
	const items = lots.map(({ way }): DryerItem => ({
		food: way.look.food,
		row: way.row,
		trays: way.trays.needed,
		hours: way.time.hours,
		interval_h: way.time.interval_h
	}));
	const alone_h = lots.reduce((sum, { way }) => sum + way.trays.loads * way.time.hours, 0);
	const load = mixedLoad(items, dryer);
	// A run lasts as long as its slowest.
	const together_h = load.runs.reduce((sum, r) => sum + Math.max(...r.places.map((p) => p.item.hours)), 0);
	return {
		lots,
		alone_h,
		together_h: Math.min(alone_h, together_h),
		runs: load.runs.length,
		apart: items.flatMap((a, i) => items.slice(i + 1).flatMap((b) => apart(a, b) ?? [])),
		words: load.words
	};
}

export interface SharedCanner {
	readonly lots: readonly WithWay<CanWay>[];
	readonly method: 'boiling-water' | 'pressure';
	readonly jar: string;
	/** The longest of their times holds for all in a load: common practice. */
	readonly minutes: number;
	readonly longest: string;
	readonly words: string;
	readonly loadsAlone: number;
	readonly loadsTogether: number;
}

/**
 * Lots whose jars may go through the canner in one load: the same jar, method and pressure. What cannot is not among them;
 * no time is made up: it is the longest printed one of those in it.
 *
 * @param capacity jars of a size that the canner of a method holds
 */
export function sharedCanners(lots: readonly WithWay<CanWay>[], capacity: (way: CanWay) => number): SharedCanner[] {
	const filled = lots.filter(({ way }) => (way.jars?.count ?? 0) > 0);
	const found: SharedCanner[] = [];
	const used = new Set<string>();
	for (const first of filled) {
		if (used.has(first.lotId)) continue;
		const process = first.way.processes[0];
		if (!process) continue;
		const group = [first];
		for (const other of filled) {
			const its = other.way.processes[0];
			if (other === first || used.has(other.lotId) || !its || other.way.jar !== first.way.jar) continue;
			const all = mixedCannerLoad([...group.map((g) => g.way.processes[0] ?? process), its]);
			if (all.kind === 'mixed') group.push(other);
		}
		if (group.length < 2) continue;
		const mixed = mixedCannerLoad(group.map((g) => g.way.processes[0] ?? process));
		if (mixed.kind !== 'mixed') continue;
		for (const g of group) used.add(g.lotId);
		const holds = Math.max(1, capacity(first.way));
		const jars = group.map(({ way }) => way.jars?.count ?? 0);
		found.push({
			lots: group,
			method: process.method,
			jar: first.way.jar,
			minutes: mixed.minutes,
			longest: mixed.longest.product.name,
			words: mixed.words,
			loadsAlone: jars.reduce((sum, n) => sum + Math.ceil(n / holds), 0),
			loadsTogether: Math.ceil(jars.reduce((a, b) => a + b, 0) / holds)
		});
	}
	return found.filter((f) => f.loadsTogether < f.loadsAlone);
}
