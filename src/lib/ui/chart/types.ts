/** A line of a chart. Dash and a mark at its end tell lines apart without colour. */
export interface Series {
	readonly name: string;
	readonly points: readonly (readonly [x: number, y: number])[];
	readonly look: 'full' | 'dashed' | 'dotted';
	readonly tone?: 'rim' | 'amber' | 'leaf' | 'red';
}
/** Where nine of ten lie, between two lines. */
export interface Band {
	readonly name: string;
	readonly points: readonly (readonly [x: number, low: number, high: number])[];
}
/** A level that matters, across the chart. */
export interface Level {
	readonly y: number;
	readonly words: string;
}
