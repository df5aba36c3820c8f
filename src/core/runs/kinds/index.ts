import type { Units } from '../../quantities/format';
import type { Act, PlannedThing, RunKind, TapOf } from '../engine/kind';
import { breakDown } from './break-down';
import type { BreakDownEvent } from './break-down/events';
import type { BreakDownState } from './break-down/fold';
import type { BreakDownPlan } from './break-down/plan';
import { can } from './can';
import type { CanEvent } from './can/events';
import type { CanState } from './can/fold';
import type { CanPlan } from './can/plan';
import { cookDown } from './cook-down';
import type { CookEvent } from './cook-down/events';
import type { CookState } from './cook-down/fold';
import type { CookPlan } from './cook-down/plan';
import { dry } from './dry';
import type { DryEvent } from './dry/events';
import type { DryState } from './dry/fold';
import type { DryPlan } from './dry/plan';
import { ferment } from './ferment';
import type { FermentEvent } from './ferment/events';
import type { FermentState } from './ferment/fold';
import type { FermentPlan } from './ferment/plan';
import { freeze } from './freeze';
import { freezeDry } from './freeze-dry';
import type { FreezeDryEvent } from './freeze-dry/events';
import type { FreezeDryState } from './freeze-dry/fold';
import type { FreezeDryPlan } from './freeze-dry/plan';
import type { FreezeEvent } from './freeze/events';
import type { FreezeState } from './freeze/fold';
import type { FreezePlan } from './freeze/plan';
import { kit } from './kit';
import type { KitEvent } from './kit/events';
import type { KitState } from './kit/fold';
import type { KitPlan } from './kit/plan';
import { ratio } from './ratio';
import type { RatioEvent } from './ratio/events';
import type { RatioState } from './ratio/fold';
import type { RatioPlan } from './ratio/plan';
import { seal } from './seal';
import type { SealEvent } from './seal/events';
import type { SealState } from './seal/fold';
import type { SealPlan } from './seal/plan';
import { store } from './store';
import type { StoreEvent } from './store/events';
import type { StoreState } from './store/fold';
import type { StorePlan } from './store/plan';

export type RunPlan =
	| FreezePlan
	| DryPlan
	| CookPlan
	| KitPlan
	| RatioPlan
	| FreezeDryPlan
	| CanPlan
	| BreakDownPlan
	| FermentPlan
	| SealPlan
	| StorePlan;
export type RunState =
	| FreezeState
	| DryState
	| CookState
	| KitState
	| RatioState
	| FreezeDryState
	| CanState
	| BreakDownState
	| FermentState
	| SealState
	| StoreState;
export type RunEvent =
	| FreezeEvent
	| DryEvent
	| CookEvent
	| KitEvent
	| RatioEvent
	| FreezeDryEvent
	| CanEvent
	| BreakDownEvent
	| FermentEvent
	| SealEvent
	| StoreEvent;
export type RunEventType = RunEvent['type'];
export type Tap = TapOf<RunEvent>;
export type RunAct = Act<Tap>;
/** A kind as those see it who do not ask which: its plan, state and taps always belong together. */
export type AnyKind = RunKind<RunPlan, RunState, RunEvent>;

/** The list of kinds: a new one is added here, and nowhere else. */
export const kinds: readonly AnyKind[] = [
	freeze,
	dry,
	cookDown,
	kit,
	ratio,
	freezeDry,
	can,
	breakDown,
	ferment,
	seal,
	store
];

/** The kind of a plan. @throws {Error} a kind that this core does not know */
export function kindOf(plan: { readonly kind: string }): AnyKind {
	const kind = kinds.find((k) => k.id === plan.kind);
	if (!kind) throw new Error(`There is no kind of run "${plan.kind}".`);
	return kind;
}

/** A plan as it was kept, of whatever version, as the core works with it. */
export const planOf = (kept: object): RunPlan => kindOf(kept as { kind: string }).upgrade(kept);

export const foldRun = (plan: RunPlan, begunAt: number, events: readonly RunEvent[]): RunState =>
	kindOf(plan).fold(plan, begunAt, events);

/** What a plan makes, thing by thing; of an animal that is cut up nothing: its parts go on from the Basket. */
export const thingsMade = (plan: RunPlan): readonly PlannedThing[] => ('subjects' in plan ? plan.subjects : []);

/** What is to be minded of a plan, and whose word it goes by. */
export const mindOf = (
	plan: RunPlan
): { readonly cautions: readonly string[]; readonly sources: readonly string[] } => {
	const things = 'subjects' in plan ? plan.subjects : [plan];
	return {
		cautions: [...new Set(things.flatMap((one) => one.cautions))],
		sources: [...new Set(things.map((one) => one.source))]
	};
};

const ownerOf = (type: string): AnyKind => kinds.find((k) => type in k.fields) ?? kinds[0] ?? freeze;

/** A tap in a few words, where its run is not at hand. */
export const sayTap = (event: RunEvent, units: Units): string => ownerOf(event.type).say(event, units, null);

/** Every event that a run of a kind knows, with what it holds. */
export { allFields } from './fields';
