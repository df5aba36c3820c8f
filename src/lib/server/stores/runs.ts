import { and, asc, desc, eq, gt, sql } from 'drizzle-orm';
import { randomInt } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import { dateIn, monthsAfter } from '$core/freezing/keep';
import { closeRun, type Closing } from '$core/runs/close';
import type { RunEvent } from '$core/runs/events';
import { foldRun, tally } from '$core/runs/fold';
import type { RunPlan } from '$core/runs/plan';
import type { Database, Tx } from '../db/client';
import { batch, container, lot, lotBalance, movement, place, run, runEvent } from '../db/schema';
import { AppError, notFound } from '../errors';
import type { HouseholdRow } from './households';
import { once } from './once';
import { makeLot, post, undoGroup } from './stock';

export type RunRow = typeof run.$inferSelect;
/** What the page needs to fold a run by itself. */
export interface RunView {
	readonly id: string;
	/** On the labels; the batch takes it over. */
	readonly code: string;
	readonly plan: RunPlan;
	readonly startedAt: number;
	readonly status: RunRow['status'];
	readonly batchCode: string | null;
	readonly events: readonly RunEvent[];
	/** Order of arrival of the newest event here. */
	readonly seq: number;
}

/** Letters and digits that are not mistaken for one another on a label written in the cold. */
const codeLetters = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
const newCode = () => Array.from({ length: 5 }, () => codeLetters[randomInt(codeLetters.length)]).join('');

/** How far ahead of our clock a tap may be: clocks differ a little. */
const ahead_ms = 2 * 60_000;

export function runStore(db: Database, household: HouseholdRow, now: Date) {
	const householdId = household.id;
	const mine = eq(run.householdId, householdId);

	async function view(tx: Tx | Database, row: RunRow): Promise<RunView> {
		const rows = await tx
			.select({ seq: runEvent.seq, event: runEvent.event })
			.from(runEvent)
			.where(and(eq(runEvent.householdId, householdId), eq(runEvent.runId, row.id)))
			.orderBy(asc(runEvent.seq));
		const [entry] = row.batchId
			? await tx.select({ code: batch.code }).from(batch).where(eq(batch.id, row.batchId))
			: [];
		return {
			id: row.id,
			code: row.code,
			plan: row.plan,
			startedAt: row.startedAt.getTime(),
			status: row.status,
			batchCode: entry?.code ?? null,
			events: rows.map((r) => r.event),
			seq: rows.at(-1)?.seq ?? 0
		};
	}

	return {
		/** Runs that go on, the newest first, each with what is needed to fold it. */
		async open(): Promise<RunView[]> {
			const rows = await db
				.select()
				.from(run)
				.where(and(mine, eq(run.status, 'open')))
				.orderBy(desc(run.startedAt));
			return Promise.all(rows.map((r) => view(db, r)));
		},

		async get(id: string): Promise<RunView> {
			const [row] = await db
				.select()
				.from(run)
				.where(and(mine, eq(run.id, id)));
			if (!row) throw notFound('run');
			return view(db, row);
		},

		/** By the code on a label, while its batch is not in the book yet. */
		async idOfCode(code: string): Promise<string | undefined> {
			const [row] = await db
				.select({ id: run.id })
				.from(run)
				.where(and(mine, eq(run.code, code.toUpperCase())));
			return row?.id;
		},

		/** Newer arrivals only, for a second device that follows along. */
		async since(
			id: string,
			seq: number
		): Promise<{ status: RunRow['status']; batchCode: string | null; events: RunEvent[]; seq: number }> {
			const [row] = await db
				.select({ status: run.status, code: run.code, batchId: run.batchId })
				.from(run)
				.where(and(mine, eq(run.id, id)));
			if (!row) throw notFound('run');
			const rows = await db
				.select({ seq: runEvent.seq, event: runEvent.event })
				.from(runEvent)
				.where(and(eq(runEvent.householdId, householdId), eq(runEvent.runId, id), gt(runEvent.seq, seq)))
				.orderBy(asc(runEvent.seq));
			return {
				status: row.status,
				batchCode: row.batchId ? row.code : null,
				events: rows.map((r) => r.event),
				seq: rows.at(-1)?.seq ?? seq
			};
		},

		/** Raw grams that open runs have spoken for, by lot. */
		async reserved(): Promise<Map<string, number>> {
			const rows = await db
				.select({ lotId: run.lotId, grams: sql<string>`sum((${run.plan}->>'raw_g')::bigint)` })
				.from(run)
				.where(and(mine, eq(run.status, 'open')))
				.groupBy(run.lotId);
			return new Map(rows.map((r) => [r.lotId, Number(r.grams)]));
		},

		/** Starts a run from a frozen plan. @throws {AppError} 404, 409 when the lot is spoken for */
		start(key: string, plan: RunPlan): Promise<{ id: string }> {
			return once(db, householdId, key, now, async (tx) => {
				const [balance] = await tx
					.select()
					.from(lotBalance)
					.where(and(eq(lotBalance.householdId, householdId), eq(lotBalance.lotId, plan.lotId)))
					.for('update');
				if (!balance) throw notFound('lot');
				const [taken] = await tx
					.select({ grams: sql<string>`coalesce(sum((${run.plan}->>'raw_g')::bigint), 0)` })
					.from(run)
					.where(and(mine, eq(run.lotId, plan.lotId), eq(run.status, 'open')));
				if (balance.grams - Number(taken?.grams ?? 0) < plan.raw_g) {
					throw new AppError(
						409,
						'SPOKEN_FOR',
						'A run with this lot is going on already. Nothing was started; go on with that one at the Stove.'
					);
				}
				const id = uuidv7();
				await tx.insert(run).values({
					id,
					householdId,
					code: await freeCode(tx),
					lotId: plan.lotId,
					plan,
					status: 'open',
					startedAt: now,
					createdAt: now
				});
				return { id };
			});
		},

		/**
		 * Appends taps. A tap that came before (same id) is passed over; one that cannot count is kept and its reason
		 * given back. A `finish` or `stop` closes the run into the book in the same transaction; undoing it opens it again.
		 *
		 * @throws {AppError} 404; 400 a time out of bounds; 409 the packs were used since; 422 a place that is no freezer
		 */
		append(
			id: string,
			events: readonly RunEvent[],
			by: string
		): Promise<RunView & { ignored: readonly { id: string; why: string }[] }> {
			return db.transaction(async (tx) => {
				const [row] = await tx
					.select()
					.from(run)
					.where(and(mine, eq(run.id, id)))
					.for('update');
				if (!row) throw notFound('run');
				for (const event of events) {
					if (event.at > now.getTime() + ahead_ms || event.at < row.startedAt.getTime() - ahead_ms) {
						throw new AppError(
							400,
							'BAD_TIME',
							'A tap lies before the run or in the future: check the clock of that device. The taps are kept there.',
							[{ field: 'at', message: 'Out of bounds.' }]
						);
					}
				}
				await checkPacks(tx, events);
				if (events.length > 0) {
					await tx
						.insert(runEvent)
						.values(
							events.map((event) => ({
								id: event.id,
								householdId,
								runId: id,
								event,
								by,
								at: new Date(event.at),
								recordedAt: now
							}))
						)
						.onConflictDoNothing();
				}
				let seen = await view(tx, row);
				const state = foldRun(seen.plan, seen.startedAt, seen.events);
				if (state.phase === 'working' && row.status !== 'open') await reopen(tx, row, by);
				if (state.phase !== 'working' && row.status === 'open') {
					const sums = tally(state);
					if (sums.packed_g > Math.max(seen.plan.raw_g, state.load_g) * 1.2) {
						throw new AppError(
							422,
							'TOO_MANY_PACKS',
							`The packs hold ${Math.round(sums.packed_g)} g, but only ${state.load_g} g went through. Check the number of packs; nothing was closed.`
						);
					}
					await close(tx, row, closeRun(seen.plan, state), state.phase, by);
				}
				const [after] = await tx.select().from(run).where(eq(run.id, id));
				seen = await view(tx, after ?? row);
				return { ...seen, ignored: state.ignored };
			});
		}
	};

	async function checkPacks(tx: Tx, events: readonly RunEvent[]): Promise<void> {
		for (const event of events) {
			if (event.type !== 'pack') continue;
			const [to] = await tx
				.select({ kind: place.kind, name: place.name })
				.from(place)
				.where(and(eq(place.householdId, householdId), eq(place.id, event.placeId)));
			if (!to) throw notFound('place');
			if (to.kind !== 'freezer') {
				throw new AppError(
					422,
					'NOT_A_FREEZER',
					`${to.name} is no freezer: frozen packs stay at −18 °C or below. Choose a freezer; the packs were not booked.`,
					[{ field: 'placeId', message: 'Choose a freezer.' }]
				);
			}
			if (event.containerId) {
				const [c] = await tx
					.select({ id: container.id })
					.from(container)
					.where(and(eq(container.householdId, householdId), eq(container.id, event.containerId)));
				if (!c) throw notFound('container');
			}
		}
	}

	async function close(
		tx: Tx,
		row: RunRow,
		closing: Closing,
		status: 'finished' | 'stopped',
		by: string
	): Promise<void> {
		const { plan } = row;
		const groupId = uuidv7();
		const packedOn = dateIn(household.zone, now.getTime());
		const keepsUntil = monthsAfter(packedOn, plan.months[1]);
		const title = `${plan.food.name}, ${plan.cut.name}`;
		const batchId = uuidv7();
		await tx.insert(batch).values({
			id: batchId,
			householdId,
			code: row.code,
			food: plan.food.id,
			form: plan.form,
			cut: plan.cut.id,
			way: plan.way.name,
			title,
			packedOn,
			keepsUntil,
			useWords: plan.use,
			runId: row.id,
			closing,
			createdAt: now
		});
		const [balance] = await tx.select().from(lotBalance).where(eq(lotBalance.lotId, row.lotId)).for('update');
		// Some of the lot may have been eaten meanwhile: no more than there is can be used up.
		const used_g = Math.min(closing.raw_g, balance?.grams ?? 0);
		const at = { now, by };
		if (used_g > 0)
			await post(tx, householdId, groupId, [{ lotId: row.lotId, kind: 'use', grams: -used_g, packs: 0, batchId }], at);
		for (const made of closing.lots) {
			const lotId = await makeLot(
				tx,
				householdId,
				{
					kind: 'pack',
					food: plan.food.id,
					form: plan.form,
					placeId: made.placeId,
					condition: 'firm',
					said: '',
					note: '',
					title,
					packG: made.pack_g,
					containerId: made.containerId,
					batchId,
					since: now,
					keepsUntil
				},
				now
			);
			await post(tx, householdId, groupId, [{ lotId, kind: 'put', grams: 0, packs: made.packs, batchId }], at);
			if (made.containerId) await drawer(tx, made.containerId, -made.packs);
		}
		await tx.update(run).set({ status, batchId, closingGroupId: groupId }).where(eq(run.id, row.id));
	}

	/** Takes the closing back, when none of its packs has been used. */
	async function reopen(tx: Tx, row: RunRow, by: string): Promise<void> {
		if (row.batchId && row.closingGroupId) {
			const later = await tx
				.select({ id: movement.id })
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.where(
					and(
						eq(movement.householdId, householdId),
						eq(lot.batchId, row.batchId),
						sql`${movement.groupId} <> ${row.closingGroupId}`,
						sql`${movement.reversesId} is null`,
						sql`not exists (select 1 from movement r where r.reverses_id = ${movement.id})`
					)
				)
				.limit(1);
			if (later.length > 0)
				throw new AppError(
					409,
					'USED_SINCE',
					'Packs of this batch have been used or moved since, so the run stays closed. Undo those steps on the Shelves first.'
				);
			const lots = await tx
				.select({ containerId: lot.containerId, packs: lotBalance.packs })
				.from(lot)
				.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
				.where(and(eq(lot.householdId, householdId), eq(lot.batchId, row.batchId)));
			await undoGroup(tx, householdId, row.closingGroupId, now, by);
			for (const l of lots) if (l.containerId) await drawer(tx, l.containerId, l.packs);
			await tx
				.update(batch)
				.set({ voidedAt: now, code: sql`${batch.code} || '-' || left(${batch.id}::text, 13)` })
				.where(eq(batch.id, row.batchId));
		}
		await tx.update(run).set({ status: 'open', batchId: null, closingGroupId: null }).where(eq(run.id, row.id));
	}

	async function drawer(tx: Tx, containerId: string, change: number): Promise<void> {
		await tx
			.update(container)
			.set({ count: sql`greatest(0, ${container.count} + ${change})` })
			.where(and(eq(container.householdId, householdId), eq(container.id, containerId)));
	}

	async function freeCode(tx: Tx): Promise<string> {
		for (;;) {
			const code = newCode();
			const runs = await tx
				.select({ id: run.id })
				.from(run)
				.where(and(mine, eq(run.code, code)));
			const batches = await tx
				.select({ id: batch.id })
				.from(batch)
				.where(and(eq(batch.householdId, householdId), eq(batch.code, code)));
			if (runs.length + batches.length === 0) return code;
		}
	}
}
