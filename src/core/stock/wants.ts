/** What a household wants to eat of a food: helpings in a usual week, one head each, and what one weighs as it is kept, g. */
export interface Want {
	readonly perWeek: number;
	readonly helpingG: number;
}

/** A helping of a vegetable or a fruit as it is kept, g (common practice). */
export const usualHelping_g = 150;
const weeks = 365.25 / 7;

/** What a year takes as it is kept, kg. */
export const yearKept_kg = ({ perWeek, helpingG }: Want): number => (perWeek * weeks * helpingG) / 1000;
/** The same as it comes in, kg. @param kept what of a kilo is left when it is made ready, above 0 to 1 */
export const yearRaw_kg = (want: Want, kept: number): number => yearKept_kg(want) / kept;
