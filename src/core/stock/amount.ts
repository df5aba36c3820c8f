import { sayCount, sayVolume, sayWeight, type Units } from '../quantities/format';

/** What a lot's amount counts, in whole numbers: tenths of a gram, millilitres, pieces, packs of a content. */
export const lotUnits = ['dg', 'ml', 'piece', 'pack'] as const;
export type LotUnit = (typeof lotUnits)[number];
/** What a pack's content is counted in. */
export const contentUnits = ['dg', 'ml', 'piece'] as const;
export type ContentUnit = (typeof contentUnits)[number];

/** How a lot is counted. */
export interface Counted {
	readonly unit: LotUnit;
	/** Of one pack, in `contentUnit`; null for what is loose. */
	readonly content: number | null;
	readonly contentUnit: ContentUnit | null;
	/** Grams to one of its unit: 0.1 of a lot by weight, the density of one by volume, the weight of a piece or a pack. */
	readonly unitG: number;
}

/** Tenths of a gram to a gram. */
export const dgPerG = 10;
/** Whole tenths of a gram. */
export const dgOf = (grams: number): number => Math.round(grams * dgPerG);

/** Grams of an amount of a lot. */
export const gramsOf = (lot: Counted, amount: number): number =>
	lot.unit === 'dg' ? amount / dgPerG : amount * lot.unitG;

/** The whole amount nearest to a weight, in the lot's unit. */
export const amountOf = (lot: Counted, grams: number): number =>
	lot.unit === 'dg' ? dgOf(grams) : Math.round(grams / lot.unitG);

/** Food by weight, loose. */
export const byWeight: Counted = { unit: 'dg', content: null, contentUnit: null, unitG: 1 / dgPerG };

/** Packs of so many grams. */
export const packsOfGrams = (grams: number): Counted => ({
	unit: 'pack',
	content: dgOf(grams),
	contentUnit: 'dg',
	unitG: grams
});

const sayLoose = (unit: ContentUnit, amount: number, unitG: number, units: Units): string => {
	switch (unit) {
		case 'dg':
			return sayWeight(amount / dgPerG, units);
		case 'ml':
			return sayVolume(amount / 1000, units);
		case 'piece':
			return unitG >= 1 ? `${amount} (${sayWeight(amount * unitG, units)})` : `${amount}`;
	}
};

/** Jars that are known by their size, ml. */
const jars: Readonly<Record<number, string>> = { 237: 'half-pint', 473: 'pint', 946: 'quart', 1893: 'half-gallon' };

/** What is in one pack: "500 g", "quart", "750 ml", "6 pieces". */
export const sayContent = (lot: Counted, units: Units): string => {
	if (lot.content === null || lot.contentUnit === null) return '';
	const jar = lot.contentUnit === 'ml' ? jars[lot.content] : undefined;
	if (jar) return jar;
	return lot.contentUnit === 'piece'
		? sayCount(lot.content, 'piece')
		: sayLoose(lot.contentUnit, lot.content, lot.unitG, units);
};

/** An amount of a lot in words: "3 packs", "1.2 kg", "950 ml", "9, 11.2 kg". */
export const sayAmount = (lot: Counted, amount: number, units: Units): string =>
	lot.unit === 'pack' ? sayCount(amount, 'pack') : sayLoose(lot.unit, amount, lot.unitG, units);

/** An amount of a named thing: "3 packs green beans", "1.2 kg carrots", "9 butternut squash (11.2 kg)". */
export const sayThing = (lot: Counted, amount: number, title: string, units: Units): string =>
	lot.unit === 'piece'
		? `${amount} ${title} (${sayWeight(amount * lot.unitG, units)})`
		: `${sayAmount(lot, amount, units)} ${title}`;

/** All of a lot in a row of a list: "12 × 500 g green beans"; what is loose as `sayThing` says it. */
export const sayLot = (lot: Counted, amount: number, title: string, units: Units): string =>
	lot.unit === 'pack' ? `${amount} × ${sayContent(lot, units)} ${title}` : sayThing(lot, amount, title, units);
