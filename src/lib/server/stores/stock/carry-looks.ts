import { sql } from 'drizzle-orm';
import type { Tx } from '../../db/client';
import { look } from '../../db/schema';

/**
 * What was found at one lot is known of another: of what is moved, split, opened or thawed off it, and of what it comes back
 * to. Mould is not forgotten by carrying it elsewhere. What is known there already is not written twice.
 */
export async function carryLooks(tx: Tx, householdId: string, fromId: string, toId: string): Promise<void> {
	await tx.execute(sql`
		insert into ${look} (id, household_id, lot_id, kind, finding, by, at, recorded_at)
		select gen_random_uuid(), l.household_id, ${toId}::uuid, l.kind, l.finding, l.by, l.at, l.recorded_at
		from ${look} l
		where l.household_id = ${householdId} and l.lot_id = ${fromId}
			and not exists (
				select 1 from ${look} k
				where k.lot_id = ${toId} and k.kind = l.kind and k.finding = l.finding and k.at = l.at)`);
}
