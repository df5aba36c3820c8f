import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import { foldRun, kindOf } from '$core/runs/kinds';
import type { RunHead } from '$core/runs/wire';
import { preparedOnce, type Database } from '../../db/client';
import { run } from '../../db/schema';
import type { OpenRun } from '../households';
import { newestOf, viewsOf } from './read';

/**
 * Heads that were folded before. A run's plan is frozen and its taps are only ever added to, so (run, newest tap) says
 * all: every process may keep its own, and none is ever stale.
 */
const folded = new Map<string, RunHead>();
const most = 500;

const openOf = preparedOnce((db) =>
	db
		.select({ id: run.id, seq: newestOf })
		.from(run)
		.where(and(eq(run.householdId, sql.placeholder('household')), eq(run.status, 'open')))
		.orderBy(desc(run.startedAt), desc(run.id))
		.prepare('open_runs')
);

export const openNow = async (db: Database, householdId: string): Promise<OpenRun[]> =>
	(await openOf(db).execute({ household: householdId })).map((r) => [r.id, Number(r.seq)]);

/**
 * Heads of the open runs, the newest first: one query, and one more for those that have changed.
 *
 * @param known the open runs where they were read already
 */
export async function headsOf(db: Database, householdId: string, known?: readonly OpenRun[]): Promise<RunHead[]> {
	const open = known ?? (await openNow(db, householdId));
	const changed = open.filter(([id, seq]) => folded.get(id)?.seq !== seq).map(([id]) => id);
	if (changed.length > 0) {
		const rows = await db.select().from(run).where(inArray(run.id, changed));
		for (const view of await viewsOf(db, householdId, rows)) {
			const { plan } = view;
			folded.delete(view.id);
			folded.set(view.id, {
				id: view.id,
				...kindOf(plan).head(plan),
				startedAt: view.startedAt,
				seq: view.seq,
				timers: foldRun(plan, view.startedAt, view.events).timers
			});
		}
		for (const id of folded.keys()) {
			if (folded.size <= most) break;
			folded.delete(id);
		}
	}
	return open.flatMap(([id]) => folded.get(id) ?? []);
}
