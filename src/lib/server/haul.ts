import { bulkOf } from '$core/foods/cuts';
import { nearFoods } from '$core/foods/find-food';
import { freshness, type Freshness } from '$core/foods/freshness';
import { foodById } from '$core/foods/find-food';
import { sayVolume, sayWeight, type Units } from '$core/quantities/format';
import { parseHaul, type Reading, type Understood } from '$core/quantities/parse-haul';
import type { FoodRow, PlaceKind } from '$reference/tables';
import { notFound } from './errors';
import type { PlaceRow } from './stores/households';
import type { Stores } from './stores';
import type { LotRow } from './stores/stock';

/** What the page shows under the line that is being typed. */
export interface Echo {
	readonly kind: Reading['kind'];
	readonly words: string;
	readonly detail: string;
	readonly choices: readonly { readonly label: string; readonly text: string }[];
	readonly weigh?: { readonly measure: string; readonly food: string; readonly foodName: string };
}

export async function readHaul(stores: Stores, text: string, units: Units): Promise<Reading> {
	const measures = await stores.home.measures();
	return parseHaul(text, { own: measures, metricCups: units === 'metric' });
}

export function echoOf(reading: Reading, units: Units): Echo {
	switch (reading.kind) {
		case 'understood': {
			const where = reading.place ? `, ${reading.place}` : '';
			const state = reading.condition === 'firm' ? '' : `, ${reading.condition}`;
			const note = reading.note ? ` · “${reading.note}”` : '';
			return {
				kind: reading.kind,
				words: `${sayWeight(reading.grams, units)} ${reading.called}${formWords(reading.food, reading.form)}${state}${where}${note}`,
				detail: [
					reading.because,
					`about ${sayVolume(reading.grams / 1000 / bulkOf(reading.food, reading.form), units)} loose`
				]
					.filter(Boolean)
					.join(' · '),
				choices: []
			};
		}
		case 'ask':
			return {
				kind: reading.kind,
				words: reading.question,
				detail: 'One answer is missing.',
				choices: reading.choices
			};
		case 'weigh-once':
			return {
				kind: reading.kind,
				words: reading.message,
				detail: '',
				choices: [],
				weigh: { measure: reading.measure, food: reading.food.id, foodName: reading.food.name }
			};
		case 'unclear':
			return { kind: reading.kind, words: reading.message, detail: '', choices: reading.near };
	}
}

/** ", in the husk", where the form needs saying. */
export const formWords = (food: FoodRow, form: string): string => {
	if (food.forms.length < 2) return '';
	const name = food.forms.find((f) => f.id === form)?.name;
	return name ? `, ${name}` : '';
};

export function knownFood(id: string): FoodRow {
	const food = foodById(id);
	if (!food) throw notFound(`food "${id}"${nearFoods(id)[0] ? ` (near: ${nearFoods(id)[0]?.name})` : ''}, `);
	return food;
}

/** The place that a line names, or the counter; by kind, the first of the household. */
export function placeFor(reading: Understood, places: readonly PlaceRow[], chosen?: string): PlaceRow {
	const byId = chosen ? places.find((p) => p.id === chosen) : undefined;
	if (chosen && !byId) throw notFound('place');
	const kind = reading.place ?? 'counter';
	const found = (reading.place ? undefined : byId) ?? places.find((p) => p.kind === kind) ?? byId ?? places[0];
	if (!found) throw notFound('place');
	return found;
}

const keepKind: Record<PlaceRow['kind'], PlaceKind> = {
	counter: 'counter',
	pantry: 'counter',
	cool: 'cool',
	cellar: 'cellar',
	fridge: 'fridge',
	freezer: 'fridge'
};

/** How long a raw lot keeps where it stands. */
export function freshnessOf(row: LotRow, place: PlaceRow): Freshness {
	return freshness({
		food: knownFood(row.food),
		place: keepKind[place.kind],
		place_C: Math.max(-2, Math.min(45, place.tempC)),
		condition: row.condition,
		since: row.since.getTime()
	});
}
