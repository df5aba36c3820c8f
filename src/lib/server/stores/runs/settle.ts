import { and, asc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { RunBook } from '$core/runs/engine/book';
import { kindOf, planOf, type RunPlan, type RunState } from '$core/runs/kinds';
import { dgOf } from '$core/stock/amount';
import type { Tx } from '../../db/client';
import { container, difference, lotBalance, movement, place, run } from '../../db/schema';
import type { HouseholdRow } from '../households';
import { claimsOfRun } from '../stock/claims';
import { post, type Change } from '../stock/post';
import { writeEntries, type Entries } from './entries';
import { lotsOf } from './lots';
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
