import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectLedger } from '../../../../tests/laws/book-equals-fold';
import { storesFor } from '../stores';
import { defaultHousehold, householdById } from '../stores/households';
import { bringUpToDate, connect } from './client';

const base = process.env.TEST_DATABASE_URL ?? '';
const name = `before_${process.pid}`;
const url = base.replace(/\/[^/]+$/, `/${name}`);
const admin = postgres(base, { max: 1, onnotice: () => {} });
const folder = new URL('../../../../drizzle/', import.meta.url);
const at = '2026-08-25T08:00:00Z';

beforeAll(async () => {
	await admin.unsafe(`create database ${name}`);
});
afterAll(async () => {
	await admin.unsafe(`drop database if exists ${name} with (force)`);
	await admin.end();
});

/** Brings an empty database to where it stood after these migrations, of which the last is named. */
async function asOf(sql: postgres.Sql, old: { tag: string; when: number }[], last: string) {
	expect(old.at(-1)?.tag).toBe(last);
	for (const { tag } of old)
		for (const statement of readFileSync(new URL(`${tag}.sql`, folder), 'utf8').split('--> statement-breakpoint'))
			await sql.unsafe(statement);
	await sql.unsafe(
		'create schema drizzle; create table drizzle.__drizzle_migrations (id serial primary key, hash text not null, created_at bigint)'
	);
	await sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('', ${old.at(-1)?.when ?? 0})`;
}

/** A database as it stood before outputs, differences and devices: one closed run, one open. */
async function before() {
	const sql = postgres(url, { max: 1, onnotice: () => {} });
	const { entries } = JSON.parse(readFileSync(new URL('meta/_journal.json', folder), 'utf8')) as {
		entries: { tag: string; when: number }[];
	};
	const old = entries.slice(0, 4);
	await asOf(sql, old, '0003_things');
	const [home, young, counter, freezer, bag, raw, rest, packs, same, run, open, batch, group] = Array.from(
		{ length: 13 },
		() => randomUUID()
	) as [string, string, string, string, string, string, string, string, string, string, string, string, string];
	for (const [id, label, made] of [
		[young, 'Younger', '2026-08-01'],
		[home, 'Home', '2026-01-01']
	] as const)
		await sql`insert into household (id, name, units, zone, people, ice_kg, basins, trays, tray_area_m2, tap_c, room_c, created_at) values (${id}, ${label}, 'metric', 'UTC', 2, 2, 1, 2, 0.12, 14, 21, ${made})`;
	await sql`update household set gauge = 'dial', canner_quarts = 5, dryer_trays = 8, dryer_tray_area_m2 = 0.11, dryer_power_w = 620, dryer_heater = 'back' where id = ${home}`;
	await sql`update household set gauge = 'none' where id = ${young}`;
	await sql`insert into place (id, household_id, name, kind, temp_c, position) values (${counter}, ${home}, 'Counter', 'counter', 21, 0), (${freezer}, ${home}, 'Freezer', 'freezer', -18, 1)`;
	await sql`insert into container (id, household_id, name, kind, volume_ml, count) values (${bag}, ${home}, 'Bag', 'bag', 1000, 6)`;
	const [{ plan }] = JSON.parse(
		readFileSync(new URL('../../../core/runs/kinds/freeze/kept/v1.json', import.meta.url), 'utf8')
	) as [{ plan: object }];
	const planOf = (lotId: string) => ({ ...plan, lotId });
	for (const [id, batchId, kind, place, packG, grams, n, container] of [
		[raw, null, 'raw', counter, null, 0, 0, null],
		[rest, null, 'raw', counter, null, 4200, 0, null],
		[packs, batch, 'pack', freezer, 500, 0, 2, bag],
		[same, batch, 'pack', freezer, 500, 0, 1, bag]
	] as const) {
		if (batchId && id === packs)
			await sql`insert into batch (id, household_id, code, food, form, cut, way, title, packed_on, keeps_until, use_words, run_id, closing, created_at) values (${batch}, ${home}, 'ABCDE', 'green-beans', 'whole', 'cut', 'Blanch', 'beans', '2026-08-25', '2027-08-25', '', ${run}, ${sql.json({ lots: [], potfuls: [] })}, ${at})`;
		await sql`insert into lot (id, household_id, kind, food, form, place_id, condition, said, note, title, pack_g, container_id, batch_id, since, created_at) values (${id}, ${home}, ${kind}, 'green-beans', 'whole', ${place}, 'firm', '', '', 'beans', ${packG}, ${container}, ${batchId}, ${at}, ${at})`;
		await sql`insert into lot_balance (lot_id, household_id, grams, packs) values (${id}, ${home}, ${grams}, ${n})`;
	}
	const move = (lotId: string, kind: string, grams: number, n: number, groupId: string) =>
		sql`insert into movement (id, household_id, lot_id, group_id, kind, grams, packs, cause, by, batch_id, occurred_at, recorded_at) values (${randomUUID()}, ${home}, ${lotId}, ${groupId}, ${kind}, ${grams}, ${n}, '', 'old', ${kind === 'put' && n > 0 ? batch : null}, ${at}, ${at})`;
	await move(raw, 'put', 4200, 0, randomUUID());
	await move(rest, 'put', 4200, 0, randomUUID());
	await move(raw, 'use', -4200, 0, group);
	await move(packs, 'put', 0, 2, group);
	await move(same, 'put', 0, 2, group);
	// One of the second lot was eaten since.
	await move(same, 'take', 0, -1, randomUUID());
	await sql`insert into run (id, household_id, code, lot_id, plan, status, batch_id, closing_group_id, started_at, created_at) values (${run}, ${home}, 'ABCDE', ${raw}, ${sql.json(planOf(raw) as never)}, 'finished', ${batch}, ${group}, ${at}, ${at}), (${open}, ${home}, 'FGHJK', ${rest}, ${sql.json(planOf(rest) as never)}, 'open', null, null, ${at}, ${at})`;
	const tap = (runId: string, seconds: number, event: Record<string, unknown>) => {
		const id = randomUUID();
		const when = Date.parse(at) + seconds * 1000;
		return sql`insert into run_event (id, household_id, run_id, event, by, at, recorded_at) values (${id}, ${home}, ${runId}, ${sql.json({ id, at: when, ...event } as never)}, 'old', ${new Date(when)}, ${new Date(when)})`.then(
			() => id
		);
	};
	const pack = { type: 'pack', packs: 2, pack_g: 500, containerId: bag, placeId: freezer };
	const slip = await tap(run, 100, { ...pack, packs: 9 });
	await tap(run, 110, { type: 'undo', target: slip });
	await tap(run, 200, pack);
	await tap(run, 210, pack);
	const finish = await tap(run, 300, { type: 'finish' });
	await tap(open, 60, { type: 'heat-on' });
	await sql.end();
	return { home, young, run, open, batch, packs, same, raw, bag, finish };
}

describe('a database of before', () => {
	it('comes over with its runs, open and closed: codes, entries and packs stay, and the closed one opens again', async () => {
		const old = await before();
		const { db, close } = connect(url, 2);
		await bringUpToDate(db);
		const home = await defaultHousehold(db);
		expect(home?.id).toBe(old.home);
		if (!home) return;
		// Dryer and canner are things of their own now, as they were; what nobody said is not made up.
		const kitchenThen = await storesFor(db, home, new Date(at)).home.kitchen();
		expect(kitchenThen.gauge).toBe('dial');
		expect(kitchenThen.canners).toMatchObject([{ name: 'Canner', quarts: 5, pints: null, gauge: 'dial' }]);
		expect(kitchenThen.dryer).toEqual({
			name: 'Dryer',
			trays: 8,
			leastTrays: 1,
			trayArea_m2: 0.11,
			tare_kg: null,
			power_W: 620,
			heater: 'back'
		});
		const younger = await householdById(db, old.young);
		const youngs = younger && (await storesFor(db, younger, new Date(at)).home.kitchen());
		expect([youngs?.gauge, youngs?.dryer]).toEqual(['none', null]);
		const later = storesFor(db, home, new Date(Date.parse(at) + 3_600_000));
		const closed = await later.runs.get(old.run);
		expect(closed).toMatchObject({ status: 'finished', entries: [{ n: 1, code: 'ABCDE' }], differences: [] });
		expect((await later.runs.get(old.open)).events[0]).toMatchObject({
			type: 'heat-on',
			device: 'before',
			at: Date.parse(at) + 60_000
		});
		expect(await later.runs.idOfCode('fghjk')).toBe(old.open);
		// Another late tap: nothing is booked a second time.
		const note = {
			id: randomUUID(),
			at: Date.parse(at) + 400_000,
			type: 'note' as const,
			text: 'still there',
			device: 'new',
			n: 1
		};
		expect((await later.runs.append(old.run, [note], 'test')).differences).toEqual([]);
		const shelf = async () =>
			(await later.stock.shelves())
				.filter((l) => l.unit === 'pack')
				.map((l) => [l.id, l.amount])
				.sort();
		const as = [
			[old.packs, 2],
			[old.same, 1]
		].sort();
		expect(await shelf()).toEqual(as);
		const opened = await later.runs.append(
			old.run,
			[{ id: randomUUID(), at: Date.parse(at) + 500_000, type: 'undo', target: old.finish, device: 'new', n: 2 }],
			'test'
		);
		expect(opened.status).toBe('open');
		expect(opened.differences).toMatchObject([{ unit: 'packs', amount: 1 }]);
		expect(await shelf()).toEqual([]);
		expect((await later.stock.rawLot(old.raw)).grams).toBe(4200);
		const again = await later.runs.append(
			old.run,
			[{ id: randomUUID(), at: Date.parse(at) + 600_000, type: 'finish', device: 'new', n: 3 }],
			'test'
		);
		expect(again).toMatchObject({ entries: [{ n: 1, code: 'ABCDE' }], differences: [] });
		expect(await shelf()).toEqual(as);
		expect((await later.home.containers()).find((c) => c.id === old.bag)?.count).toBe(6);
		await expectLedger({ db, pool: db.$client, close }, old.home, 'after the change');
		await close();
	});

	it('of ten busy years comes over with every sum unchanged: 20,000 batches, 150,000 movements', async () => {
		const large = `large_${process.pid}`;
		await admin.unsafe(`create database ${large}`);
		const there = base.replace(/\/[^/]+$/, `/${large}`);
		const sql = postgres(there, { max: 1, onnotice: () => {} });
		try {
			const { entries } = JSON.parse(readFileSync(new URL('meta/_journal.json', folder), 'utf8')) as {
				entries: { tag: string; when: number }[];
			};
			await asOf(sql, entries.slice(0, 8), '0007_installation');
			const home = randomUUID();
			await sql`insert into household (id, name, units, zone, people, ice_kg, basins, trays, tray_area_m2, tap_c, room_c, created_at) values (${home}, 'Home', 'metric', 'UTC', 2, 2, 1, 2, 0.1, 14, 21, ${at})`;
			for (const [kind, temp] of [
				['freezer', -18],
				['fridge', 4]
			] as const)
				await sql`insert into place (id, household_id, name, kind, temp_c, position) values (${randomUUID()}, ${home}, ${kind}, ${kind}, ${temp}, 0)`;
			const text = readFileSync(new URL('../../../../tests/laws/large-before.sql', import.meta.url), 'utf8');
			await sql.unsafe(text.replaceAll(':household', home));
			// A lot had tenths of a gram or packs: what each held, moved and took, as it is counted now.
			const sums = (of: string, by: string) =>
				sql.unsafe<{ n: string; total: string; marks: string }[]>(
					`select count(*) as n, sum(${of}) as total, md5(string_agg(${by} || ':' || (${of})::text, ',' order by ${by})) as marks from ${of.includes('b.') ? 'lot_balance b' : 'movement m'}`
				);
			const before = [
				...(await sums('b.grams * 10 + b.packs', 'b.lot_id::text')),
				...(await sums('m.grams * 10 + m.packs', 'm.id::text'))
			];
			const closings =
				await sql`select sum((closing->>'raw_g')::numeric)::text as raw, sum((closing->>'packs')::int)::text as packs, count(*)::text as n from batch`;
			const { db, close } = connect(there, 2);
			await bringUpToDate(db);
			expect([...(await sums('b.amount', 'b.lot_id::text')), ...(await sums('m.amount', 'm.id::text'))]).toEqual(
				before
			);
			expect(Number(before[0]?.n)).toBeGreaterThan(20_000);
			expect(Number(before[1]?.n)).toBeGreaterThan(148_000);
			expect([
				...(await sql`select sum(raw_g)::text as raw, sum(packs_made)::text as packs, count(*)::text as n from batch`)
			]).toEqual([...closings]);
			const [units] =
				await sql`select count(*) filter (where unit = 'pack' and content = 5000 and state = 'frozen' and not waiting) as packs, count(*) filter (where unit = 'dg' and waiting) as loose, count(*) as n from lot`;
			expect(Number(units?.packs) + Number(units?.loose)).toBe(Number(units?.n));
			await expectLedger({ db, pool: db.$client, close }, home, 'after the change');
			await close();
		} finally {
			await sql.end();
			await admin.unsafe(`drop database if exists ${large} with (force)`);
		}
	}, 120_000);
});

describe('a new database', () => {
	it('is made by several processes that start at once: one does it, the others find it done', async () => {
		const many = `${name}_many`;
		await admin.unsafe(`create database ${many}`);
		const links = Array.from({ length: 4 }, () => connect(base.replace(/\/[^/]+$/, `/${many}`), 2));
		try {
			await Promise.all(links.map((l) => bringUpToDate(l.db)));
			expect(await defaultHousehold((links[0] as (typeof links)[number]).db)).toBeUndefined();
		} finally {
			for (const l of links) await l.close();
			await admin.unsafe(`drop database if exists ${many} with (force)`);
		}
	}, 60_000);
});
