import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { intoBasket } from './basket.fixture';
import { bringUpToDate, connect } from './db/client';
import { offerView } from './offer';
import { storesFor } from './stores';
import { householdById, newHousehold, type HouseholdRow } from './stores/households';

let link: ReturnType<typeof connect>;
const now = new Date('2026-09-10T08:00:00Z');
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

async function household(name: string): Promise<HouseholdRow> {
	const home = await householdById(link.db, await newHousehold(link.db, { name, zone: 'UTC', now }));
	if (!home) throw new Error('no household');
	return home;
}
const bought = (home: HouseholdRow, text: string) => intoBasket(storesFor(link.db, home, now), home, text, now);
const asked = (home: HouseholdRow, text: string) => offerView(storesFor(link.db, home, now), home, text, now);

describe('what is offered', () => {
	it('is read as a line of the Basket, with its ways and its price, and nothing of it is kept', async () => {
		const home = await household('offer');
		await bought(home, '10 kg plums at 1.20');
		await bought(home, '5 kg plums for 4.00');
		await bought(home, '5 kg plums');
		await bought(home, '3 kg pears at 9.00');
		const view = await asked(home, '20 kg plums at 0.90');
		expect(view.lot?.grams).toBe(20_000);
		expect(view.lot?.ways.length).toBeGreaterThan(1);
		expect(view.price).toMatchObject({ all: 1800, perKg: 90 });
		// 1.20 and 0.80 a kilo were paid: the middle is 1.00.
		expect(view.price?.judged.against).toMatchObject({ usual: 100, least: 80, most: 120, times: 2, word: 'as usual' });
		expect(await storesFor(link.db, home, now).stock.basket()).toHaveLength(4);
	});

	it('asks and refuses as the Basket does, and compares no other money', async () => {
		const home = await household('offer asked');
		expect((await asked(home, '')).echo).toBeNull();
		expect((await asked(home, 'some plums at 0.90')).echo?.kind).not.toBe('understood');
		expect((await asked(home, '20 kg moonstones')).echo?.kind).toBe('unclear');
		const other = home.currency === 'USD' ? '£0.90' : '$0.90';
		const foreign = await asked(home, `20 kg plums at ${other}`);
		expect(foreign.price).toBeNull();
		expect(foreign.foreign).toBe(home.currency === 'USD' ? 'GBP' : 'USD');
	});

	it('has no way where nothing becomes of it', async () => {
		const home = await household('offer stopped');
		const view = await asked(home, '2 kg chanterelles, wild');
		expect(view.lot).toBeNull();
		expect(view.stop ?? view.echo?.words).toBeTruthy();
	});
});
