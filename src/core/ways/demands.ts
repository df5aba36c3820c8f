import type { FreezeWay } from './freeze-way';
import type { WorkStep } from './work';

/** What a way takes of the kitchen. */
export interface Demands {
	/** Prepared food that a freezer has to freeze, kg. */
	readonly freeze_kg: number;
	/** Room of its packs there, L. */
	readonly freezer_L: number;
	readonly trays: number;
	readonly ice_kg: number;
	readonly water_L: number;
	/** The pot that it keeps, by id, and for how long. */
	readonly pot: { readonly id: string; readonly seconds: number } | null;
	readonly containers: readonly { readonly id: string; readonly count: number }[];
	readonly hands_s: number;
}

/** The typed steps of a way of freezing, in their order; their attended seconds are its hands. */
export function stepsOf(way: FreezeWay): readonly WorkStep[] {
	return way.work;
}

/** The typed demands of a way of freezing. */
export function demandsOf(way: FreezeWay): Demands {
	const { packs, second, pot, line } = way;
	const potSteps = way.work.filter((s) => s.station === 'pot');
	const containers = new Map<string, number>();
	for (const size of [packs, second]) {
		if (!size?.container) continue;
		const count = size.count + (size.remainder_g > 0 ? 1 : 0);
		containers.set(size.container.id, (containers.get(size.container.id) ?? 0) + count);
	}
	return {
		freeze_kg: way.prepared_g / 1000,
		freezer_L: packs.volume_L + (second?.volume_L ?? 0),
		trays: way.style === 'tray' ? way.trays.needed : 0,
		ice_kg: line?.ice_kg ?? 0,
		water_L: line?.water_L ?? 0,
		pot: pot ? { id: pot.id, seconds: potSteps.reduce((sum, s) => sum + s.seconds, 0) } : null,
		containers: [...containers].map(([id, count]) => ({ id, count })),
		hands_s: way.hands_s
	};
}
