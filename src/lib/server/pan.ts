import { potVolume_L } from '$core/heat/boil-down';
import { sayDuration, sayLength, sayWeight } from '$core/quantities/format';
import { cookedDown, forPan, panOf, planCook } from '$core/runs/kinds/cook-down/make';
import { subjectOf, type CookPlan } from '$core/runs/kinds/cook-down/plan';
import { make } from '$core/things/transform';
import { freezeWays } from '$core/ways/freeze-ways';
import type { FreezeWay } from '$core/ways/freeze-way';
import type { Begin } from '$lib/ui/run/types';
import { chosenOf } from './begin';
import type { Stores } from './stores';
import { amountOf, readLot } from './ways/read';

/** What was chosen for a pan. */
export interface PanAsk {
	readonly lot: string;
	readonly what?: string | undefined;
	readonly pot?: string | undefined;
	/** Percent of the volume that is to be left. */
	readonly left?: number | undefined;
	readonly grams?: number | undefined;
}

const parts = [67, 50, 33, 25] as const;
const partWords: Readonly<Record<number, string>> = { 67: 'two thirds', 50: 'a half', 33: 'a third', 25: 'a quarter' };

/**
 * A lot into a pan: what may be made of it, in which pan, down to what; and the plan of its run.
 *
 * @throws {AppError} 400 no such choice; 404; 409 at the stove
 */
export async function panFor(stores: Stores, ask: PanAsk, now: Date): Promise<{ view: Begin; plan: CookPlan | null }> {
	const read = await readLot(stores, ask.lot, now);
	const { thing, kitchen, lot } = read;
	const units = kitchen.units;
	const rows = read.stop ? [] : cookedDown(thing);
	const row = chosenOf(rows, ask.what, 'what', `${lot.title} does not become that in a pan.`);
	// Wide and large cooks down soonest.
	const pots = [...kitchen.pots].sort((a, b) => panOf(b).base_m - panOf(a).base_m);
	const pot = chosenOf(pots, ask.pot, 'pot', 'There is no such pan in the Kitchen.');
	const view: Begin = {
		name: lot.title,
		amount: sayWeight(read.whole_g, units),
		selects:
			rows.length === 0
				? []
				: [
						{
							name: 'what',
							label: 'it becomes',
							value: row?.id ?? '',
							options: rows.map((r) => ({ value: r.id, words: r.name }))
						},
						{
							name: 'pot',
							label: 'in',
							value: pot?.id ?? '',
							options: pots.map((p) => ({
								value: p.id,
								words: `${p.name}, ${sayLength(panOf(p).base_m, units)} wide${panOf(p).guessed ? ' (guessed)' : ''}`
							}))
						},
						{
							name: 'left',
							label: 'cooked down',
							value: ask.left === undefined ? '' : String(ask.left),
							options: [
								{ value: '', words: 'as printed' },
								...parts.map((p) => ({ value: String(p), words: `to ${partWords[p]}` }))
							]
						}
					],
		gets: null,
		cautions: [],
		source: '',
		stop:
			read.stop?.reason ??
			(read.free_g === 0
				? 'All of it is at the Stove already.'
				: rows.length === 0
					? `Nothing is known that is made of ${lot.title} in a pan.`
					: pot
						? ''
						: 'There is no pot in the Kitchen yet.')
	};
	if (view.stop !== '' || !row || !pot) return { view, plan: null };
	const raw_g = amountOf(read, ask.grams);
	const made = make(row, forPan(thing), raw_g);
	const freeze = freezeWays({
		thing: made.thing,
		grams: Math.max(1, Math.round(made.grams)),
		food_C: 20,
		kitchen,
		choices: {},
		now: now.getTime()
	}).ways.find((w): w is FreezeWay => w.kind === 'way');
	if (!freeze)
		return { view: { ...view, stop: `${row.name} is not frozen here, and jars have a run of their own.` }, plan: null };
	const chosen = { thing, row, lotId: lot.id, called: lot.title, raw_g, pot, freeze };
	const plan = planCook({ ...chosen, ...(ask.left === undefined ? {} : { fraction: ask.left / 100 }) }, kitchen);
	const subject = subjectOf(plan);
	const litres = (raw_g / 1000) * (1 - subject.milledOut);
	const holds = potVolume_L(plan.pan, plan.pan.height_m);
	const packs = Math.max(1, Math.round(subject.out_g / subject.portion_g));
	return {
		plan,
		view: {
			...view,
			gets: {
				packs: `${packs}`,
				each: `${packs === 1 ? 'pack' : 'packs'} of about ${sayWeight(subject.portion_g, units)}`,
				lines: [
					[
						'out of it',
						`${sayWeight(subject.out_g, units)} of ${raw_g === read.whole_g ? sayWeight(raw_g, units) : `${sayWeight(raw_g, units)} of it`}`
					],
					['your hands', sayDuration(subject.expected.hands_s)],
					['start to cold', sayDuration(subject.expected.elapsed_s)],
					...(subject.fraction === null
						? []
						: [['left of its volume', `${Math.round(subject.fraction * 100)} %`] as const]),
					...(litres > holds * 0.9
						? [['pans', `${Math.ceil(litres / (holds * 0.75))}: it holds ${Math.floor(holds)} L`] as const]
						: [])
				]
			},
			cautions: subject.cautions,
			source: subject.source
		}
	};
}
