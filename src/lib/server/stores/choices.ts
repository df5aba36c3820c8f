import { and, asc, eq, isNotNull, sql } from 'drizzle-orm';
import { dgPerG } from '$core/stock/amount';
import type { Share } from '$core/ways/shares';
import { preparedOnce, type Database, type Tx } from '../db/client';
import { lot, movement, wayChoice, type PlannedPart } from '../db/schema';
import { notFound } from '../errors';
import { changer } from './change';

/** A share, and on which days of a plan it is worked. */
export type PlannedShare = Share & { readonly planned?: readonly PlannedPart[] | null };
export interface PlannedLot {
	readonly lot: string;
	readonly shares: readonly PlannedShare[];
}

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
	async function shareOut(tx: Tx, lotId: string, shares: readonly PlannedShare[]): Promise<void> {
		const [known] = await tx
			.select({ id: lot.id })
			.from(lot)
			.where(and(eq(lot.householdId, householdId), eq(lot.id, lotId)))
			.for('update');
		if (!known) throw notFound('lot');
		await tx.update(wayChoice).set({ shareG: null, planned: null }).where(mine(lotId));
		for (const [position, { way, grams, planned = null }] of shares.entries())
			await tx
				.insert(wayChoice)
				.values({ householdId, lotId, way, shareG: grams, position, planned })
				.onConflictDoUpdate({
					target: [wayChoice.householdId, wayChoice.lotId, wayChoice.way],
					set: { shareG: grams, position, planned }
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
		shareAll: (key: string, plan: readonly PlannedLot[]) =>
			change(key, 'share haul', plan, async (tx) => {
				for (const { lot: lotId, shares } of [...plan].sort((a, b) => (a.lot < b.lot ? -1 : 1)))
					await shareOut(tx, lotId, shares);
			}),

		/** Lots that a plan shares out, with what of it is still to be begun. */
		async planned(): Promise<PlannedLot[]> {
			const rows = await db
				.select({ lot: wayChoice.lotId, way: wayChoice.way, grams: wayChoice.shareG, planned: wayChoice.planned })
				.from(wayChoice)
				.where(and(eq(wayChoice.householdId, householdId), isNotNull(wayChoice.shareG), isNotNull(wayChoice.planned)))
				.orderBy(asc(wayChoice.lotId), asc(wayChoice.position), asc(wayChoice.way));
			return [...new Set(rows.map((r) => r.lot))].map((id) => ({
				lot: id,
				shares: rows
					.filter((r) => r.lot === id)
					.map(({ way, grams, planned }) => ({ way, grams: grams ?? 0, planned: planned ?? [] }))
			}));
		},

		/** Nothing is planned any more; what was shared out lot by lot by hand stays. */
		dropPlan: (key: string) =>
			change(key, 'drop plan', {}, async (tx) => {
				await tx
					.update(wayChoice)
					.set({ shareG: null, planned: null })
					.where(and(eq(wayChoice.householdId, householdId), isNotNull(wayChoice.planned)));
			}),

		/** So much of a share is at the stove and is shared out no more: of a plan its earliest days go first. */
		async begun(lotId: string, way: string, grams: number): Promise<void> {
			await db.transaction(async (tx) => {
				const here = and(mine(lotId), eq(wayChoice.way, way));
				const [row] = await tx
					.select({ shareG: wayChoice.shareG, planned: wayChoice.planned })
					.from(wayChoice)
					.where(here)
					.for('update');
				if (!row?.shareG) return;
				const left = row.shareG - Math.round(grams);
				let gone = Math.round(grams);
				const planned = row.planned?.flatMap((part) => {
					const rest = part.grams - Math.min(gone, part.grams);
					gone -= part.grams - rest;
					return rest > 0 ? [{ ...part, grams: rest }] : [];
				});
				// What is less than a spoonful is none: kilos were rounded on their way here.
				const some = left >= 5;
				await tx
					.update(wayChoice)
					.set({ shareG: some ? left : null, planned: some ? (planned ?? null) : null })
					.where(here);
			});
		}
	};
}
