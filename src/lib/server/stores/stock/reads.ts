import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import { dgPerG, type LotUnit } from '$core/stock/amount';
import type { State } from '$core/things/thing';
import type { Looked, LookKind } from '$core/stock/looks';
import { preparedOnce, type Database } from '../../db/client';
import { batch, container, look, lot, lotBalance, movement, place } from '../../db/schema';
import { notFound } from '../../errors';
import { unkept, type Keep } from '../kept';
import { claimsNow } from './claims';
import type { LotRow } from './post';

/** A lot that stands somewhere, in short. */
export interface StandingRow {
	readonly id: string;
	readonly placeId: string;
	readonly amount: number;
	readonly unit: LotUnit;
	readonly unitG: number;
	readonly state: State;
	readonly waiting: boolean;
	readonly title: string;
	readonly food: string;
	readonly note: string;
	readonly variety: string;
	/** Of several foods. */
	readonly mixed: boolean;
	readonly code: string | null;
	readonly volumeMl: number | null;
}

/** Kinds of movement that a person made by hand and may take back. */
const byHand = ['take', 'give', 'spoil', 'count', 'move', 'open', 'thaw', 'split', 'merge'] as const;

// Prepared once: every page of the stock reads these, and building a query costs more than answering it.
const household = sql.placeholder('household');
const holdsSome = and(eq(lotBalance.householdId, household), gt(lotBalance.amount, 0));
const waitingLots = preparedOnce((db) =>
	db
		.select({ lot, amount: lotBalance.amount, place })
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.innerJoin(place, eq(place.id, lot.placeId))
		.where(and(holdsSome, eq(lot.waiting, true)))
		.orderBy(desc(lot.since), desc(lot.id))
		.prepare('waiting_lots')
);
const looseLot = preparedOnce((db) =>
	db
		.select({ lot, amount: lotBalance.amount, place })
		.from(lot)
		.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
		.innerJoin(place, eq(place.id, lot.placeId))
		.where(and(eq(lot.householdId, household), eq(lot.id, sql.placeholder('lot')), eq(lot.unit, 'dg')))
		.prepare('loose_lot')
);
const wholeLots = (db: Database, which: SQL | undefined) =>
	db
		.select({
			lot,
			amount: lotBalance.amount,
			code: batch.code,
			way: batch.way,
			wayId: batch.wayId,
			container: container.name,
			volumeMl: container.volumeMl
		})
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.leftJoin(batch, eq(batch.id, lot.batchId))
		.leftJoin(container, eq(container.id, lot.containerId))
		.where(and(holdsSome, which))
		.orderBy(asc(lot.keepsUntil), asc(lot.since), asc(lot.id));
const namedLots = preparedOnce((db) =>
	wholeLots(db, sql`${lotBalance.lotId} = any(${sql.placeholder('ids')}::uuid[])`).prepare('named_lots')
);
/** What has a clock of hours: opened, thawed, cooked. */
const secondLots = preparedOnce((db) =>
	wholeLots(
		db,
		sql`${lotBalance.lotId} in (
			select l.id from lot_balance b join lot l on l.id = b.lot_id
			where b.household_id = ${household} and b.amount > 0 and not l.waiting
				and (l.state in ('opened', 'thawed', 'cooked') or l.food like 'cooked-%')
			limit 40)`
	).prepare('second_lots')
);
/** Suppers that were taken lately, lot by lot; what was taken back is none. */
const suppersTaken = preparedOnce((db) =>
	db
		.select({ groupId: movement.groupId, amount: movement.amount, at: movement.recordedAt, lot })
		.from(movement)
		.innerJoin(lot, eq(lot.id, movement.lotId))
		.where(
			and(
				eq(movement.householdId, household),
				eq(movement.kind, 'take'),
				or(eq(movement.cause, 'supper'), sql`${movement.cause} like 'supper on %'`),
				gt(movement.recordedAt, sql.placeholder('since')),
				sql`not exists (select 1 from movement r where r.reverses_id = ${movement.id})`
			)
		)
		.orderBy(desc(movement.recordedAt), asc(movement.id))
		.limit(60)
		.prepare('suppers_taken')
);
/** The first so many of each place: what is opened or thawed, what a look found something at, then by label or age; whole the places that are named, none of the others where some are. */
const firstLots = preparedOnce((db) =>
	wholeLots(
		db,
		sql`${lotBalance.lotId} in (
			select r.lot_id from (
				select b.lot_id, l.place_id,
					row_number() over (
						partition by l.place_id
						order by l.state not in ('opened', 'thawed'),
							not exists (select 1 from look k where k.household_id = ${household} and k.lot_id = l.id and k.finding <> 'fine'),
							coalesce(l.keeps_until, l.since::date), l.since, l.id
					) as nth
				from lot_balance b join lot l on l.id = b.lot_id
				where b.household_id = ${household} and b.amount > 0
			) r
			where r.place_id = any(${sql.placeholder('whole')}::uuid[])
				or (r.nth <= ${sql.placeholder('most')}::int
					and (${sql.placeholder('only')}::uuid is null or r.place_id = ${sql.placeholder('only')}::uuid)))`
	).prepare('first_lots')
);
const isJar = sql`(${lot.unit} = 'pack' and ${lot.state} in ('canned', 'pickled', 'dried', 'fermented'))`;
const sumOf = (what: SQL, where: SQL) => sql<number>`coalesce(sum(${what}) filter (where ${where}), 0)::float8`;
const placeSums = preparedOnce((db) =>
	db
		.select({
			placeId: lot.placeId,
			lots: sql<number>`count(*)::int`,
			packs: sumOf(sql`${lotBalance.amount}`, sql`${lot.unit} = 'pack' and not ${isJar}`),
			jars: sumOf(sql`${lotBalance.amount}`, isJar),
			loose_g: sumOf(sql`${lotBalance.amount} * ${lot.unitG}`, sql`${lot.unit} <> 'pack' and not ${lot.waiting}`),
			// What lies there alive: some of it hurts the other.
			foods: sql<
				string[]
			>`coalesce(array_agg(distinct ${lot.food}) filter (where ${lot.state} = 'fresh' and not ${lot.waiting}), '{}')`,
			// Its containers, or twice its weight where none is known.
			litres: sql<number>`sum(coalesce(case when ${lot.unit} = 'pack' then ${container.volumeMl} end, ${lot.unitG} * 2) * ${lotBalance.amount})::float8 / 1000`
		})
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.leftJoin(container, eq(container.id, lot.containerId))
		.where(holdsSome)
		.groupBy(lot.placeId)
		.orderBy(asc(lot.placeId))
		.prepare('place_sums')
);
/** What decides whether a lot wants to be looked at, and what it is called. */
const lookedFor = preparedOnce((db) =>
	db
		.select({
			id: lot.id,
			title: lot.title,
			placeId: lot.placeId,
			food: lot.food,
			state: lot.state,
			wayId: batch.wayId,
			/** Since it stands there, ms. */
			from: sql<number>`(extract(epoch from coalesce(${lot.placedAt}, ${lot.since})) * 1000)::float8`,
			/** Only where it was elsewhere before, or the place was measured again. */
			stays: sql<LotRow['stays'] | null>`case when ${lot.stays} = '[]'::jsonb then null else ${lot.stays} end`,
			/** The last look of each kind, ms. */
			last: sql<Partial<Record<LookKind, number>> | null>`(select jsonb_object_agg(k.kind, k.at) from (
				select kind, (extract(epoch from max(at)) * 1000)::float8 as at from look
				where household_id = ${household} and lot_id = ${lot.id} group by kind) k)`
		})
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.leftJoin(batch, eq(batch.id, lot.batchId))
		.where(and(holdsSome, eq(lot.waiting, false)))
		.orderBy(asc(lot.id))
		.prepare('looked_for')
);
const looksTaken = preparedOnce((db) =>
	db
		.select({ lotId: look.lotId, kind: look.kind, finding: look.finding, at: look.at })
		.from(look)
		.where(and(eq(look.householdId, household), sql`${look.lotId} = any(${sql.placeholder('ids')}::uuid[])`))
		.orderBy(asc(look.at), asc(look.id))
		.prepare('looks_taken')
);
const lastStepsOf = preparedOnce((db) =>
	db
		.select({
			groupId: movement.groupId,
			kind: movement.kind,
			amount: movement.amount,
			lot,
			at: movement.recordedAt,
			by: movement.by
		})
		.from(movement)
		.innerJoin(lot, eq(lot.id, movement.lotId))
		.where(
			and(
				eq(movement.householdId, household),
				isNull(movement.reversesId),
				eq(lot.waiting, sql.placeholder('waiting')),
				gt(movement.recordedAt, sql.placeholder('since')),
				or(
					inArray(movement.kind, ['take', 'give', 'spoil', 'count']),
					// Of a step with two sides, the one that it left; of a receipt its lines.
					and(inArray(movement.kind, byHand), lt(movement.amount, 0)),
					and(eq(movement.kind, 'use'), isNull(movement.runId)),
					and(eq(movement.kind, 'put'), isNotNull(lot.receiptId))
				),
				sql`not exists (select 1 from movement r where r.reverses_id = ${movement.id})`
			)
		)
		.orderBy(desc(movement.recordedAt), desc(movement.id))
		.limit(sql.placeholder('count'))
		.prepare('last_steps')
);
const freezerMl = preparedOnce((db) =>
	db
		.select({
			ml: sql<string>`coalesce(sum(coalesce(${container.volumeMl}, ${lot.unitG} * 2) * ${lotBalance.amount}), 0)`
		})
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.innerJoin(place, eq(place.id, lot.placeId))
		.leftJoin(container, eq(container.id, lot.containerId))
		.where(and(holdsSome, eq(place.kind, 'freezer')))
		.prepare('freezer_ml')
);

const mostOfAll = 1_000_000;

/** A lot with what stands beside it: laid onto its own row, since a copy of its forty columns is dear hundreds of times. */
const whole = <L extends object, R extends object>(rows: readonly ({ lot: L } & R)[]): (L & Omit<R, 'lot'>)[] =>
	rows.map(({ lot: row, ...rest }) => Object.assign(row, rest));

async function standingLots(db: Database, householdId: string): Promise<StandingRow[]> {
	const { rows } = await db.execute<StandingRow & Record<string, unknown>>(sql`
				select l.id, l.place_id as "placeId", b.amount::float8 as amount, l.unit, l.unit_g as "unitG", l.state, l.waiting, l.title, l.food,
					l.note, l.variety, l.made_of is not null as mixed, x.code, c.volume_ml as "volumeMl"
				from lot_balance b
				join lot l on l.id = b.lot_id
				left join batch x on x.id = l.batch_id
				left join container c on c.id = l.container_id
				where b.household_id = ${householdId} and b.amount > 0
				order by l.keeps_until, l.since, l.id`);
	return rows;
}

export function stockReads(db: Database, householdId: string, now: Date, keep: Keep = unkept) {
	const mine = eq(lot.householdId, householdId);
	const whose = { household: householdId };
	return {
		/** What waits to be worked on, by weight, the newest first. */
		basket: () =>
			keep('basket', async () => {
				const rows = await waitingLots(db).execute(whose);
				return rows.map(({ amount, ...row }) => ({ ...row, grams: Math.round(amount / dgPerG) }));
			}),

		/** A lot by weight, with what it holds. @throws {AppError} 404 */
		async rawLot(lotId: string) {
			const [row] = await looseLot(db).execute({ ...whose, lot: lotId });
			if (!row) throw notFound('lot');
			const { amount, ...rest } = row;
			return { ...rest, grams: Math.round(amount / dgPerG) };
		},

		/** Everything that stands anywhere, as little of it as it takes to choose and to sum; oldest first. */
		standing: (): Promise<StandingRow[]> => keep('standing', () => standingLots(db, householdId)),

		/** Lots that are named, whole; oldest first. */
		async named(ids: readonly string[]) {
			return whole(ids.length === 0 ? [] : await namedLots(db).execute({ ...whose, ids: [...ids] }));
		},

		/**
		 * What stands anywhere, whole, the oldest first: the first `most` of each place, or of one place alone; all of a place
		 * that is named.
		 */
		shelves: ({ most = mostOfAll, all, only }: { most?: number; all?: string; only?: string } = {}) =>
			keep(`shelves ${most} ${all ?? ''} ${only ?? ''}`, async () =>
				whole(
					await firstLots(db).execute({ ...whose, most, only: only ?? null, whole: all === undefined ? [] : [all] })
				)
			),

		/** What may want a look, of every place whole. */
		lookedFor: () => keep('looked for', () => lookedFor(db).execute(whose)),

		/** What has a clock of hours, whole. */
		second: () => keep('second', async () => whole(await secondLots(db).execute(whose))),

		/** What was taken for supper in the last hours, the newest first. */
		suppers: (hours: number) =>
			suppersTaken(db).execute({ ...whose, since: new Date(now.getTime() - hours * 3_600_000) }),

		/** What stands in each place, in sum; a place where nothing stands is not among them. */
		sums: () => keep('sums', () => placeSums(db).execute(whose)),

		/** What is spoken for, by lot, in its unit. */
		claimed: () => claimsNow(db, householdId),

		/** Looks that were taken at some lots. @param of whose lots these are, where the same ones are asked for again */
		looked(ids: readonly string[], of?: string): Promise<Map<string, Looked[]>> {
			const read = async () => {
				const rows = ids.length === 0 ? [] : await looksTaken(db).execute({ ...whose, ids: [...ids] });
				const byLot = new Map<string, Looked[]>();
				for (const { lotId, at, ...rest } of rows)
					byLot.set(lotId, [...(byLot.get(lotId) ?? []), { ...rest, at: at.getTime() }]);
				return byLot;
			};
			return of === undefined ? read() : keep(`looked ${of}`, read);
		},

		/** The last steps of this week, with what waits or with what stands on the shelves, for undoing them. */
		async lastSteps(of: 'basket' | 'shelves', count = 6) {
			const since = new Date(now.getTime() - 7 * 86_400_000);
			return lastStepsOf(db).execute({ ...whose, waiting: of === 'basket', since, count });
		},

		/** What was written down of the shelves in the last twelve hours, the newest first, without what was taken back. */
		async lastPut(count: number) {
			return db
				.select({
					groupId: movement.groupId,
					amount: movement.amount,
					lot,
					said: lot.said,
					place: place.name,
					code: batch.code
				})
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.leftJoin(batch, eq(batch.id, lot.batchId))
				.where(
					and(
						eq(movement.householdId, householdId),
						eq(movement.kind, 'put'),
						eq(lot.waiting, false),
						isNull(movement.runId),
						isNull(movement.reversesId),
						gt(movement.recordedAt, new Date(now.getTime() - 12 * 3_600_000)),
						sql`${lot.said} <> ''`,
						sql`${movement.by} <> 'demo'`,
						sql`not exists (select 1 from movement r where r.reverses_id = ${movement.id})`
					)
				)
				.orderBy(desc(movement.recordedAt), desc(movement.id))
				.limit(count);
		},

		/** Everything that happened to the lots of a batch. */
		/** Lots that a batch was made from, each with what of it was used up: the newest sum of its run's own movements. */
		async wentInto(batchId: string) {
			const rows = await db
				.select({ lot, code: batch.code, used: sql<number>`-sum(${movement.amount})::float8` })
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.leftJoin(batch, eq(batch.id, lot.batchId))
				.where(
					and(
						eq(movement.householdId, householdId),
						eq(movement.batchId, batchId),
						eq(movement.kind, 'use'),
						isNotNull(movement.runId)
					)
				) // prettier-ignore
				.groupBy(lot.id, batch.code)
				.orderBy(asc(lot.since), asc(lot.id));
			return rows.filter((r) => r.used > 0);
		},

		async ofBatch(batchId: string) {
			const lots = await db
				.select({
					lot,
					amount: lotBalance.amount,
					place: place.name,
					container: container.name
				})
				.from(lot)
				.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
				.innerJoin(place, eq(place.id, lot.placeId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(mine, eq(lot.batchId, batchId)))
				.orderBy(asc(lot.createdAt), asc(lot.id));
			const moves = await db
				.select({
					id: movement.id,
					kind: movement.kind,
					amount: movement.amount,
					lot,
					cause: movement.cause,
					by: movement.by,
					at: movement.occurredAt,
					reversesId: movement.reversesId,
					place: place.name
				})
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.where(and(eq(movement.householdId, householdId), eq(lot.batchId, batchId)))
				.orderBy(asc(movement.recordedAt), asc(movement.id));
			return { lots: lots.map(({ lot: row, ...rest }) => ({ ...row, ...rest })), moves };
		},

		/** Litres that stand in freezers: by their containers, or twice their weight where none is known. */
		async freezerUsed_L(): Promise<number> {
			const [row] = await freezerMl(db).execute(whose);
			return Number(row?.ml ?? 0) / 1000;
		}
	};
}
