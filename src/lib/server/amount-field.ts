import Joi from 'joi';
import { dgOf, lotUnits, type LotUnit } from '$core/stock/amount';
import { parseMeasure } from '$core/quantities/parse-measure';
import { asShown, parse, weightWithin } from './parse';
import { AppError } from './errors';

const most: Readonly<Record<Exclude<LotUnit, 'dg'>, number>> = { pack: 10_000, piece: 10_000, ml: 1_000_000 };
const whatOf: Readonly<Record<LotUnit, string>> = {
	dg: 'The amount',
	ml: 'The volume',
	piece: 'The number of pieces',
	pack: 'The number of packs'
};

/**
 * The amount of a form in the lot's own unit, which the form says again beside it: packs and pieces as whole numbers,
 * volumes in millilitres or as they are said, weights as a person writes them.
 *
 * @param least 0 where nothing may be counted
 * @throws {AppError} 400
 */
export function amountField(
	fields: Record<string, string>,
	least: 0 | 1 = 1
): { unit: LotUnit; amount: number; rest: Record<string, string> } {
	const { unit: said, amount: _typed, ...others } = asShown(fields, 'amount');
	const unit = parse(
		Joi.string()
			.valid(...lotUnits)
			.required()
			.label('What it is counted in'),
		said
	) as LotUnit;
	const text = asShown(fields, 'amount').amount;
	const { shown: _s, exact: _e, ...rest } = others;
	if (unit === 'dg') {
		if (least === 0 && text !== undefined && /^0(\s*\p{L}+)?$/u.test(text.trim())) return { unit, amount: 0, rest };
		const { amount } = parse(
			Joi.object<{ amount: number }>({ amount: weightWithin(1, 1_000_000).required().label(whatOf.dg) }),
			text === undefined ? {} : { amount: text }
		);
		return { unit, amount: dgOf(amount), rest };
	}
	const number = unit === 'ml' ? volume_ml(text) : text;
	const { amount } = parse(
		Joi.object<{ amount: number }>({
			amount: Joi.number().integer().min(0).max(most[unit]).required().label(whatOf[unit])
		}),
		number === undefined ? {} : { amount: number }
	);
	if (amount < least)
		throw new AppError(400, 'NOTHING', `At least one ${unit === 'ml' ? 'millilitre' : unit}. Nothing was changed.`, [
			{ field: 'amount', message: 'At least one.' }
		]);
	return { unit, amount, rest };
}

/** "300", "300 ml" and "0.3 L" are one volume. */
function volume_ml(text: string | undefined): string | undefined {
	if (text === undefined || /^\s*\d+\s*(ml)?\s*$/i.test(text)) return text?.replace(/\s*ml\s*$/i, '');
	const litres = parseMeasure(text, 'volume', 'metric');
	return litres === undefined ? text : `${Math.round(litres * 1000)}`;
}
