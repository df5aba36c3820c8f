import { writeFileSync } from 'node:fs';
import pg from 'pg';
import { bench, describe } from 'vitest';
import { connect } from '../db/client';
import { storesFor } from '.';
import { defaultHousehold } from './households';

/** What Basket, Shelves and Count read of a large household: through the store, and the same in SQL by hand. */
const url = process.env.BENCH_DATABASE_URL;
const now = new Date(1_787_000_000_000);

/** Benches have no hooks that wait: what they need is there before they are told of. */
async function world(databaseUrl: string) {
	const { db } = connect(databaseUrl);
	const row = await defaultHousehold(db);
	if (!row) throw new Error('There is no household.');
	const stores = storesFor(db, row, now);
	const raw = new pg.Client(databaseUrl);
	await raw.connect();
	const pantry = (await stores.home.places()).find((p) => p.kind === 'pantry')?.id ?? '';
	return { stores, raw, home: row.id, pantry };
}

const columns = 'l.*, b.amount, x.code, x.way, c.name as container, c.volume_ml';
const joins = 'join lot l on l.id = b.lot_id left join batch x on x.id = l.batch_id left join container c on c.id = l.container_id'; // prettier-ignore
const first = `select ${columns} from lot_balance b ${joins}
	where b.household_id = $1 and b.amount > 0 and b.lot_id in (
		select r.lot_id from (
			select i.lot_id, k.place_id, row_number() over (partition by k.place_id order by k.state not in ('opened', 'thawed'), not exists (select 1 from look f where f.household_id = $1 and f.lot_id = k.id and f.finding <> 'fine'), coalesce(k.keeps_until, k.since::date), k.since, k.id) as nth
			from lot_balance i join lot k on k.id = i.lot_id where i.household_id = $1 and i.amount > 0
		) r where r.nth <= $2::int and ($3::uuid is null or r.place_id = $3))
	order by l.keeps_until, l.since, l.id`;

const there = url ? await world(url) : undefined;
describe.runIf(there)('reads of a large household', () => {
	if (!there) return;
	const { stores, raw, home, pantry } = there;
	/** Every time that was taken, ms: the tail is asked for, too, and Vitest's own table has no 95th of a hundred. */
	const times: Record<string, number[]> = {};
	const keep = () => process.env.BENCH_READS && writeFileSync(process.env.BENCH_READS, JSON.stringify(times));
	const read = (name: string, work: () => Promise<unknown>) =>
		bench(
			name,
			async () => {
				const began = performance.now();
				await work();
				(times[name] ??= []).push(performance.now() - began);
			},
			{ time: 2000, warmupTime: 500, setup: () => void delete times[name], teardown: () => void keep() }
		);
	read('Basket, store', () => stores.stock.basket());
	read('Basket, SQL', () => raw.query({ name: 'basket', text: 'select l.*, b.amount, p.* from lot_balance b join lot l on l.id = b.lot_id join place p on p.id = l.place_id where b.household_id = $1 and b.amount > 0 and l.waiting order by l.since desc', values: [home] })); // prettier-ignore
	read('Shelves, store', () => stores.stock.shelves({ most: 9 }));
	read('Shelves, SQL', () => raw.query({ name: 'first', text: first, values: [home, 9, null] }));
	read('Count, store', () => stores.stock.shelves({ most: 400, only: pantry }));
	read('Count, SQL', () => raw.query({ name: 'first', text: first, values: [home, 400, pantry] }));
});
