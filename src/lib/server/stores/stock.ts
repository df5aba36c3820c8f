import { and, asc, desc, eq, gt, inArray, isNull, or, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { reverseOf, type MovementKind } from '$core/stock/fold';
import type { Database, Tx } from '../db/client';
import { batch, container, lot, lotBalance, movement, place } from '../db/schema';
import { AppError, notFound } from '../errors';
import { staysAfter, staysMerged } from '../things';
import { once } from './once';
import { reservedBy } from './runs/read';

export type LotRow = typeof lot.$inferSelect;
export type NewLot = Omit<typeof lot.$inferInsert, 'id' | 'householdId' | 'createdAt'>;

export interface Change {
	readonly lotId: string;
	readonly kind: MovementKind;
	readonly grams: number;
	readonly packs: number;
	readonly cause?: string;
	readonly batchId?: string | null;
	readonly reversesId?: string;
	/** The run that books it: its own raw food is spoken for by itself. */
	readonly runId?: string;
}

/**
 * Writes the movements of one step: locks the balances in the order of their ids (so that two steps never wait for
 * each other), checks that nothing falls below zero nor below what open runs have spoken for, appends, updates. All or
 * nothing: the caller's transaction.
 *
 * @throws {AppError} 404 a lot is not this household's; 409 NOT_ENOUGH, AT_THE_STOVE
 */
export async function post(
	tx: Tx,
	householdId: string,
	groupId: string,
	changes: readonly Change[],
	at: { now: Date; occurredAt?: Date; by: string }
): Promise<void> {
	const ids = [...new Set(changes.map((c) => c.lotId))].sort();
	const locked = await tx
		.select()
		.from(lotBalance)
		.where(and(eq(lotBalance.householdId, householdId), inArray(lotBalance.lotId, ids)))
		.orderBy(asc(lotBalance.lotId))
		.for('update');
	if (locked.length !== ids.length) throw notFound('lot');
	const balances = new Map(locked.map((b) => [b.lotId, { grams: b.grams, packs: b.packs }]));
	// Under the lock: a start that was a moment faster is seen.
	const spoken = changes.some((c) => c.grams < 0 && c.runId === undefined)
		? await reservedBy(tx, householdId)
		: new Map<string, number>();
	for (const change of changes) {
		const balance = balances.get(change.lotId);
		if (!balance) throw notFound('lot');
		if (balance.grams + change.grams < 0) {
			throw new AppError(409, 'NOT_ENOUGH', `There are only ${balance.grams} g left there. Nothing was changed.`, [
				{ field: 'amount', message: `At most ${balance.grams} g.` }
			]);
		}
		const atStove = spoken.get(change.lotId) ?? 0;
		if (change.grams < 0 && change.runId === undefined && balance.grams + change.grams < atStove) {
			throw new AppError(
				409,
				'AT_THE_STOVE',
				balance.grams > atStove
					? `Of these ${balance.grams} g, ${atStove} g are at the stove: at most ${balance.grams - atStove} g can go now. Nothing was changed.`
					: 'This item is at the stove: finish or stop that run first. Nothing was changed.'
			);
		}
		if (balance.packs + change.packs < 0) {
			throw new AppError(
				409,
				'NOT_ENOUGH',
				`There ${balance.packs === 1 ? 'is only 1 pack' : `are only ${balance.packs} packs`} left there. Nothing was changed.`,
				[{ field: 'amount', message: `At most ${balance.packs}.` }]
			);
		}
		balance.grams += change.grams;
		balance.packs += change.packs;
	}
	await tx.insert(movement).values(
		changes.map((c) => ({
			id: uuidv7(),
			householdId,
			lotId: c.lotId,
			groupId,
			kind: c.kind,
			grams: c.grams,
			packs: c.packs,
			cause: c.cause ?? '',
			by: at.by,
			batchId: c.batchId ?? null,
			reversesId: c.reversesId ?? null,
			runId: c.runId ?? null,
			occurredAt: at.occurredAt ?? at.now,
			recordedAt: at.now
		}))
	);
	for (const [lotId, b] of balances)
		await tx.update(lotBalance).set({ grams: b.grams, packs: b.packs }).where(eq(lotBalance.lotId, lotId));
}

/** Makes an empty lot with its balance row; `post` fills it. */
export async function makeLot(tx: Tx, householdId: string, values: NewLot, now: Date): Promise<string> {
	const id = uuidv7();
	await tx.insert(lot).values({ ...values, id, householdId, createdAt: now });
	await tx.insert(lotBalance).values({ lotId: id, householdId, grams: 0, packs: 0 });
	return id;
}

export interface Step {
	readonly groupId: string;
	readonly words: string;
}

export interface StockStep {
	readonly lotId: string;
	readonly kind: 'take' | 'give' | 'spoil' | 'count' | 'move';
	/** Of raw food grams, of packs packs. */
	readonly unit: 'grams' | 'packs';
	readonly amount: number;
	readonly cause?: string;
	readonly placeId?: string;
}

/** A place in use; it is not removed before this transaction is over. @throws {AppError} 404, 409 PLACE_REMOVED */
async function openPlace(tx: Tx, householdId: string, id: string): Promise<typeof place.$inferSelect> {
	const [row] = await tx
		.select()
		.from(place)
		.where(and(eq(place.householdId, householdId), eq(place.id, id || '00000000-0000-0000-0000-000000000000')))
		.for('share');
	if (!row) throw notFound('place');
	if (row.removedAt)
		throw new AppError(
			409,
			'PLACE_REMOVED',
			`${row.name} has been removed from the Kitchen meanwhile. Nothing was changed; choose another place.`,
			[{ field: 'placeId', message: 'Choose another place.' }]
		);
	return row;
}

export function stockStore(db: Database, householdId: string, now: Date) {
	const mine = eq(lot.householdId, householdId);

	async function ownLot(tx: Tx | Database, lotId: string): Promise<LotRow> {
		const [row] = await tx
			.select()
			.from(lot)
			.where(and(mine, eq(lot.id, lotId)));
		if (!row) throw notFound('lot');
		return row;
	}

	return {
		/** Raw lots that hold something, the newest first. */
		async basket() {
			return db
				.select({ lot, grams: lotBalance.grams, place })
				.from(lotBalance)
				.innerJoin(lot, eq(lot.id, lotBalance.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.grams, 0), eq(lot.kind, 'raw')))
				.orderBy(desc(lot.since));
		},

		async rawLot(lotId: string) {
			const [row] = await db
				.select({ lot, grams: lotBalance.grams, place })
				.from(lot)
				.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
				.innerJoin(place, eq(place.id, lot.placeId))
				.where(and(mine, eq(lot.id, lotId), eq(lot.kind, 'raw')));
			if (!row) throw notFound('lot');
			return row;
		},

		/** Puts what came in into the basket. @param ask what was said: not what it was read as, nor when */
		addRaw(
			ask: { key: string; body: unknown },
			values: Omit<NewLot, 'kind' | 'title'> & { grams: number; title: string },
			by: string
		): Promise<Step & { lotId: string }> {
			return once(db, householdId, { ...ask, action: 'add' }, now, async (tx) => {
				await openPlace(tx, householdId, values.placeId);
				const { grams, ...rest } = values;
				const lotId = await makeLot(tx, householdId, { ...rest, kind: 'raw' }, now);
				const groupId = uuidv7();
				await post(tx, householdId, groupId, [{ lotId, kind: 'put', grams, packs: 0 }], { now, by });
				return { lotId, groupId, words: `${values.title} in the basket` };
			});
		},

		/** Packs on the shelves, oldest first within their place. */
		async shelves() {
			return db
				.select({
					id: lot.id,
					title: lot.title,
					food: lot.food,
					packG: lot.packG,
					packs: lotBalance.packs,
					keepsUntil: lot.keepsUntil,
					since: lot.since,
					placeId: lot.placeId,
					code: batch.code,
					way: batch.way,
					container: container.name
				})
				.from(lotBalance)
				.innerJoin(lot, eq(lot.id, lotBalance.lotId))
				.leftJoin(batch, eq(batch.id, lot.batchId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.packs, 0)))
				.orderBy(asc(lot.keepsUntil), asc(lot.since));
		},

		/**
		 * Takes, gives, spoils, counts or moves; one step, which `undo` takes back whole. The amount says what it counts:
		 * three grams of packs are not three packs.
		 *
		 * @throws {AppError} 404; 409 NOT_ENOUGH, AT_THE_STOVE, SAME_PLACE, FREEZING_IS_A_RUN, AS_COUNTED; 422 WRONG_UNIT
		 */
		act(key: string, step: StockStep, by: string): Promise<Step> {
			return once(db, householdId, { key, action: step.kind, body: step }, now, async (tx) => {
				const row = await ownLot(tx, step.lotId);
				const raw = row.kind === 'raw';
				if (raw !== (step.unit === 'grams'))
					throw new AppError(
						422,
						'WRONG_UNIT',
						raw
							? 'This is counted by weight: say how many grams, in the Basket. Nothing was changed.'
							: 'These are counted in packs: say how many, on the Shelves. Nothing was changed.',
						[{ field: 'amount', message: raw ? 'A weight.' : 'A number of packs.' }]
					);
				const groupId = uuidv7();
				const unit = (n: number) => (raw ? { grams: n, packs: 0 } : { grams: 0, packs: n });
				const at = { now, by };
				if (step.kind === 'move') {
					const to = await openPlace(tx, householdId, step.placeId ?? '');
					if (to.id === row.placeId)
						throw new AppError(409, 'SAME_PLACE', `They are in ${to.name} already. Nothing was changed.`, [
							{ field: 'placeId', message: 'Choose another place.' }
						]);
					if (raw && to.kind === 'freezer' && row.state !== 'frozen')
						throw new AppError(
							409,
							'FREEZING_IS_A_RUN',
							`Into ${to.name} it goes by a way of freezing: open it in Ways, which gives its portions, its first look and its months. Nothing was changed.`,
							[{ field: 'placeId', message: 'Choose another place, or a way of freezing.' }]
						);
					const { id: _id, householdId: _h, createdAt: _c, packEventId: _p, ...rest } = row;
					// Out of the freezer it thaws, and is advised on as thawed from then on.
					const state = raw && row.state === 'frozen' && to.kind !== 'freezer' ? 'thawed' : row.state;
					const [from] = await tx.select().from(place).where(eq(place.id, row.placeId));
					if (!from) throw notFound('place');
					// What the clock used up here goes along: an hour on the counter is not forgotten in the fridge.
					const stays = staysAfter(row, from, now);
					const there = await makeLot(tx, householdId, { ...rest, state, placeId: to.id, stays, placedAt: now }, now);
					await post(
						tx,
						householdId,
						groupId,
						[
							{ lotId: row.id, kind: 'move', ...unit(-step.amount), batchId: row.batchId },
							{ lotId: there, kind: 'move', ...unit(step.amount), batchId: row.batchId }
						],
						at
					);
					return { groupId, words: `${howMany(row, step.amount)} ${row.title} moved to ${to.name}` };
				}
				let change = -step.amount;
				if (step.kind === 'count') {
					const [b] = await tx.select().from(lotBalance).where(eq(lotBalance.lotId, row.id)).for('update');
					change = step.amount - (raw ? (b?.grams ?? 0) : (b?.packs ?? 0));
					if (change === 0)
						throw new AppError(409, 'AS_COUNTED', 'The count agrees with the book. Nothing was changed.');
				}
				await post(
					tx,
					householdId,
					groupId,
					[{ lotId: row.id, kind: step.kind, ...unit(change), cause: step.cause ?? '', batchId: row.batchId }],
					at
				);
				const verb = { take: 'taken', give: 'given away', spoil: 'spoiled', count: 'counted' }[step.kind];
				return { groupId, words: `${howMany(row, step.amount)} ${row.title} ${verb}` };
			});
		},

		/** Keeps whether an expert has seen a lot, with every lot that was split from it by moving. @throws {AppError} 404 */
		async identify(key: string, lotId: string, identified: boolean): Promise<void> {
			await once(db, householdId, { key, action: 'identify', body: { lotId, identified } }, now, async (tx) => {
				// Said of one, it is said of all that it was moved from and to: an undone move never brings back the other answer.
				const { rows: found } = await tx.execute<{ id: string }>(sql`
				with recursive kin (id) as (
					select id from lot where id = ${lotId} and household_id = ${householdId} and kind = 'raw'
					union
					select b.lot_id from kin
					join movement a on a.lot_id = kin.id and a.kind = 'move' and a.household_id = ${householdId}
					join movement b on b.group_id = a.group_id and b.household_id = ${householdId}
				)
				update lot set identified = ${identified} from kin where lot.id = kin.id returning lot.id`);
				if (found.length === 0) throw notFound('lot');
				return {};
			});
		},

		/** Takes a whole step back. */
		undo(key: string, groupId: string, by: string): Promise<Step> {
			return once(db, householdId, { key, action: 'undo', body: { groupId } }, now, (tx) =>
				undoGroup(tx, householdId, groupId, now, by)
			);
		},

		/** The last steps of this week with raw lots or packs, for undoing them. */
		async lastSteps(of: LotRow['kind'], count = 6) {
			return db
				.select({
					groupId: movement.groupId,
					kind: movement.kind,
					grams: movement.grams,
					packs: movement.packs,
					title: lot.title,
					at: movement.recordedAt,
					by: movement.by
				})
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.where(
					and(
						eq(movement.householdId, householdId),
						isNull(movement.reversesId),
						eq(lot.kind, of),
						gt(movement.recordedAt, new Date(now.getTime() - 7 * 86_400_000)),
						inArray(movement.kind, ['take', 'give', 'spoil', 'count', 'move']),
						or(sql`${movement.kind} <> 'move'`, sql`${movement.grams} + ${movement.packs} < 0`),
						sql`not exists (select 1 from movement r where r.reverses_id = ${movement.id})`
					)
				)
				.orderBy(desc(movement.recordedAt))
				.limit(count);
		},

		/** Everything that happened to the lots of a batch. */
		async ofBatch(batchId: string) {
			const lots = await db
				.select({
					id: lot.id,
					title: lot.title,
					packG: lot.packG,
					packs: lotBalance.packs,
					place: place.name,
					container: container.name,
					keepsUntil: lot.keepsUntil
				})
				.from(lot)
				.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
				.innerJoin(place, eq(place.id, lot.placeId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(mine, eq(lot.batchId, batchId)))
				.orderBy(asc(lot.createdAt));
			const moves = await db
				.select({
					id: movement.id,
					kind: movement.kind,
					packs: movement.packs,
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
			return { lots, moves };
		},

		/** Litres that the packs in freezers take: by their containers, or twice their weight where none is known. */
		async freezerUsed_L(): Promise<number> {
			const [row] = await db
				.select({
					ml: sql<string>`coalesce(sum(coalesce(${container.volumeMl}, ${lot.packG} * 2)::bigint * ${lotBalance.packs}), 0)`
				})
				.from(lotBalance)
				.innerJoin(lot, eq(lot.id, lotBalance.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.packs, 0), eq(place.kind, 'freezer')));
			return Number(row?.ml ?? 0) / 1000;
		}
	};
}

function howMany(row: LotRow, amount: number): string {
	return row.kind === 'raw' ? `${amount} g` : amount === 1 ? '1 pack' : `${amount} packs`;
}

/** Appends the reverse of every movement of a group. @throws {AppError} 404, 409 when it cannot be taken back */
export async function undoGroup(tx: Tx, householdId: string, groupId: string, now: Date, by: string): Promise<Step> {
	const rows = await tx
		.select()
		.from(movement)
		.where(and(eq(movement.householdId, householdId), eq(movement.groupId, groupId), isNull(movement.reversesId)))
		.orderBy(asc(movement.lotId))
		.for('update');
	if (rows.length === 0) throw notFound('step');
	if (rows.some((r) => r.runId !== null))
		throw new AppError(
			409,
			'BOOKED_BY_RUN',
			'That was booked by a run: open the run again and take back its tap there. Nothing was changed.'
		);
	const reversed = await tx
		.select({ id: movement.id })
		.from(movement)
		.where(
			inArray(
				movement.reversesId,
				rows.map((r) => r.id)
			)
		);
	if (reversed.length > 0)
		throw new AppError(409, 'UNDONE_BEFORE', 'That step was taken back already. Nothing was changed.');
	const undoGroupId = uuidv7();
	await comeBack(tx, householdId, rows, now);
	try {
		await post(
			tx,
			householdId,
			undoGroupId,
			rows.map((r) => {
				const back = reverseOf({ id: r.id, kind: r.kind, grams: r.grams, packs: r.packs, reverses: null }, uuidv7());
				return {
					lotId: r.lotId,
					kind: back.kind,
					grams: back.grams,
					packs: back.packs,
					cause: 'undo',
					batchId: r.batchId,
					reversesId: r.id
				};
			}),
			{ now, by }
		);
	} catch (error) {
		if (error instanceof AppError && error.code === 'NOT_ENOUGH') {
			throw new AppError(
				409,
				'USED_SINCE',
				'It cannot be taken back: some of it has been used since. Nothing was changed; undo the later step first.'
			);
		}
		throw error;
	}
	return { groupId: undoGroupId, words: 'Taken back' };
}

/** Before a move of raw lots is taken back: what comes back brings the hours that it spent where it was. */
async function comeBack(
	tx: Tx,
	householdId: string,
	rows: readonly (typeof movement.$inferSelect)[],
	now: Date
): Promise<void> {
	const from = rows.find((r) => r.kind === 'move' && r.grams < 0);
	const to = rows.find((r) => r.kind === 'move' && r.grams > 0);
	if (!from || !to) return;
	const lots = await tx
		.select({ lot, place })
		.from(lot)
		.innerJoin(place, eq(place.id, lot.placeId))
		.where(and(eq(lot.householdId, householdId), inArray(lot.id, [from.lotId, to.lotId])))
		.orderBy(asc(lot.id))
		.for('update', { of: lot });
	const home = lots.find((l) => l.lot.id === from.lotId);
	const away = lots.find((l) => l.lot.id === to.lotId);
	if (!home || !away) throw notFound('lot');
	const merged = staysMerged(home.lot, home.place, away.lot, away.place, now);
	await tx
		.update(lot)
		.set({ stays: merged.stays, placedAt: merged.placedAt })
		.where(and(eq(lot.householdId, householdId), eq(lot.id, from.lotId)));
}
