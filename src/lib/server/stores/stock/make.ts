import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { byWeight, dgOf, sayThing } from '$core/stock/amount';
import { make, transformOf, type Made } from '$core/things/transform';
import type { Thing } from '$core/things/thing';
import type { Tx } from '../../db/client';
import { place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { lotOfThing, lotThing, staysAfter } from '../../things';
import { makeChild, ownLot, post, unitsOf, type Change, type LotRow, type Step } from './post';

export interface MakeStep {
	readonly lotId: string;
	/** A transform of the table, by id. */
	readonly transform: string;
	/** What goes in, g; what came out by the scale, g, where it was weighed. */
	readonly grams: number;
	readonly out_g?: number;
	/** Whether what else comes off it and can be used stands in the Basket too. */
	readonly keep: boolean;
}

/** Below this a by-product is not worth a row. */
const least_g = 20;

/**
 * Makes one thing of another: what goes in leaves its lot, what comes of it stands in the Basket, in the same place, with
 * what came off it. One step, which undo takes back whole.
 *
 * @throws {AppError} 404; 409 NOT_ENOUGH, AT_THE_STOVE; 422 by the core: not for this thing, more out than in
 */
export async function makeOf(
	tx: Tx,
	householdId: string,
	step: MakeStep,
	at: { now: Date; by: string }
): Promise<Step> {
	const row = await ownLot(tx, householdId, step.lotId);
	if (row.unit !== 'dg')
		throw new AppError(
			422,
			'WRONG_UNIT',
			'Put it into the Basket first: there it stands by weight. Nothing was changed.'
		);
	const [there] = await tx.select().from(place).where(eq(place.id, row.placeId));
	if (!there) throw notFound('place');
	const { thing } = lotThing(row, there, at.now);
	const made = make(transformOf(thing, step.transform), thing, step.grams, step.out_g);
	const used = dgOf(step.grams);
	const changes: Change[] = [{ lotId: row.id, kind: 'use', amount: -used, cause: made.row.id, batchId: row.batchId }];
	const main = await childOf(tx, row, there, made.thing, made, at);
	changes.push({ lotId: main, kind: 'put', amount: Math.max(1, dgOf(made.grams)), cause: made.row.id });
	if (step.keep)
		for (const by of made.by.filter((b) => b.kept && b.grams >= least_g)) {
			const lotId = await childOf(tx, row, there, by.thing, made, at);
			changes.push({ lotId, kind: 'put', amount: dgOf(by.grams), cause: made.row.id });
		}
	const groupId = uuidv7();
	await post(tx, householdId, groupId, changes, at);
	const units = await unitsOf(tx, householdId);
	const words = sayThing(byWeight, dgOf(made.grams), `${made.thing.called}, ${made.thing.form}`, units); // prettier-ignore
	return { groupId, lotId: main, words: `${words} made` };
}

function childOf(
	tx: Tx,
	row: LotRow,
	there: typeof place.$inferSelect,
	thing: Thing,
	made: Made,
	at: { now: Date }
): Promise<string> {
	// Cooked through it begins its own clock; what was only cut brings the hours that it has behind it.
	const anew = made.row.to.state === 'cooked';
	const stays = anew ? [] : staysAfter(row, there, at.now);
	return makeChild(
		tx,
		row,
		'made',
		{
			...lotOfThing(thing),
			title: thing.called,
			identified: row.identified,
			stays,
			placedAt: at.now,
			...(anew ? { since: at.now } : {}),
			waiting: true,
			batchId: null,
			keepsUntil: null,
			said: '',
			note: made.row.name,
			priceMinor: null,
			receiptId: null
		},
		at.now
	);
}
