import { and, eq, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { CannerSpec } from '$core/ways/equipment';
import type { RunEvent, RunPlan } from '$core/runs/kinds';
import type { Tx } from '../../db/client';
import { equipment, household, run, runEvent } from '../../db/schema';
import { AppError } from '../../errors';
import { tell } from '../../live';

/** What of a kitchen a process hangs on. */
interface Frozen {
	readonly altitudeM: number | null;
	readonly gauges: ReadonlyMap<string, CannerSpec['gauge']>;
}

/** Read under a lock that waits for a change that is under way, and lets none come in between. */
async function frozenNow(tx: Tx, householdId: string, lock: 'share' | 'update'): Promise<Frozen> {
	const [home] = await tx
		.select({ altitudeM: household.altitudeM })
		.from(household)
		.where(eq(household.id, householdId))
		.for(lock);
	const canners = await tx
		.select({ name: equipment.name, spec: equipment.spec })
		.from(equipment)
		.where(and(eq(equipment.householdId, householdId), eq(equipment.kind, 'canner'), isNull(equipment.removedAt)));
	return {
		altitudeM: home?.altitudeM ?? null,
		gauges: new Map(canners.map((c) => [c.name, (c.spec as CannerSpec).gauge]))
	};
}

/**
 * A change of the Kitchen, with an eye on what is in a canner: where its altitude or the gauge of a canner is another afterwards,
 * every open run that counts by it is told, and counts nothing until a person settles it.
 *
 * @param work the change itself, in the same transaction
 */
export async function watchingRuns<T>(tx: Tx, householdId: string, now: Date, work: () => Promise<T>): Promise<T> {
	const before = await frozenNow(tx, householdId, 'update');
	const done = await work();
	const after = await frozenNow(tx, householdId, 'update');
	const altitude = before.altitudeM !== after.altitudeM;
	const gauges = new Set([...before.gauges].filter(([name, g]) => after.gauges.get(name) !== g).map(([name]) => name));
	if (!altitude && gauges.size === 0) return done;
	const open = await tx
		.select({ id: run.id, plan: run.plan })
		.from(run)
		.where(and(eq(run.householdId, householdId), eq(run.status, 'open'), sql`${run.plan} ->> 'kind' = 'can'`));
	for (const { id, plan } of open as { id: string; plan: RunPlan }[]) {
		if (plan.kind !== 'can') continue;
		const what = altitude ? 'altitude' : plan.heat === 'pressure' && gauges.has(plan.canner.name) ? 'gauge' : null;
		if (!what) continue;
		const at = now.getTime();
		const event: RunEvent = { id: uuidv7(), at, type: 'kitchen-changed', what, device: 'kitchen', n: at };
		await tx.insert(runEvent).values({
			id: event.id,
			householdId,
			runId: id,
			event,
			by: 'the Kitchen',
			device: 'kitchen',
			n: at,
			at: now,
			correctedAt: now,
			recordedAt: now
		});
		await tell(tx, householdId, 'taps');
	}
	return done;
}

/**
 * A plan is begun only in the kitchen that it was made for: between its page and its start somebody may have changed it.
 *
 * @throws {AppError} 409 KITCHEN_CHANGED
 */
export async function mustStillHold(tx: Tx, householdId: string, plan: RunPlan): Promise<void> {
	if (plan.kind !== 'can') return;
	const { altitudeM, gauges } = await frozenNow(tx, householdId, 'share');
	const gauge = plan.heat === 'pressure' ? gauges.get(plan.canner.name) : plan.canner.gauge;
	if (altitudeM === plan.altitude_m && gauge === plan.canner.gauge) return;
	throw new AppError(
		409,
		'KITCHEN_CHANGED',
		'The altitude or the canner of the Kitchen was changed a moment ago, and the minutes hang on it. Nothing was started: look at it again.'
	);
}
