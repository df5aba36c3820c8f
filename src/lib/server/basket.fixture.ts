import { randomUUID } from 'node:crypto';
import { placeFor, priceOf, readHaul } from './haul';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';
import { lotOfThing } from './things';

/** Puts a line into the Basket as the page does, with what it says was paid. @returns its lot @throws {Error} a line that is asked about */
export async function intoBasket(stores: Stores, home: HouseholdRow, text: string, now: Date): Promise<string> {
	const reading = await readHaul(stores, text, home, now);
	if (reading.kind !== 'understood') throw new Error(text);
	const place = placeFor(reading, await stores.home.places());
	const lot = {
		...lotOfThing(reading.thing),
		...priceOf(reading, home),
		placeId: place.id,
		said: text,
		note: '',
		since: now,
		grams: reading.grams
	};
	return (await stores.stock.addRaw({ key: randomUUID(), body: { text } }, lot, 'test')).lotId;
}
