import type { Keeps } from '../../freezing/keep';
import type { Units } from '../../quantities/format';
import type { Task } from '../../ways/equipment';
import type { Base, Fields } from './event';
import type { RunBook } from './book';
import type { Rehearsal } from './rehearse';
import type { Timer } from './stage';

/** What of every plan is known, whatever its kind. */
export interface AnyPlan {
	/** The core that made it. */
	readonly core: string;
	readonly kind: string;
	readonly version: number;
	/** The household's, for the sentences. */
	readonly units: Units;
}

/** What of every run's state is known. */
export interface AnyState {
	readonly phase: 'working' | 'finished' | 'stopped';
	readonly startedAt: number;
	readonly endedAt: number | null;
	readonly stopReason: string | null;
	readonly timers: readonly Timer[];
	readonly ends: readonly string[];
	readonly ignored: readonly { readonly id: string; readonly why: string }[];
}

/** An event without the identity and time that the tap will give it. */
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
export type TapOf<E> = DistributiveOmit<E, 'id' | 'at'>;

/**
 * What is asked for before an act: a weight, packs, ice, a temperature, words, what goes onto a tray (weighed or in cups),
 * what is left of it (by weight, and by measure where somebody measures it), what a gauge shows, who stays with it.
 */
export type Asks =
	'weight' | 'packs' | 'ice' | 'temperature' | 'words' | 'load' | 'dry' | 'depth' | 'pressure' | 'name';

/** Something that could be done now. */
export interface Act<Tap> {
	readonly key: string;
	/** What kind of act it is, in the words of its kind of run. */
	readonly kind: string;
	/** What it is about: "Runner beans · potful 4 of 8 · 1.05 kg". */
	readonly about: string;
	/** The same in the fewest words, for a list: "runner beans, potful 4". */
	readonly short: string;
	readonly sentence: string;
	readonly hint: string;
	/** Counts down to it, or up from `since` where it is null. */
	readonly due: number | null;
	readonly latest: number | null;
	readonly since: number;
	/** Whether its clock is the giant figure. */
	readonly clock: boolean;
	readonly button: { readonly label: string; readonly tap: Tap } | null;
	/** What else could be done of it, one tap away. */
	readonly others?: readonly { readonly label: string; readonly tap: Tap }[];
	/** What is asked for before it: a weight, packs. */
	readonly asks?: Asks;
	/** What comes, in the fewest words, before its time: "feel tray 7". */
	readonly then?: string;
	/** Its board shows it while it is not due: no line of its own. */
	readonly drawn?: boolean;
	/** Which of the run's foods it is about, from 1. */
	readonly subject: number | null;
	/** Which of what stands on the worktop: the key of a placed unit. */
	readonly unit: string | null;
	/** Ready to be tapped without a question. */
	readonly ready: boolean;
	/** What a helper must be let do for it. */
	readonly task: Task;
	/** 0 is now; the smaller, the sooner it wants hands. */
	readonly urgency: number;
	/** Past the longest that is published. */
	readonly over: boolean;
}

export interface Trouble<Tap> {
	readonly id: string;
	readonly title: string;
	readonly advice: readonly string[];
	readonly choices: readonly { readonly label: string; readonly tap: Tap }[];
}

/** A place on the worktop with what is in it. */
export interface Station {
	readonly id: string;
	readonly draw: 'bin' | 'pot' | 'basin' | 'cloth' | 'rack' | 'bags' | 'fridge';
	readonly name: string;
	/** The figure over it: a clock, a weight, a word; a clock counts to `due` or up from `since`. */
	readonly figure: { readonly words: string } | { readonly since: number; readonly due: number | null };
	readonly words: string;
	/** What stands under it: how full, how cold. */
	readonly foot: string;
	readonly warns: boolean;
	readonly units: readonly Placed[];
	/** Things of it beyond those that are drawn. */
	readonly more: number;
}

export interface Placed {
	readonly key: string;
	readonly n: string;
	readonly food: string;
	readonly subject: number;
	/** When it rings, ms. */
	readonly due: number | null;
}

/** What is asked of a plan for every page: which food, which way, how much. */
export interface Headline {
	readonly food: string;
	readonly way: string;
	readonly raw_g: number;
}

/** What comes off a food of a plan and can be used, expected. */
export interface PlannedByProduct {
	readonly food: string;
	readonly form: string;
	readonly name: string;
	readonly grams: number;
}

/** What of everything that a plan makes is known, whatever becomes of it. */
export interface PlannedThing {
	/** From 1; the number of its code, too. */
	readonly n: number;
	readonly raw_g: number;
	readonly food: { readonly id: string; readonly name: string };
	readonly form: string;
	/** What is known to go through, expected, g. */
	readonly load_g: number;
	readonly portion_g: number;
	/** How a pack was said, where not by weight alone. */
	readonly portionWords?: string;
	readonly container: null | { readonly id: string; readonly name: string };
	readonly months: readonly [number, number];
	readonly use: string;
	readonly source: string;
	readonly cautions: readonly string[];
	readonly byproducts: readonly PlannedByProduct[];
	readonly expected: {
		readonly hands_s: number;
		readonly elapsed_s: number;
		/** Of the hands those at the knife, where the plan tells them apart. */
		readonly knife_s?: number;
	};
}

/** What is made of one lot, or of a share of it. */
export interface PlannedFood extends PlannedThing {
	readonly lotId: string;
}

/** What comes out of a run under a code of its own. */
export interface OutputHead {
	/** From 1: the number of its code. */
	readonly n: number;
	readonly title: string;
	readonly portion_g: number;
	readonly prepared_g: number;
	readonly portionWords?: string;
	readonly use: string;
	readonly keeps: Keeps;
	/** It comes of what went wrong: no labels are laid ready for it. */
	readonly aside?: true;
}

/** Where packs of a run may be put: kinds of place. */
export type PackPlace = 'freezer' | 'fridge' | 'pantry' | 'cool' | 'cellar' | 'crock' | 'counter' | 'ground';

/** A thing that comes out, at the moment when it can be put away. */
export interface Packable {
	/** The number of its code. */
	readonly n: number;
	readonly name: string;
	/** Expected into packs from what is ready, and in packs already, g. */
	readonly ready_g: number;
	readonly packed_g: number;
	readonly portion_g: number;
	readonly second_g?: number;
	readonly containerId: string | null;
	/** What is ready of it: "firm", "dry". */
	readonly readyWord: string;
	/** What it goes into: "pack", "jar". */
	readonly packWord: string;
}

/** What became of a run, for the page that closes it. */
export interface Sums {
	readonly packed_g: number;
	readonly supper_g: number;
	/** Not begun: it goes back where it came from; under way: it counts as used. g */
	readonly waiting_g: number;
	readonly under_g: number;
	/** What is still where it came from, where the run was stopped. */
	readonly stoppedWords: string;
}

/**
 * A kind of run: all that is its own. The engine orders events, takes back what was undone, knows the events that are
 * common to all, and books; a kind says what its plan means, what an event changes, what comes next, and what is to be
 * written down. Adding one touches its folder and the list of kinds.
 */
export interface RunKind<P extends AnyPlan, S extends AnyState, E extends Base & { readonly type: string }> {
	readonly id: P['kind'];
	readonly version: number;
	/** What its own events hold. */
	readonly fields: Readonly<Record<string, Fields>>;
	/** A plan of any earlier version as this one. */
	upgrade(plan: object): P;
	fold(plan: P, begunAt: number, events: readonly E[]): S;
	acts(plan: P, state: S, now: number): Act<TapOf<E>>[];
	troubles(plan: P, state: S, now: number): Trouble<TapOf<E>>[];
	/** The commonest of them in a few words. */
	readonly wrongTurns: string;
	/** Taps that are of the moment they are tapped, however late somebody says they are: a clock begins with them. */
	readonly onTime?: readonly string[];
	/** What its worktop is called. */
	readonly worktop: string;
	/** Why a figure is asked about before it is kept. */
	surprise(plan: P, tap: TapOf<E>, state?: S, volume_mL?: number): string | undefined;
	book(plan: P, state: S): RunBook;
	/** What stands where; a kind that is drawn otherwise has none. */
	stations?(plan: P, state: S, now: number): Station[];
	/** Foods that still go in one after the other, in their order; the `order` tap changes it. */
	queue?(plan: P, state: S): readonly { readonly n: number; readonly name: string }[];
	/** What of it can be put away now, or is. */
	packables(plan: P, state: S): Packable[];
	/** Whether nothing is under way any more and all of it is put away. */
	allAway(plan: P, state: S): boolean;
	sums(plan: P, state: S): Sums;
	/** Kinds of place that packs of one of its things may stand in, the best first. */
	placesFor(plan: P, n: number): readonly PackPlace[];
	/** Gone through dry, where it offers that. */
	readonly rehearsal?: Rehearsal<P, S, TapOf<E>>;
	/** Nothing is put into packs in it: what comes of it goes on from the Basket. */
	readonly packsNothing?: true;
	/** A tap in a few words; without a plan the foods have no names. */
	say(event: E, units: Units, plan: P | null): string;
	head(plan: P): Headline;
	outputs(plan: P): OutputHead[];
	/** What can come off on the way and be used, by what is planned. */
	byproducts(plan: P): readonly { readonly food: string; readonly form: string }[];
	/** What goes in: lots with their share, g. */
	lots(plan: P): { readonly lotId: string; readonly raw_g: number }[];
}
