import rows from './looks.json';
import type { Provenance } from './row';
import type { FoodGroup } from './tables';

/** What a finding does to a lot: nothing, up the order for so many days, or its end. */
export interface FindingRow {
	readonly id: string;
	readonly words: string;
	readonly effect: 'none' | 'use-first' | 'end';
	readonly days?: number;
	readonly advice?: string;
}

/** A dated check: what is looked at, for what, when. */
export interface LookRow extends Provenance {
	readonly id: string;
	readonly name: string;
	readonly look: string;
	readonly states: readonly string[];
	readonly places?: readonly string[];
	/** Only what was made by one of these ways. */
	readonly ways?: readonly string[];
	readonly groups?: readonly FoodGroup[];
	readonly notGroups?: readonly FoodGroup[];
	/** Only foods whose store keeps them at least so many weeks. */
	readonly leastWeeks?: number;
	readonly first_days: number;
	/** Null: once. */
	readonly every_days: number | null;
	/** No more looks after so many days. */
	readonly until_days?: number;
	readonly findings: readonly FindingRow[];
}

// JSON widens literals to strings; a test checks every row against the schema, so the claim is safe here.
export const lookRows = rows as unknown as readonly LookRow[];
