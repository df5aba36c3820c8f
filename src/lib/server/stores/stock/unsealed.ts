import { and, eq, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { canningRules } from '$reference/canning-rules';
import { dateIn, monthsAfter } from '$core/freezing/keep';
import { sayCount } from '$core/quantities/format';
import { dgOf, gramsOf } from '$core/stock/amount';
import type { Tx } from '../../db/client';
import { household, place } from '../../db/schema';
import { AppError } from '../../errors';
import { across } from './act';
import { makeChild, ownLot, post, type LotRow, type Step } from './post';

/** What may become of a jar that did not seal, while its day lasts. */
export const unsealedTo = ['fridge', 'freezer', 'again'] as const;
export type UnsealedTo = (typeof unsealedTo)[number];

interface At {
	readonly now: Date;
	readonly by: string;
}

/** Jars from the canner in the freezer, at their best, months (common practice). */
const frozenMonths = 3;

/**
 * Jars whose lid gave at the seal check: into the fridge as opened ones, into the freezer, or back into the Basket to be done
 * again with new lids and the full time. Within 24 hours of the canner; after that they go out.
 *
 * @throws {AppError} 404; 409 NOT_ENOUGH; 422 NOT_JARS, TOO_LATE, NO_PLACE
 * @source row `canning/coolMost_h` (USDA Complete Guide to Home Canning, 2015)
 */
export async function unsealed(
	tx: Tx,
	householdId: string,
	step: { lotId: string; amount: number; to: UnsealedTo },
	{ now, by }: At
): Promise<Step> {
	const row = await ownLot(tx, householdId, step.lotId);
	if (row.unit !== 'pack' || row.state !== 'canned')
		throw new AppError(422, 'NOT_JARS', 'Only jars from the canner are checked for their seal. Nothing was changed.');
	const hours = (now.getTime() - row.since.getTime()) / 3_600_000;
	if (hours > canningRules.coolMost_h.value)
		throw new AppError(
			422,
			'TOO_LATE',
			`It is more than ${canningRules.coolMost_h.value} hours since the canner: what did not seal has stood too long. It goes out, unopened, as your food authority says. Nothing was changed.`
		);
	const lotId = await makeChild(
		tx,
		row,
		step.to === 'again' ? 'split' : 'open',
		await becomes(tx, row, step, now),
		now
	);
	const groupId = uuidv7();
	const into = step.to === 'again' ? dgOf(gramsOf(row, step.amount)) : step.amount;
	await post(tx, householdId, groupId, across(step.to === 'again' ? 'split' : 'open', row, lotId, step.amount, into), {
		now,
		by
	});
	const where = { fridge: 'in the fridge', freezer: 'in the freezer', again: 'in the Basket, to be done again' }[
		step.to
	];
	return { groupId, lotId, words: `${sayCount(step.amount, 'jar')} ${row.title} not sealed: ${where}` };
}

async function becomes(
	tx: Tx,
	row: LotRow,
	{ to }: { readonly to: UnsealedTo },
	now: Date
): Promise<Parameters<typeof makeChild>[3]> {
	if (to === 'again')
		return {
			unit: 'dg',
			content: null,
			contentUnit: null,
			unitG: 0.1,
			waiting: true,
			containerId: null,
			state: 'prepared',
			was: null,
			process: null,
			stays: [],
			placedAt: now,
			keepsUntil: null
		};
	const [cold] = await tx
		.select()
		.from(place)
		.where(and(eq(place.householdId, row.householdId), eq(place.kind, to), isNull(place.removedAt)))
		.orderBy(place.position)
		.for('share');
	if (!cold)
		throw new AppError(422, 'NO_PLACE', `There is no ${to} in the Kitchen. Nothing was changed.`, [
			{ field: 'to', message: 'Choose otherwise.' }
		]);
	const base = { placeId: cold.id, stays: [], placedAt: now, process: null } as const;
	if (to === 'fridge') return { ...base, state: 'opened', was: row.state, keepsUntil: null };
	const [home] = await tx.select({ zone: household.zone }).from(household).where(eq(household.id, row.householdId));
	const today = dateIn(home?.zone ?? 'UTC', now.getTime());
	return { ...base, state: 'frozen', was: 'opened', keepsUntil: monthsAfter(today, frozenMonths) };
}
