import type { Units } from '$core/quantities/format';
import { unitOf } from '$core/quantities/units';
import { pageInUnits } from '$core/quantities/household-words';
import type { RunView } from '$core/runs/wire';
import { fromWireText, toWireText } from '$core/runs/wire-text';
import { tasks } from '$core/ways/equipment';
import type { StoveThings } from '$lib/ui/run/types';
import type { Stores } from './stores';

/**
 * Runs as one text for their page: hundreds of taps that nobody walks through on the way. The sentences of their plans are
 * in the household's units; taps hold no sentences of ours.
 */
export const runsText = (runs: readonly RunView[], units: Units): string =>
	toWireText(`[${runs.map((run) => runText(run, units)).join()}]`);

const runText = (run: RunView, units: Units): string => JSON.stringify({ ...run, plan: pageInUnits(run.plan, units) });

/**
 * Open runs as they were told before. A run's plan is frozen and its taps are only ever added to, so (run, newest tap) says
 * all of it but its differences: every process may keep its own, and none is ever stale.
 */
const told = new Map<string, { readonly seq: number; readonly text: string }>();
const mostTold = 64;

/** Every open run as one text for the Stove: those with new taps are read, the others are told again. */
export async function openRunsText(stores: Stores, units: Units): Promise<string> {
	const { open, differences } = await stores.runs.openNow();
	const keyOf = (id: string) => `${id} ${units}`;
	const fresh = open.filter(([id, seq]) => told.get(keyOf(id))?.seq !== seq).map(([id]) => id);
	for (const view of await stores.runs.views(fresh)) {
		// Another device's tap may have come in between: it is told as what it is.
		told.set(keyOf(view.id), { seq: view.seq, text: toWireText(runText({ ...view, differences: [] }, units)) });
		if (told.size > mostTold) told.delete(told.keys().next().value ?? '');
	}
	const texts = open.flatMap(([id]) => {
		const text = told.get(keyOf(id))?.text;
		if (text === undefined) return [];
		const mine = differences.filter((d) => d.runId === id).map(({ id, title, unit, amount, made }) => ({ id, title, unit, amount, made })); // prettier-ignore
		return [
			mine.length === 0 ? text : toWireText(JSON.stringify({ ...fromWireText<RunView>(text), differences: mine }))
		];
	});
	return `[${texts.join()}]`;
}

const cup_mL = (metricCups: boolean): number => {
	const cup = unitOf('cup', { metricCups });
	if (cup?.kind !== 'volume') throw new Error('A cup is no measure.');
	return cup.litres * 1000;
};

/** What the Stove needs of the kitchen beside its runs. */
export async function stoveThings(stores: Stores): Promise<StoveThings> {
	const [places, containers, persons, metricCups, printers] = await Promise.all([
		stores.home.places(),
		stores.home.containers(),
		stores.gear.persons(),
		stores.home.metricCups(),
		stores.printers.names()
	]);
	return {
		printers,
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
