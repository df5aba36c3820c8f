import rows from './canning.json';
import type { AcidId, JarSize, PressureSet } from './canning-rules';
import type { Confidence, Provenance } from './row';
import type { SourceId } from './sources';

export type PackStyle = 'hot' | 'raw';

/** One tested process: a look-up, never a formula. */
export interface ProcessRow {
	readonly style: PackStyle;
	readonly jars: readonly JarSize[];
	readonly method: 'water' | PressureSet;
	/** Boiling water: by the four altitude columns. Pressure: the one time, the pressure follows the altitude. */
	readonly minutes: readonly [number, number, number, number] | number;
	readonly headspace_in: number;
	/** Whether two independent recalls gave this row, or one. */
	readonly recalls: 'agreed' | 'once';
	readonly source: SourceId;
	readonly confidence: Confidence;
}

export interface CanningProduct {
	readonly id: string;
	readonly name: string;
	/** Foods that the published table names for it. */
	readonly foods: readonly string[];
	readonly product: string;
	/** Other names of the product under its food: "diced" for crushed tomatoes. */
	readonly aliases?: readonly string[];
	/** Names by which it is asked for on its own: "applesauce". */
	readonly names?: readonly string[];
	readonly locator: string;
	/** Only as the tested recipe has it. */
	readonly recipe?: boolean;
	/** Another thing than its food as it is: given only when it is asked for. */
	readonly asked?: boolean;
	readonly acid: AcidId | null;
	readonly prepare: string;
	readonly mind?: readonly string[];
	readonly quantities?: {
		readonly lb_per_quart?: number;
		readonly lb_per_7_quarts?: number;
		readonly lb_per_9_pints?: number;
		readonly quarts_per_bushel?: readonly [number, number];
		readonly note?: string;
	} & Provenance;
	readonly processes: readonly ProcessRow[];
}

// JSON widens literals to strings; a test checks every row against the schema, so the claim is safe here.
export const canningProducts = rows as unknown as readonly CanningProduct[];
