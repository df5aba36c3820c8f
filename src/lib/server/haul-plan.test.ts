import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { intoBasket } from './basket.fixture';
import { bringUpToDate, connect } from './db/client';
import { planView } from './haul-plan';
import { basketStamp, haulView, takePlan } from './share-haul';
import { storesFor, type Stores } from './stores';
import { householdById, newHousehold, type HouseholdRow } from './stores/households';
import { startWay } from './ways/do';

let link: ReturnType<typeof connect>;
const now = new Date('2026-09-10T08:00:00Z');
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

async function kitchen(
	name: string,
	...lines: string[]
): Promise<{ home: HouseholdRow; stores: Stores; lots: string[] }> {
	const home = await householdById(link.db, await newHousehold(link.db, { name, zone: 'UTC', now }));
	if (!home) throw new Error('no household');
	const stores = storesFor(link.db, home, now);
	const lots: string[] = [];
	for (const text of lines) lots.push(await intoBasket(stores, home, text, now));
	return { home, stores, lots };
}
const at = { now, zone: 'UTC' };
const part = (way: string, ...days: [day: number, grams: number][]) => ({
	way,
	grams: days.reduce((sum, [, g]) => sum + g, 0),
	days: days.map(([day, grams]) => ({ day, grams }))
});

describe('a plan that was taken', () => {
	it('stands by day, shrinks by what is begun, its earliest days first, and leaves the rest as it was', async () => {
		const { home, stores, lots } = await kitchen('plan', '6 kg green beans', '2 kg raspberries', '3 kg carrots');
		const [beans = '', berries = '', carrots = ''] = lots;
		const plan = [
			{ lot: beans, shares: [part('raw', [0, 1500], [1, 2500])] },
			{ lot: berries, shares: [part('raw', [0, 1200])] },
			{ lot: carrots, shares: [] }
		];
		await takePlan(stores, randomUUID(), plan, at);
		const view = await planView(stores, home, now);
		expect(view.days.map((d) => [d.on, d.steps.map((s) => [s.lot, s.grams])])).toEqual([
			[
				'2026-09-10',
				expect.arrayContaining([
					['green beans', 1500],
					['raspberries', 1200]
				])
			],
			['2026-09-11', [['green beans', 2500]]]
		]);
		expect(view.rest.map((r) => [r.lot, r.grams]).sort()).toEqual([
			['carrots', 3000],
			['green beans', 2000],
			['raspberries', 800]
		]);
		const step = view.days[0]?.steps.find((s) => s.lotId === beans);
		const said = { ...step?.says };
		await startWay(stores, { key: randomUUID(), body: said }, beans, { way: 'raw', said }, now);
		const then = await planView(stores, home, now);
		expect(then.days.map((d) => d.steps.map((s) => [s.lot, s.grams]))).toEqual([
			[['raspberries', 1200]],
			[['green beans', 2500]]
		]);
		// A day later what was for today is late, and still there.
		const late = await planView(stores, home, new Date(now.getTime() + 86_400_000));
		expect(late.days[0]?.steps.map((s) => s.late)).toEqual([true]);
		await stores.choices.dropPlan(randomUUID());
		expect((await planView(stores, home, now)).days).toEqual([]);
		expect(await stores.stock.basket()).toHaveLength(3);
	});

	it('leads into a store and into the crock on pages of their own, whose start shrinks it', async () => {
		const { home, stores, lots } = await kitchen('plan apart', '10 kg cabbage');
		const [cabbage = ''] = lots;
		await stores.home.addPlace(randomUUID(), { name: 'Earth cellar', kind: 'cellar', tempC: 1, litres: 60 });
		const ways = (await haulView(stores, now)).lots[0]?.apart ?? [];
		expect(ways.map((w) => [w.slug, w.name])).toEqual([
			['store', 'Into store: Earth cellar'],
			['crock', 'Into the crock']
		]);
		// A fridge suits carrots, and is no room for a haul of them.
		expect(ways.every((w) => !w.name.includes('Fridge'))).toBe(true);
		expect(ways[0]?.room?.litres).toBeGreaterThan(10);
		await takePlan(
			stores,
			randomUUID(),
			[{ lot: cabbage, shares: [part('store', [0, 6000]), part('crock', [1, 3000])] }],
			at
		);
		const view = await planView(stores, home, now);
		const steps = view.days.flatMap((d) => d.steps);
		expect(steps.map((s) => [s.slug, s.grams, s.packs, s.each])).toEqual([
			['store', 6000, 2, 'crate'],
			['crock', 3000, expect.any(Number), 'quart']
		]);
		expect(steps.map((s) => s.start)).toMatchObject([
			{ kind: 'page', href: `/stove/store?lot=${cabbage}&grams=6000` },
			{ kind: 'page', href: `/stove/ferment?lot=${cabbage}&grams=3000` }
		]);
		await stores.choices.begun(cabbage, 'store', 6000);
		expect((await planView(stores, home, now)).days.flatMap((d) => d.steps.map((s) => s.slug))).toEqual(['crock']);
	});

	it('counts as wanted what the household says that it eats, and works it out again when it says nothing', async () => {
		const { stores } = await kitchen('plan wants', '6 kg green beans');
		const before = (await haulView(stores, now)).wants[0];
		expect(before).toMatchObject({ food: 'green-beans', perWeek: null });
		await stores.wants.set(randomUUID(), [{ food: 'green-beans', perWeek: 10, helpingG: 150 }]);
		const said = await haulView(stores, now);
		// Ten helpings of 150 g a week are 78.3 kg in 52.18 weeks, and what is trimmed off comes on top.
		expect(said.wants[0]).toMatchObject({ perWeek: 10 });
		expect(said.wants[0]?.year_kg).toBeGreaterThan(78.2);
		expect(said.lots[0]?.want_kg).toBe(said.wants[0]?.year_kg);
		await stores.wants.set(randomUUID(), [{ food: 'green-beans', perWeek: 0, helpingG: 150 }]);
		expect((await haulView(stores, now)).wants[0]).toEqual(before);
	});

	it('is taken whole or not at all', async () => {
		const { home, stores, lots } = await kitchen('plan refused', '6 kg green beans', '2 kg raspberries');
		const [beans = '', berries = ''] = lots;
		const good = { lot: beans, shares: [part('raw', [0, 1500])] };
		const bad = { lot: berries, shares: [part('julienne', [0, 500])] };
		await expect(takePlan(stores, randomUUID(), [good, bad], at)).rejects.toMatchObject({ status: 400 });
		const none = { lot: randomUUID(), shares: [part('raw', [0, 500])] };
		await expect(takePlan(stores, randomUUID(), [good, none], at)).rejects.toMatchObject({ status: 404 });
		expect((await planView(stores, home, now)).days).toEqual([]);
		// One plan follows another: nothing of the first is left.
		await takePlan(stores, randomUUID(), [good], at);
		await takePlan(stores, randomUUID(), [{ lot: beans, shares: [part('blanch', [2, 900])] }], at);
		const view = await planView(stores, home, now);
		expect(view.days.map((d) => [d.on, d.steps.map((s) => s.slug)])).toEqual([['2026-09-12', ['blanch']]]);
		// There is no pot in this kitchen: the step stays, with the reason, and has no Start.
		expect(view.days[0]?.steps[0]?.start.kind).toBe('no');
	});

	it('is of another basket as soon as anything in it is other', async () => {
		const { home, stores, lots } = await kitchen('plan stamp', '6 kg green beans');
		const before = await basketStamp(stores);
		expect(await basketStamp(stores)).toBe(before);
		await startWay(
			stores,
			{ key: randomUUID(), body: {} },
			lots[0] ?? '',
			{ way: 'raw', said: { grams: '1000' } },
			now
		);
		expect(await basketStamp(storesFor(link.db, home, now))).not.toBe(before);
	});
});
