import { meatRules, partById, type PartId } from '../../reference/breakdown';
import { apportion } from './break-down';

/** Hours at the table: cutting and boning, mincing, wrapping, setting up. Common practice; hands side by side are not twice as fast. */
export function tableHours({
	table_g,
	mince_g,
	mincer_kg_h,
	practised,
	boxed
}: {
	readonly table_g: number;
	readonly mince_g: number;
	/** By its own word; by hand where there is none. */
	readonly mincer_kg_h: number | null;
	readonly practised: boolean;
	/** Cut from the bone already: portioned alone, a third of the cutting. */
	readonly boxed: boolean;
}): { readonly cut_h: number; readonly mince_h: number; readonly wrap_h: number; readonly sum_h: number } {
	const kg = table_g / 1000;
	const cut_h = kg * (practised ? meatRules.cutPractised_h_kg : meatRules.cutFirst_h_kg).value * (boxed ? 1 / 3 : 1);
	const mince_h = mince_g / 1000 / Math.max(1, mincer_kg_h ?? meatRules.minceHand_kg_h.value);
	const wrap_h = kg * meatRules.wrap_h_kg.value;
	return { cut_h, mince_h, wrap_h, sum_h: cut_h + mince_h + wrap_h + meatRules.setUp_h.value };
}

export interface Ration {
	/** Meat for the table, kg; bones, fat and skin are not. */
	readonly meat_kg: number;
	readonly days: number;
	readonly weeks: number;
	/** A person's, a day, if it is to last a year, g. */
	readonly year_g: number;
}

/** How long it lasts at an appetite, and what a year of it gives a person a day. */
export function ration(
	parts: readonly { readonly id: PartId; readonly grams: number }[],
	people: number,
	kg_day: number = meatRules.appetite_kg_day.value
): Ration {
	const meat_kg = parts.filter((p) => partById(p.id).meat).reduce((sum, p) => sum + p.grams, 0) / 1000;
	const days = meat_kg / (Math.max(1, people) * kg_day);
	return { meat_kg, days, weeks: days / 7, year_g: (meat_kg * 1000) / (Math.max(1, people) * 365) };
}

export interface PricedPart {
	readonly id: PartId;
	readonly grams: number;
	/** What a shop asks for a kilo, in minor units; null where nobody said. */
	readonly shop_kg: number | null;
}

export interface Worth {
	/** By part, minor units; their sum is what was paid. */
	readonly cost: readonly number[];
	/** Minor units for a kilo of what is packed. */
	readonly kilo: number | null;
	/** What a shop asks for what has a price there, and what was saved on it. */
	readonly shop: number;
	readonly saved: number;
}

/**
 * One price split over the parts: by what a shop asks where every part for the table has its price, by weight otherwise. The sum is
 * the price to the cent.
 */
export function worthOf(paid: number, parts: readonly PricedPart[]): Worth {
	const usable = parts.map((p) => partById(p.id).of !== 'none');
	const priced = parts.filter((p) => partById(p.id).meat).every((p) => p.shop_kg !== null);
	const weight = (p: PricedPart, i: number) =>
		!usable[i] ? 0 : priced ? (p.grams / 1000) * (p.shop_kg ?? 0) : partById(p.id).meat ? p.grams : 0;
	const all = parts.reduce((sum, p, i) => sum + weight(p, i), 0);
	const cost = apportion(parts.map((p, i) => (all > 0 ? (paid * weight(p, i)) / all : 0)), all > 0 ? Math.round(paid) : 0); // prettier-ignore
	const meat_g = parts.filter((p) => partById(p.id).meat).reduce((sum, p) => sum + p.grams, 0);
	const shop = parts.reduce((sum, p) => sum + ((p.shop_kg ?? 0) * p.grams) / 1000, 0);
	const known = parts.reduce((sum, p, i) => sum + (p.shop_kg !== null ? (cost[i] ?? 0) : 0), 0);
	return { cost, kilo: meat_g > 0 ? (paid * 1000) / meat_g : null, shop, saved: shop - known };
}
