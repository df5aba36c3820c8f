import { and, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Tx } from '../../db/client';
import { lot, lotBalance, place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { staysAfter } from '../../things';
import { makeLot, openPlace, post, type LotRow, type Step } from './post';

export interface StockStep {
	readonly lotId: string;
	readonly kind: 'take' | 'give' | 'spoil' | 'count' | 'move';
	/** Of raw food grams, of packs packs. */
	readonly unit: 'grams' | 'packs';
	readonly amount: number;
	readonly cause?: string;
	readonly placeId?: string;
}

async function ownLot(tx: Tx, householdId: string, lotId: string): Promise<LotRow> {
	const [row] = await tx
		.select()
		.from(lot)
		.where(and(eq(lot.householdId, householdId), eq(lot.id, lotId)));
	if (!row) throw notFound('lot');
	return row;
}

function howMany(row: LotRow, amount: number): string {
	return row.kind === 'raw' ? `${amount} g` : amount === 1 ? '1 pack' : `${amount} packs`;
}

/**
 * Takes, gives, spoils, counts or moves; one step, which `undo` takes back whole. The amount says what it counts:
 * three grams of packs are not three packs.
 *
 * @throws {AppError} 404; 409 NOT_ENOUGH, AT_THE_STOVE, SAME_PLACE, FREEZING_IS_A_RUN, AS_COUNTED; 422 WRONG_UNIT
 */
export async function act(tx: Tx, householdId: string, step: StockStep, now: Date, by: string): Promise<Step> {
	const row = await ownLot(tx, householdId, step.lotId);
	const raw = row.kind === 'raw';
	if (raw !== (step.unit === 'grams'))
		throw new AppError(
			422,
			'WRONG_UNIT',
			raw
				? 'This is counted by weight: say how many grams, in the Basket. Nothing was changed.'
				: 'These are counted in packs: say how many, on the Shelves. Nothing was changed.',
			[{ field: 'amount', message: raw ? 'A weight.' : 'A number of packs.' }]
		);
	const groupId = uuidv7();
	const unit = (n: number) => (raw ? { grams: n, packs: 0 } : { grams: 0, packs: n });
	const at = { now, by };
	if (step.kind === 'move') {
		const to = await openPlace(tx, householdId, step.placeId ?? '');
		if (to.id === row.placeId)
			throw new AppError(409, 'SAME_PLACE', `They are in ${to.name} already. Nothing was changed.`, [
				{ field: 'placeId', message: 'Choose another place.' }
			]);
		if (raw && to.kind === 'freezer' && row.state !== 'frozen')
			throw new AppError(
				409,
				'FREEZING_IS_A_RUN',
				`Into ${to.name} it goes by a way of freezing: open it in Ways, which gives its portions, its first look and its months. Nothing was changed.`,
				[{ field: 'placeId', message: 'Choose another place, or a way of freezing.' }]
			);
		const { id: _id, householdId: _h, createdAt: _c, packEventId: _p, ...rest } = row;
		// Out of the freezer it thaws, and is advised on as thawed from then on.
		const state = raw && row.state === 'frozen' && to.kind !== 'freezer' ? 'thawed' : row.state;
		const [from] = await tx.select().from(place).where(eq(place.id, row.placeId));
		if (!from) throw notFound('place');
		// What the clock used up here goes along: an hour on the counter is not forgotten in the fridge.
		const stays = staysAfter(row, from, now);
		const there = await makeLot(tx, householdId, { ...rest, state, placeId: to.id, stays, placedAt: now }, now);
		await post(
			tx,
			householdId,
			groupId,
			[
				{ lotId: row.id, kind: 'move', ...unit(-step.amount), batchId: row.batchId },
				{ lotId: there, kind: 'move', ...unit(step.amount), batchId: row.batchId }
			],
			at
		);
		return { groupId, words: `${howMany(row, step.amount)} ${row.title} moved to ${to.name}` };
	}
	let change = -step.amount;
	if (step.kind === 'count') {
		const [b] = await tx.select().from(lotBalance).where(eq(lotBalance.lotId, row.id)).for('update');
		change = step.amount - (raw ? (b?.grams ?? 0) : (b?.packs ?? 0));
		if (change === 0) throw new AppError(409, 'AS_COUNTED', 'The count agrees with the book. Nothing was changed.');
	}
	await post(
		tx,
		householdId,
		groupId,
		[{ lotId: row.id, kind: step.kind, ...unit(change), cause: step.cause ?? '', batchId: row.batchId }],
		at
	);
	const verb = { take: 'taken', give: 'given away', spoil: 'spoiled', count: 'counted' }[step.kind];
	return { groupId, words: `${howMany(row, step.amount)} ${row.title} ${verb}` };
}
