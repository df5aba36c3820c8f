import { and, asc, eq, inArray, isNotNull, isNull, ne, or, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { dateIn, monthsAfter } from '$core/freezing/keep';
import { bookOf, type RunBook } from '$core/runs/book';
import type { PackedLine, RunState } from '$core/runs/fold';
import { dgOf, packsOfGrams } from '$core/stock/amount';
import type { Closing } from '$core/runs/close';
import type { Tx } from '../../db/client';
import { batch, container, difference, lot, lotBalance, movement, place, run, runOutput } from '../../db/schema';
import type { HouseholdRow } from '../households';
import { claimsOfRun } from '../stock/claims';
import { makeLot, post, type Change } from '../stock/post';
import type { RunRow } from './read';

interface At {
	readonly now: Date;
	readonly by: string;
}

/**
 * Brings entry, lots, drawer and ledger of a run to what the fold of all its taps says, whatever they said before.
 *
 * What cannot be (packs eaten since, raw food gone meanwhile) becomes an open difference; one that is no longer there
 * goes. The run's row is locked by the caller; locks follow in one order: places, balances by id, containers by id.
 *
 * @returns what has to be told: a place that was removed meanwhile and is back
 */
export async function settle(tx: Tx, home: HouseholdRow, row: RunRow, state: RunState, at: At): Promise<string[]> {
	const book = bookOf(row.plan, state);
	const entry = await writeEntry(tx, home, row, book, at);
	await tx
		.update(run)
		.set({ status: book.entry?.status ?? 'open' })
		.where(eq(run.id, row.id));
	await claimsOfRun(tx, home.id, row.id, book.entry ? at.now : null);
	const told = await bringBack(tx, home.id, book.packs);
	const lots = await lotsOf(tx, home, row, book, entry, at);
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
		const wanted = (made?.packs ?? 0) - dgOf(used?.grams ?? 0);
		// What has been eaten since cannot be taken off the shelf; what is gone cannot be used up.
		const amount = Math.max(wanted - booked, -balance.amount);
		if (amount !== 0) {
			const kind = made ? ('put' as const) : ('use' as const);
			changes.push({ lotId, kind, amount, batchId: entry, runId: row.id });
		}
		if (amount !== 0 && made?.containerId) drawer.set(made.containerId, (drawer.get(made.containerId) ?? 0) + amount);
		const left = booked + amount - wanted;
		if (left !== 0) open.set(lotId, { unit: made ? 'packs' : 'dg', amount: left });
	}
	if (changes.length > 0) {
		const occurredAt = new Date(Math.min(at.now.getTime(), book.entry?.endedAt ?? at.now.getTime()));
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

/** What a closing says that can be asked for. */
export const columnsOf = (closing: Closing) => ({
	rawG: Math.round(closing.raw_g),
	packedG: Math.round(closing.packed_g),
	packsMade: closing.packs,
	yieldMass: closing.yield,
	elapsedS: Math.round(closing.elapsed_s),
	handsS: Math.round(closing.hands_s)
});

/** The entry in the book: made at the first closing, brought up to date at every other, set aside while the run goes on. */
async function writeEntry(tx: Tx, home: HouseholdRow, row: RunRow, book: RunBook, at: At): Promise<string | null> {
	const [output] = await tx
		.select()
		.from(runOutput)
		.where(and(eq(runOutput.householdId, home.id), eq(runOutput.runId, row.id), eq(runOutput.n, 1)));
	if (!output) throw new Error(`Run ${row.id} has no output.`);
	const { plan } = row;
	if (!book.entry) {
		if (output.batchId) await tx.update(batch).set({ voidedAt: at.now }).where(eq(batch.id, output.batchId));
		return output.batchId;
	}
	// On the day that it was done, by the taps: not on the day that they arrived.
	const packedOn = dateIn(home.zone, Math.min(book.entry.endedAt, at.now.getTime()));
	const dated = {
		packedOn,
		keepsUntil: monthsAfter(packedOn, plan.months[1]),
		closing: book.entry.closing,
		...columnsOf(book.entry.closing),
		voidedAt: null
	};
	if (output.batchId) {
		await tx.update(batch).set(dated).where(eq(batch.id, output.batchId));
		return output.batchId;
	}
	const id = uuidv7();
	await tx.insert(batch).values({
		id,
		householdId: home.id,
		code: output.code,
		food: plan.food.id,
		form: plan.form,
		cut: plan.cut.id,
		way: plan.way.name,
		wayId: plan.way.id,
		method: 'freeze',
		title: `${plan.food.name}, ${plan.cut.name}`,
		useWords: plan.use,
		runId: row.id,
		...dated,
		createdAt: at.now
	});
	await tx
		.update(runOutput)
		.set({ batchId: id })
		.where(and(eq(runOutput.runId, row.id), eq(runOutput.n, 1)));
	return id;
}

/** Places and containers that were taken out of use while packs were on their way to them. */
async function bringBack(tx: Tx, householdId: string, lines: readonly PackedLine[]): Promise<string[]> {
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

/** The lots of what was packed, by id: one tap, one lot, made when its packs first come into the book. */
async function lotsOf(
	tx: Tx,
	home: HouseholdRow,
	row: RunRow,
	book: RunBook,
	entry: string | null,
	at: At
): Promise<Map<string, { packs: number; containerId: string | null }>> {
	const { plan } = row;
	const known = entry
		? await tx
				.select({
					id: lot.id,
					eventId: lot.packEventId,
					containerId: lot.containerId,
					keepsUntil: lot.keepsUntil
				})
				.from(lot)
				.where(and(eq(lot.householdId, home.id), eq(lot.batchId, entry), isNotNull(lot.packEventId)))
		: [];
	const wanted = new Map(book.packs.map((line) => [line.eventId, line]));
	const lots = new Map(
		known.map((k) => [k.id, { packs: wanted.get(k.eventId ?? '')?.packs ?? 0, containerId: k.containerId }])
	);
	if (!book.entry || !entry) return lots;
	const packedOn = dateIn(home.zone, Math.min(book.entry.endedAt, at.now.getTime()));
	const keepsUntil = monthsAfter(packedOn, plan.months[1]);
	if (known.length > 0)
		await tx
			.update(lot)
			.set({ keepsUntil })
			.where(
				and(
					eq(lot.householdId, home.id),
					eq(lot.batchId, entry),
					or(isNull(lot.keepsUntil), ne(lot.keepsUntil, keepsUntil))
				)
			);
	const there = new Set(known.map((k) => k.eventId));
	for (const line of book.packs) {
		if (there.has(line.eventId)) continue;
		const id = await makeLot(
			tx,
			home.id,
			{
				...packsOfGrams(line.pack_g),
				state: 'frozen',
				food: plan.food.id,
				form: plan.form,
				placeId: line.placeId,
				condition: 'firm',
				said: '',
				note: '',
				title: `${plan.food.name}, ${plan.cut.name}`,
				containerId: line.containerId,
				batchId: entry,
				packEventId: line.eventId,
				since: new Date(Math.min(line.at, at.now.getTime())),
				keepsUntil
			},
			at.now
		);
		lots.set(id, { packs: line.packs, containerId: line.containerId });
	}
	return lots;
}

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
