import { gathering } from '$core/canning/gathering';
import { apart, mixedLoad, type DryerItem } from '$core/drying/mixed-load';
import { dryingRowFor, dryingTime } from '$core/drying/drying-time';
import { foldName } from '$core/foods/fold-name';
import { foodById } from '$core/things/names';
import { mainOf, setWeight_kg } from '$core/recipes/scale-recipe';
import type { CanWays } from '$core/ways/can-ways';
import type { DryWay } from '$core/ways/dry-ways';
import { cannerCapacity } from '$core/canning/canner-loads';
import { cannerFor } from '$core/ways/gear-changes';
import type { Kitchen } from '$core/ways/kitchen';
import type { Refusal } from '$core/errors';
import { advise } from '$core/safety/advise';
import { lotThing } from './things';
import type { RecipeRow } from '$reference/other-ways';
import type { Stores } from './stores';

type BasketLot = Awaited<ReturnType<Stores['stock']['basket']>>[number];

/** Who of the basket may share the dryer with an item: on which trays, when each comes off, what sets the end; and who may not. */
export function dryerCompany(
	dry: DryWay | Refusal,
	self: { id: string; food: string },
	basket: readonly BasketLot[],
	kitchen: Kitchen,
	now: Date
) {
	if (dry.kind === 'refused') return null;
	const own: DryerItem = {
		food: dry.look.food,
		row: dry.row,
		trays: dry.trays.needed,
		hours: dry.time.hours,
		interval_h: dry.time.interval_h
	};
	const others = basket
		.filter(({ lot }) => lot.id !== self.id && lot.food !== self.food)
		.flatMap(({ lot, grams, place }) => {
			const { thing, reread } = lotThing(lot, place, now);
			const { food } = thing;
			const row = dryingRowFor(food);
			if (!row || reread || advise(thing, 'dry', { heatStep: 'before' }).kind === 'refused') return [];
			const time = dryingTime({ food, row, room_C: kitchen.room_C, room_humidity: kitchen.room_humidity });
			if (time.kind === 'refused') return [];
			const share = Object.values(food.cuts[0]?.yields ?? {})[0]?.value ?? 1;
			const trays = Math.max(1, Math.ceil(((grams / 1000) * share) / dry.trays.perTray_kg));
			const item: DryerItem = { food, row, trays, hours: time.hours, interval_h: time.interval_h };
			return [{ name: lot.title, item, kept: apart(own, item) }];
		});
	const may = others.filter((o) => o.kept === undefined);
	const load = mixedLoad([own, ...may.map((o) => o.item)], dry.dryer);
	// The run that holds the end of the own trays: room left there is what others can use.
	const run = [...load.runs].reverse().find((r) => r.places.some((p) => p.item === own));
	const nameOf = (item: DryerItem) =>
		item === own ? null : (may.find((o) => o.item === item)?.name ?? item.food.name);
	return {
		apart: others.flatMap((o) => (o.kept ? [{ name: o.name, reason: o.kept.reason, safety: o.kept.safety }] : [])),
		may: may.map((o) => o.name),
		run:
			run && run.places.length > 1
				? {
						air_C: run.air_C,
						places: run.places.map((p) => ({
							name: nameOf(p.item),
							trays: [...p.trays],
							pull_h: p.pull_h,
							ends: p.endsTheRun
						}))
					}
				: null,
		words: load.words
	};
}

/** Pickings of a food toward the first product's canner load; null where the guide prints no weight to a jar. */
export function gatheringToward(
	jars: CanWays,
	food: string,
	basket: readonly BasketLot[],
	kitchen: Kitchen,
	now: Date
) {
	if ('kind' in jars.plain) return null;
	const way = jars.plain.find((w) => w.jars !== undefined);
	if (!way?.jars) return null;
	const perLoad = cannerCapacity(cannerFor(kitchen, way.processes[0]?.method ?? 'pressure'), way.jar);
	const need_kg = (way.jars.perJar_g * perLoad) / 1000;
	const { gathered: g, pickings } = gatherOf(food, need_kg, basket, now);
	return {
		product: way.product.name,
		jar: way.jar,
		perLoad,
		need_kg,
		have_kg: g.have_kg,
		short_kg: g.short_kg,
		pickings,
		deadline: g.deadline,
		fills: g.fills,
		verdict: g.verdict,
		words: g.words
	};
}

/** The basket's lots of a food as pickings toward a weight. */
function gatherOf(food: string, need_kg: number, basket: readonly BasketLot[], now: Date) {
	const pickings = basket
		.filter(({ lot }) => lot.food === food)
		.map((entry) => ({ ...entry, told: lotThing(entry.lot, entry.place, now) }))
		// What is past its end, or may be another thing, fills no load.
		.filter(({ told }) => told.thing.age?.past !== 'end' && !told.reread && told.thing.state === 'fresh')
		.map(({ lot, grams, told }) => ({
			at: Math.min(now.getTime(), lot.since.getTime()),
			kg: grams / 1000,
			bestBy: told.clock.bestBy
		}));
	return { gathered: gathering({ need_kg, pickings, now: now.getTime() }), pickings: pickings.length };
}

/** What the basket has toward a set of a ratio; null where it has nothing of it, or a set's weight is not known. */
export function towardRecipe(recipe: RecipeRow, basket: readonly BasketLot[], now: Date) {
	const need_kg = setWeight_kg(recipe);
	const what = foldName(mainOf(recipe).what);
	// The food that the main ingredient names: "red rhubarb" is rhubarb, not the strawberries beside it.
	const food = recipe.foods.find((id) => foldName(id).split(' ').some((word) => what.includes(word.replace(/(ies|es|s)$/, '')))) ?? recipe.foods[0]; // prettier-ignore
	if (need_kg === undefined || food === undefined || !basket.some(({ lot }) => lot.food === food)) return null;
	const { gathered, pickings } = gatherOf(food, need_kg, basket, now);
	const { have_kg, short_kg, loads, deadline, fills, verdict, words } = gathered;
	return {
		food: foodById(food)?.name ?? food,
		need_kg,
		have_kg,
		short_kg,
		sets: loads,
		deadline,
		fills,
		verdict,
		words,
		pickings
	};
}
