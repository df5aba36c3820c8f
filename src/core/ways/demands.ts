import type { DryWay } from './dry-ways';
import type { FreezeWay } from './freeze-way';
import { noDemands, type Demands } from './work';

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
		...noDemands,
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

/** The typed demands of drying. */
export const dryDemands = (way: DryWay): Demands => ({
	...noDemands,
	[way.time.asPrinted ? 'freezer_L' : 'shelf_L']: way.jars.litres,
	dryer: { trays: way.trays.needed, loads: way.trays.loads, tray_h: way.trays.needed * way.time.hours },
	jars: { size: 'quart', count: way.jars.quarts },
	hands_s: way.hands_s
});
