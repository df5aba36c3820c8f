/** What a form gets back when it was not saved: the words, and everything that was typed. */
export interface Failed {
	readonly error?: {
		readonly code: string;
		readonly message: string;
		readonly faults: readonly { readonly field: string; readonly message: string }[];
	};
	readonly typed?: Record<string, string>;
}

/** The fault of one field, if it has one. */
export const faultOf = (failed: Failed | null | undefined, field: string): string | undefined =>
	failed?.error?.faults.find((f) => f.field === field)?.message;
