import { tasks } from '$core/ways/equipment';
import type { StoveThings } from '$lib/ui/run/types';
import type { Stores } from './stores';

/** What the Stove needs of the kitchen beside its runs. */
export async function stoveThings(stores: Stores): Promise<StoveThings> {
	const [places, containers, persons] = await Promise.all([
		stores.home.places(),
		stores.home.containers(),
		stores.gear.persons()
	]);
	return {
		freezers: places.filter((p) => p.kind === 'freezer').map(({ id, name }) => ({ id, name })),
		containers: containers.map((c) => ({
			id: c.id,
			name: c.name,
			count: Math.max(0, c.count),
			volume_mL: c.volumeMl
		})),
		helpers: persons.map(({ id, name, may }) => ({ id, name, may: tasks.filter((t) => may.includes(t)) })),
		counter: places.find((p) => p.kind === 'counter')?.id ?? ''
	};
}
