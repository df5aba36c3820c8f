import type { Units } from '../../quantities/format';
import { freeze } from './freeze';
import type { FreezeAct, FreezeTap } from './freeze/act';
import type { FreezeEvent } from './freeze/events';
import type { FreezeState } from './freeze/fold';
import type { FreezePlan } from './freeze/plan';

/** The list of kinds: a new one is added here, and nowhere else. */
const kinds = [freeze] as const;

export type RunPlan = FreezePlan;
export type RunState = FreezeState;
export type RunEvent = FreezeEvent;
export type RunEventType = RunEvent['type'];
export type Tap = FreezeTap;
export type RunAct = FreezeAct;

/** The kind of a plan. @throws {Error} a kind that this core does not know */
export function kindOf(plan: { readonly kind: string }): (typeof kinds)[number] {
	const kind = kinds.find((k) => k.id === plan.kind);
	if (!kind) throw new Error(`There is no kind of run "${plan.kind}".`);
	return kind;
}

/** A plan as it was kept, of whatever version, as the core works with it. */
export const planOf = (kept: object): RunPlan => kindOf(kept as { kind: string }).upgrade(kept);

export const foldRun = (plan: RunPlan, begunAt: number, events: readonly RunEvent[]): RunState =>
	kindOf(plan).fold(plan, begunAt, events);

/** A tap in a few words, where its run is not at hand. */
export const sayTap = (event: RunEvent, units: Units): string => kinds[0].say(event, units, null);

/** Every event that a run of a kind knows, with what it holds. */
export { allFields } from './fields';
