import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { foldRun, kindOf, type RunEvent, type RunPlan } from '$core/runs/kinds';
import { dgOf } from '$core/stock/amount';
import type { Database } from '../../db/client';
import { difference, lotBalance, run, runLot, runOutput } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import type { HouseholdRow, OpenRun } from '../households';
import { tell } from '../../live';
import { answered, once } from '../once';
import { append, type Appended } from './append';
import { freeCodes } from './codes';
import { headsOf, openNow } from './heads';
import { claimedBy, speakFor } from '../stock/claims';
import { differencesNow, runReads, viewsOf } from './read';
import { mustStillHold } from './kitchen-watch';
import { settle } from './settle';

export type { Appended } from './append';
export type { RunRow } from './read';

/** Codes for what else comes up on the way, besides one for each thing that is planned. */
const spare = 3;

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

		/** Which runs go on, the newest first, each with its newest tap; and where the book could not follow. */
		async openNow(): Promise<{ open: readonly OpenRun[]; differences: Awaited<ReturnType<typeof differencesNow>> }> {
			const [now, differences] = await Promise.all([open ?? openNow(db, householdId), differencesNow(db, householdId)]);
			return { open: now, differences };
		},

		/** The run that was started when this was asked before; undefined where it is new. @throws {AppError} 409 KEY_REUSED */
		async started(ask: StartAsk): Promise<{ id: string } | undefined> {
			return (await answered(db, householdId, intent(ask))) as { id: string } | undefined;
		},

		/** Starts a run from a frozen plan. @throws {AppError} 404, 409 when a lot is spoken for */
		start(ask: StartAsk, plan: RunPlan): Promise<{ id: string }> {
			return once(db, householdId, intent(ask), now, async (tx) => {
				const kind = kindOf(plan);
				await mustStillHold(tx, householdId, plan);
				// Two foods of a run may be shares of one lot.
				const wanted = new Map<string, number>();
				for (const { lotId, raw_g } of kind.lots(plan)) wanted.set(lotId, (wanted.get(lotId) ?? 0) + dgOf(raw_g));
				const balances = await tx
					.select()
					.from(lotBalance)
					.where(and(eq(lotBalance.householdId, householdId), inArray(lotBalance.lotId, [...wanted.keys()])))
					.orderBy(asc(lotBalance.lotId))
					.for('update');
				if (balances.length < wanted.size) throw notFound('lot');
				const claimed = await claimedBy(tx, householdId);
				for (const { lotId, amount } of balances) {
					const taken = claimed.get(lotId) ?? 0;
					if (amount - taken >= (wanted.get(lotId) ?? 0)) continue;
					throw new AppError(
						409,
						'SPOKEN_FOR',
						taken > 0
							? 'A run with this lot is going on already. Nothing was started; go on with that one at the Stove.'
							: 'There is less of this than a moment ago. Nothing was started; look at its ways again.'
					);
				}
				const id = uuidv7();
				await tx.insert(run).values({ id, householdId, plan, status: 'open', startedAt: now, createdAt: now });
				await tx
					.insert(runLot)
					.values(
						[...wanted].map(([lotId, amount]) => ({ runId: id, householdId, lotId, amount: Math.max(1, amount) }))
					);
				for (const [lotId, amount] of wanted) await speakFor(tx, householdId, { lotId, amount, runId: id, at: now });
				const codes = await freeCodes(tx, householdId, kind.outputs(plan).length + spare);
				await tell(tx, householdId, 'taps');
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
