import type { FreezeWay } from '$core/ways/freeze-way';
import { dryerCompany, gatheringToward } from '../around';
import { coolFirst, freezerAsks, qualityOf, shownDry, shownGlance } from '../beside';
import { readMoney } from '$core/quantities/money';
import { notFound } from '../errors';
import type { Stores } from '../stores';
import { canSlug, lookAt, lookAtPart, type Asked } from './look';
import { named } from './rows';
import { panelOf } from './view';

/**
 * What explains a way: temperatures in the pack, the freezer over days, the drying curve, loads on the clock, months by
 * pack, energy and money; who shares its dryer, what is gathered toward its load.
 *
 * @throws {AppError} 404 no such lot, no such way, or one that is refused
 */
export async function whyOf(stores: Stores, lotId: string, asked: Asked & { way: string }, now: Date) {
	const whole = await lookAt(stores, lotId, asked, now);
	const grams = whole.shares.find((s) => s.way === asked.way)?.grams ?? whole.whole_g;
	const { shop } = asked.fields;
	const shopPerKg = shop === undefined ? undefined : readMoney(shop, whole.kitchen.prices.currency);
	const look = lookAtPart(whole, grams, now, shopPerKg);
	const panel = whole.stop ? null : panelOf(look, asked.way, now);
	if (!panel) throw notFound('way');
	const { kitchen, thing, food_C, dry, list, lot } = look;
	const { food } = thing;
	const basket = await stores.stock.basket();
	const freeze = look.freeze.map((f) => f.way);
	const frozen = freeze.filter((w): w is FreezeWay => w.kind === 'way' && w.becomes === asked.way);
	const can = look.cans.find((c) => canSlug(c.id) === asked.way);
	const isDry = asked.way === 'dry';
	const at = named(look).findIndex((n) => n.slug === asked.way);
	const row = at >= 0 ? shownGlance(list)[at] : undefined;
	return {
		lot: { id: lot.id, name: lot.title, shown_g: look.shown_g },
		panel: { slug: panel.slug, name: panel.name, source: panel.source },
		row: row?.kind === 'way' ? row : null,
		currency: kitchen.prices.currency,
		/** As it was typed; whether it is no money. */
		shop: shop ?? '',
		noMoney: shop !== undefined && shopPerKg === undefined,
		freezing: frozen.length > 0 ? freezerAsks({ food, food_C, kitchen, freeze: frozen, pack_mm: look.readOf(asked.way).query.pack }) : null,
		cooling: frozen.length > 0 ? coolFirst(food, look.shown_g, kitchen.room_C) : null,
		dry: isDry ? shownDry(dry, kitchen.units) : null,
		company: isDry ? dryerCompany(dry, { id: lot.id, food: food.id }, basket, kitchen, now) : null,
		gather: can && !can.recipe ? gatheringToward({ ...look.canned, plain: [can.way] }, food.id, basket, kitchen, now) : null,
		quality: qualityOf(food, frozen.length > 0 ? frozen : freeze, dry, list)
	};
} // prettier-ignore
