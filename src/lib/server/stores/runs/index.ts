import { and, eq, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { RunEvent } from '$core/runs/events';
import { foldRun } from '$core/runs/fold';
import type { RunPlan } from '$core/runs/plan';
import { dgOf } from '$core/stock/amount';
import type { Database } from '../../db/client';
import { difference, lotBalance, run, runOutput } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import type { HouseholdRow, OpenRun } from '../households';
import { answered, once } from '../once';
import { append, type Appended } from './append';
import { freeCodes } from './codes';
import { headsOf } from './heads';
import { claimedBy, speakFor } from '../stock/claims';
import { runReads, viewsOf } from './read';
import { settle } from './settle';

export type { Appended } from './append';
export type { RunRow } from './read';

/** One for what the run is for, the others for what else comes up on the way. */
const outputs = 4;

/** What was asked for at a start: the way and its choices, not the plan that they led to. */
export interface StartAsk {
	readonly key: string;
	readonly body: unknown;
}

export function runStore(db: Database, household: HouseholdRow, now: Date, open?: readonly OpenRun[]) {
	const householdId = household.id;
	const mine = eq(run.householdId, householdId);
	const intent = (ask: StartAsk) => ({ ...ask, action: 'start' });

	return {
		...runReads(db, householdId),

		/** Clocks of the open runs, for every page. */
		heads: () => headsOf(db, householdId, open),

		/** The run that was started when this was asked before; undefined where it is new. @throws {AppError} 409 KEY_REUSED */
		async started(ask: StartAsk): Promise<{ id: string } | undefined> {
			return (await answered(db, householdId, intent(ask))) as { id: string } | undefined;
		},

		/** Starts a run from a frozen plan. @throws {AppError} 404, 409 when the lot is spoken for */
		start(ask: StartAsk, plan: RunPlan): Promise<{ id: string }> {
			return once(db, householdId, intent(ask), now, async (tx) => {
				const [balance] = await tx
					.select()
					.from(lotBalance)
					.where(and(eq(lotBalance.householdId, householdId), eq(lotBalance.lotId, plan.lotId)))
					.for('update');
				if (!balance) throw notFound('lot');
				const taken = (await claimedBy(tx, householdId)).get(plan.lotId) ?? 0;
				const amount = dgOf(plan.raw_g);
				if (balance.amount - taken < amount) {
					throw new AppError(
						409,
						'SPOKEN_FOR',
						taken > 0
							? 'A run with this lot is going on already. Nothing was started; go on with that one at the Stove.'
							: 'There is less of this than a moment ago. Nothing was started; look at its ways again.'
					);
				}
				const id = uuidv7();
				await tx
					.insert(run)
					.values({ id, householdId, lotId: plan.lotId, plan, status: 'open', startedAt: now, createdAt: now });
				await speakFor(tx, householdId, { lotId: plan.lotId, amount, runId: id, at: now });
				const codes = await freeCodes(tx, householdId, outputs);
				await tx.insert(runOutput).values(codes.map((code, i) => ({ runId: id, householdId, n: i + 1, code })));
				return { id };
			});
		},

		/** @see append */
		append: (id: string, events: readonly RunEvent[], by: string, sent?: number): Promise<Appended> =>
			append(db, household, id, events, { now, by, ...(sent === undefined ? {} : { sent }) }),

		/**
		 * Settles differences of a run by a person's word. `keep`: they were there, the book stays as it is. `again`: the
		 * steps that stood in the way were taken back, so the book is tried once more.
		 *
		 * @throws {AppError} 404
		 */
		settle(key: string, id: string, how: 'keep' | 'again', by: string): Promise<{ left: number }> {
			return once(db, householdId, { key, action: 'settle', body: { id, how } }, now, async (tx) => {
				const [row] = await tx
					.select()
					.from(run)
					.where(and(mine, eq(run.id, id)))
					.for('update');
				if (!row) throw notFound('run');
				const open = and(
					eq(difference.householdId, householdId),
					eq(difference.runId, id),
					isNull(difference.settledAt)
				);
				if (how === 'keep') await tx.update(difference).set({ settledAt: now, settledBy: by }).where(open);
				const [view] = await viewsOf(tx, householdId, [row]);
				if (!view) throw notFound('run');
				await settle(tx, household, row, foldRun(view.plan, view.startedAt, view.events), { now, by });
				const [left] = await tx
					.select({ n: sql<number>`count(*)::int` })
					.from(difference)
					.where(open);
				return { left: left?.n ?? 0 };
			});
		}
	};
}
