import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { sayThing, type LotUnit } from '$core/stock/amount';
import { mayStand } from '$core/safety/stand';
import type { Tx } from '../../db/client';
import { lotBalance, place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { lotThing, standingIn, staysAfter } from '../../things';
import { makeChild, openPlace, ownLot, post, unitsOf, type Change, type LotRow, type Step } from './post';

export interface StockStep {
	readonly lotId: string;
	readonly kind: 'take' | 'give' | 'spoil' | 'count' | 'move';
	/** What the amount counts: the lot's own unit, said again, so that three grams of packs are not three packs. */
	readonly unit: LotUnit;
	readonly amount: number;
	readonly cause?: string;
	readonly placeId?: string;
}

const howCounted: Readonly<Record<LotUnit, { words: string; field: string }>> = {
	dg: { words: 'This is counted by weight: say how much it weighs.', field: 'A weight.' },
	ml: { words: 'This is counted by volume: say how many millilitres.', field: 'A volume.' },
	piece: { words: 'This is counted in pieces: say how many.', field: 'A number of pieces.' },
	pack: { words: 'These are counted in packs: say how many.', field: 'A number of packs.' }
};

const verbs = { take: 'taken', give: 'given away', spoil: 'spoiled', count: 'counted' } as const;

/**
 * Takes, gives, spoils, counts or moves; one step, which `undo` takes back whole. Where it may stand is for the safety
 * room to say; out of the freezer a thing thaws, and counts as thawed from then on.
 *
 * @throws {AppError} 404; 409 NOT_ENOUGH, AT_THE_STOVE, SAME_PLACE, AS_COUNTED; 422 WRONG_UNIT; what `mayStand` refuses
 */
export async function act(tx: Tx, householdId: string, step: StockStep, now: Date, by: string): Promise<Step> {
	const row = await ownLot(tx, householdId, step.lotId);
	if (row.unit !== step.unit) {
		const { words, field } = howCounted[row.unit];
		throw new AppError(422, 'WRONG_UNIT', `${words} Nothing was changed.`, [{ field: 'amount', message: field }]);
	}
	const units = await unitsOf(tx, householdId);
	const many = sayThing(row, step.amount, row.title, units);
	if (step.kind === 'move') return move(tx, row, step, { now, by, many });
	let change = -step.amount;
	if (step.kind === 'count') {
		const [b] = await tx.select().from(lotBalance).where(eq(lotBalance.lotId, row.id)).for('update');
		change = step.amount - (b?.amount ?? 0);
		if (change === 0) throw new AppError(409, 'AS_COUNTED', 'The count agrees with the book. Nothing was changed.');
	}
	const groupId = uuidv7();
	await post(
		tx,
		householdId,
		groupId,
		[{ lotId: row.id, kind: step.kind, amount: change, cause: step.cause ?? '', batchId: row.batchId }],
		{ now, by }
	);
	return { groupId, words: `${many} ${verbs[step.kind]}` };
}

/** The two sides of a split: what leaves one lot comes into another. */
export const across = (kind: Change['kind'], from: LotRow, to: string, out: number, into: number = out): Change[] => [
	{ lotId: from.id, kind, amount: -out, batchId: from.batchId },
	{ lotId: to, kind, amount: into, batchId: from.batchId }
];

async function move(
	tx: Tx,
	row: LotRow,
	step: StockStep,
	{ now, by, many }: { now: Date; by: string; many: string }
): Promise<Step> {
	const { householdId } = row;
	const to = await openPlace(tx, householdId, step.placeId ?? '');
	if (to.id === row.placeId)
		throw new AppError(409, 'SAME_PLACE', `They are in ${to.name} already. Nothing was changed.`, [
			{ field: 'placeId', message: 'Choose another place.' }
		]);
	const [from] = await tx.select().from(place).where(eq(place.id, row.placeId));
	if (!from) throw notFound('place');
	const { thing } = lotThing(row, from, now);
	const stand = mayStand(thing, { ...standingIn(to), name: to.name, loose: row.unit !== 'pack' });
	if (stand.kind === 'refused')
		throw new AppError(
			stand.rule === 'freezing-is-a-run' ? 409 : 422,
			stand.rule === 'freezing-is-a-run' ? 'FREEZING_IS_A_RUN' : 'MAY_NOT_STAND',
			`${stand.reason} ${stand.instead.length > 0 ? `Instead: ${stand.instead.join('; ')}. ` : ''}Nothing was changed.`,
			[{ field: 'placeId', message: 'Choose another place.' }]
		);
	const thaws = stand.state === 'thawed' && row.state === 'frozen';
	// What the clock used up here goes along: an hour on the counter is not forgotten in the fridge. Months in a sealed
	// pack in the freezer are a matter of quality: thawed, it counts anew.
	const stays = thaws && row.unit === 'pack' ? [] : staysAfter(row, from, now);
	const kind = thaws ? 'thaw' : 'move';
	const there = await makeChild(
		tx,
		row,
		kind,
		{
			state: stand.state,
			placeId: to.id,
			stays,
			placedAt: now,
			...(thaws ? { keepsUntil: null, was: row.state } : {})
		},
		now
	);
	const groupId = uuidv7();
	await post(tx, householdId, groupId, across(kind, row, there, step.amount), { now, by });
	return { groupId, lotId: there, words: `${many} ${thaws ? 'thawing in' : 'moved to'} ${to.name}` };
}
