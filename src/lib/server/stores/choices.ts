import { and, asc, eq, sql } from 'drizzle-orm';
import { dgPerG } from '$core/stock/amount';
import type { Share } from '$core/ways/shares';
import { preparedOnce, type Database, type Tx } from '../db/client';
import { lot, movement, wayChoice } from '../db/schema';
import { notFound } from '../errors';
import { changer } from './change';

/** More ways than any food has: what is beyond is nobody's. */
const mostKept = 60;

const keptFor = preparedOnce((db) =>
	db
		.select({ way: wayChoice.way, choices: wayChoice.choices, shareG: wayChoice.shareG })
		.from(wayChoice)
		.where(and(eq(wayChoice.householdId, sql.placeholder('household')), eq(wayChoice.lotId, sql.placeholder('lot'))))
		.orderBy(asc(wayChoice.position), asc(wayChoice.way))
		.limit(mostKept)
		.prepare('choices_of_lot')
);

/** What was chosen for the ways of a lot, and how its kilos are shared out among them. */
export function choiceStore(db: Database, householdId: string, now: Date) {
	const change = changer(db, householdId, now);
	const mine = (lotId: string) => and(eq(wayChoice.householdId, householdId), eq(wayChoice.lotId, lotId));
	async function shareOut(tx: Tx, lotId: string, shares: readonly Share[]): Promise<void> {
		const [known] = await tx
			.select({ id: lot.id })
			.from(lot)
			.where(and(eq(lot.householdId, householdId), eq(lot.id, lotId)))
			.for('update');
		if (!known) throw notFound('lot');
		await tx.update(wayChoice).set({ shareG: null }).where(mine(lotId));
		for (const [position, { way, grams }] of shares.entries())
			await tx
				.insert(wayChoice)
				.values({ householdId, lotId, way, shareG: grams, position })
				.onConflictDoUpdate({
					target: [wayChoice.householdId, wayChoice.lotId, wayChoice.way],
					set: { shareG: grams, position }
				});
	}
	return {
		/** In the order of the shares. */
		of: (lotId: string) => keptFor(db).execute({ household: householdId, lot: lotId }),

		/** What of a lot came in when it was bought or picked, g: what its price was paid for; null where nothing came in. */
		async cameIn(lotId: string): Promise<number | null> {
			const [row] = await db
				.select({ dg: sql<number>`sum(${movement.amount})::float8` })
				.from(movement)
				.where(and(eq(movement.householdId, householdId), eq(movement.lotId, lotId), eq(movement.kind, 'put')));
			return row?.dg ? row.dg / dgPerG : null;
		},

		/** Keeps the switches of one way. @throws {AppError} 404 */
		choose: (key: string, lotId: string, way: string, choices: Readonly<Record<string, string>>) =>
			change(key, 'choose way', { lotId, way, choices }, async (tx) => {
				const [known] = await tx
					.select({ id: lot.id })
					.from(lot)
					.where(and(eq(lot.householdId, householdId), eq(lot.id, lotId)));
				if (!known) throw notFound('lot');
				await tx
					.insert(wayChoice)
					.values({ householdId, lotId, way, choices })
					.onConflictDoUpdate({
						target: [wayChoice.householdId, wayChoice.lotId, wayChoice.way],
						set: { choices }
					});
			}),

		/** Shares a lot out, from left to right; what is not among them has no share any more. @throws {AppError} 404 */
		share: (key: string, lotId: string, shares: readonly Share[]) =>
			change(key, 'share lot', { lotId, shares }, (tx) => shareOut(tx, lotId, shares)),

		/** Shares a whole haul out: every lot, or none of them. @throws {AppError} 404 */
		shareAll: (key: string, plan: readonly { readonly lot: string; readonly shares: readonly Share[] }[]) =>
			change(key, 'share haul', plan, async (tx) => {
				for (const { lot: lotId, shares } of [...plan].sort((a, b) => (a.lot < b.lot ? -1 : 1)))
					await shareOut(tx, lotId, shares);
			}),

		/** A share that is at the stove is shared out no more. */
		async begun(lotId: string, way: string): Promise<void> {
			await db
				.update(wayChoice)
				.set({ shareG: null })
				.where(and(mine(lotId), eq(wayChoice.way, way)));
		}
	};
}
