import { randomUUID } from 'node:crypto';
import { and, eq, sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { packsOfGrams } from '$core/stock/amount';
import { expectFoodDays } from '../../../../tests/laws/food-days';
import { foldStock } from '$core/stock/fold';
import { foodById } from '$core/things/names';
import { plain } from '$core/things/thing';
import { freezeWays, type FreezeWay } from '$core/ways/freeze-ways';
import type { RunEvent, Tap } from '$core/runs/kinds';
import type { FreezePlan } from '$core/runs/kinds/freeze/plan';
import { planFreeze } from '$core/runs/kinds/freeze/make';
import { loadDemo } from '$demo/load';
import { bringUpToDate, connect } from '../db/client';
import { batch, container, household, lot, lotBalance, movement, place, run, runEvent } from '../db/schema';
import { AppError } from '../errors';
import { storesFor } from '.';
import {
	becomeDefault,
	defaultHousehold,
	householdById,
	householdWithRuns,
	newHousehold,
	type HouseholdRow
} from './households';
import { makeLot, post } from './stock';

const now = new Date('2026-08-25T08:00:00Z');
let link: ReturnType<typeof connect>;

beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 12);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

async function home(): Promise<HouseholdRow> {
	const id = await loadDemo(link.db, now, randomUUID());
	const row = await householdById(link.db, id);
	if (!row || row.id !== id) throw new Error('no household');
	return row;
}
const stores = (h: HouseholdRow, at = now) => storesFor(link.db, h, at);

/** Balances against the sum of the movements, lot by lot. */
async function audit(householdId: string): Promise<number> {
	const lots = await link.db.select().from(lotBalance).where(eq(lotBalance.householdId, householdId));
	for (const balance of lots) {
		const rows = await link.db
			.select()
			.from(movement)
			.where(eq(movement.lotId, balance.lotId))
			.orderBy(movement.recordedAt, movement.id);
		const sum = rows.reduce((s, r) => s + r.amount, 0);
		expect(balance.amount).toBe(sum);
		expect(balance.amount).toBeGreaterThanOrEqual(0);
	}
	return lots.length;
}

/** Of five hundred actions each; `npm run siege` asks for more. */
const sequences = Number(process.env.SIEGE_SEQUENCES ?? 6);

/** A small seeded generator: the same sequences at every run. */
function random(seed: number): () => number {
	let s = seed >>> 0;
	return () => {
		s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
		return s / 2 ** 32;
	};
}

describe('the stock under many hands', () => {
	it.each(Array.from({ length: sequences }, (_, i) => i + 1))(
		'sequence %i: 500 random actions with undo, four clients at once: never negative, balance equals ledger',
		async (seed) => {
			const id = await newHousehold(link.db, { name: `stock ${seed}`, zone: 'UTC', now });
			const h = await householdById(link.db, id);
			if (!h) throw new Error('no household');
			const freezers = [randomUUID(), randomUUID()];
			for (const [i, placeId] of freezers.entries()) {
				await link.db.insert(place).values({
					id: placeId,
					householdId: id,
					name: `F${i}`,
					kind: 'freezer',
					tempC: -18,
					litres: 100,
					position: 9 + i
				});
			}
			const lots: string[] = [];
			await link.db.transaction(async (tx) => {
				for (let i = 0; i < 5; i++) {
					const lotId = await makeLot(
						tx,
						id,
						{
							...packsOfGrams(300),
							state: 'frozen',
							food: 'peas',
							form: 'shelled',
							placeId: freezers[0] as string,
							condition: 'firm',
							said: '',
							note: '',
							title: 'peas',
							since: now
						},
						now
					);
					await post(tx, id, randomUUID(), [{ lotId, kind: 'put', amount: 12 }], { now, by: 'test' });
					lots.push(lotId);
				}
			});
			const groups: string[] = [];
			let refused = 0;
			const client = async (n: number) => {
				const next = random(seed * 100 + n);
				const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T;
				const { stock } = stores(h);
				for (let i = 0; i < 125; i++) {
					const what = next();
					try {
						if (what < 0.3 && groups.length > 0) await stock.undo(randomUUID(), pick(groups), 'test');
						else if (what < 0.4) {
							const { groupId } = await stock.act(
								randomUUID(),
								{ lotId: pick(lots), kind: 'count', unit: 'pack', amount: Math.floor(next() * 15) },
								'test'
							);
							groups.push(groupId);
						} else if (what < 0.5) {
							const { groupId } = await stock.act(
								randomUUID(),
								{
									lotId: pick(lots),
									kind: 'move',
									unit: 'pack',
									amount: 1 + Math.floor(next() * 4),
									placeId: pick(freezers)
								},
								'test'
							);
							groups.push(groupId);
						} else {
							const kind = pick(['take', 'give', 'spoil'] as const);
							const { groupId } = await stock.act(
								randomUUID(),
								{ lotId: pick(lots), kind, unit: 'pack', amount: 1 + Math.floor(next() * 5) },
								'test'
							);
							groups.push(groupId);
						}
					} catch (error) {
						// Only what the rules forbid may fail; anything else is a fault.
						if (!(error instanceof AppError) || ![404, 409].includes(error.status)) throw error;
						refused++;
					}
				}
			};
			await Promise.all([1, 2, 3, 4].map(client));
			expect(groups.length).toBeGreaterThan(50);
			expect(refused).toBeGreaterThan(0);
			expect(await audit(id)).toBeGreaterThanOrEqual(5);
			await expectFoodDays(link.db, id, `sequence ${seed}`);
		}
	);

	it('folds in the core to what the database holds', async () => {
		const h = await home();
		const [shelf] = await stores(h).stock.shelves();
		const rows = await link.db
			.select()
			.from(movement)
			.where(eq(movement.lotId, shelf?.id ?? ''))
			.orderBy(movement.recordedAt);
		expect(foldStock(rows.map((r) => ({ ...r, reverses: r.reversesId })))).toBe(shelf?.amount);
	});

	it('does the same request once, however often and however close together it comes', async () => {
		const h = await home();
		const [shelf] = await stores(h).stock.shelves();
		const key = randomUUID();
		const answers = await Promise.all(
			Array.from({ length: 6 }, () =>
				stores(h).stock.act(key, { lotId: shelf?.id ?? '', kind: 'take', unit: 'pack', amount: 1 }, 'test')
			)
		);
		expect(new Set(answers.map((a) => a.groupId)).size).toBe(1);
		expect((await stores(h).stock.shelves()).find((s) => s.id === shelf?.id)?.amount).toBe((shelf?.amount ?? 0) - 1);
	});

	it('writes nothing when a step fails in the middle', async () => {
		const h = await home();
		const [shelf] = await stores(h).stock.shelves();
		const before = await audit(h.id);
		await expect(
			stores(h).stock.act(
				randomUUID(),
				{
					lotId: shelf?.id ?? '',
					kind: 'move',
					unit: 'pack',
					amount: 999,
					placeId:
						(await stores(h).home.places()).find((p) => p.kind === 'freezer' && p.id !== shelf?.placeId)?.id ?? ''
				},
				'test'
			)
		).rejects.toMatchObject({ code: 'NOT_ENOUGH' });
		expect(await audit(h.id)).toBe(before);
	});

	it('answers another household’s lot with 404 and leaves it alone', async () => {
		const [a, b] = [await home(), await home()];
		const [shelf] = await stores(a).stock.shelves();
		await expect(
			stores(b).stock.act(randomUUID(), { lotId: shelf?.id ?? '', kind: 'take', unit: 'pack', amount: 1 }, 'test')
		).rejects.toMatchObject({ status: 404 });
		expect((await stores(a).stock.shelves())[0]?.amount).toBe(shelf?.amount);
	});

	it('is kept by the database itself from falling below nothing', async () => {
		const h = await home();
		const [shelf] = await stores(h).stock.shelves();
		await expect(
			link.db
				.update(lotBalance)
				.set({ amount: -1 })
				.where(eq(lotBalance.lotId, shelf?.id ?? ''))
		).rejects.toMatchObject({ cause: { code: '23514' } });
	});
});

async function rawRun(
	h: HouseholdRow
): Promise<{ plan: FreezePlan; lotId: string; freezerId: string; containerId: string }> {
	const s = stores(h);
	const kitchen = await s.home.kitchen();
	const item = (await s.stock.basket()).find((l) => l.lot.food === 'runner-beans');
	const food = foodById('runner-beans');
	if (!item || !food) throw new Error('no beans');
	const way = freezeWays({
		thing: plain(food),
		grams: item.grams,
		food_C: 4,
		kitchen,
		choices: {},
		now: now.getTime()
	}).ways.find((w): w is FreezeWay => w.kind === 'way');
	if (!way) throw new Error('no way');
	const freezerId = (await s.home.places()).find((p) => p.kind === 'freezer')?.id ?? '';
	const containerId = (await s.home.containers())[1]?.id ?? '';
	return {
		plan: planFreeze([{ way, lotId: item.lot.id, called: 'runner beans', form: 'whole', raw_g: item.grams }], kitchen),
		lotId: item.lot.id,
		freezerId,
		containerId
	};
}
const ev = (seconds: number, tap: Tap): RunEvent =>
	({ ...tap, id: randomUUID(), at: now.getTime() + seconds * 1000 }) as RunEvent;
const ask = () => ({ key: randomUUID(), body: 'start' });
const later = (h: HouseholdRow) => stores(h, new Date(now.getTime() + 4 * 3_600_000));

describe('a run in the store', () => {
	it('closes into the book in one go: raw used up, packs on the shelf, bags out of the drawer; undo opens it again', async () => {
		const h = await home();
		const { plan, lotId, freezerId, containerId } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		const bags = (await stores(h).home.containers()).find((c) => c.id === containerId)?.count ?? 0;
		const finish = ev(9000, { type: 'finish' });
		const view = await later(h).runs.append(
			id,
			[
				ev(60, { type: 'heat-on' }),
				ev(8000, { type: 'pack', packs: 14, pack_g: 500, containerId, placeId: freezerId }),
				finish
			],
			'test'
		);
		expect(view.status).toBe('finished');
		const entry = await later(h).batches.byCode(view.entries[0]?.code ?? '');
		expect(entry.closing).toMatchObject({ packs: 14, packed_g: 7000, raw_g: plan.subjects[0]?.raw_g ?? 0 });
		expect(entry.keepsUntil).toBe('2027-08-25');
		expect((await later(h).stock.basket()).some((l) => l.lot.id === lotId)).toBe(false);
		expect((await later(h).stock.shelves()).some((l) => l.code === view.entries[0]?.code && l.amount === 14)).toBe(
			true
		);
		expect((await later(h).home.containers()).find((c) => c.id === containerId)?.count).toBe(bags - 14);
		await audit(h.id);
		const again = await later(h).runs.append(id, [ev(9100, { type: 'undo', target: finish.id })], 'test');
		expect(again.status).toBe('open');
		// Read with its household, as every page does, it is the same open run.
		const found = await householdWithRuns(link.db, h.id);
		expect(found?.household).toEqual(await householdById(link.db, h.id));
		expect(found?.open).toEqual([[id, again.seq]]);
		expect(await storesFor(link.db, h, now, found).runs.heads()).toEqual(await later(h).runs.heads());
		expect((await later(h).runs.heads()).map((head) => head.id)).toEqual([id]);
		expect((await later(h).stock.basket()).find((l) => l.lot.id === lotId)?.grams).toBe(plan.subjects[0]?.raw_g ?? 0);
		expect((await later(h).stock.shelves()).some((l) => l.code === view.entries[0]?.code)).toBe(false);
		expect((await later(h).home.containers()).find((c) => c.id === containerId)?.count).toBe(bags);
		const closedAgain = await later(h).runs.append(id, [ev(9200, { type: 'finish' })], 'test');
		expect(closedAgain.entries[0]?.code).toBe(view.entries[0]?.code);
		await audit(h.id);
	});
	it('takes a tap that is sent twice, and from two devices at once, once', async () => {
		const h = await home();
		const { plan } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		const tap = ev(60, { type: 'heat-on' });
		await Promise.all([1, 2, 3, 4].map(() => later(h).runs.append(id, [tap], 'test')));
		expect((await later(h).runs.get(id)).events).toHaveLength(1);
	});
	it('closes once when two devices close it at the same time', async () => {
		const h = await home();
		const { plan, freezerId } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		await later(h).runs.append(
			id,
			[ev(100, { type: 'pack', packs: 2, pack_g: 500, containerId: null, placeId: freezerId })],
			'test'
		);
		await Promise.all([1, 2, 3].map(() => later(h).runs.append(id, [ev(200, { type: 'finish' })], 'test')));
		const entries = await link.db
			.select()
			.from(batch)
			.where(and(eq(batch.householdId, h.id), eq(batch.runId, id)));
		expect(entries).toHaveLength(1);
		await audit(h.id);
	});
	it('asks about packs that cannot be, keeps the rest, and closes all the same', async () => {
		const h = await home();
		const { plan, lotId, freezerId } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		const pack = ev(100, { type: 'pack', packs: 400, pack_g: 500, containerId: null, placeId: freezerId });
		await expect(later(h).runs.append(id, [pack], 'test')).rejects.toMatchObject({ code: 'SURPRISE' });
		const seen = await later(h).runs.append(id, [pack, ev(200, { type: 'finish' })], 'test');
		expect(seen.refused).toMatchObject([{ id: pack.id, code: 'SURPRISE' }]);
		expect(seen.status).toBe('finished');
		expect(await later(h).stock.basket()).not.toContainEqual(expect.objectContaining({ lot: { id: lotId } }));
		// Said again that it is so, it is booked, late as it is.
		const sure = await later(h).runs.append(id, [{ ...pack, id: randomUUID(), sure: true }], 'test');
		expect((await later(h).stock.shelves()).find((l) => l.code === sure.entries[0]?.code)?.amount).toBe(400);
		await audit(h.id);
	});
	it('does not put frozen packs where it is warm', async () => {
		const h = await home();
		const { plan } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		const pantry = (await stores(h).home.places()).find((p) => p.kind === 'pantry')?.id ?? '';
		await expect(
			later(h).runs.append(
				id,
				[ev(100, { type: 'pack', packs: 1, pack_g: 500, containerId: null, placeId: pantry })],
				'test'
			)
		).rejects.toMatchObject({ code: 'NOT_A_FREEZER', status: 422 });
	});
	it('opens again though a pack was eaten: that one is a difference, and goes when it is closed with it again', async () => {
		const h = await home();
		const { plan, freezerId } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		const finish = ev(9000, { type: 'finish' });
		const pack = ev(8000, { type: 'pack', packs: 4, pack_g: 500, containerId: null, placeId: freezerId });
		const view = await later(h).runs.append(id, [pack, finish], 'test');
		const made = (await later(h).stock.shelves()).find((l) => l.code === view.entries[0]?.code);
		await later(h).stock.act(randomUUID(), { lotId: made?.id ?? '', kind: 'take', unit: 'pack', amount: 1 }, 'test');
		const open = await later(h).runs.append(id, [ev(9100, { type: 'undo', target: finish.id })], 'test');
		expect(open.status).toBe('open');
		expect(open.differences).toMatchObject([{ unit: 'packs', amount: 1 }]);
		expect((await later(h).stock.shelves()).some((l) => l.id === made?.id)).toBe(false);
		const again = await later(h).runs.append(id, [ev(9200, { type: 'finish' })], 'test');
		expect(again.differences).toEqual([]);
		expect((await later(h).stock.shelves()).find((l) => l.id === made?.id)?.amount).toBe(3);
		// Packed never, but eaten: told, and settled by a person.
		const never = await later(h).runs.append(id, [ev(9300, { type: 'undo', target: pack.id })], 'test');
		expect(never.differences).toMatchObject([{ unit: 'packs', amount: 1 }]);
		expect(await later(h).runs.settle(randomUUID(), id, 'keep', 'test')).toEqual({ left: 0 });
		expect((await later(h).runs.get(id)).differences).toEqual([]);
		await audit(h.id);
	});
	it('books a pack that was tapped without a connection and arrives after the run was closed elsewhere', async () => {
		const h = await home();
		const { plan, freezerId } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		await later(h).runs.append(id, [{ ...ev(7500, { type: 'finish' }), device: 'laptop', n: 1 }], 'test');
		const late = Array.from({ length: 8 }, (_, i) => ({
			...ev(7200, { type: 'pack', packs: 1, pack_g: 500, containerId: null, placeId: freezerId }),
			device: `phone-${i}`,
			n: 1
		}));
		const answers = await Promise.all(late.map((e) => later(h).runs.append(id, [e], 'test')));
		expect(answers.every((a) => a.status === 'finished' && a.refused.length === 0)).toBe(true);
		const code = answers[0]?.entries[0]?.code;
		expect((await later(h).stock.shelves()).filter((l) => l.code === code)).toHaveLength(8);
		expect((await later(h).batches.byCode(code ?? '')).closing.packs).toBe(8);
	});
	it('dates a run that was closed without a connection by the day on which it was done', async () => {
		const h = await home();
		const { plan, freezerId } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		// 23:50 in the household, sent the next morning.
		const tenToMidnight = (Date.parse('2026-08-25T23:50:00+02:00') - now.getTime()) / 1000;
		const view = await stores(h, new Date('2026-08-26T07:00:00Z')).runs.append(
			id,
			[
				ev(tenToMidnight - 60, { type: 'pack', packs: 2, pack_g: 500, containerId: null, placeId: freezerId }),
				ev(tenToMidnight, { type: 'finish' })
			],
			'test'
		);
		expect((await later(h).batches.byCode(view.entries[0]?.code ?? '')).packedOn).toBe('2026-08-25');
	});
	it('takes what was packed into a place that was removed meanwhile, and brings the place back', async () => {
		const h = await home();
		const { plan, containerId } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		await stores(h).home.addPlace(randomUUID(), { name: 'Barn freezer', kind: 'freezer', tempC: -20, litres: 90 });
		const barn = (await stores(h).home.places()).find((p) => p.name === 'Barn freezer')?.id ?? '';
		await stores(h).home.remove(randomUUID(), 'place', barn);
		await stores(h).home.remove(randomUUID(), 'container', containerId);
		const view = await later(h).runs.append(
			id,
			[ev(100, { type: 'pack', packs: 2, pack_g: 500, containerId, placeId: barn }), ev(200, { type: 'finish' })],
			'test'
		);
		expect(view.told.join()).toMatch(/Barn freezer had been removed meanwhile/);
		expect((await later(h).home.places()).some((p) => p.id === barn)).toBe(true);
		expect((await later(h).stock.shelves()).some((l) => l.placeId === barn && l.amount === 2)).toBe(true);
	});
	it('gives the drawer back no more than it gave', async () => {
		const h = await home();
		const { plan, freezerId, containerId } = await rawRun(h);
		await stores(h).home.setContainerCount(randomUUID(), containerId, 10);
		const { id } = await stores(h).runs.start(ask(), plan);
		const finish = ev(200, { type: 'finish' });
		await later(h).runs.append(
			id,
			[ev(100, { type: 'pack', packs: 14, pack_g: 500, containerId, placeId: freezerId }), finish],
			'test'
		);
		await later(h).runs.append(id, [ev(300, { type: 'undo', target: finish.id })], 'test');
		expect((await later(h).home.containers()).find((c) => c.id === containerId)?.count).toBe(10);
	});
	it('closes two runs whose bags stand crosswise, again and again, without a fault', async () => {
		const h = await home();
		const { plan, freezerId } = await rawRun(h);
		const bags = (await stores(h).home.containers()).slice(0, 2).map((c) => c.id);
		for (let round = 0; round < 12; round++) {
			const halves = await Promise.all(
				[0, 1].map(() =>
					stores(h).runs.start(ask(), {
						...plan,
						subjects: plan.subjects.map((s) => ({ ...s, raw_g: 200, load_g: 1000, prepared_g: 1000 }))
					})
				)
			);
			await Promise.all(
				halves.map(({ id }, i) =>
					later(h).runs.append(
						id,
						[
							...(i === 0 ? bags : [...bags].reverse()).map((containerId) =>
								ev(100, { type: 'pack', packs: 1, pack_g: 500, containerId, placeId: freezerId })
							),
							ev(200, { type: 'finish' })
						],
						'test'
					)
				)
			);
		}
		await audit(h.id);
	});
	it('keeps a tap of one id in one run, though two runs are sent it in the same moment', async () => {
		for (let round = 0; round < 6; round++) {
			const h = await home();
			const { plan } = await rawRun(h);
			const halves = await Promise.all(
				[0, 1].map(() =>
					stores(h).runs.start(ask(), { ...plan, subjects: plan.subjects.map((s) => ({ ...s, raw_g: 200 })) })
				)
			);
			const tap = ev(60, { type: 'heat-on' });
			const both = await Promise.allSettled(halves.map(({ id }) => later(h).runs.append(id, [tap], 'test')));
			const views = await Promise.all(halves.map(({ id }) => later(h).runs.get(id)));
			expect(views.reduce((n, v) => n + v.events.length, 0)).toBe(1);
			for (const one of both) if (one.status === 'rejected') expect(one.reason).toMatchObject({ code: 'KEY_REUSED' });
		}
	});
	it('says that a tap with a known id and another body is another tap', async () => {
		const h = await home();
		const { plan } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		const tap = ev(60, { type: 'heat-on' });
		await later(h).runs.append(id, [tap], 'test');
		await expect(later(h).runs.append(id, [{ ...tap, type: 'boiling' } as RunEvent], 'test')).rejects.toMatchObject({
			code: 'KEY_REUSED'
		});
	});
	it('starts one run for a lot, not two', async () => {
		const h = await home();
		const { plan } = await rawRun(h);
		const key = randomUUID();
		const [a, b] = await Promise.all([
			stores(h).runs.start({ key, body: 'one' }, plan),
			stores(h).runs.start({ key, body: 'one' }, plan)
		]);
		expect(a.id).toBe(b.id);
		await expect(stores(h).runs.start(ask(), plan)).rejects.toMatchObject({ code: 'SPOKEN_FOR' });
	});
	it('takes taps of clocks that jump: ahead by an hour at the start, back by forty minutes in the middle', async () => {
		const h = await home();
		const { plan, freezerId } = await rawRun(h);
		// The server stood an hour ahead when the run began; then its clock was put right.
		const { id } = await stores(h, new Date(now.getTime() + 3_600_000)).runs.start(ask(), plan);
		const put = (seconds: number, tap: Tap, n: number): RunEvent => ({ ...ev(seconds, tap), device: 'phone', n });
		await stores(h, new Date(now.getTime() + 60_000)).runs.append(id, [put(50, { type: 'heat-on' }, 1)], 'test');
		const pack = put(1800, { type: 'pack', packs: 2, pack_g: 500, containerId: null, placeId: freezerId }, 2);
		await stores(h, new Date(now.getTime() + 1_800_000)).runs.append(id, [pack], 'test');
		// Back by forty minutes: the end is said at a time before the packs.
		const back = stores(h, new Date(now.getTime() - 600_000));
		const view = await back.runs.append(id, [put(-600, { type: 'finish' }, 3)], 'test');
		expect(view.status).toBe('finished');
		expect((await later(h).batches.byCode(view.entries[0]?.code ?? '')).closing).toMatchObject({ packs: 2 });
	});
	it('corrects a device whose clock is wrong by what it says at the sending', async () => {
		const h = await home();
		const { plan } = await rawRun(h);
		const { id } = await stores(h).runs.start(ask(), plan);
		const at = new Date(now.getTime() + 600_000);
		// The phone is two hours ahead: it tapped a minute before it sends.
		const tap = ev(7200 + 540, { type: 'heat-on' });
		const view = await stores(h, at).runs.append(id, [tap], 'test', at.getTime() + 7_200_000);
		expect(view.events[0]?.at).toBe(now.getTime() + 540_000);
	});
	it('keeps what is at the stove for the stove, under the lock: take-all against start, undo of a put, the Shelves', async () => {
		for (let round = 0; round < 8; round++) {
			const h = await home();
			const { plan, lotId } = await rawRun(h);
			const both = await Promise.allSettled([
				stores(h).runs.start(ask(), plan),
				stores(h).stock.act(
					randomUUID(),
					{ lotId, kind: 'take', unit: 'dg', amount: plan.subjects[0]?.raw_g ?? 0 },
					'test'
				)
			]);
			expect(both.filter((b) => b.status === 'fulfilled')).toHaveLength(1);
		}
		const h = await home();
		const { plan, lotId } = await rawRun(h);
		await stores(h).runs.start(ask(), plan);
		const [put] = await link.db.select().from(movement).where(eq(movement.lotId, lotId));
		await expect(stores(h).stock.undo(randomUUID(), put?.groupId ?? '', 'test')).rejects.toMatchObject({
			code: expect.stringMatching(/AT_THE_STOVE|USED_SINCE/) as string
		});
		const [shelf] = await stores(h).stock.shelves();
		const three = { lotId: shelf?.id ?? '', kind: 'take', unit: 'dg', amount: 3 } as const;
		await expect(stores(h).stock.act(randomUUID(), three, 'test')).rejects.toMatchObject({ code: 'WRONG_UNIT' });
	});
	it('tells a key that comes again with another body', async () => {
		const h = await home();
		const [shelf, other] = await stores(h).stock.shelves();
		const key = randomUUID();
		const take = (lotId: string, amount: number) =>
			stores(h).stock.act(key, { lotId, kind: 'take', unit: 'pack', amount }, 'test');
		await take(shelf?.id ?? '', 1);
		await take(shelf?.id ?? '', 1);
		await expect(take(shelf?.id ?? '', 2)).rejects.toMatchObject({ code: 'KEY_REUSED' });
		await expect(take(other?.id ?? '', 1)).rejects.toMatchObject({ code: 'KEY_REUSED' });
		await expect(stores(h).stock.undo(key, randomUUID(), 'test')).rejects.toMatchObject({ code: 'KEY_REUSED' });
	});
});

describe('the household', () => {
	it('goes with all that is its own when it is cleared', async () => {
		const h = await home();
		const { plan } = await rawRun(h);
		await stores(h).runs.start(ask(), plan);
		await link.db.delete(household).where(eq(household.id, h.id));
		for (const table of [lot, lotBalance, movement, batch, place, container, run, runEvent]) {
			const [left] = await link.db
				.select({ n: sql<number>`count(*)::int` })
				.from(table)
				.where(eq(table.householdId, h.id));
			expect(left?.n).toBe(0);
		}
	});
	it('stays the default whichever is made while a clock stands wrong, and hands it on only when it is cleared', async () => {
		const first = (await defaultHousehold(link.db)) ?? (await home());
		await becomeDefault(link.db, first.id);
		const early = await newHousehold(link.db, { name: 'early', zone: 'UTC', now: new Date('1999-01-01') });
		await becomeDefault(link.db, early);
		expect((await defaultHousehold(link.db))?.id).toBe(first.id);
	});
	it('keeps a place that is in use, and says so', async () => {
		const h = await home();
		const freezer = (await stores(h).home.places()).find((p) => p.kind === 'freezer');
		await expect(stores(h).home.remove(randomUUID(), 'place', freezer?.id ?? '')).rejects.toMatchObject({
			code: 'IN_USE'
		});
	});
});
