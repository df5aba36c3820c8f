import { randomUUID } from 'node:crypto';
import { and, eq, inArray, isNotNull } from 'drizzle-orm';
import { expect } from 'vitest';
import { dgOf } from '$core/stock/amount';
import { dateIn } from '$core/freezing/keep';
import type { RunBook } from '$core/runs/engine/book';
import type { RunEvent, Tap } from '$core/runs/kinds';
import { connect } from '$lib/server/db/client';
import {
	batch,
	claim,
	container,
	difference,
	lot,
	lotBalance,
	movement,
	place,
	run,
	runEvent,
	runLot,
	runOutput
} from '$lib/server/db/schema';
import { AppError } from '$lib/server/errors';
import { storesFor } from '$lib/server/stores';
import { householdById, newHousehold, type HouseholdRow } from '$lib/server/stores/households';
import { Device } from './devices';
import { expectFoodDays } from './food-days';
import { random, type Random } from './random';

type Link = ReturnType<typeof connect>;

/** Where a history plays: a household with two freezers, a drawer, and raw food in its basket. */
export interface World {
	readonly home: HouseholdRow;
	readonly start: number;
	/** One lot for each food of the kind, with so much to be worked on. */
	readonly rawLots: readonly string[];
	readonly raw_g: number;
	readonly counter: string;
	readonly freezers: readonly string[];
	readonly containers: readonly string[];
}

/** What the law needs to know of a kind of run: how one begins, how it is tapped, and what its fold says is to be booked. */
export interface KindUnderLaw {
	readonly name: string;
	readonly foods: readonly { readonly id: string; readonly form: string }[];
	/** Starts one over the raw lot. @returns the run and its events as the kind reads them */
	start(link: Link, world: World): Promise<RunUnderLaw>;
}

export interface RunUnderLaw {
	readonly id: string;
	/** A tap that somebody could make who sees these events. */
	tap(random: Random, now: number, shown: readonly RunEvent[]): Tap;
	/** Ledger, shelves and drawer as the pure fold of all events wants them. */
	book(events: readonly RunEvent[]): RunBook;
}

export interface Walked {
	closed: number;
	reopened: number;
	differed: number;
	refused: number;
	removed: number;
}

/**
 * The law: for one random history of a run over two devices (offline, late, undone, repeated, wrong clocks, finished and
 * reopened anywhere, packs eaten, places and containers removed meanwhile), after all have arrived, entry, lots, drawer
 * and ledger are those of the fold, plus the open differences; nothing acknowledged is lost, nothing counts twice.
 */
export async function bookEqualsFold(link: Link, kind: KindUnderLaw, seed: number, walked: Walked): Promise<void> {
	const r = random(seed);
	const where = `${kind.name}, seed ${seed}`;
	const world = await ground(link, kind, seed);
	const { home } = world;
	const { start } = world;
	const one = await kind.start(link, world);
	let now = start;
	const at = (time = now) => storesFor(link.db, home, new Date(time));
	const devices = [new Device('phone', r), new Device('laptop', r)];
	const acknowledged = new Set<string>();
	const told = new Set<string>();
	const drawer = new Map<string, number>(world.containers.map((id) => [id, 40]));
	const steps: string[] = [];

	/** Sends some of what waits, in its order or not, some of it again. */
	async function send(device: Device, all: boolean): Promise<void> {
		const list = all ? [...device.waiting] : device.waiting.filter(() => r.next() < 0.7);
		if (r.next() < 0.4) list.sort(() => r.next() - 0.5);
		if (r.next() < 0.2 && device.seen.length > 0) list.push(r.pick(device.seen));
		while (list.length > 0) {
			const some = list.splice(0, 1 + r.below(4)).map((e) => device.waiting.find((w) => w.id === e.id) ?? e);
			const mine = some.filter((e) => device.waiting.includes(e));
			if (mine.length === 0) continue;
			try {
				const answer = await at().runs.append(one.id, mine, device.id, now + device.off_ms);
				for (const e of answer.refused) told.add(e.id);
				for (const e of mine) if (!told.has(e.id)) acknowledged.add(e.id);
				device.seen = answer.events;
			} catch (error) {
				if (!(error instanceof AppError) || ![404, 409, 422].includes(error.status)) throw error;
				for (const e of mine) told.add(e.id);
				walked.refused += mine.length;
			}
			// Sometimes the answer is lost, and they are sent once more.
			if (r.next() < 0.85) for (const e of mine) device.waiting.splice(device.waiting.indexOf(e), 1);
		}
	}

	/** Meanwhile the household lives on: eats, moves, counts, takes back, tidies. */
	async function live(): Promise<void> {
		const packs = await link.db
			.select({ id: lot.id, packs: lotBalance.amount, unit: lot.unit })
			.from(lot)
			.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
			.where(and(eq(lot.householdId, home.id), isNotNull(lot.packEventId)));
		const there = packs.filter((p) => p.packs > 0);
		const full = there.filter((p) => p.unit === 'pack');
		// A run that packs nothing has its parts eaten.
		const eaten = full.length > 0 ? full : there;
		const what = r.next();
		try {
			if (what < 0.4 && eaten.length > 0) {
				const { id, packs: most, unit } = r.pick(eaten);
				const done = await at().stock.act(
					randomUUID(),
					{ lotId: id, kind: r.pick(['take', 'give', 'spoil'] as const), unit, amount: 1 + r.below(most) },
					'law'
				);
				steps.push(done.groupId);
			} else if (what < 0.5 && full.length > 0) {
				const { id, packs: most } = r.pick(full);
				const done = await at().stock.act(
					randomUUID(),
					{ lotId: id, kind: 'move', unit: 'pack', amount: 1 + r.below(most), placeId: r.pick(world.freezers) },
					'law'
				);
				steps.push(done.groupId);
			} else if (what < 0.6 && steps.length > 0) {
				await at().stock.undo(randomUUID(), steps.splice(r.below(steps.length), 1)[0] ?? '', 'law');
			} else if (what < 0.75) {
				await at().home.remove(randomUUID(), 'place', r.pick(world.freezers));
				walked.removed++;
			} else if (what < 0.82) {
				await at().home.remove(randomUUID(), 'container', r.pick(world.containers));
				walked.removed++;
			} else if (what < 0.9) {
				await at().stock.act(
					randomUUID(),
					{ lotId: r.pick(world.rawLots), kind: 'take', unit: 'dg', amount: 1 + r.below(9000) },
					'law'
				);
			} else {
				await at().runs.settle(randomUUID(), one.id, r.pick(['again', 'again', 'keep'] as const), 'law');
			}
		} catch (error) {
			if (!(error instanceof AppError) || ![404, 409].includes(error.status)) throw error;
		}
	}

	let status = 'open';
	for (let step = 0; step < 6 + r.below(14); step++) {
		now += r.below(900_000);
		const device = r.pick(devices);
		if (r.next() < 0.06) device.off_ms = r.pick([0, -40 * 60_000, 60 * 60_000]);
		for (let n = 1 + r.below(3); n > 0; n--)
			device.tap(one.tap(r, now, device.shown), now, r.next() < 0.15 ? r.below(30) * 60_000 : 0);
		if (r.next() < 0.6) await send(device, r.next() < 0.5);
		if (r.next() < 0.35) await live();
		const [row] = await link.db.select({ status: run.status }).from(run).where(eq(run.id, one.id));
		if (status !== 'open' && row?.status === 'open') walked.reopened++;
		status = row?.status ?? status;
	}
	now += 60_000;
	for (const device of devices) {
		await send(device, true);
		// Those whose answer was lost, once more.
		await send(device, true);
	}
	await check();

	async function check(): Promise<void> {
		// Nothing acknowledged is lost, nothing stands twice.
		const kept = await link.db.select().from(runEvent).where(eq(runEvent.runId, one.id));
		const ids = kept.map((k) => k.id);
		expect(new Set(ids).size, where).toBe(ids.length);
		expect(
			[...acknowledged].filter((id) => !ids.includes(id)),
			where
		).toEqual([]);
		const view = await at().runs.get(one.id);
		const book = one.book(view.events);
		expect(one.book([...view.events].reverse()), where).toEqual(book);
		if (book.end) walked.closed++;
		const { used, differed } = await expectBook(link, home, one.id, book, where);
		walked.differed += differed;
		// The drawer: what was counted, less what is booked.
		for (const c of await link.db
			.select()
			.from(container)
			.where(inArray(container.id, [...world.containers])))
			expect(c.count, where).toBe((drawer.get(c.id) ?? 0) - (used.get(c.id) ?? 0));
		await expectLedger(link, home.id, where);
	}
}

/** Every balance is the sum of its movements, none is below nothing, and nothing stands in a removed place. */
export async function expectLedger(link: Link, householdId: string, where: string): Promise<number> {
	const moves = await link.db.select().from(movement).where(eq(movement.householdId, householdId));
	const sums = new Map<string, number>();
	for (const m of moves) sums.set(m.lotId, (sums.get(m.lotId) ?? 0) + m.amount);
	const balances = await link.db
		.select({ balance: lotBalance, removedAt: place.removedAt })
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.innerJoin(place, eq(place.id, lot.placeId))
		.where(eq(lotBalance.householdId, householdId));
	for (const { balance, removedAt } of balances) {
		expect(balance.amount, where).toBe(sums.get(balance.lotId) ?? 0);
		expect(balance.amount, where).toBeGreaterThanOrEqual(0);
		if (balance.amount > 0) expect(removedAt, where).toBeNull();
	}
	await expectFoodDays(link.db, householdId, where);
	return balances.length;
}

/**
 * Entry, lots and ledger of one run against the book of its fold, plus its differences.
 *
 * @returns packs booked by container, and how many lots differ
 */
export async function expectBook(
	link: Link,
	home: HouseholdRow,
	runId: string,
	book: RunBook,
	where: string
): Promise<{ used: Map<string, number>; differed: number }> {
	let differed = 0;
	// The entries: one for each thing that came out, and none that counts beside them.
	const [row] = await link.db.select().from(run).where(eq(run.id, runId));
	expect(row?.status, where).toBe(book.end?.status ?? 'open');
	const outputs = await link.db.select().from(runOutput).where(eq(runOutput.runId, runId));
	const entries = await link.db.select().from(batch).where(eq(batch.runId, runId));
	const counting = entries.filter((e) => e.voidedAt === null);
	expect(counting.length, where).toBe(book.entries.length);
	for (const wanted of book.entries) {
		const output = outputs.find((o) => o.n === wanted.n);
		const entry = counting.find((e) => e.id === output?.batchId);
		expect(entry, where).toMatchObject({ food: wanted.food, title: wanted.title, code: output?.code });
		expect(entry?.closing, where).toEqual(JSON.parse(JSON.stringify(wanted.closing)));
		expect(entry?.packedOn, where).toBe(dateIn(home.zone, book.end?.endedAt ?? 0));
		expect([entry?.again, entry?.change], where).toEqual([book.again?.would ?? '', book.again?.change ?? '']);
		// What went in is what came out, what was eaten, what came off, and what is lost.
		const { raw_g, packed_g, supper_g, byproduct_g = 0, lost_g = 0, added_g = 0 } = wanted.closing;
		expect(packed_g + supper_g + byproduct_g + lost_g, where).toBe(raw_g + added_g);
	}
	// What it has spoken for holds as long as it goes on.
	const claims = await link.db.select().from(claim).where(eq(claim.runId, runId));
	for (const one of claims) expect(one.endedAt === null, where).toBe(book.end === null);
	// Lots and ledger: what the fold says, plus what is different.
	const lots = await link.db
		.select({ lot })
		.from(lot)
		.innerJoin(runEvent, and(eq(runEvent.householdId, lot.householdId), eq(runEvent.id, lot.packEventId)))
		.where(and(eq(lot.householdId, home.id), eq(runEvent.runId, runId)))
		.then((rows) => rows.map((r) => r.lot));
	const moves = await link.db.select().from(movement).where(eq(movement.householdId, home.id));
	const differences = await link.db.select().from(difference).where(eq(difference.runId, runId));
	const booked = (lotId: string) =>
		moves.filter((m) => m.lotId === lotId && m.runId === runId).reduce((s, m) => s + m.amount, 0);
	const differs = (lotId: string) => {
		const of = differences.filter((d) => d.lotId === lotId);
		const settled = of.filter((d) => d.settledAt).reduce((s, d) => s + d.amount, 0);
		return { open: of.filter((d) => !d.settledAt).reduce((s, d) => s + d.amount, 0), settled };
	};
	const used = new Map<string, number>();
	for (const line of [...book.packs, ...book.byproducts])
		expect(lots.filter((l) => l.packEventId === line.eventId).length, where).toBe(1);
	for (const one of lots) {
		const packs = book.packs.find((p) => p.eventId === one.packEventId);
		const off = book.byproducts.find((p) => p.eventId === one.packEventId);
		const over = booked(one.id) - (packs?.packs ?? dgOf(off?.grams ?? 0));
		const { open, settled } = differs(one.id);
		expect(over, where).toBeGreaterThanOrEqual(0);
		expect(open, where).toBe(Math.max(0, over - settled));
		if (packs) {
			const entry = book.entries.find((e) => e.n === packs.subject);
			// It is what the plan says: no line is read again for it when it goes back to work.
			expect([one.food, one.state, one.waiting, one.reader], where).toEqual([entry?.food, entry?.state, false, 1]);
			expect(one.batchId, where).toBe(outputs.find((o) => o.n === packs.subject)?.batchId);
		}
		// What was put into its place waits for nothing.
		if (off) expect([one.food, one.form, one.unit, one.waiting], where).toEqual([off.food, off.form, 'dg', !off.kept]);
		if (over > 0) differed++;
		if (one.containerId) used.set(one.containerId, (used.get(one.containerId) ?? 0) + booked(one.id));
	}
	const raw = await link.db.select().from(runLot).where(eq(runLot.runId, runId));
	expect(raw.length, where).toBeGreaterThan(0);
	for (const { lotId } of raw) {
		const wanted = dgOf(book.used.find((u) => u.lotId === lotId)?.grams ?? 0);
		const less = wanted + booked(lotId);
		expect(less, where).toBeGreaterThanOrEqual(0);
		expect(differs(lotId).open, where).toBe(Math.max(0, less - differs(lotId).settled));
	}
	return { used, differed };
}

async function ground(link: Link, kind: KindUnderLaw, seed: number): Promise<World> {
	const start = Date.parse('2026-08-25T08:00:00Z');
	const id = await newHousehold(link.db, { name: `law ${seed}`, zone: 'Europe/Prague', now: new Date(start) });
	const home = await householdById(link.db, id);
	if (!home) throw new Error('no household');
	const { stock, home: house } = storesFor(link.db, home, new Date(start));
	await house.addPlace(randomUUID(), { name: 'Chest', kind: 'freezer', tempC: -18, litres: 200 });
	await house.addContainer(randomUUID(), { name: 'Bag', kind: 'bag', volumeMl: 1000, count: 40 });
	await house.addContainer(randomUUID(), { name: 'Box', kind: 'box', volumeMl: 750, count: 40 });
	const places = await house.places();
	const counter = places.find((p) => p.kind === 'counter')?.id ?? '';
	const raw_g = 4200;
	const rawLots: string[] = [];
	for (const food of kind.foods) {
		const { lotId } = await stock.addRaw(
			{ key: randomUUID(), body: {} },
			{
				food: food.id,
				form: food.form,
				placeId: counter,
				condition: 'firm',
				title: food.id,
				said: '',
				note: '',
				since: new Date(start),
				grams: raw_g + 300,
				reader: 1
			},
			'law'
		);
		rawLots.push(lotId);
	}
	return {
		home,
		start,
		rawLots,
		raw_g,
		counter,
		freezers: places.filter((p) => p.kind === 'freezer').map((p) => p.id),
		containers: (await house.containers()).map((c) => c.id)
	};
}
