import type { Units } from '$core/quantities/format';
import { pageInUnits } from '$core/quantities/household-words';
import type { RunView } from '$core/runs/wire';
import { tasks } from '$core/ways/equipment';
import type { StoveThings } from '$lib/ui/run/types';
import type { Stores } from './stores';

/**
 * Runs as one text for their page: hundreds of taps that nobody walks through on the way. The sentences of their plans are
 * in the household's units; taps hold no sentences of ours.
 */
export const runsText = (runs: readonly RunView[], units: Units): string =>
	JSON.stringify(runs.map((run) => ({ ...run, plan: pageInUnits(run.plan, units) })));

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
