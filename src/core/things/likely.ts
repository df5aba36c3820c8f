import { sayWeight, type Units } from '../quantities/format';
import type { Understood } from './read-line';

/** More of one thing than a household takes in at a time: asked about before it is kept. Common practice, no source. */
export const likelyLine_g = 100_000;

export interface Unlikely {
	readonly question: string;
	/** The line with the point where it was probably meant. */
	readonly other?: { readonly label: string; readonly text: string };
}

/** Whether a line says more than is likely: "1,000 kg" may be one kilo with three decimals, or a slip of the finger. */
export function unlikely(reading: Understood, text: string, units: Units): Unlikely | undefined {
	if (reading.grams < likelyLine_g) return undefined;
	const question = `${sayWeight(reading.grams, units)} of ${reading.thing.called}: is that right?`;
	const grouped = /^(\s*)(\d{1,3})[.,’' ](\d{3})(?![\d.,])/.exec(text);
	if (!grouped) return { question };
	const value = Number(`${grouped[2]}.${grouped[3]}`);
	const line = `${value} ${text.slice(grouped[0].length).trim()}`;
	return { question, other: { label: `No: ${line}`, text: line } };
}
