/** What a form gets back when it was not saved: the words, and everything that was typed. */
export interface Failed {
	readonly error?: {
		readonly code: string;
		readonly message: string;
		readonly faults: readonly { readonly field: string; readonly message: string }[];
	};
	readonly typed?: Record<string, string>;
	/** The form's own action, such as "/pot": what was typed goes back to that form alone. */
	readonly action?: string;
}

/** What was typed in a field of the form with this action, where it was not saved; else the given value. */
export const typedIn = (
	failed: Failed | null | undefined,
	action: string,
	name: string,
	value: string | number
): string | number =>
	(failed?.action === undefined || failed.action === action ? failed?.typed?.[name] : undefined) ?? value;

/** The fault of one field, if it has one. */
export const faultOf = (failed: Failed | null | undefined, field: string): string | undefined =>
	failed?.error?.faults.find((f) => f.field === field)?.message;
