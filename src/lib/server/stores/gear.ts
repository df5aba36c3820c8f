import { and, eq, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { gaugeOf, mayBeCanner } from '$core/ways/gear-changes';
import type { Kitchen } from '$core/ways/kitchen';
import type { CannerSpec, Equipment, EquipmentKind, EquipmentSpec, SupplyKind } from '$core/ways/equipment';
import type { Database, Tx } from '../db/client';
import { equipment, person, pot, supply } from '../db/schema';
import { AppError, notFound } from '../errors';
import { changer, named } from './change';
import { equipmentOf, personsOf, suppliesOf } from './kitchen-reads';
import { watchingRuns } from './runs/kitchen-watch';

type PotValues = Omit<typeof pot.$inferInsert, 'id' | 'householdId' | 'name'>;
export interface GearValues {
	readonly pot: PotValues;
	readonly person: { readonly handsH: number | null; readonly may: string[] };
	readonly equipment: EquipmentSpec;
}
/** One thing to be kept: without an id it is a new one. */
export type GearPiece = { readonly id: string | null; readonly name: string } & (
	| { readonly kind: EquipmentKind; readonly values: EquipmentSpec }
	| { readonly kind: 'pot'; readonly values: PotValues }
	| { readonly kind: 'person'; readonly values: GearValues['person'] }
);
export interface SupplyValues {
	readonly kind: SupplyKind;
	readonly name: string;
	readonly size: number;
	readonly amount: number;
	readonly low: number | null;
}

/** What a kitchen works with: pots, machines, helpers, and what lies in its drawer beside containers. */
export function gearStore(db: Database, householdId: string, now: Date) {
	const change = changer(db, householdId, now);
	const whose = { household: householdId };
	const mine = <T extends typeof equipment | typeof person | typeof supply>(table: T) =>
		and(eq(table.householdId, householdId), isNull(table.removedAt));
	const own = {
		/** In the order of use within a kind. */
		async equipment(): Promise<Equipment[]> {
			const rows = await equipmentOf(db).execute(whose);
			// Kind and spec were written together, under the kind's own schema.
			return rows as Equipment[];
		}
	};
	return {
		...own,
		/** By which the tables are read. */
		gauge: async (): Promise<Kitchen['gauge']> =>
			gaugeOf((await own.equipment()).flatMap((m) => (m.kind === 'canner' ? [m.spec] : []))),
		persons: () => personsOf(db).execute(whose),
		supplies: () => suppliesOf(db).execute(whose),

		/**
		 * Keeps a new thing, or changes one.
		 *
		 * @throws {AppError} 404; 409 NAME_TAKEN; 422 TOO_SMALL: a pressure canner that no tested time is for
		 */
		async keep(key: string, piece: GearPiece): Promise<void> {
			if (piece.kind === 'canner') {
				const refusal = mayBeCanner(piece.values as CannerSpec);
				if (refusal)
					throw new AppError(422, 'TOO_SMALL', `${refusal.reason} Nothing was saved. ${refusal.instead}`, [
						{ field: 'quarts', message: 'Too small for pressure.' }
					]);
			}
			await named('name', piece.name, () =>
				change(key, 'gear', piece, (tx) =>
					piece.kind === 'canner'
						? watchingRuns(tx, householdId, now, () => keepPiece(tx, householdId, piece))
						: keepPiece(tx, householdId, piece)
				)
			);
		},

		/** Lids, a roll, absorbers: new, or the same name counted again. */
		async keepSupply(key: string, values: SupplyValues): Promise<void> {
			await change(key, 'supply', values, (tx) =>
				tx
					.insert(supply)
					.values({ id: uuidv7(), householdId, ...values })
					.onConflictDoUpdate({
						target: [supply.householdId, supply.name],
						targetWhere: isNull(supply.removedAt),
						set: values
					})
			);
		},
		/** What was counted, and the mark at which there is little left. @throws {AppError} 404 */
		async countSupply(key: string, id: string, amount: number, low: number | null): Promise<void> {
			await change(key, 'count supply', { id, amount, low }, async (tx) => {
				const changed = await tx
					.update(supply)
					.set({ amount, low })
					.where(and(mine(supply), eq(supply.id, id)))
					.returning({ id: supply.id });
				if (changed.length === 0) throw notFound('supply');
			});
		},
		/** Out of use; what was done with it stays readable. @throws {AppError} 404 */
		async drop(key: string, what: 'gear' | 'pot' | 'person' | 'supply', id: string): Promise<void> {
			await change(key, 'drop', { what, id }, async (tx) => {
				if (what === 'pot') {
					const gone = await tx
						.delete(pot)
						.where(and(eq(pot.householdId, householdId), eq(pot.id, id)))
						.returning({ id: pot.id });
					if (gone.length === 0) throw notFound('pot');
					return;
				}
				const table = { gear: equipment, person, supply }[what];
				const remove = () =>
					tx
						.update(table)
						.set({ removedAt: now })
						.where(and(mine(table), eq(table.id, id)))
						.returning({ id: table.id });
				const gone = await (what === 'gear' ? watchingRuns(tx, householdId, now, remove) : remove());
				if (gone.length === 0) throw notFound(what === 'gear' ? 'machine' : what);
			});
		}
	};
}

async function keepPiece(tx: Tx, householdId: string, piece: GearPiece): Promise<void> {
	const id = piece.id ?? uuidv7();
	const { name } = piece;
	let kept: readonly unknown[];
	if (piece.kind === 'pot') {
		const values = { name, ...piece.values };
		kept = piece.id
			? await tx
					.update(pot)
					.set(values)
					.where(and(eq(pot.householdId, householdId), eq(pot.id, id)))
					.returning({ id: pot.id })
			: await tx
					.insert(pot)
					.values({ id, householdId, ...values })
					.returning({ id: pot.id });
	} else if (piece.kind === 'person') {
		const values = { name, ...piece.values };
		kept = piece.id
			? await tx
					.update(person)
					.set(values)
					.where(and(eq(person.householdId, householdId), eq(person.id, id), isNull(person.removedAt)))
					.returning({ id: person.id })
			: await tx
					.insert(person)
					.values({ id, householdId, ...values })
					.returning({ id: person.id });
	} else {
		const values = { name, spec: piece.values };
		const own = and(
			eq(equipment.householdId, householdId),
			eq(equipment.kind, piece.kind),
			isNull(equipment.removedAt)
		);
		if (piece.id)
			kept = await tx
				.update(equipment)
				.set(values)
				.where(and(own, eq(equipment.id, id)))
				.returning({ id: equipment.id });
		else {
			const [last] = await tx
				.select({ n: sql<number>`coalesce(max(${equipment.position}), -1)::int` })
				.from(equipment)
				.where(own);
			kept = await tx
				.insert(equipment)
				.values({ id, householdId, kind: piece.kind, position: (last?.n ?? -1) + 1, ...values })
				.returning({ id: equipment.id });
		}
	}
	if (kept.length === 0) throw notFound(piece.kind);
}
