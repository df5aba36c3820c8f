import { bulkOf } from '$core/foods/cuts';
import { dateIn } from '$core/freezing/keep';
import { sayVolume, sayWeight, type Units } from '$core/quantities/format';
import { sayDate } from '$core/quantities/dates';
import { minorDigits } from '$core/quantities/money';
import { readLine, type Reading, type Understood } from '$core/things/read-line';
import { partWords } from '$core/things/mixture';
import { unlikely } from '$core/things/likely';
import { admitted } from '$core/things/admitted';
import type { FoodRow } from '$reference/tables';
import { notFound } from './errors';
import type { HouseholdRow, PlaceRow } from './stores/households';
import type { Stores } from './stores';

/** What the page shows under the line that is being typed. */
export interface Echo {
	readonly kind: Reading['kind'];
	readonly words: string;
	readonly detail: string;
	readonly choices: readonly { readonly label: string; readonly text: string }[];
	/** What endangers, though it is kept. */
	readonly danger?: string;
	/** Safe ways on, where it is refused. */
	readonly instead?: readonly string[];
	readonly weigh?: { readonly measure: string; readonly food: string; readonly foodName: string };
	/** What is said by one tap where a likely amount is asked about: that it is right. */
	readonly confirm?: string;
}

export async function readHaul(stores: Stores, text: string, household: HouseholdRow, now: Date): Promise<Reading> {
	const measures = await stores.home.measures();
	const { units, zone } = household;
	return admitted(
		readLine(text, { own: measures, metricCups: units === 'metric', today: dateIn(zone, now.getTime()) })
	);
}

/** @param text the line itself, where it is still to be asked whether so much is right */
export function echoOf(reading: Reading, units: Units, text?: string): Echo {
	switch (reading.kind) {
		case 'understood': {
			const { thing } = reading;
			const doubt = text === undefined ? undefined : unlikely(reading, text, units);
			if (doubt)
				return {
					kind: 'asked',
					words: doubt.question,
					detail: 'More than a household takes in at a time.',
					choices: doubt.other ? [doubt.other] : [],
					confirm: `Yes, ${sayWeight(reading.grams, units)}: keep it`
				};
			const where = reading.place ? `, ${reading.place}` : '';
			const state = thing.state === 'fresh' ? '' : `, ${thing.state}`;
			const condition = thing.condition === 'firm' ? '' : `, ${thing.condition}`;
			const day = reading.day ? `, ${sayDate(reading.day)}` : '';
			const note = reading.note ? ` · “${reading.note}”` : '';
			return {
				kind: reading.kind,
				words: `${sayWeight(reading.grams, units)} ${thing.called}${formWords(thing.food, thing.form)}${state}${condition}${where}${day}${note}`,
				detail: [
					partWords(thing.madeOf),
					reading.because,
					thing.kind && !thing.food.names.includes(thing.called) ? `a kind of ${thing.food.name}` : '',
					thing.madeOf ? '' : `about ${sayVolume(reading.grams / 1000 / bulkOf(thing.food, thing.form), units)} loose`
				]
					.filter(Boolean)
					.join(' · '),
				choices: []
			};
		}
		case 'asked':
			return {
				kind: reading.kind,
				words: reading.question,
				detail: 'One answer is missing.',
				choices: reading.choices
			};
		case 'refused':
			return {
				kind: reading.kind,
				words: reading.refusal.reason,
				detail: reading.refusal.source,
				choices: [],
				instead: reading.refusal.instead
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

/** What a line says was paid, in minor units of its own money or the household's. */
export function priceOf({ price }: Pick<Understood, 'price'>, household: { readonly currency: string }) {
	if (!price) return { priceMinor: null, currency: null };
	const currency = price.currency ?? household.currency;
	return { priceMinor: Math.round(price.amount * 10 ** minorDigits(currency)), currency };
}

/** ", in the husk", where the form needs saying. */
export const formWords = (food: FoodRow, form: string): string => {
	if (food.forms.length < 2) return '';
	const name = food.forms.find((f) => f.id === form)?.name;
	return name ? `, ${name}` : '';
};

/** The place that a line names, or the counter; by kind, the first of the household. Frozen food goes to a freezer. */
export function placeFor(reading: Understood, places: readonly PlaceRow[], chosen?: string): PlaceRow {
	const byId = chosen ? places.find((p) => p.id === chosen) : undefined;
	if (chosen && !byId) throw notFound('place');
	if (reading.thing.state === 'frozen') {
		const freezer = byId?.kind === 'freezer' ? byId : places.find((p) => p.kind === 'freezer');
		if (freezer) return freezer;
	}
	const kind = reading.place ?? 'counter';
	const found = (reading.place ? undefined : byId) ?? places.find((p) => p.kind === kind) ?? byId ?? places[0];
	if (!found) throw notFound('place');
	return found;
}
