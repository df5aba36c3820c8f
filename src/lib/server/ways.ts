import { editWeight } from '$core/quantities/parse-weight';
import Joi from 'joi';
import { skins, type Skin } from '$core/drying/drying-time';
import { readMoney } from '$core/quantities/money';
import { canWays } from '$core/ways/can-ways';
import { dryWay } from '$core/ways/dry-ways';
import { freezeWays, type Ways, type WayChoices } from '$core/ways/freeze-ways';
import { glance } from '$core/ways/glance';
import { packStyles, type PackStyleId } from '$core/packing/pack-style';
import { readPortion, usualPerson_g } from '$core/packing/read-portion';
import type { Thing } from '$core/things/thing';
import type { PackStyle } from '$reference/canning';
import { jarSizes, type JarSize } from '$reference/canning-rules';
import { AppError } from './errors';
import { id, line, parse, weightWithin } from './parse';
import { stopOf } from './stop';
import type { Stores } from './stores';
import { lotThing } from './things';

interface WayQuery {
	cut?: string;
	/** As a cook says it: "500 g", "2 cups", "for 4", "one loaf". */
	portion?: string;
	pot?: string;
	container?: string;
	potfuls?: 'small';
	/** On trays, flat in bags, in moulds, in boxes. */
	packed?: PackStyleId;
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
	portion: line(60).label('The portion'),
	pot: id().label('The pot'),
	container: id().label('The container'),
	potfuls: Joi.string().valid('small').label('Potfuls'),
	packed: Joi.string()
		.valid(...packStyles)
		.label('How it is packed'),
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

/** What of an address could not be read: said beside its field; the rest is worked out all the same. */
export interface WayFault {
	readonly field: string;
	readonly message: string;
	readonly typed: string;
}

/**
 * The ways for what an address says, as far as it can be read: a fault in one field replaces neither the page nor the others.
 *
 * @throws {AppError} 404 no such lot, and whatever is no fault of a field
 */
export async function waysAsRead(stores: Stores, lotId: string, fields: Record<string, string>, now: Date) {
	const good = { ...fields };
	const faults: WayFault[] = [];
	for (;;) {
		try {
			const query = wayQuery(good);
			return { query, faults, ...(await waysFor(stores, lotId, query, now)) };
		} catch (thrown) {
			const bad = thrown instanceof AppError ? thrown.faults.filter((f) => f.field in good) : [];
			if (bad.length === 0) throw thrown;
			for (const { field, message } of bad) {
				faults.push({ field, message, typed: good[field] ?? '' });
				delete good[field];
			}
		}
	}
}

/** @throws {AppError} 400 it is no portion of this food */
async function portionOf(stores: Stores, text: string, thing: Thing, cutId: string | undefined) {
	const { food } = thing;
	const own = food.cuts.find((c) => c.id === thing.form);
	const cut = food.cuts.find((c) => c.id === cutId) ?? own ?? food.cuts[0];
	const bad = (words: string) =>
		new AppError(400, 'BAD_INPUT', `${words} Nothing was changed.`, [{ field: 'portion', message: words }]);
	if (!cut) return undefined;
	const { home } = stores;
	const [recipes, metricCups] = await Promise.all([home.recipePortions(), home.metricCups()]);
	// "500 g + 250 g": two sizes, half of it for each.
	const sizes = text.split(/\s*\+\s*/).map((size) => {
		const read = readPortion(size, { food, cut, metricCups, recipes, person_g: usualPerson_g });
		if (!read)
			throw bad(
				`“${size}” is no portion of ${food.name} that I know: say a weight, cups or pints, pieces, “for 4”, or a recipe of yours.`
			);
		if (read.grams < 10 || read.grams > 20_000) throw bad('A portion is from 10 g to 20 kg.');
		return read;
	});
	if (sizes.length > 2) throw bad('Two sizes at the most: “500 g + 250 g”.');
	const [first, second] = sizes;
	return first && { ...first, ...(second ? { second_g: second.grams } : {}) };
}

/** All ways for a lot in this kitchen, now. @throws {AppError} 400, 404, 409 nothing left */
export async function waysFor(stores: Stores, lotId: string, query: WayQuery, now: Date) {
	const [{ lot, grams, place }, kitchen, reserved] = await Promise.all([
		stores.stock.rawLot(lotId),
		stores.home.kitchen(),
		stores.runs.reserved()
	]);
	const { thing, clock, reread } = lotThing(lot, place, now);
	const { food } = thing;
	const stop = stopOf(thing, reread);
	const free_g = Math.max(0, grams - (reserved.get(lot.id) ?? 0));
	// What reads the same as all of it is all of it: shown in pounds it may be rounded up.
	const shownAs = (grams: number) => editWeight(grams, kitchen.units);
	const asked_g = query.grams ?? free_g;
	const wanted_g = asked_g > free_g && shownAs(asked_g) === shownAs(free_g) ? free_g : asked_g;
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
	const portion = query.portion === undefined ? undefined : await portionOf(stores, query.portion, thing, query.cut);
	const choices: WayChoices = {
		...(query.cut ? { cut: query.cut } : {}),
		...(portion ? { portion_g: portion.grams, portionWords: portion.words } : {}),
		...(portion?.second_g === undefined ? {} : { second_g: portion.second_g }),
		...(query.packed ? { style: query.packed } : {}),
		...(query.pot ? { potId: query.pot } : {}),
		...(query.container ? { containerId: query.container } : {}),
		...(query.potfuls === 'small' ? { smaller: true } : {})
	};
	// The amount that the ways are worked out for; a lot that is all at the stove is shown whole, without a start.
	const shown_g = free_g > 0 ? wanted_g : Math.max(1, grams);
	const ways: Ways = freezeWays({
		thing,
		grams: shown_g,
		food_C: Math.min(30, Math.max(1, place.tempC)),
		kitchen,
		choices,
		now: now.getTime()
	});
	// A family opens a quart, one or two people a pint.
	const jar: JarSize = query.jar ?? (kitchen.people >= 4 ? 'quart' : 'pint');
	const jars = canWays({
		thing,
		grams: shown_g,
		kitchen,
		jar,
		now: now.getTime()
	});
	const dry = dryWay({
		thing,
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
	// What is no money is left out and said: the ways are worked out all the same, and what was typed stays.
	const money = (text: string | undefined) =>
		text === undefined ? undefined : readMoney(text, kitchen.prices.currency);
	const shopPerKg = money(query.shop);
	const paid = money(query.paid);
	const noMoney = (['paid', 'shop'] as const).filter(
		(name) => query[name] !== undefined && money(query[name]) === undefined
	);
	const list = glance({
		kitchen,
		grams: shown_g,
		food_C,
		freeze: ways.ways,
		dry,
		cans: jars,
		...(query.style ? { style: query.style } : {}),
		paid: paid ?? 0,
		...(shopPerKg === undefined ? {} : { shopPerKg })
	});
	return {
		lot,
		thing,
		clock,
		stop,
		place,
		grams,
		free_g,
		shown_g,
		kitchen,
		food,
		food_C,
		portionWords: portion?.words ?? '',
		ways,
		jars,
		jar,
		dry,
		list,
		noMoney
	};
}
