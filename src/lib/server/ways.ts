import Joi from 'joi';
import { skins, type Skin } from '$core/drying/drying-time';
import { readMoney } from '$core/quantities/money';
import { canWays } from '$core/ways/can-ways';
import { dryWay } from '$core/ways/dry-ways';
import { freezeWays, type Ways, type WayChoices } from '$core/ways/freeze-ways';
import { glance } from '$core/ways/glance';
import type { PackStyle } from '$reference/canning';
import { jarSizes, type JarSize } from '$reference/canning-rules';
import { AppError } from './errors';
import { knownFood } from './haul';
import { id, line, parse, weightWithin } from './parse';
import type { Stores } from './stores';

interface WayQuery {
	cut?: string;
	portion?: number;
	pot?: string;
	container?: string;
	potfuls?: 'small';
	grams?: number;
	jar?: JarSize;
	/** Drying: thickness, skin, unblanched, the row. */
	mm?: number;
	skin?: Skin;
	blanch?: 'no';
	dry?: string;
	/** Canning: hot or raw pack. */
	style?: PackStyle;
	/** Thickness of a frozen pack. */
	pack?: number;
	/** Money as it was typed. */
	paid?: string;
	shop?: string;
}

const waySchema = Joi.object<WayQuery>({
	cut: line(40).label('The cut'),
	portion: weightWithin(10, 20_000).label('The portion'),
	pot: id().label('The pot'),
	container: id().label('The container'),
	potfuls: Joi.string().valid('small').label('Potfuls'),
	grams: weightWithin(1, 1_000_000).label('The amount'),
	jar: Joi.string()
		.valid(...jarSizes)
		.label('The jar'),
	mm: Joi.number().min(1).max(60).label('The thickness in millimetres'),
	skin: Joi.string()
		.valid(...skins)
		.label('The skin'),
	blanch: Joi.string().valid('no').label('Blanching'),
	dry: line(60).label('The drying row'),
	style: Joi.string().valid('hot', 'raw').label('The pack style'),
	pack: Joi.number().min(5).max(200).label('The pack’s thickness in millimetres'),
	paid: line(20).label('What was paid'),
	shop: line(20).label('The price in a shop')
});

/** What an address may say: the ways follow from it, and survive a reload. */
export function wayQuery(fields: Record<string, string>): WayQuery {
	return parse(waySchema, fields);
}

/** All ways for a lot in this kitchen, now. @throws {AppError} 400, 404, 409 nothing left */
export async function waysFor(stores: Stores, lotId: string, query: WayQuery, now: Date) {
	const [{ lot, grams, place }, kitchen, reserved] = await Promise.all([
		stores.stock.rawLot(lotId),
		stores.home.kitchen(),
		stores.runs.reserved()
	]);
	const food = knownFood(lot.food);
	const free_g = Math.max(0, grams - (reserved.get(lot.id) ?? 0));
	const wanted_g = query.grams ?? free_g;
	if (wanted_g > free_g && free_g > 0) {
		throw new AppError(400, 'NOT_ENOUGH', `Only ${free_g} g of it are free. Nothing was changed.`, [
			{ field: 'grams', message: `At most ${free_g} g.` }
		]);
	}
	if (query.cut && !food.cuts.some((c) => c.id === query.cut)) {
		throw new AppError(
			400,
			'UNKNOWN_CUT',
			`${food.name} are not cut as "${query.cut}". Known: ${food.cuts.map((c) => c.id).join(', ')}. Nothing was changed.`,
			[{ field: 'cut', message: 'Unknown cut.' }]
		);
	}
	const choices: WayChoices = {
		...(query.cut ? { cut: query.cut } : {}),
		...(query.portion ? { portion_g: query.portion } : {}),
		...(query.pot ? { potId: query.pot } : {}),
		...(query.container ? { containerId: query.container } : {}),
		...(query.potfuls === 'small' ? { smaller: true } : {})
	};
	// The amount that the ways are worked out for; a lot that is all at the stove is shown whole, without a start.
	const shown_g = free_g > 0 ? wanted_g : Math.max(1, grams);
	const ways: Ways = freezeWays({
		food,
		form: lot.form,
		grams: shown_g,
		food_C: Math.min(30, Math.max(1, place.tempC)),
		kitchen,
		choices,
		now: now.getTime()
	});
	// A family opens a quart, one or two people a pint.
	const jar: JarSize = query.jar ?? (kitchen.people >= 4 ? 'quart' : 'pint');
	const jars = canWays({
		food,
		called: lot.title,
		soft: lot.condition === 'soft',
		form: lot.form,
		grams: shown_g,
		kitchen,
		jar,
		now: now.getTime()
	});
	const dry = dryWay({
		food,
		form: lot.form,
		cut: ways.cut,
		grams: shown_g,
		kitchen,
		choices: {
			...(query.dry ? { row: query.dry } : {}),
			...(query.mm ? { thickness_mm: query.mm } : {}),
			...(query.skin ? { skin: query.skin } : {}),
			...(query.blanch ? { blanched: false } : {})
		},
		now: now.getTime()
	});
	const food_C = Math.min(30, Math.max(1, place.tempC));
	const shopPerKg = query.shop === undefined ? undefined : money(query.shop, 'shop', kitchen.prices.currency);
	const list = glance({
		kitchen,
		grams: shown_g,
		food_C,
		freeze: ways.ways,
		dry,
		cans: jars,
		...(query.style ? { style: query.style } : {}),
		paid: query.paid === undefined ? 0 : money(query.paid, 'paid', kitchen.prices.currency),
		...(shopPerKg === undefined ? {} : { shopPerKg })
	});
	return { lot, place, grams, free_g, shown_g, kitchen, food, food_C, ways, jars, jar, dry, list };
}

/** Money as typed, in minor units. @throws {AppError} 400 */
function money(text: string, field: string, currency: string): number {
	const minor = readMoney(text, currency);
	if (minor === undefined)
		throw new AppError(
			400,
			'BAD_INPUT',
			`"${text}" is no amount of money; write it such as 12.50. Nothing was changed.`,
			[{ field, message: 'Such as 12.50.' }]
		);
	return minor;
}
