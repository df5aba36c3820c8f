import Joi from 'joi';
import { parts, type PartId } from '$reference/breakdown';
import { bases } from '$core/meat/break-down';
import { readMoney } from '$core/quantities/money';
import type { Units } from '$core/quantities/format';
import type { MeatChosen } from './meat';
import { decimalWithin, id, line, measureWithin, weightWithin } from './parse';

const whole = (low: number, high: number) => Joi.number().integer().min(low).max(high);

/** What may be chosen of an animal, in an address or a form; a field `shop.roasts` is a shop's price a kilo. */
export function meatAsked(units: Units, currency: string) {
	const money = (label: string) =>
		Joi.string()
			.max(20)
			.custom((value: string, helpers) => {
				const minor = readMoney(value, currency);
				return minor === undefined || minor > 1e8 ? helpers.message({ custom: `{{#label}} must be an amount such as 12.50` }) : minor; // prettier-ignore
			})
			.label(label);
	return Joi.object<MeatChosen & Record<string, unknown>>({
		lot: id().label('What is cut up'),
		species: line(20).label('The animal'),
		option: line(20).label('How it is cut'),
		basis: Joi.string()
			.valid(...bases)
			.label('How it was weighed'),
		dressing: line(20).label('What it was'),
		grams: weightWithin(100, 2_000_000).label('The weight'),
		hung: whole(0, 60).label('The days that it hangs'),
		lean: decimalWithin(50, 100).label('How lean the mince is'),
		boxes: whole(1, 40).label('The boxes'),
		first: Joi.string().valid('yes', 'no').label('Whether it is the first time'),
		extra: measureWithin('volume', units, 0, 2000).label('Another freezer'),
		paid: money('What was paid'),
		appetite: weightWithin(20, 1500).label('The appetite'),
		...Object.fromEntries(parts.filter((p) => p.meat).map((p) => [`shop.${p.id}`, money(`A shop’s price of ${p.name}`)])) // prettier-ignore
	});
}

/** The prices of a shop gathered from their fields. */
export function gathered(ask: MeatChosen & Record<string, unknown>): MeatChosen {
	const shop: Partial<Record<PartId, number>> = {};
	const rest: Record<string, unknown> = {};
	for (const [name, value] of Object.entries(ask)) {
		const part = parts.find((p) => name === `shop.${p.id}`);
		if (part && typeof value === 'number') shop[part.id] = value;
		else rest[name] = value;
	}
	return { ...rest, shop };
}
