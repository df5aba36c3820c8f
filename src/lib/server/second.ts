import { eatBy } from './shelves';
import type { Stores } from './stores';
import { lotThing } from './things';

/** A second clock as the rail shows it. */
export interface SecondClock {
	readonly id: string;
	readonly title: string;
	/** By when it is eaten, ms. */
	readonly by: number;
}
/** Nearer than that it runs in the rail; over by more than that it is told on the Shelves. */
const near_ms = 36 * 3_600_000;
const most = 3;

/** What is opened, thawed or cooked, and has not long: those that end first. */
export async function secondClocks(stores: Stores, now: Date): Promise<SecondClock[]> {
	const rows = await stores.stock.second();
	if (rows.length === 0) return [];
	const places = new Map((await stores.home.places()).map((p) => [p.id, p]));
	return rows
		.flatMap((row): SecondClock[] => {
			const place = places.get(row.placeId);
			if (!place) return [];
			const { by, ended } = eatBy(row, place, lotThing(row, place, now), []);
			return ended || Math.abs(by - now.getTime()) > near_ms ? [] : [{ id: row.id, title: row.title, by }];
		})
		.sort((a, b) => a.by - b.by)
		.slice(0, most);
}
