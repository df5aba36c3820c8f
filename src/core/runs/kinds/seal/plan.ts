import type { State } from '../../../things/thing';
import type { AnyPlan, PlannedFood } from '../../engine/kind';

/** So much is brought to the table at once: all of it filled, then all of it sealed. */
export interface SealRound {
	/** From 1. */
	readonly n: number;
	readonly packs: number;
}

/** A lot in bags or jars without air. */
export interface SealSubject extends PlannedFood {
	readonly n: 1;
	/** Of what is packed. */
	readonly state: State;
	readonly was: State;
	readonly place: 'freezer' | 'pantry';
	/** `yyyy-MM-dd`: vacuum makes no date later. */
	readonly until: string;
	/** What is done to it before it is filled; empty where nothing is. */
	readonly prepare: string;
	/** Frozen first, so that no juice reaches the seal: how, and the usual hours; null where it goes in as it is. */
	readonly first: null | { readonly how: string; readonly hours: readonly [number, number] };
	readonly packs: number;
	/** Off the roll for one of them, m; null where nobody said how large a piece is, or it goes into jars. */
	readonly cut: null | { readonly length_m: number; readonly width_m: number; readonly roll: string };
	readonly into: 'bag' | 'jar';
}

/** Frozen when the run starts. */
export interface SealPlan extends AnyPlan {
	readonly kind: 'seal';
	readonly version: 1;
	readonly subjects: readonly [SealSubject];
	readonly rounds: readonly SealRound[];
	/** Out of the cold at most, all times together, h; null for what needs no cold. */
	readonly out_h: number | null;
	/** Out of the cold before the run began, ms: it counts with the rest. */
	readonly warm_ms: number;
}
