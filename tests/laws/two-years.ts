import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { expect } from 'vitest';
import { chance } from '$core/forecast/chance.fixture';
import type { RunEvent } from '$core/runs/kinds';
import { foodById } from '$core/things/names';
import { plain } from '$core/things/thing';
import { larder } from '$lib/server/lasting';
import type { connect } from '$lib/server/db/client';
import { storesFor } from '$lib/server/stores';
import { householdById, newHousehold } from '$lib/server/stores/households';
import { lotOfThing } from '$lib/server/things';
import { startWay } from '$lib/server/ways/do';
import { expectFoodDays } from './food-days';

const day_ms = 86_400_000;
const week_ms = 7 * day_ms;
const begin = Date.parse('2024-03-01T08:00:00Z');
const days = 730;

/** Foods of a garden, when they come in (days of the year), and what of them is kept when they are frozen raw. */
const garden = [
	['green-beans', 180, 45],
	['peas', 160, 30],
	['kale', 250, 60],
	['broccoli', 170, 60],
	['raspberries', 185, 40],
	['strawberries', 155, 25],
	['bell-peppers', 215, 50],
	['zucchini', 190, 70],
	['carrots', 230, 60],
	['spinach', 120, 40]
] as const;
const pack_g = 400;

/** What a forecast said at a time, to be held against what came. */
interface Said {
	readonly food: string;
	readonly at: number;
	readonly early: number;
	readonly late: number;
	/** Packs that stood there. */
	readonly packs: number;
}
export interface Lived {
	readonly said: number;
	readonly inside: number;
	readonly early: number;
	readonly late: number;
	readonly movements: number;
	readonly runs: number;
}

/**
 * A household over two years through the real stores: it picks, freezes in runs whose taps come late and twice, eats at a pace of
 * its own for each food, gives, throws, miscounts, takes steps back, looks. At the end every sum is that of a shadow that was
 * kept beside it, and each forecast of the second year is held against what came.
 */
export async function twoYears({ db }: ReturnType<typeof connect>, seed: number): Promise<Lived> {
	const c = chance(seed);
	const id = await newHousehold(db, { name: `Years ${seed}`, zone: 'UTC', now: new Date(begin) });
	const home = await householdById(db, id);
	if (!home) throw new Error('no household');
	const at = (now: number) => storesFor(db, home, new Date(now));
	const stores = at(begin);
	const places = await stores.home.places();
	const freezer = places.find((p) => p.kind === 'freezer')?.id ?? '';
	const counter = places.find((p) => p.kind === 'counter')?.id ?? '';

	const foods = garden.map(([food, from, length]) => ({
		food,
		from,
		length,
		/** Meals of it a week: about once in ten days, times or by two and a half. */
		rate: Math.min(4, 0.7 * Math.exp(0.9 * c.normal())),
		next: begin + c.u() * week_ms,
		packs: 0,
		eaten: [] as number[],
		lots: new Map<string, number>()
	}));
	const said: Said[] = [];
	let runs = 0;

	/** Comes in, and into packs by a run; the last taps come late, and one of them twice. */
	async function freeze(f: (typeof foods)[number], now: number): Promise<void> {
		const row = foodById(f.food);
		if (!row) throw new Error(`no ${f.food}`);
		// As much as is eaten in a year, over two pickings.
		const packs = Math.max(1, Math.round(f.rate * 26 * (0.5 + c.u())));
		const raw_g = Math.round(packs * pack_g * (1.1 + 0.3 * c.u()));
		const { lotId } = await at(now).stock.addRaw(
			{ key: randomUUID(), body: {} },
			{ ...lotOfThing(plain(row)), placeId: counter, said: f.food, note: '', since: new Date(now), grams: raw_g },
			'law'
		);
		const run = await startWay(
			at(now),
			{ key: randomUUID(), body: {} },
			lotId,
			{ way: 'raw', said: {} },
			new Date(now)
		);
		const tap = (n: number, minutes: number, more: object) =>
			({ id: randomUUID(), device: 'law', n, at: now + minutes * 60_000, ...more }) as unknown as RunEvent;
		const first = Math.ceil(packs / 2);
		const pack = (n: number, minutes: number, count: number) =>
			tap(n, minutes, { type: 'pack', packs: count, pack_g, containerId: null, placeId: freezer, sure: true });
		const early = [pack(1, 60, first), tap(3, 300, { type: 'finish' })];
		const late = packs > first ? [pack(2, 90, packs - first)] : [];
		await at(now + 310 * 60_000).runs.append(run, early, 'law');
		for (let twice = 0; twice < 2 && late.length > 0; twice++)
			await at(now + (320 + twice) * 60_000).runs.append(run, late, 'law');
		runs++;
		const { rows } = await db.execute<{ id: string; amount: number }>(
			sql`select l.id, b.amount::int as amount from lot l join lot_balance b on b.lot_id = l.id
				where l.household_id = ${id} and l.food = ${f.food} and not l.waiting and b.amount > 0`
		);
		f.lots = new Map(rows.map((r) => [r.id, r.amount]));
		f.packs += packs;
		expect(
			[...f.lots.values()].reduce((a, b) => a + b, 0),
			`${seed} ${f.food}`
		).toBe(f.packs);
	}

	/** A pack of it goes, from the lot that has stood there longest. */
	async function goes(f: (typeof foods)[number], now: number, kind: 'take' | 'give' | 'spoil') {
		const [lotId = ''] = [...f.lots].find(([, left]) => left > 0) ?? [];
		const { groupId } = await at(now).stock.act(randomUUID(), { lotId, kind, unit: 'pack', amount: 1 }, 'law');
		f.lots.set(lotId, (f.lots.get(lotId) ?? 0) - 1);
		f.packs--;
		return { groupId, lotId };
	}

	for (let d = 0; d < days; d++) {
		const morning = begin + d * day_ms;
		const ofYear = Math.floor((morning - Date.UTC(new Date(morning).getUTCFullYear(), 0, 1)) / day_ms);
		for (const f of foods) {
			const into = ofYear - f.from;
			if (into >= 0 && into < f.length && into % Math.ceil(f.length / 2) === 0) await freeze(f, morning);
			// Hungry for it while there is none: that is no meal of it.
			for (; f.next < morning + day_ms; f.next += c.wait(f.rate) * week_ms) {
				if (f.packs === 0) continue;
				const now = Math.max(f.next, morning + 6 * 3_600_000);
				const { groupId, lotId } = await goes(f, now, 'take');
				f.eaten.push(f.next);
				// A slip: the wrong one, taken back at once, and the right one taken.
				if (c.u() < 0.04) {
					await at(now + 60_000).stock.undo(randomUUID(), groupId, 'law');
					f.packs++;
					f.lots.set(lotId, (f.lots.get(lotId) ?? 0) + 1);
					await goes(f, now + 120_000, 'take');
				}
			}
			if (f.packs > 3 && c.u() < 0.002) await goes(f, morning, c.u() < 0.5 ? 'give' : 'spoil');
		}
		if (d >= 365 && (d - 365) % 90 === 45) {
			const { foods: lasts } = await larder(at(morning), home, new Date(morning));
			for (const l of lasts) {
				const f = foods.find((one) => one.food === l.food);
				if (!f) continue;
				expect(l.packs, `${seed} ${l.food}`).toBe(f.packs);
				said.push({ food: l.food, at: morning, early: l.early ?? morning, late: l.late ?? Infinity, packs: l.packs });
			}
		}
	}

	const { movements } = await expectExact();
	let [inside, early, late] = [0, 0, 0];
	for (const s of said) {
		const f = foods.find((one) => one.food === s.food);
		if (!f) continue;
		// What stood there is through when as many meals were eaten since; after the two years at the same pace.
		const later = f.eaten.filter((t) => t >= s.at);
		let next = Math.max(f.next, begin + days * day_ms);
		while (later.length < s.packs) {
			later.push(next);
			next += c.wait(f.rate) * week_ms;
		}
		const gone = later[s.packs - 1] ?? s.at;
		if (gone < s.early) early++;
		else if (gone > s.late) late++;
		else inside++;
	}
	return { said: said.length, inside, early, late, movements, runs };

	/** Ledger, balances, book and shadow say the same. */
	async function expectExact(): Promise<{ movements: number }> {
		const { rows } = await db.execute<{ food: string; packs: number; sum: number; wrong: number }>(sql`
			select l.food, sum(b.amount)::int as packs, sum(x.sum)::int as sum, count(*) filter (where b.amount <> x.sum)::int as wrong
			from lot l join lot_balance b on b.lot_id = l.id
			join lateral (select coalesce(sum(m.amount), 0) as sum from movement m where m.lot_id = l.id) x on true
			where l.household_id = ${id} and l.unit = 'pack' group by 1`);
		for (const f of foods) {
			const row = rows.find((r) => r.food === f.food);
			expect([row?.packs ?? 0, row?.sum ?? 0, row?.wrong ?? 0], `${seed} ${f.food}`).toEqual([f.packs, f.packs, 0]);
		}
		const end = at(begin + days * day_ms);
		for (const b of await end.seasons.batches()) expect(b.eaten + b.thrown + b.left, `${seed} ${b.code}`).toBe(b.packs);
		const eaten = await end.eaten.byFood(1000);
		for (const f of foods)
			expect(
				(eaten.get(f.food)?.draws ?? []).reduce((a, b) => a + b.units, 0),
				`${seed} ${f.food}`
			).toBe(f.eaten.length);
		await expectFoodDays(db, id, `${seed}`);
		const { rows: all } = await db.execute<{ n: number }>(
			sql`select count(*)::int as n from movement where household_id = ${id}`
		);
		return { movements: all[0]?.n ?? 0 };
	}
}
