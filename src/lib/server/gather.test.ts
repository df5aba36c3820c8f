import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectLedger } from '../../../tests/laws/book-equals-fold';
import { random } from '../../../tests/laws/random';
import { bringUpToDate, connect } from './db/client';
import { gatheringsOf } from './gather';
import { placeFor, readHaul } from './haul';
import { storesFor } from './stores';
import { householdById, newHousehold, type HouseholdRow } from './stores/households';
import { lotOfThing } from './things';

const start = Date.parse('2026-08-20T08:00:00Z');
const day = 86_400_000;
let link: ReturnType<typeof connect>;
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

async function kitchen(name: string): Promise<HouseholdRow> {
	const id = await newHousehold(link.db, { name, zone: 'UTC', now: new Date(start) });
	const row = await householdById(link.db, id);
	if (!row) throw new Error('no household');
	return row;
}
async function put(home: HouseholdRow, text: string, now: number): Promise<string> {
	const stores = storesFor(link.db, home, new Date(now));
	const reading = await readHaul(stores, text, home, new Date(now));
	if (reading.kind !== 'understood') throw new Error(text);
	const place = placeFor(reading, await stores.home.places());
	const row = {
		...lotOfThing(reading.thing),
		placeId: place.id,
		said: text,
		note: '',
		since: new Date(now),
		grams: reading.grams
	};
	return (await stores.stock.addRaw({ key: randomUUID(), body: { text } }, row, 'test')).lotId;
}

describe('what is gathered', () => {
	it('counts what is there by itself, says when it fills, and goes to work as one lot', async () => {
		const home = await kitchen('Gather');
		const at = (ms: number) => storesFor(link.db, home, new Date(ms));
		await at(start).gather.add(
			{ key: randomUUID(), body: {} },
			{ food: 'tomatoes', target_g: 20_000, words: 'ketchup' }
		);
		const view = async (ms: number) => (await gatheringsOf(at(ms), home, new Date(ms)))[0];
		expect(await view(start)).toMatchObject({ have: '0 g', full: false, lots: [] });
		await put(home, '6 kg tomatoes, frozen', start);
		expect((await view(start))?.forecast).toMatch(/second picking/);
		await put(home, '7 kg tomatoes, frozen', start + 4 * day);
		expect(await view(start + 4 * day)).toMatchObject({ have: '13.0 kg', target: '20.0 kg', warns: false });
		expect((await view(start + 4 * day))?.forecast).toMatch(/6\.5 kg every 4 days/);
		// Another food does not count, nor what is cooked.
		await put(home, '9 kg carrots', start + 5 * day);
		await put(home, '7.2 kg tomatoes, frozen', start + 8 * day);
		const full = await view(start + 8 * day);
		expect(full).toMatchObject({ have: '20.2 kg', full: true });
		const key = randomUUID();
		const { lots } = await at(start + 9 * day).gather.takeAll(key, full?.id ?? '', 'test');
		expect(lots).toHaveLength(1);
		// Sent twice it is done once.
		expect(await at(start + 9 * day).gather.takeAll(key, full?.id ?? '', 'test')).toEqual({ lots });
		const basket = await at(start + 9 * day).stock.basket();
		expect(basket.find((b) => b.lot.id === lots[0])?.grams).toBe(20_200);
		expect(await view(start + 9 * day)).toBeUndefined();
		await expectLedger(link, home.id, 'gathered');
	});
	it('warns where the oldest will not wait: freeze that part, or make what it is enough for', async () => {
		const home = await kitchen('Fresh');
		const at = (ms: number) => storesFor(link.db, home, new Date(ms));
		await at(start).gather.add({ key: randomUUID(), body: {} }, { food: 'strawberries', target_g: 8000, words: '' });
		await put(home, '1.5 kg strawberries', start);
		await put(home, '1.4 kg strawberries', start + day);
		const [one] = await gatheringsOf(at(start + day), home, new Date(start + day));
		expect(one).toMatchObject({ warns: true });
		expect(one?.deadline).toMatch(/cannot wait: .* freeze that part now/);
		expect(one?.deadline).toMatch(/begin with what is there: \d sets? of /);
	});
	it('keeps every gram over random pickings, runs, takings and givings up', async () => {
		for (let i = 0; i < 40; i++) {
			const r = random(9000 + i);
			const home = await kitchen(`Law ${i}`);
			let now = start;
			const stores = () => storesFor(link.db, home, new Date(now));
			for (let step = 0; step < 14; step++) {
				now += r.below(2 * day);
				const open = await stores().gather.open();
				const what = r.next();
				try {
					if (what < 0.2)
						await stores().gather.add(
							{ key: randomUUID(), body: { step } },
							{ food: r.pick(['tomatoes', 'plums']), target_g: 1000 + r.below(20_000), words: '' }
						);
					else if (what < 0.65)
						await put(home, `${1 + r.below(5)} kg ${r.pick(['tomatoes', 'tomatoes, frozen', 'plums'])}`, now);
					else if (what < 0.85 && open.length > 0) await stores().gather.takeAll(randomUUID(), r.pick(open).id, 'law');
					else if (open.length > 0) await stores().gather.end(randomUUID(), r.pick(open).id);
				} catch (error) {
					expect(error, `history ${i}`).toMatchObject({
						code: expect.stringMatching(/NOTHING_LEFT|NOT_FOUND|NOT_SOUND/) as string
					});
				}
				for (const g of await gatheringsOf(stores(), home, new Date(now))) expect(g.share).toBeLessThanOrEqual(1);
			}
			await expectLedger(link, home.id, `history ${i}`);
		}
	});
});
