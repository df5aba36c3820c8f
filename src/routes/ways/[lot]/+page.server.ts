import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import type { FreezeWay, RefusedWay } from '$core/ways/freeze-ways';
import { packStyleNames } from '$core/packing/pack-style';
import { planFreeze } from '$core/runs/kinds/freeze/make';
import { byProductsOf, freezersOf } from '$lib/server/start';
import { blanchRules, freezingRules } from '$reference/rules';
import { sources } from '$reference/sources';
import { AppError } from '$lib/server/errors';
import { dateIn } from '$core/freezing/keep';
import { dialWarning } from '$core/ways/gear-changes';
import { dryerCompany, gatheringToward } from '$lib/server/around';
import { coolFirst, freezerAsks, qualityOf, shownDry, shownGlance } from '$lib/server/beside';
import { shownJars } from '$lib/server/jars';
import { partWords } from '$core/things/mixture';
import { isMixture } from '$core/ways/mixture-ways';
import { formWords } from '$lib/server/haul';
import { stillGoodFor } from '$core/things/clock';
import { id, key, line, parse, weightWithin } from '$lib/server/parse';
import { knownFood } from '$lib/server/things';
import { action, page } from '$lib/server/respond';
import { wayQuery, waysAsRead, waysFor } from '$lib/server/ways';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, url }) =>
	page(async () => {
		parse(id().required(), params.lot);
		const {
			query,
			faults,
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
			portionWords,
			ways,
			jars,
			jar,
			dry,
			list,
			noMoney
		} = await waysAsRead(
			locals.stores,
			params.lot,
			Object.fromEntries([...url.searchParams].filter(([, v]) => v !== '')),
			locals.now
		);
		const basket = await locals.stores.stock.basket();
		return {
			title: `Ways for ${lot.title}`,
			lot: {
				id: lot.id,
				name: lot.title,
				food: food.id,
				form: partWords(lot.madeOf) || formWords(food, lot.form).replace(/^, /, ''),
				grams,
				free_g,
				shown_g,
				place: place.name,
				bestBy: clock.bestBy,
				past: thing.age?.past ?? 'no',
				said: lot.said,
				intake: food.intake
			},
			stop: stop
				? { stop: stop.stop, reason: stop.reason, source: stop.source, instead: stop.instead, asks: stop.asks ?? null }
				: null,
			faults,
			goodFor: stop ? null : (stillGoodFor(thing) ?? null),
			// What is mixed is made ready already: there is nothing to cut.
			cuts: isMixture(thing) ? [] : food.cuts.map((c) => ({ id: c.id, name: c.name })),
			cut: ways.cut ? { id: ways.cut.id, name: ways.cut.name } : { id: '', name: '' },
			portion_g: ways.portion_g,
			styles:
				isMixture(thing) && !ways.ways.some((w) => w.kind === 'way')
					? []
					: ways.styles.map((s) => ({ value: s, words: packStyleNames[s] })),
			style: ways.style,
			packed: query.packed ?? '',
			portionSaid: query.portion ?? '',
			portionWords,
			recipes: (await locals.stores.home.recipePortions()).filter((r) => r.food === food.id).map((r) => r.name),
			potfuls: query.potfuls ?? '',
			pots: kitchen.pots.map((p) => ({ id: p.id, name: p.name, litres: p.litres })),
			pot: query.pot ?? '',
			containers: kitchen.containers.map((c) => ({ id: c.id, name: c.name, count: c.count })),
			container: query.container ?? '',
			people: kitchen.people,
			freezerFree_L: kitchen.freezerFree_L,
			ice_kg: kitchen.ice_kg,
			trays: kitchen.trays,
			ways: ways.ways.map(shown),
			jars: shownJars(jars, food.id, locals.household.units),
			jar,
			glance: shownGlance(list),
			dry: shownDry(dry, locals.household.units),
			company: dryerCompany(dry, { id: lot.id, food: food.id }, basket, kitchen, locals.now),
			gather: gatheringToward(jars, food.id, basket, kitchen, locals.now),
			quality: qualityOf(food, ways.ways, dry, list),
			cooling: coolFirst(food, shown_g, kitchen.room_C),
			freezing: freezerAsks({ food, food_C, kitchen, freeze: ways.ways, pack_mm: query.pack }),
			currency: kitchen.prices.currency,
			noMoney,
			chosen: {
				mm: query.mm ?? null,
				skin: query.skin ?? null,
				blanch: query.blanch !== 'no',
				dry: query.dry ?? null,
				style: query.style ?? null,
				pack: query.pack ?? null,
				paid: query.paid ?? '',
				shop: query.shop ?? ''
			},
			gauge: kitchen.gauge,
			dial:
				kitchen.canners.map((c) => dialWarning(c, dateIn(kitchen.zone, locals.now.getTime()))).find(Boolean) ?? null,
			rules: { load: freezingRules.load_kg_per_L_day.at, ice: blanchRules.ice_kg_per_kg.at }
		};
	}, locals.household.units);

const shownPacks = (packs: FreezeWay['packs']) => ({
	...packs,
	container: packs.container?.name ?? null,
	problem: packs.problem ?? null
});

/** What the page needs of a way, and no more. */
function shown(way: FreezeWay | RefusedWay) {
	if (way.kind === 'refused') return way;
	const { food: _food, cut: _cut, row, line: l, packs, second, pot, ...rest } = way;
	return {
		...rest,
		cautions: rest.cautions.map((c) => ({
			id: c.id,
			text: c.text,
			source: c.source === 'practice' ? null : sources[c.source].short
		})),
		row: row ? { note: row.note ?? null, method: row.method } : null,
		pot: pot?.name ?? null,
		line: l ?? null,
		packs: shownPacks(packs),
		second: second ? shownPacks(second) : null
	};
}

export const actions: Actions = {
	start: (event) =>
		action(event, async (fields) => {
			const { way: wayId, key: once, ...query } = fields;
			const values = parse(
				Joi.object<{ way: string; key: string }>({ way: line(60).required().label('The way'), key: key() }),
				{ way: wayId, key: once }
			);
			parse(id().required(), event.params.lot);
			const ask = { key: values.key, body: { lot: event.params.lot, way: values.way, ...query } };
			// Sent again after a lost answer: it is the run that was started then, whatever has become of the lot since.
			const before = await event.locals.stores.runs.started(ask);
			if (before) redirect(303, `/stove/${before.id}`);
			const { lot, thing, stop, free_g, shown_g, kitchen, ways, portionWords } = await waysFor(
				event.locals.stores,
				event.params.lot ?? '',
				wayQuery(query),
				event.locals.now
			);
			if (stop)
				throw new AppError(422, 'REFUSED', `${stop.reason} Instead: ${stop.instead.join('; ')}. Nothing was started.`);
			const way = ways.ways.find((w) => w.id === values.way);
			if (!way)
				throw new AppError(400, 'UNKNOWN_WAY', 'There is no such way for this item. Nothing was started.', [
					{ field: 'way', message: 'Choose one of the ways shown.' }
				]);
			if (way.kind === 'refused')
				throw new AppError(422, 'REFUSED', `${way.reason} Instead: ${way.instead.join('; ')}.`);
			if (free_g === 0)
				throw new AppError(409, 'SPOKEN_FOR', 'All of it is at the stove already. Nothing was started.');
			const one = {
				way,
				lotId: lot.id,
				called: lot.title,
				form: lot.form,
				raw_g: shown_g,
				portionWords,
				cooked: thing.state === 'cooked',
				byproducts: byProductsOf(thing, way, shown_g)
			};
			const plan = planFreeze([one], kitchen, await freezersOf(event.locals.stores));
			const { id: runId } = await event.locals.stores.runs.start(ask, plan);
			redirect(303, `/stove/${runId}`);
		}),

	/** What a pack is for, weighed once: "one loaf" is known ever after. */
	portion: (event) =>
		action(event, async (fields) => {
			const { key: once, ...v } = parse(
				Joi.object<{ name: string; said: string; grams: number; food: string; form: string; key: string }>({
					name: line(40).required().label('What it is for'),
					said: line(60).required().label('How it is measured'),
					grams: weightWithin(10, 20_000).required().label('What it weighs'),
					food: line(60).required().label('The food'),
					form: line(40).required().label('The cut'),
					key: key()
				}),
				fields
			);
			const { cuts } = knownFood(v.food);
			if (!cuts.some((c) => c.id === v.form))
				throw new AppError(400, 'UNKNOWN_CUT', 'This food is not cut so. Nothing was saved.', [
					{ field: 'form', message: 'Unknown cut.' }
				]);
			await event.locals.stores.home.keepPortion(once, v);
			return { saved: `A pack for ${v.name}` };
		})
};
