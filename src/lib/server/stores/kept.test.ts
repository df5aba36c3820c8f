import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { foodById } from '$core/things/names';
import { plain } from '$core/things/thing';
import { loadDemo } from '$demo/load';
import { random } from '../../../../tests/laws/random';
import { bringUpToDate, connect } from '../db/client';
import { larder } from '../lasting';
import { lotOfThing } from '../things';
import { AppError } from '../errors';
import { storesFor } from '.';
import { householdById, type HouseholdRow } from './households';
import { lastChangeOf } from './kept';

const now = new Date('2026-08-25T08:00:00Z');
let link: ReturnType<typeof connect>;
/** Another pool keeps nothing of the first. */
let other: ReturnType<typeof connect>;
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 6);
	other = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => Promise.all([link.close(), other.close()]));

async function home(): Promise<HouseholdRow> {
	const row = await householdById(link.db, await loadDemo(link.db, now, randomUUID()));
	if (!row) throw new Error('no household');
	return row;
}

/** What changes without a note: what instruments say, taps of open runs, bookkeeping, and what other tables are summed up to. */
const unnoted = [
	'calendar_feed',
	'food_day',
	'idempotency',
	'instrument',
	'last_change',
	'lot_balance',
	'print_job',
	'reading',
	'run',
	'run_event',
	'run_lot',
	'run_output'
];

describe('the last change of a household', () => {
	it('is noted by every table of a household but those that are named', async () => {
		const { rows } = await link.db.execute<{ name: string; noted: boolean }>(sql`
			select t.relname as name, exists (
				select 1 from pg_trigger g join pg_proc p on p.oid = g.tgfoid where g.tgrelid = t.oid and p.proname = 'note_last_change'
			) as noted
			from pg_class t join pg_attribute a on a.attrelid = t.oid and a.attname = 'household_id'
			where t.relkind = 'r' and t.relnamespace = 'public'::regnamespace
			order by 1`);
		expect(rows.filter((r) => !r.noted).map((r) => r.name)).toEqual(unnoted);
		expect(rows.length).toBeGreaterThan(30);
	});

	it('moves when a row is changed or goes, once for a transaction, not when it is rolled back, and for no other household', async () => {
		const h = await home();
		const neighbour = await home();
		const near = await lastChangeOf(link.db, neighbour.id);
		const seen = new Set([await lastChangeOf(link.db, h.id)]);
		const { rows: tables } = await link.db.execute<{ name: string }>(sql`
			select distinct t.relname as name from pg_trigger g join pg_proc p on p.oid = g.tgfoid join pg_class t on t.oid = g.tgrelid
			where p.proname = 'note_last_change'`);
		let changed = 0;
		for (const { name } of tables) {
			const table = sql.identifier(name);
			const { rowCount } = await link.db.execute(
				sql`update ${table} set household_id = household_id where household_id = ${h.id}`
			);
			const at = await lastChangeOf(link.db, h.id);
			expect(seen.has(at), name).toBe(rowCount === 0);
			if (rowCount !== 0) changed++;
			seen.add(at);
		}
		// What the demo has rows of.
		expect(changed).toBeGreaterThan(12);
		const before = await lastChangeOf(link.db, h.id);
		await expect(
			link.db.transaction(async (tx) => {
				await tx.execute(sql`update lot set title = 'gone' where household_id = ${h.id}`);
				throw new Error('no');
			})
		).rejects.toThrow('no');
		expect(await lastChangeOf(link.db, h.id)).toBe(before);
		expect((await link.db.execute(sql`delete from own_measure where household_id = ${h.id}`)).rowCount).toBeGreaterThan(
			0
		);
		expect(await lastChangeOf(link.db, h.id)).not.toBe(before);
		expect(await lastChangeOf(link.db, neighbour.id)).toBe(near);
		// A household that goes takes its note with it.
		await storesFor(link.db, h, now).kitchens.clear(h.name);
		expect(await lastChangeOf(link.db, h.id)).toBe('');
	});

	it('makes nobody wait: of two transactions that change other lots the second ends while the first is still open', async () => {
		const h = await home();
		const { rows } = await link.db.execute<{ id: string }>(
			sql`select id from lot where household_id = ${h.id} limit 2`
		);
		const [one, two] = rows.map((r) => r.id);
		await link.db.transaction(async (tx) => {
			await tx.execute(sql`update lot set note = 'first' where id = ${one}`);
			await other.db.execute(sql`update lot set note = 'second' where id = ${two}`);
		});
		expect((await link.db.execute(sql`select 1 from lot where id in (${one}, ${two}) and note <> ''`)).rowCount).toBe(
			2
		);
	});
});

/** How long it lasts is worked out by the hour: asked for at one. */
const later = 2 * 3_600_000;

describe('what is kept of a household', () => {
	it.each([1, 2])('law, sequence %i: after every step it is what the database says', async (seed) => {
		const rnd = random(seed);
		const h = await home();
		const at = (ms: number) => storesFor(link.db, h, new Date(now.getTime() + ms));
		const ask = async (s: ReturnType<typeof storesFor>) => ({
			places: await s.home.places(),
			pots: await s.home.pots(),
			containers: await s.home.containers(),
			measures: await s.home.measures(),
			basket: await s.stock.basket(),
			standing: await s.stock.standing(),
			boards: await s.stock.shelves({ most: 9 }),
			looked: await s.stock.looked(
				(await s.stock.shelves({ most: 9 })).map((r) => r.id),
				'9 '
			),
			lookedFor: await s.stock.lookedFor(),
			second: await s.stock.second(),
			sums: await s.stock.sums(),
			eaten: await s.eaten.byFood(1000),
			crops: await s.eaten.newCrops(),
			larder: await larder(s, h, now),
			batches: await s.seasons.batches(),
			came: await s.garden.cameIn(),
			plantings: await s.garden.plantings(),
			paid: await s.prices.paid(),
			seen: await s.prices.seen(),
			wants: await s.wants.all(),
			avoids: await s.avoids.all()
		});
		const peas = foodById('peas');
		if (!peas) throw new Error('no peas');
		let done = 0;
		const groups: string[] = [];
		for (let n = 0; n < 40; n++) {
			const s = at(n * 60_000);
			const rows = await s.stock.standing();
			const row = rnd.pick(rows);
			const key = randomUUID();
			const places = await s.home.places();
			const place = rnd.pick(places);
			const steps: (() => Promise<unknown>)[] = [
				() => s.stock.act(key, { lotId: row.id, kind: 'take', unit: row.unit, amount: 1 }, 'test'),
				() =>
					s.stock.act(key, { lotId: row.id, kind: 'count', unit: row.unit, amount: Math.ceil(row.amount / 2) }, 'test'),
				() =>
					s.stock.act(
						key,
						{ lotId: row.id, kind: 'move', unit: row.unit, amount: row.amount, placeId: place.id },
						'test'
					),
				() => s.stock.open(key, { lotId: row.id }, 'test'),
				// Nothing to take back yet: a group that is none is refused.
				() => s.stock.undo(key, groups.length > 0 ? rnd.pick(groups) : randomUUID(), 'test'),
				() => s.stock.tell(key, row.id, { variety: `kind ${n}` }),
				() => s.stock.aside(key, { lotId: row.id, unit: row.unit, amount: 1, words: 'for Sunday' }, 'test'),
				() =>
					s.stock.addRaw(
						{ key, body: n },
						{
							...lotOfThing(plain(peas)),
							placeId: place.id,
							said: 'peas',
							note: '',
							since: now,
							grams: 500,
							priceMinor: 300,
							currency: 'EUR'
						},
						'test'
					),
				() => s.stock.counted(key, place.id),
				() => s.home.setMeasure(key, { name: `basin ${n}`, food: 'peas', grams: 400 }),
				() => s.wants.set(key, [{ food: 'peas', perWeek: n / 10, helpingG: 100 }]),
				() => s.avoids.add(key, 'peas', `${n}`),
				() =>
					s.garden.setPlanting(key, {
						food: 'peas',
						year: 2027,
						plants: n,
						sowFrom: null,
						sowTo: null,
						pickFrom: null,
						pickTo: null
					}),
				() =>
					s.prices.note(key, {
						food: 'peas',
						kept: 'frozen',
						perKg: 200 + n,
						currency: 'EUR',
						shop: '',
						seenOn: '2026-08-01'
					})
			];
			try {
				const result = await rnd.pick(steps)();
				const { groupId } = (result ?? {}) as { groupId?: string };
				if (groupId) groups.push(groupId);
				done++;
			} catch (thrown) {
				// Refused, with a reason: nothing was changed, and that holds too.
				if (!(thrown instanceof AppError)) throw thrown;
			}
			const [kept, said] = await Promise.all([
				ask(at(later)),
				ask(storesFor(other.db, h, new Date(now.getTime() + later), { open: [], changed: key }))
			]);
			expect(kept, `step ${n}`).toEqual(said);
			// And it is kept: asked again, it is the same one.
			if (n % 10 === 0) expect(await s.stock.standing()).toBe(await at(n * 60_000).stock.standing());
		}
		expect(done).toBeGreaterThan(15);
	});

	it('is asked again after it failed, and changed by no page', async () => {
		const h = await home();
		const { keep, stock } = storesFor(link.db, h, now);
		let n = 0;
		const once = () => (n++ === 0 ? Promise.reject(new Error('lost')) : Promise.resolve(n));
		await expect(keep('twice', once)).rejects.toThrow('lost');
		expect(await keep('twice', once)).toBe(2);
		expect(await keep('twice', once)).toBe(2);
		const rows = await stock.standing();
		expect(() => rows.pop()).toThrow(TypeError);
	});
});
