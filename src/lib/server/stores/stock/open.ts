import { and, eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { amountOf, dgOf, gramsOf, sayContent, sayThing } from '$core/stock/amount';
import { mayStand } from '$core/safety/stand';
import type { Tx } from '../../db/client';
import { lotBalance, place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { lotThing, standingIn } from '../../things';
import { across } from './act';
import { makeChild, openPlace, ownLot, post, unitsOf, type LotRow, type Step } from './post';

interface At {
	readonly now: Date;
	readonly by: string;
}

/** States that opening changes: a bag from the freezer is closed again, a jar is not. */
const sealedStates = new Set<LotRow['state']>(['canned', 'pickled', 'fermented', 'dried', 'vacuumed', 'sugared']);

/** Those that spoil once they are open. */
const wetSealed = new Set<LotRow['state']>(['canned', 'pickled', 'fermented']);

/**
 * Opens one pack: what was in it stands loose from now on, with the clock of what is opened, and can be used in part.
 *
 * @param placeId where it stands then; the fridge by the safety room's word
 * @throws {AppError} 404; 409 NOT_ENOUGH; 422 NOT_A_PACK, MAY_NOT_STAND
 */
export async function openPack(
	tx: Tx,
	householdId: string,
	step: { lotId: string; placeId?: string },
	at: At
): Promise<Step> {
	const row = await ownLot(tx, householdId, step.lotId);
	if (row.unit !== 'pack' || row.content === null || row.contentUnit === null)
		throw new AppError(422, 'NOT_A_PACK', 'Only a pack can be opened. Nothing was changed.');
	const [from] = await tx.select().from(place).where(eq(place.id, row.placeId));
	if (!from) throw notFound('place');
	const state = sealedStates.has(row.state) ? 'opened' : row.state;
	const to = step.placeId
		? await openPlace(tx, householdId, step.placeId)
		: await homeOfOpened(tx, row, state, from, at);
	const { thing } = lotThing({ ...row, state, was: row.state }, to, at.now);
	const stand = mayStand(thing, { ...standingIn(to), name: to.name, loose: true }, 'said');
	if (stand.kind === 'refused')
		throw new AppError(
			422,
			'MAY_NOT_STAND',
			`${stand.reason} Instead: ${stand.instead.join('; ')}. Nothing was changed.`,
			[{ field: 'placeId', message: 'Choose another place.' }]
		);
	const lotId = await makeChild(
		tx,
		row,
		'open',
		{
			unit: row.contentUnit,
			content: null,
			contentUnit: null,
			unitG: row.unitG / row.content,
			state: stand.state,
			was: row.state === 'opened' ? row.was : row.state,
			placeId: to.id,
			// The second clock counts anew from now, whatever the first had left.
			stays: [],
			placedAt: at.now,
			keepsUntil: state === row.state ? row.keepsUntil : null,
			containerId: null
		},
		at.now
	);
	const groupId = uuidv7();
	await post(tx, householdId, groupId, across('open', row, lotId, 1, row.content), at);
	const units = await unitsOf(tx, householdId);
	return { groupId, lotId, words: `1 pack ${row.title} opened: ${sayContent(row, units)} in ${to.name}` };
}

/** Where an opened pack goes when nobody says: where it may stand; else to the fridge. */
async function homeOfOpened(
	tx: Tx,
	row: LotRow,
	state: LotRow['state'],
	from: typeof place.$inferSelect,
	at: At
): Promise<typeof place.$inferSelect> {
	const { thing } = lotThing({ ...row, state, was: row.state }, from, at.now);
	if (mayStand(thing, { ...standingIn(from), name: from.name, loose: true }, 'said').kind === 'may') return from;
	const [fridge] = await tx
		.select()
		.from(place)
		.where(and(eq(place.householdId, row.householdId), eq(place.kind, 'fridge'), sql`${place.removedAt} is null`))
		.orderBy(place.position)
		.for('share');
	if (!fridge)
		throw new AppError(422, 'NO_FRIDGE', 'Opened it wants a fridge, and this kitchen has none. Nothing was changed.');
	return fridge;
}

/**
 * From the shelf back into work: packs or loose, they stand in the Basket by weight, and any run whose way takes them may
 * have them.
 *
 * @param step.amount in the lot's unit
 * @throws {AppError} 404; 409 NOT_ENOUGH, WAITS_ALREADY
 */
export async function intoWork(
	tx: Tx,
	householdId: string,
	step: { lotId: string; amount: number },
	at: At
): Promise<Step> {
	const row = await ownLot(tx, householdId, step.lotId);
	if (row.waiting) throw new AppError(409, 'WAITS_ALREADY', 'It stands in the Basket already. Nothing was changed.');
	const grams = gramsOf(row, step.amount);
	// A jar that is worked with is open; what is dry or frozen is only weighed out.
	const opens = row.unit === 'pack' && wetSealed.has(row.state);
	const [from] = await tx.select().from(place).where(eq(place.id, row.placeId));
	if (!from) throw notFound('place');
	const to = opens ? await homeOfOpened(tx, row, 'opened', from, at) : from;
	const lotId = await makeChild(
		tx,
		row,
		'split',
		{
			unit: 'dg',
			content: null,
			contentUnit: null,
			unitG: 0.1,
			waiting: true,
			containerId: null,
			...(opens
				? { state: 'opened', was: row.state, placeId: to.id, stays: [], placedAt: at.now, keepsUntil: null }
				: { placedAt: row.placedAt ?? row.since })
		},
		at.now
	);
	const groupId = uuidv7();
	await post(tx, householdId, groupId, across('split', row, lotId, step.amount, dgOf(grams)), at);
	const units = await unitsOf(tx, householdId);
	return {
		groupId,
		lotId,
		words: `${sayThing(row, step.amount, row.title, units)} ${opens ? `opened, in ${to.name}` : 'in the Basket'}`
	};
}

/**
 * Out of the Basket onto the shelf as it is: squash into the cellar, onions on their string. Counted by weight.
 *
 * @throws {AppError} 404; 409 NOT_ENOUGH
 */
export async function ontoShelf(
	tx: Tx,
	householdId: string,
	step: { lotId: string; amount: number },
	at: At
): Promise<Step> {
	const row = await ownLot(tx, householdId, step.lotId);
	if (!row.waiting) throw new AppError(409, 'STANDS_ALREADY', 'It stands on the shelf already. Nothing was changed.');
	const lotId = await makeChild(tx, row, 'split', { waiting: false, placedAt: row.placedAt ?? row.since }, at.now);
	const groupId = uuidv7();
	await post(tx, householdId, groupId, across('split', row, lotId, step.amount), at);
	const units = await unitsOf(tx, householdId);
	return { groupId, lotId, words: `${sayThing(row, step.amount, row.title, units)} kept as they are` };
}

/** What a cook takes of a loose lot, said by weight, in its own unit. */
export const inUnitOf = (row: LotRow, grams: number): number => Math.max(1, amountOf(row, grams));

/** All that is there of a lot, under its lock. */
export async function allOf(tx: Tx, lotId: string): Promise<number> {
	const [b] = await tx.select().from(lotBalance).where(eq(lotBalance.lotId, lotId)).for('update');
	return b?.amount ?? 0;
}
