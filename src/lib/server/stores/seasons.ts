import { sql } from 'drizzle-orm';
import type { Database } from '../db/client';
import { unkept, type Keep } from './kept';

/** A batch of the book, and what became of its packs. */
export interface BatchOf extends Record<string, unknown> {
	readonly id: string;
	readonly food: string;
	readonly code: string;
	readonly title: string;
	readonly way: string;
	readonly method: string;
	readonly form: string;
	readonly cut: string;
	/** `yyyy-MM-dd` */
	readonly packedOn: string;
	readonly rawG: number;
	readonly packedG: number;
	readonly packs: number;
	readonly yieldMass: number | null;
	readonly handsS: number;
	readonly energy_kWh: number;
	readonly wayId: string;
	/** Of a dryer: what the trays took in and gave by their measure, mL; 0 where nobody measured. */
	readonly wet_mL: number;
	readonly dry_mL: number;
	readonly paidMinor: number | null;
	readonly currency: string | null;
	readonly again: string;
	readonly change: string;
	readonly variety: string;
	readonly left: number;
	readonly eaten: number;
	readonly thrown: number;
	/** When the last of it went, ms; null where nothing did. */
	readonly lastAt: number | null;
	readonly causes: string | null;
}
/** Of one food twenty years of a usual household; of all of them five of a busy one. What is older says little. */
const mostOfFood = 400;
const mostOfAll = 1_000;

/** The Book by food: what each batch gave, and what became of it. */
export function seasonStore(db: Database, householdId: string, keep: Keep = unkept) {
	async function batchesOf(food?: string): Promise<BatchOf[]> {
		const { rows } = await db.execute<BatchOf>(sql`
				with own as (
					select * from batch
					where household_id = ${householdId} and voided_at is null and (${food ?? null}::text is null or food = ${food ?? null})
					order by packed_on desc, id desc
					limit ${food === undefined ? mostOfAll : mostOfFood}
				)
				select b.id, b.food, b.code, b.title, b.way, b.method, b.form, b.cut, b.packed_on::text as "packedOn", b.raw_g::float8 as "rawG",
					b.packed_g::float8 as "packedG", b.packs_made as packs, b.yield_mass as "yieldMass", coalesce(b.hands_said_s, b.hands_s) as "handsS",
					coalesce((b.closing->>'energy_kWh')::float8, 0) as "energy_kWh", b.way_id as "wayId",
					coalesce(v.wet, 0)::float8 as "wet_mL", coalesce(v.dry, 0)::float8 as "dry_mL",
					b.paid_minor as "paidMinor", b.currency, b.again, b.change, coalesce(x.variety, '') as variety,
					coalesce(x.left, 0)::float8 as left, coalesce(x.eaten, 0)::float8 as eaten, coalesce(x.thrown, 0)::float8 as thrown,
					x.last as "lastAt", x.causes
				from own b
				left join lateral (
					select sum(case when m.kind in ('take', 'use', 'give') then -m.amount end) as eaten,
						sum(case when m.kind = 'spoil' then -m.amount end) as thrown,
						(extract(epoch from max(m.occurred_at) filter (where m.kind in ('take', 'use', 'give'))) * 1000)::float8 as last,
						string_agg(distinct m.cause, ', ') filter (where m.kind = 'spoil' and m.cause <> '') as causes,
						sum(m.amount) as left,
						max(l.variety) as variety
					from lot l join movement m on m.lot_id = l.id
					where l.household_id = ${householdId} and l.batch_id = b.id and l.unit = 'pack'
						and m.reverses_id is null and not exists (select 1 from movement r where r.reverses_id = m.id)
				) x on true
				left join lateral (
					select sum((t->>'wet_mL')::float8) as wet, sum((t->>'dry_mL')::float8) as dry
					from jsonb_array_elements(coalesce(b.closing->'trays', '[]'::jsonb)) t
					where (t->>'wet_mL') is not null and (t->>'dry_mL') is not null
				) v on true
				order by b.packed_on desc, b.id desc`);
		return rows;
	}
	return {
		/** Of one food, or of all, the newest first; struck ones are none. */
		batches: (food?: string): Promise<BatchOf[]> => keep(`batches ${food ?? ''}`, () => batchesOf(food))
	};
}
