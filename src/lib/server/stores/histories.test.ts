import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { and, eq, gt, inArray, notInArray } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { admitted } from '$core/things/admitted';
import { readLine, type Understood } from '$core/things/read-line';
import { foodRows } from '$reference/tables';
import { bringUpToDate, connect } from '../db/client';
import { lot, lotBalance, place } from '../db/schema';
import { AppError } from '../errors';
import { placeFor } from '../haul';
import { lotOfThing, lotThing } from '../things';
import { storesFor } from '.';
import { householdById, newHousehold } from './households';

/** Histories per law; `npm run siege` asks for more, by a new seed each time. */
const histories = Number(process.env.SIEGE_STORED ?? 300);
const seedOf = (i: number) => Number(process.env.SIEGE_SEED ?? 7) * 1_000 + i;
const start = Date.parse('2026-08-25T08:00:00Z');
const hour = 3_600_000;
let link: ReturnType<typeof connect>;

beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 8);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

/** A seeded generator: a history that fails is run again by its seed. */
function random(seed: number) {
	let s = seed >>> 0;
	const next = () => {
		s = (Math.imul(s ^ (s >>> 15), 0x2c1b3c6d) + 0x9e3779b9) >>> 0;
		return ((s ^ (s >>> 13)) >>> 0) / 2 ** 32;
	};
	return { next, pick: <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T };
}

async function kitchen(name: string) {
	const id = await newHousehold(link.db, { name, zone: 'UTC', now: new Date(start) });
	const row = await householdById(link.db, id);
	if (!row) throw new Error('no household');
	return row;
}

const lines = readFileSync(new URL('../../../core/things/lines.txt', import.meta.url), 'utf8')
	.split('\n')
	.filter((l) => l.trim() !== '' && !l.startsWith('#'))
	.map((l) => l.split(' | ')[0]?.trim() ?? '');
const read = (text: string) => admitted(readLine(text, { own: [], metricCups: true, today: '2026-08-25' }));

describe('what is kept of a line', () => {
	it('is the thing that was understood: food, kind, form, state, condition, wild, identified', async () => {
		const home = await kitchen('lines');
		const { stock, home: house } = storesFor(link.db, home, new Date(start));
		const places = await house.places();
		const understood = lines.flatMap((text) => {
			const reading = read(text);
			return reading.kind === 'understood' ? [{ text, reading }] : [];
		});
		expect(understood.length).toBeGreaterThan(200);
		for (const { text, reading } of understood) {
			const { lotId } = await stock.addRaw(
				{ key: randomUUID(), body: {} },
				{ ...lotOfThing(reading.thing), placeId: placeFor(reading, places).id, said: text, note: reading.note, since: new Date(start), grams: reading.grams },
				'test'
			); // prettier-ignore
			const kept = await stock.rawLot(lotId);
			const { thing, reread } = lotThing(kept.lot, kept.place, new Date(start));
			const { age: _age, ...same } = thing;
			expect({ ...same, wild: same.wild ?? false }, text).toEqual({ ...bare(reading), wild: reading.thing.wild ?? false }); // prettier-ignore
			expect(reread, text).toBeUndefined();
		}
	});
});
const bare = ({ thing }: Understood) => {
	const { age: _age, ...rest } = thing;
	return rest;
};

type Step = { words: string; groupId?: string };

describe(`a raw lot over ${histories} histories of moving, taking, counting and undoing`, () => {
	it('is never younger than it was, keeps its warm hours over every undo, and never loses a "no"', async () => {
		const homes = await Promise.all(Array.from({ length: 10 }, (_, i) => kitchen(`histories ${i}`)));
		const grounds = await Promise.all(
			homes.map(async (home) => {
				await link.db.insert(place).values({
					id: randomUUID(),
					householdId: home.id,
					name: 'Hot porch',
					kind: 'counter',
					tempC: 34,
					litres: null,
					position: 20
				});
				return storesFor(link.db, home, new Date(start)).home.places();
			})
		);
		let moved = 0;
		let undone = 0;
		let over = 0;
		for (let i = 0; i < histories; i++) {
			const { next, pick } = random(seedOf(i));
			const home = homes[i % homes.length] as (typeof homes)[number];
			const places = grounds[i % homes.length] as (typeof grounds)[number];
			const food = next() < 0.5 ? pick(foodRows.filter((f) => f.perishable)) : pick(foodRows);
			const frozen = next() < 0.2;
			const told: Step[] = [];
			let now = start;
			const at = () => storesFor(link.db, home, new Date(now));
			const first = pick(places.filter((p) => (p.kind === 'freezer') === frozen));
			const { lotId } = await at().stock.addRaw(
				{ key: randomUUID(), body: {} },
				{ food: food.id, form: food.forms[0]?.id ?? '', placeId: first.id, condition: 'firm', state: frozen ? 'frozen' : 'fresh', title: food.name, said: '', note: '', since: new Date(now), grams: 4000, reader: 1 },
				'test'
			); // prettier-ignore
			const clan = new Set([lotId]);
			// A model beside the store: hours out of the cold that each lot has had, at most; never written, only counted.
			const warm = new Map<string, { hours: number; since: number; out: boolean }>();
			const isOut = (p: (typeof places)[number]) => p.tempC > 5;
			warm.set(lotId, { hours: 0, since: now, out: isOut(first) });
			const warmth = (id: string) => {
				const w = warm.get(id);
				if (!w) throw new Error('a lot without a past');
				return w.hours + (w.out ? (now - w.since) / hour : 0);
			};
			let said: boolean | null = null;
			const look = async () => {
				const rows = await link.db
					.select({ lot, amount: lotBalance.amount, place })
					.from(lot)
					.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
					.innerJoin(place, eq(place.id, lot.placeId))
					.where(and(eq(lot.householdId, home.id), inArray(lot.id, [...clan]), gt(lotBalance.amount, 0)));
				return rows.map((r) => ({ ...r, grams: r.amount, ...lotThing(r.lot, r.place, new Date(now)) }));
			};
			let before = await look();
			for (let step = 0; step < 4 + Math.floor(next() * 6); step++) {
				now += Math.floor(next() ** 3 * 60 * hour);
				const aged = await link.db
					.select({ lot, place })
					.from(lot)
					.innerJoin(place, eq(place.id, lot.placeId))
					.where(inArray(lot.id, [...clan]));
				const usedOf = new Map(aged.map((r) => [r.lot.id, lotThing(r.lot, r.place, new Date(now)).clock]));
				const what = next();
				const one = before.length > 0 ? pick(before) : undefined;
				let from: string | undefined;
				let to: string | undefined;
				try {
					if (what < 0.45 && one) {
						const there = pick(places);
						const amount = next() < 0.5 ? one.grams : Math.max(1, Math.floor(one.grams * next()));
						const done = await at().stock.act(
							randomUUID(),
							{ lotId: one.lot.id, kind: 'move', unit: 'dg', amount, placeId: there.id },
							'test'
						);
						const made = await link.db.select({ id: lot.id }).from(lot).where(and(eq(lot.householdId, home.id), eq(lot.createdAt, new Date(now)), notInArray(lot.id, [...clan]))); // prettier-ignore
						to = made[0]?.id;
						if (!to) throw new Error('the move made no lot');
						clan.add(to);
						warm.set(to, { hours: warmth(one.lot.id), since: now, out: isOut(there) });
						from = one.lot.id;
						told.push({ words: `move ${from} ${to}`, groupId: done.groupId });
						moved++;
					} else if (what < 0.75 && told.some((t) => t.groupId)) {
						const back = pick(told.filter((t) => t.groupId));
						await at().stock.undo(randomUUID(), back.groupId ?? '', 'test');
						undone++;
						const [verb, a, b] = back.words.split(' ');
						if (verb === 'move' && a && b) {
							const worse = Math.max(warmth(a), warmth(b));
							warm.set(a, { hours: worse, since: now, out: warm.get(a)?.out ?? false });
							const bothGone = [usedOf.get(a)?.goneBy ?? Infinity, usedOf.get(b)?.goneBy ?? Infinity];
							const home_ = (await look()).find((r) => r.lot.id === a);
							// What was over in either place is over.
							if (bothGone.some((g) => g <= now)) expect(home_?.clock.age.past).toBe('end');
						}
					} else if (what < 0.85 && one) {
						const done = await at().stock.act(
							randomUUID(),
							{
								lotId: one.lot.id,
								kind: pick(['take', 'give', 'count'] as const),
								unit: 'dg',
								amount: 1 + Math.floor(next() * 300)
							},
							'test'
						);
						told.push({ words: 'take', groupId: done.groupId });
					} else if (one) {
						said = next() < 0.5;
						await at().stock.identify(randomUUID(), one.lot.id, said);
					}
				} catch (error) {
					if (!(error instanceof AppError) || ![404, 409, 422].includes(error.status)) throw error;
				}
				const after = await look();
				const where = `history ${seedOf(i)}, step ${step}, ${food.id}`;
				for (const row of after) {
					const was = usedOf.get(row.lot.id);
					if (was) expect(row.clock.goneBy, where).toBeLessThanOrEqual(was.goneBy + 1);
					if (row.lot.id === to && from) {
						const source = usedOf.get(from);
						if (source?.age.past === 'end') expect(row.clock.age.past, where).toBe('end');
						// Thawed or fresh, what it used up goes along.
						if (row.lot.state === one?.lot.state) expect(row.clock.used, where).toBeCloseTo(source?.used ?? 0, 6);
					}
					if (food.perishable && !frozen && warmth(row.lot.id) > 2.001) {
						expect(row.thing.age, where).toEqual({ past: 'end', limit: 'safety' });
						over++;
					}
					expect(row.thing.identified ?? null, where).toBe(said);
					expect(row.thing.state, where).toBe(frozen ? (row.place.kind === 'freezer' ? 'frozen' : 'thawed') : 'fresh');
					if (row.thing.state === 'frozen') expect(row.place.kind, where).toBe('freezer');
				}
				before = after;
			}
		}
		// The walk goes where the laws bite.
		expect(moved).toBeGreaterThan(histories);
		expect(undone).toBeGreaterThan(histories / 2);
		expect(over).toBeGreaterThan(histories / 4);
	});
});
