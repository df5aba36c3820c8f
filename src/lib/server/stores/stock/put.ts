import { v7 as uuidv7 } from 'uuid';
import type { Counted } from '$core/stock/amount';
import { dgOf, sayThing } from '$core/stock/amount';
import type { Tx } from '../../db/client';
import { batch, type methods } from '../../db/schema';
import { freeCodes } from '../runs/codes';
import { makeLot, openPlace, post, unitsOf, type NewLot, type Step } from './post';

/** What stands somewhere already, as it was read and as the safety room let it stand. */
export interface Standing {
	readonly lot: Omit<NewLot, 'unit' | 'content' | 'contentUnit' | 'unitG' | 'waiting' | 'batchId'>;
	readonly counted: Counted;
	/** In its unit. */
	readonly amount: number;
	/** Packs get an entry in the book, which says that it was written by hand; loose things none. */
	readonly entry: null | {
		readonly method: (typeof methods)[number];
		readonly way: string;
		/** Calendar dates. */
		readonly packedOn: string;
		readonly keepsUntil: string;
	};
}

/** What it was made of, where that stood in the Basket: so much of it is used up. */
export interface MadeFrom {
	readonly lotId: string;
	readonly grams: number;
}

/**
 * Writes down what stands on a shelf already; where it was made of a lot of ours, that is used up in the same step.
 *
 * @param groupId the step that it is part of, where several are put away in one
 * @throws {AppError} 404, 409 the place; the lot holds less than that, or is at the stove
 */
export async function putAway(
	tx: Tx,
	householdId: string,
	{ lot, counted, amount, entry }: Standing,
	at: { now: Date; by: string },
	from?: MadeFrom,
	groupId = uuidv7()
): Promise<Step & { lotId: string }> {
	const place = await openPlace(tx, householdId, lot.placeId);
	let batchId: string | null = null;
	if (entry) {
		batchId = uuidv7();
		const [code = ''] = await freeCodes(tx, householdId, 1);
		const packed_g = counted.unit === 'pack' ? Math.round(counted.unitG * amount) : 0;
		const packs = counted.unit === 'pack' ? amount : 0;
		await tx.insert(batch).values({
			id: batchId,
			householdId,
			code,
			food: lot.food,
			form: lot.form,
			cut: lot.form,
			way: entry.way,
			method: entry.method,
			madeBy: 'hand',
			title: lot.title,
			packedOn: entry.packedOn,
			keepsUntil: entry.keepsUntil,
			useWords: '',
			closing: {
				raw_g: from?.grams ?? 0,
				load_g: packed_g,
				packed_g,
				packs,
				supper_g: 0,
				yield: from && packed_g > 0 ? packed_g / from.grams : null,
				elapsed_s: 0,
				hands_s: 0,
				lots: [],
				potfuls: []
			},
			rawG: from?.grams ?? 0,
			packedG: packed_g,
			packsMade: packs,
			paidMinor: lot.priceMinor ?? null,
			currency: lot.currency ?? null,
			createdAt: at.now
		});
	}
	const lotId = await makeLot(
		tx,
		householdId,
		{ ...lot, ...counted, waiting: false, batchId, keepsUntil: entry?.keepsUntil ?? null },
		at.now
	);
	await post(
		tx,
		householdId,
		groupId,
		[
			...(from ? [{ lotId: from.lotId, kind: 'use' as const, amount: -dgOf(from.grams), batchId }] : []),
			{ lotId, kind: 'put' as const, amount, batchId }
		],
		at
	);
	const units = await unitsOf(tx, householdId);
	return { lotId, groupId, words: `${sayThing(counted, amount, lot.title, units)} in ${place.name}` };
}
