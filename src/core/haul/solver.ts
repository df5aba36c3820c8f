/** A linear programme with whole numbers in it, always maximised. */
export interface Programme {
	readonly columns: readonly Column[];
	readonly rows: readonly Row[];
}
export interface Column {
	readonly name: string;
	readonly lower: number;
	readonly upper: number;
	readonly whole: boolean;
	readonly worth: number;
}
export interface Row {
	readonly name: string;
	/** Columns by number, each once. */
	readonly terms: readonly (readonly [column: number, factor: number])[];
	readonly lower: number;
	readonly upper: number;
}

export interface Solved {
	readonly kind: 'solved';
	readonly values: Float64Array;
	readonly worth: number;
	/** No answer is worth more. */
	readonly bound: number;
	/** Whether that was found out to the end. */
	readonly proven: boolean;
}
export type Outcome = Solved | { readonly kind: 'infeasible' } | { readonly kind: 'stopped' };

export interface SolveOptions {
	readonly seconds: number;
	/** Good enough, as a share of the worth: 0.01. */
	readonly gap: number;
	readonly start?: Float64Array;
	readonly onBetter?: (better: Solved) => void;
	readonly stopped?: () => boolean;
}

/** One programme, kept by the solver until it is let go. */
export interface Session {
	bounds(column: number, lower: number, upper: number): void;
	/** Without whole numbers, from where the last one ended. */
	relax(): Outcome;
	solve(options: SolveOptions): Outcome;
	close(): void;
}

/** Whoever solves: handed in, so that the core hangs on no package. */
export interface Solver {
	open(programme: Programme): Session;
}
