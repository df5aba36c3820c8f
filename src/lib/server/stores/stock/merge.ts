import { and, asc, eq, inArray } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { sayThing } from '$core/stock/amount';
import { afterLooks } from '$core/stock/looks';
import type { Tx } from '../../db/client';
import { look, lot, lotBalance, lotParent, place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { staysMerged } from '../../things';
import { across } from './act';
import { post, unitsOf, type LotRow, type Step } from './post';

/** What must be alike for two lots to be one: everything that a way, a clock or a process hangs on. */
export const likeness = (row: LotRow): string =>
	JSON.stringify([
		row.food, row.foodKind, row.form, row.state, row.was, row.condition, row.unit, row.content, row.contentUnit,
		row.madeOf, row.wild, row.identified, row.process, row.placeId, row.waiting, row.unit === 'pack' ? row.batchId : null
	]); // prettier-ignore

/**
 * Puts one lot to another like it: a jar topped up, a second picking in the same box. The oldest sets the date, and the
 * clock goes on from whichever of the two ends sooner: nothing is made younger by what is laid on top.
 *
 * @throws {AppError} 404; 409 AT_THE_STOVE, KEPT_FOR, NOTHING_LEFT, NOT_SOUND; 422 NOT_ALIKE
 */
export async function mergeLots(
	tx: Tx,
	householdId: string,
	step: { lotId: string; fromId: string },
	at: { now: Date; by: string }
): Promise<Step> {
	const notAlike = (words: string) => new AppError(422, 'NOT_ALIKE', `${words} Nothing was changed.`);
	if (step.lotId === step.fromId) throw notAlike('That is the same one.');
	const rows = await tx
		.select({ lot, place, amount: lotBalance.amount })
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.innerJoin(place, eq(place.id, lot.placeId))
		.where(and(eq(lotBalance.householdId, householdId), inArray(lotBalance.lotId, [step.lotId, step.fromId])))
		.orderBy(asc(lotBalance.lotId))
		.for('update', { of: lotBalance });
	const into = rows.find((r) => r.lot.id === step.lotId);
	const from = rows.find((r) => r.lot.id === step.fromId);
	if (!into || !from) throw notFound('lot');
	if (likeness(into.lot) !== likeness(from.lot))
		throw notAlike(
			'Only what is alike and stands in one place becomes one: food, form, state, process and date of packing.'
		);
	if (from.amount === 0 || into.amount === 0)
		throw new AppError(409, 'NOTHING_LEFT', 'Of one of them nothing is left. Nothing was changed.');
	const looked = await tx
		.select()
		.from(look)
		.where(and(eq(look.householdId, householdId), inArray(look.lotId, [step.lotId, step.fromId])));
	for (const { lot: one } of rows) {
		const found = afterLooks(looked.filter((l) => l.lotId === one.id).map((l) => ({ ...l, at: l.at.getTime() })));
		if (found.ended || found.by !== null)
			throw new AppError(
				409,
				'NOT_SOUND',
				'Something was found at one of them: it would spoil the rest. Nothing was changed; use that one first, or take out what is bad and look again.'
			);
	}
	const clock = staysMerged(into.lot, into.place, from.lot, from.place, at.now);
	const dates = [into.lot.keepsUntil, from.lot.keepsUntil].filter((d) => d !== null).sort();
	// A price is for all of it: of a part that nobody priced there is none.
	const priced =
		into.lot.priceMinor !== null && from.lot.priceMinor !== null && into.lot.currency === from.lot.currency;
	const weight = into.amount * into.lot.unitG + from.amount * from.lot.unitG;
	await tx
		.update(lot)
		.set({
			...clock,
			since: into.lot.since < from.lot.since ? into.lot.since : from.lot.since,
			keepsUntil: dates[0] ?? null,
			unitG: weight / (into.amount + from.amount),
			priceMinor: priced ? (into.lot.priceMinor ?? 0) + (from.lot.priceMinor ?? 0) : null
		})
		.where(and(eq(lot.householdId, householdId), eq(lot.id, into.lot.id)));
	await tx
		.insert(lotParent)
		.values({ lotId: into.lot.id, parentId: from.lot.id, householdId, how: 'merge' })
		.onConflictDoNothing();
	const groupId = uuidv7();
	await post(tx, householdId, groupId, across('merge', from.lot, into.lot.id, from.amount), at);
	const units = await unitsOf(tx, householdId);
	return {
		groupId,
		lotId: into.lot.id,
		words: `${sayThing(from.lot, from.amount, from.lot.title, units)} put to the rest in ${into.place.name}`
	};
}
