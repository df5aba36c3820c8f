import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { KeptInShop } from '$core/costs/seasons';
import type { Database } from '../db/client';
import { equipment, machinePrice, receipt, shopPrice } from '../db/schema';
import { notFound } from '../errors';
import { changer } from './change';
import { unkept, type Keep } from './kept';

/** What was paid for a food that came in. */
export interface Paid extends Record<string, unknown> {
	readonly food: string;
	readonly shop: string | null;
	/** `yyyy-MM-dd` */
	readonly on: string;
	readonly kg: number;
	readonly minor: number;
	readonly currency: string;
}
export interface ShopPrice {
	readonly id: string;
	readonly food: string;
	readonly kept: KeptInShop;
	/** Minor units. */
	readonly perKg: number;
	readonly currency: string;
	readonly shop: string;
	readonly seenOn: string;
}
const most = 2_000;

/** The price book: what was paid, what the like costs in a shop, what machines cost. */
export function priceStore(db: Database, householdId: string, now: Date, keep: Keep = unkept) {
	const change = changer(db, householdId, now);
	async function paid(): Promise<Paid[]> {
		const { rows } = await db.execute<Paid>(sql`
				select l.food, r.shop, to_char(l.since, 'YYYY-MM-DD') as on, sum(m.amount * l.unit_g / 1000)::float8 as kg,
					l.price_minor as minor, l.currency
				from lot l
				join movement m on m.lot_id = l.id and m.kind = 'put'
				left join ${receipt} r on r.id = l.receipt_id
				where l.household_id = ${householdId} and l.price_minor is not null and l.currency is not null
				group by l.id, r.shop having sum(m.amount) > 0
				order by l.since desc, l.id limit ${most}`);
		return rows;
	}
	async function seen(): Promise<ShopPrice[]> {
		const rows = await db
			.select()
			.from(shopPrice)
			.where(eq(shopPrice.householdId, householdId))
			.orderBy(desc(shopPrice.seenOn), desc(shopPrice.id))
			.limit(most);
		return rows.map(({ householdId: _h, ...p }) => p);
	}
	return {
		/** What was bought, the newest first. */
		paid: (): Promise<Paid[]> => keep('paid', paid),
		/** What was seen in shops, the newest first. */
		seen: (): Promise<ShopPrice[]> => keep('seen', seen),
		note: (key: string, p: Omit<ShopPrice, 'id'>) =>
			change(key, 'shop price', p, async (tx) => {
				await tx.insert(shopPrice).values({ id: uuidv7(), householdId, ...p });
			}),
		/** @throws {AppError} 404 */
		forget: (key: string, id: string) =>
			change(key, 'forget price', { id }, async (tx) => {
				const gone = await tx
					.delete(shopPrice)
					.where(and(eq(shopPrice.householdId, householdId), eq(shopPrice.id, id)))
					.returning({ id: shopPrice.id });
				if (gone.length === 0) throw notFound('price');
			}),
		/** Machines that have a price. */
		async machines() {
			return db
				.select({
					id: equipment.id,
					name: equipment.name,
					kind: equipment.kind,
					paid: machinePrice.paidMinor,
					currency: machinePrice.currency,
					boughtOn: machinePrice.boughtOn
				})
				.from(machinePrice)
				.innerJoin(equipment, eq(equipment.id, machinePrice.equipmentId))
				.where(and(eq(machinePrice.householdId, householdId), isNotNull(machinePrice.paidMinor)));
		},
		/** @throws {AppError} 404 no such machine */
		setMachine: (key: string, m: { id: string; paidMinor: number; currency: string; boughtOn: string }) =>
			change(key, 'machine price', m, async (tx) => {
				const [own] = await tx
					.select({ id: equipment.id })
					.from(equipment)
					.where(and(eq(equipment.householdId, householdId), eq(equipment.id, m.id), isNull(equipment.removedAt)));
				if (!own) throw notFound('machine');
				const { id, ...price } = m;
				await tx
					.insert(machinePrice)
					.values({ equipmentId: id, householdId, ...price })
					.onConflictDoUpdate({ target: machinePrice.equipmentId, set: price });
			})
	};
}
