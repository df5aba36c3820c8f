import { and, asc, eq, inArray, isNotNull, isNull, ne, or, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { dateIn, monthsAfter } from '$core/freezing/keep';
import type { Closing, RunBook } from '$core/runs/engine/book';
import type { ByProductLine } from '$core/runs/engine/fold';
import { kindOf, planOf, type RunPlan, type RunState } from '$core/runs/kinds';
import { dgOf, packsOfGrams } from '$core/stock/amount';
import { plain } from '$core/things/thing';
import type { Tx } from '../../db/client';
import {
	batch,
	container,
	difference,
	lot,
	lotBalance,
	movement,
	place,
	run,
	runEvent,
	runOutput
} from '../../db/schema';
import { knownFood, lotOfThing } from '../../things';
import type { HouseholdRow } from '../households';
import { claimsOfRun } from '../stock/claims';
import { makeLot, post, type Change } from '../stock/post';
import type { RunRow } from './read';

interface At {
	readonly now: Date;
	readonly by: string;
}

/**
 * Brings entries, lots, drawer and ledger of a run to what the fold of all its taps says, whatever they said before.
 *
 * What cannot be (packs eaten since, raw food gone meanwhile) becomes an open difference; one that is no longer there
 * goes. The run's row is locked by the caller; locks follow in one order: places, balances by id, containers by id.
 *
 * @returns what has to be told: a place that was removed meanwhile and is back
 */
export async function settle(tx: Tx, home: HouseholdRow, row: RunRow, state: RunState, at: At): Promise<string[]> {
	const plan = planOf(row.plan);
	const book = kindOf(plan).book(plan, state);
	const entries = await writeEntries(tx, home, row, book, at);
	await tx
		.update(run)
		.set({ status: book.end?.status ?? 'open' })
		.where(eq(run.id, row.id));
	await claimsOfRun(tx, home.id, row.id, book.end ? at.now : null);
	const told = await bringBack(tx, home.id, [...book.packs, ...book.byproducts]);
	const lots = await lotsOf(tx, home, row, book, entries, at);
	const before = await bookedOf(tx, home.id, row.id);
	const lotIds = [...new Set([...lots.keys(), ...before.keys(), ...book.used.map((u) => u.lotId)])];
	if (lotIds.length === 0) return told;
	const balances = await tx
		.select()
		.from(lotBalance)
		.where(and(eq(lotBalance.householdId, home.id), inArray(lotBalance.lotId, lotIds)))
		.orderBy(asc(lotBalance.lotId))
		.for('update');
	const changes: Change[] = [];
	const drawer = new Map<string, number>();
	const open = new Map<string, { unit: 'packs' | 'dg'; amount: number }>();
	for (const balance of balances) {
		const { lotId } = balance;
		const booked = before.get(lotId) ?? 0;
		const made = lots.get(lotId);
		const used = book.used.find((u) => u.lotId === lotId);
		const wanted = (made?.amount ?? 0) - dgOf(used?.grams ?? 0);
		// What has been eaten since cannot be taken off the shelf; what is gone cannot be used up.
		const amount = Math.max(wanted - booked, -balance.amount);
		if (amount !== 0) {
			const kind = made ? ('put' as const) : ('use' as const);
			changes.push({
				lotId,
				kind,
				amount,
				batchId: made?.batchId ?? entryOf(book, entries, lotId, plan),
				runId: row.id
			});
		}
		if (amount !== 0 && made?.containerId) drawer.set(made.containerId, (drawer.get(made.containerId) ?? 0) + amount);
		const left = booked + amount - wanted;
		if (left !== 0) open.set(lotId, { unit: made?.unit === 'pack' ? 'packs' : 'dg', amount: left });
	}
	if (changes.length > 0) {
		const occurredAt = new Date(Math.min(at.now.getTime(), book.end?.endedAt ?? at.now.getTime()));
		await post(tx, home.id, uuidv7(), changes, { ...at, occurredAt });
	}
	for (const [id, used] of [...drawer].sort(([a], [b]) => (a < b ? -1 : 1)))
		await tx
			.update(container)
			.set({ count: sql`${container.count} - ${used}` })
			.where(and(eq(container.householdId, home.id), eq(container.id, id)));
	await keepDifferences(tx, home.id, row.id, open, at.now);
	return told;
}

/** The entry that used up a lot: the first of those that did. */
function entryOf(book: RunBook, entries: Entries, lotId: string, plan: RunPlan): string | null {
	const n =
		kindOf(plan)
			.lots(plan)
			.findIndex((l) => l.lotId === lotId) + 1;
	return entries.get(n) ?? entries.get(book.entries[0]?.n ?? 1) ?? null;
}

/** What a closing says that can be asked for. */
export const columnsOf = (closing: Closing) => ({
	rawG: Math.round(closing.raw_g),
	packedG: Math.round(closing.packed_g),
	packsMade: closing.packs,
	yieldMass: closing.yield,
	elapsedS: Math.round(closing.elapsed_s),
	handsS: Math.round(closing.hands_s)
});

/** Ids of entries by the number of what came out; those that are set aside too. */
type Entries = ReadonlyMap<number, string>;

/**
 * The entries in the book, one for each thing that came out: made at the first closing, brought up to date at every other,
 * set aside while the run goes on or where nothing came of it any more.
 */
async function writeEntries(tx: Tx, home: HouseholdRow, row: RunRow, book: RunBook, at: At): Promise<Entries> {
	const outputs = await tx
		.select()
		.from(runOutput)
		.where(and(eq(runOutput.householdId, home.id), eq(runOutput.runId, row.id)))
		.orderBy(asc(runOutput.n));
	const ids = new Map(outputs.flatMap((o) => (o.batchId ? [[o.n, o.batchId] as const] : [])));
	const idle = [...ids].filter(([n]) => !book.entries.some((e) => e.n === n)).map(([, id]) => id);
	if (idle.length > 0)
		await tx
			.update(batch)
			.set({ voidedAt: at.now })
			.where(and(eq(batch.householdId, home.id), inArray(batch.id, idle), isNull(batch.voidedAt)));
	if (!book.end) return ids;
	// On the day that it was done, by the taps: not on the day that they arrived.
	const packedOn = dateIn(home.zone, Math.min(book.end.endedAt, at.now.getTime()));
	for (const entry of book.entries) {
		const dated = {
			packedOn,
			keepsUntil: monthsAfter(packedOn, entry.months),
			closing: entry.closing,
			...columnsOf(entry.closing),
			again: book.again?.would ?? ('' as const),
			change: book.again?.change ?? '',
			voidedAt: null
		};
		const known = ids.get(entry.n);
		if (known) {
			await tx.update(batch).set(dated).where(eq(batch.id, known));
			continue;
		}
		const output = outputs.find((o) => o.n === entry.n);
		if (!output) throw new Error(`Run ${row.id} has no output ${entry.n}.`);
		const id = uuidv7();
		const { food, form, cut, way, wayId, method, title, use: useWords } = entry;
		await tx.insert(batch).values({
			id,
			householdId: home.id,
			code: output.code,
			food,
			form,
			cut,
			way,
			wayId,
			method,
			title,
			useWords,
			runId: row.id,
			...dated,
			createdAt: at.now
		});
		await tx
			.update(runOutput)
			.set({ batchId: id })
			.where(and(eq(runOutput.runId, row.id), eq(runOutput.n, entry.n)));
		ids.set(entry.n, id);
	}
	return ids;
}

/** Places and containers that were taken out of use while packs were on their way to them. */
async function bringBack(
	tx: Tx,
	householdId: string,
	lines: readonly { readonly placeId: string }[]
): Promise<string[]> {
	const ids = [...new Set(lines.map((l) => l.placeId))].sort();
	if (ids.length === 0) return [];
	// Nobody removes a place while packs are put there.
	const places = await tx
		.select()
		.from(place)
		.where(and(eq(place.householdId, householdId), inArray(place.id, ids)))
		.orderBy(asc(place.id))
		.for('share');
	const told: string[] = [];
	for (const gone of places.filter((p) => p.removedAt !== null)) {
		const [other] = await tx
			.select({ id: place.id })
			.from(place)
			.where(and(eq(place.householdId, householdId), eq(place.name, gone.name), isNull(place.removedAt)));
		const name = other ? `${gone.name} (${gone.id.slice(-4)})` : gone.name;
		await tx
			.update(place)
			.set({ removedAt: null, name })
			.where(and(eq(place.id, gone.id), isNotNull(place.removedAt)));
		told.push(`${name} had been removed meanwhile. Packs of this run stand in it, so it is back in the Kitchen.`);
	}
	return told;
}

/** A lot that the run made: what of it is to stand there, in its unit. */
interface MadeLot {
	readonly amount: number;
	readonly unit: 'pack' | 'dg';
	readonly containerId: string | null;
	readonly batchId: string | null;
}

/**
 * The lots of what came out, by id: one tap, one lot, made when it first comes into the book. Packs belong to their entry;
 * by-products wait in the Basket.
 */
async function lotsOf(
	tx: Tx,
	home: HouseholdRow,
	row: RunRow,
	book: RunBook,
	entries: Entries,
	at: At
): Promise<Map<string, MadeLot>> {
	const known = await tx
		.select({
			id: lot.id,
			eventId: lot.packEventId,
			containerId: lot.containerId,
			unit: lot.unit,
			batchId: lot.batchId
		})
		.from(lot)
		.innerJoin(runEvent, and(eq(runEvent.householdId, lot.householdId), eq(runEvent.id, lot.packEventId)))
		.where(and(eq(lot.householdId, home.id), eq(runEvent.runId, row.id)));
	const packs = new Map(book.packs.map((line) => [line.eventId, line.packs]));
	const loose = new Map(book.byproducts.map((line) => [line.eventId, dgOf(line.grams)]));
	const lots = new Map<string, MadeLot>();
	for (const { id, eventId, containerId, unit, batchId } of known) {
		const amount = (unit === 'pack' ? packs : loose).get(eventId ?? '') ?? 0;
		lots.set(id, { amount, unit: unit === 'pack' ? 'pack' : 'dg', containerId, batchId });
	}
	if (!book.end) return lots;
	const packedOn = dateIn(home.zone, Math.min(book.end.endedAt, at.now.getTime()));
	const there = new Set(known.map((k) => k.eventId));
	for (const entry of book.entries) {
		const batchId = entries.get(entry.n) ?? null;
		const keepsUntil = monthsAfter(packedOn, entry.months);
		if (batchId && known.some((k) => k.batchId === batchId))
			await tx
				.update(lot)
				.set({ keepsUntil })
				.where(
					and(
						eq(lot.householdId, home.id),
						eq(lot.batchId, batchId),
						or(isNull(lot.keepsUntil), ne(lot.keepsUntil, keepsUntil))
					)
				);
		for (const line of book.packs) {
			if (line.subject !== entry.n || there.has(line.eventId)) continue;
			const id = await makeLot(
				tx,
				home.id,
				{
					...packsOfGrams(line.pack_g),
					state: 'frozen',
					food: entry.food,
					form: entry.form,
					placeId: line.placeId,
					condition: 'firm',
					said: '',
					note: '',
					title: entry.title,
					containerId: line.containerId,
					batchId,
					packEventId: line.eventId,
					since: new Date(Math.min(line.at, at.now.getTime())),
					keepsUntil
				},
				at.now
			);
			lots.set(id, { amount: line.packs, unit: 'pack', containerId: line.containerId, batchId });
		}
	}
	for (const line of book.byproducts) {
		if (there.has(line.eventId)) continue;
		const id = await makeLot(
			tx,
			home.id,
			{ ...byProductLot(line), since: new Date(Math.min(line.at, at.now.getTime())) },
			at.now
		);
		lots.set(id, { amount: dgOf(line.grams), unit: 'dg', containerId: null, batchId: null });
	}
	return lots;
}

/** What came off on the way, as it stands in the Basket. */
const byProductLot = (line: ByProductLine) => ({
	...lotOfThing({
		...plain(knownFood(line.food)),
		form: line.form,
		called: `${knownFood(line.food).name} ${line.form}`
	}),
	unit: 'dg' as const,
	waiting: true,
	placeId: line.placeId,
	said: '',
	note: 'came off at the stove',
	packEventId: line.eventId
});

/** What a run has booked so far, by lot: the sum of its own movements. */
async function bookedOf(tx: Tx, householdId: string, runId: string) {
	const rows = await tx
		.select({
			lotId: movement.lotId,
			amount: sql<string>`sum(${movement.amount})`
		})
		.from(movement)
		.where(and(eq(movement.householdId, householdId), eq(movement.runId, runId)))
		.groupBy(movement.lotId);
	return new Map(rows.map((r) => [r.lotId, Number(r.amount)]));
}

/** Open differences become what is different now, less what a person has settled already. */
async function keepDifferences(
	tx: Tx,
	householdId: string,
	runId: string,
	open: ReadonlyMap<string, { unit: 'packs' | 'dg'; amount: number }>,
	now: Date
): Promise<void> {
	const rows = await tx
		.select()
		.from(difference)
		.where(and(eq(difference.householdId, householdId), eq(difference.runId, runId)));
	const lotIds = new Set([...open.keys(), ...rows.map((r) => r.lotId)]);
	for (const lotId of lotIds) {
		const settled = rows.filter((r) => r.lotId === lotId && r.settledAt !== null).reduce((s, r) => s + r.amount, 0);
		const standing = rows.find((r) => r.lotId === lotId && r.settledAt === null);
		const found = open.get(lotId);
		const amount = Math.max(0, (found?.amount ?? 0) - settled);
		if (standing && amount === 0) await tx.delete(difference).where(eq(difference.id, standing.id));
		else if (standing && standing.amount !== amount)
			await tx.update(difference).set({ amount }).where(eq(difference.id, standing.id));
		else if (!standing && found && amount > 0)
			await tx
				.insert(difference)
				.values({ id: uuidv7(), householdId, runId, lotId, unit: found.unit, amount, foundAt: now });
	}
}
