/** What is left of a food, in words of the household. */
export interface LastsRow {
	readonly food: string;
	readonly name: string;
	/** "24 packs", "12 packs, 4.2 kg loose". */
	readonly stands: string;
	/** "23 weeks", the number apart: it is the biggest thing of the row. */
	readonly figure: string;
	readonly unit: string;
	/** "to 10 Apr, between 20 Mar and 6 May"; whether it is nearly gone. */
	readonly out: string;
	readonly between: string;
	readonly soon: boolean;
	/** ms; null beyond what is drawn. */
	readonly at: number | null;
	readonly early: number | null;
	readonly late: number | null;
	/** "one meal in 9 days, as eaten till now". */
	readonly pace: string;
	/** "One in 12 days reaches the new crop in July"; empty where nobody knows when it comes. */
	readonly ration: string;
	/** "then chard, 9 packs". */
	readonly instead: string;
	readonly helpings: number;
	readonly unpowered: number;
	readonly uncooked: number;
}
export interface LastsView {
	readonly rows: readonly LastsRow[];
	readonly people: number;
	readonly helpings: number;
	/** Days on which everybody eats of the shelves alone; of them without power, and without power and fire. */
	readonly days: number;
	readonly unpoweredDays: number;
	readonly uncookedDays: number;
	readonly helpingsDay: number;
}
