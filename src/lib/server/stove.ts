import type { Units } from '$core/quantities/format';
import { unitOf } from '$core/quantities/units';
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

const cup_mL = (metricCups: boolean): number => {
	const cup = unitOf('cup', { metricCups });
	if (cup?.kind !== 'volume') throw new Error('A cup is no measure.');
	return cup.litres * 1000;
};

/** What the Stove needs of the kitchen beside its runs. */
export async function stoveThings(stores: Stores): Promise<StoveThings> {
	const [places, containers, persons, metricCups] = await Promise.all([
		stores.home.places(),
		stores.home.containers(),
		stores.gear.persons(),
		stores.home.metricCups()
	]);
	return {
		places: places.map(({ id, name, kind }) => ({ id, name, kind })),
		containers: containers.map((c) => ({
			id: c.id,
			name: c.name,
			count: Math.max(0, c.count),
			volume_mL: c.volumeMl
		})),
		helpers: persons.map(({ id, name, may }) => ({ id, name, may: tasks.filter((t) => may.includes(t)) })),
		cup_mL: cup_mL(metricCups),
		counter: places.find((p) => p.kind === 'counter')?.id ?? ''
	};
}
