import Joi from 'joi';
import { freezerOutage } from '$core/freezing/freezer-week';
import { publishedOutage } from '$core/freezing/published-outage';
import { minorDigits, readMoney } from '$core/quantities/money';
import { DomainError } from '$core/errors';
import { AppError } from './errors';
import { line, parse } from './parse';

const moneys = ['energyPrice', 'hourRate', 'bagPrice', 'lidPrice'] as const;

/** Prices in whole minor units of the currency. @throws {AppError} 400: no such currency, or no amount; every one is named */
export function readPrices(fields: Record<string, string>) {
	const labels = {
		energyPrice: 'A kilowatt-hour',
		hourRate: 'An own hour',
		bagPrice: 'A bag',
		lidPrice: 'A lid'
	} as const;
	const v = parse(
		Joi.object<Record<(typeof moneys)[number] | 'currency', string>>({
			currency: Joi.string()
				.trim()
				.uppercase()
				.pattern(/^[A-Z]{3}$/)
				.required()
				.label('The currency')
				.messages({ 'string.pattern.base': '{{#label}} has three letters, such as EUR' }),
			...Object.fromEntries(moneys.map((name) => [name, line(20).required().label(labels[name])]))
		}),
		fields
	);
	try {
		minorDigits(v.currency);
	} catch (thrown) {
		if (!(thrown instanceof DomainError)) throw thrown;
		throw new AppError(400, 'BAD_INPUT', `${thrown.message} Nothing was saved.`, [
			{ field: 'currency', message: thrown.message }
		]);
	}
	const read = moneys.map((name) => [name, readMoney(v[name], v.currency, name === 'energyPrice')] as const);
	const wrong = read.filter(([, minor]) => minor === undefined).map(([name]) => name);
	if (wrong.length > 0)
		throw new AppError(
			400,
			'BAD_INPUT',
			`${wrong.map((name) => labels[name]).join(', ')}: write money such as 0.31. Nothing was saved.`,
			wrong.map((field) => ({ field, message: 'Such as 0.31.' }))
		);
	const prices = Object.fromEntries(read.map(([name, minor]) => [name, minor ?? 0])) as Record<
		(typeof moneys)[number],
		number
	>;
	return { currency: v.currency, ...prices };
}

/** The freezers' litres together, and how long they keep shut without power; null where there is none, or it is cold around. */
export function freezerHours(
	places: readonly { readonly kind: string; readonly tempC: number; readonly litres: number | null }[],
	used_L: number,
	room_C: number
) {
	const freezers = places.filter((p) => p.kind === 'freezer');
	const freezer_L = freezers.reduce((sum, p) => sum + (p.litres ?? 0), 0);
	if (freezer_L < 20 || room_C < 6) return { freezer_L, outage: null };
	const set_C = Math.max(-35, Math.min(-12, ...freezers.map((p) => p.tempC)));
	const fill = Math.min(1, Math.max(0.02, used_L / freezer_L));
	const hours = freezerOutage({ litres: Math.min(2000, freezer_L), set_C, room_C }, fill, publishedOutage);
	return { freezer_L, outage: { hours: Math.floor(hours.plan_h), published: hours.published_h !== null } };
}
