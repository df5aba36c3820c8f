import { sayDuration, sayTemperature, sayWeight } from '$core/quantities/format';
import { dayWords } from '$core/runs/kinds/ferment/acts';
import { fermentDays } from '$core/fermenting/salt';
import { brineFor, endOf } from '$core/runs/kinds/ferment/fold';
import { fermentRowOf, planFerment } from '$core/runs/kinds/ferment/make';
import type { FermentPlan } from '$core/runs/kinds/ferment/plan';
import type { Thing } from '$core/things/thing';
import type { Begin } from '$lib/ui/run/types';
import type { Stores } from './stores';
import type { PlaceRow } from './stores/households';
import { amountOf, readLot, type LotRead } from './ways/read';

export interface FermentAsk {
	readonly lot: string;
	readonly way?: 'dry' | 'brine' | undefined;
	readonly percent?: number | undefined;
	readonly place?: string | undefined;
	readonly grams?: number | undefined;
}

/** Where a ferment may stand, the best first. */
const standing = ['crock', 'cool', 'cellar', 'counter'];

/** What is chosen where nobody says otherwise: by its weight, the middle of the printed salt, the place that suits best. */
function chosenFor(thing: Thing, all: readonly PlaceRow[], ask: Omit<FermentAsk, 'lot'>) {
	const row = fermentRowOf(thing);
	const places = all
		.filter((p) => standing.includes(p.kind))
		.sort((a, b) => standing.indexOf(a.kind) - standing.indexOf(b.kind));
	const place =
		places.find((p) => p.id === ask.place) ??
		places.find((p) => row && fermentDays(row, p.tempC).kind !== 'refused') ??
		places[0];
	const ways = (['dry', 'brine'] as const).filter((w) => row?.[w]);
	const way = ways.find((w) => w === ask.way) ?? ways[0] ?? 'dry';
	const range = row?.[way] ?? [2, 2];
	const steps = [...new Set([range[0], (range[0] + range[1]) / 2, range[1]])];
	const percent = ask.percent ?? steps[Math.floor(steps.length / 2)] ?? range[0];
	return { row, places, place, ways, way, steps, percent };
}

const chosenCrock = (
	{ thing, lot }: LotRead,
	{ place, way, percent }: { place: PlaceRow; way: 'dry' | 'brine'; percent: number }
) => ({
	thing,
	called: lot.title,
	lotId: lot.id,
	way,
	percent,
	place: { id: place.id, name: place.name, C: place.tempC }
});

/** All of a lot into the crock as it is usual; nothing where no salt is printed for it, or no place will do. */
export function usualCrock(read: LotRead, all: readonly PlaceRow[]): FermentPlan | null {
	const { row, place, way, percent } = chosenFor(read.thing, all, {});
	if (!row || !place) return null;
	const plan = planFerment({ ...chosenCrock(read, { place, way, percent }), raw_g: read.whole_g }, read.kitchen);
	return plan.kind === 'refused' ? null : plan;
}

/**
 * A lot into the crock: salted by its weight or under a brine, how strong, where it stands and so how long.
 *
 * @throws {AppError} 404
 */
export async function fermentFor(
	stores: Stores,
	ask: FermentAsk,
	now: Date
): Promise<{ view: Begin; plan: FermentPlan | null }> {
	const [read, all] = await Promise.all([readLot(stores, ask.lot, now), stores.home.places()]);
	const { thing, kitchen, lot } = read;
	const { units } = kitchen;
	const { row, places, place, ways, way, steps, percent } = chosenFor(thing, all, ask);
	const base: Begin = {
		name: lot.title,
		amount: sayWeight(read.whole_g, units),
		selects: row
			? [
					{ name: 'way', label: 'salted', value: way, options: ways.map((w) => ({ value: w, words: w === 'dry' ? 'by its weight' : 'under a brine' })) },
					{ name: 'percent', label: 'salt', value: `${percent}`, options: [...new Set([...steps, percent])].sort((a, b) => a - b).map((s) => ({ value: `${s}`, words: `${s} %${way === 'dry' ? ' of what is cut' : ' of the brine'}` })) },
					{ name: 'place', label: 'it stands', value: place?.id ?? '', options: places.map((p) => ({ value: p.id, words: `${p.name}, ${sayTemperature(p.tempC, units)}` })) }
				]
			: [],
		gets: null,
		cautions: [],
		source: '',
		stop: read.stop
			? `${read.stop.reason} ${read.stop.instead.join('; ')}.`
			: read.free_g === 0
				? 'All of it is at the Stove already.'
				: place
					? ''
					: 'There is no place in the Kitchen for a crock: a counter, a cool room or a cellar.'
	}; // prettier-ignore
	if (base.stop !== '' || !place) return { view: base, plan: null };
	const raw_g = amountOf(read, ask.grams);
	const plan = planFerment({ ...chosenCrock(read, { place, way, percent }), raw_g }, kitchen);
	if (plan.kind === 'refused') return { view: { ...base, stop: `${plan.reason} ${plan.instead.join('; ')}.` }, plan: null }; // prettier-ignore
	const [subject] = plan.subjects;
	const { salt_g, water_g } = brineFor(plan, subject.load_g);
	return {
		plan,
		view: {
			...base,
			gets: {
				packs: sayWeight(salt_g, units),
				each: `of salt${water_g > 0 ? ` in ${sayWeight(water_g, units)} of water` : ''} to ${sayWeight(subject.load_g, units)} cut`,
				lines: [
					['in the end', `${endOf(plan, subject.load_g, salt_g).toFixed(2)} % of vegetable and water together`],
					['cut', subject.cut],
					['ready', dayWords(plan)],
					['then', `${subject.cold_weeks[0]} to ${subject.cold_weeks[1]} weeks in the fridge, under its brine`],
					['your hands', sayDuration(subject.expected.hands_s)]
				]
			},
			cautions: subject.cautions,
			source: subject.source
		}
	};
}
