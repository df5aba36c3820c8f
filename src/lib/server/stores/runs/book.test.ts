import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { randomUUID } from 'node:crypto';
import type { Refusal } from '$core/errors';
import { foldRun, kindOf, type RunPlan } from '$core/runs/kinds';
import type { Kitchen } from '$core/ways/kitchen';
import { askOf, cannerWith, today } from '$core/runs/kinds/can/fixture';
import { planBreakDown } from '$core/runs/kinds/break-down/make';
import { planCan } from '$core/runs/kinds/can/make';
import { planCook } from '$core/runs/kinds/cook-down/make';
import { planDry } from '$core/runs/kinds/dry/make';
import { findRecipe } from '$core/recipes/find-recipe';
import { planFreezeDry } from '$core/runs/kinds/freeze-dry/make';
import { planFerment } from '$core/runs/kinds/ferment/make';
import { planSeal } from '$core/runs/kinds/seal/make';
import { planStore } from '$core/runs/kinds/store/make';
import { planRatio } from '$core/runs/kinds/ratio/make';
import { planKit } from '$core/runs/kinds/kit/make';
import { planFreeze } from '$core/runs/kinds/freeze/make';
import { foodById } from '$core/things/names';
import { plain } from '$core/things/thing';
import { make, transformOf } from '$core/things/transform';
import { dryWay } from '$core/ways/dry-ways';
import { freezeWays, type FreezeWay } from '$core/ways/freeze-ways';
import { bookEqualsFold, type KindUnderLaw, type World } from '../../../../../tests/laws/book-equals-fold';
import { fermentTap } from '../../../../../tests/laws/ferment-taps';
import type { Tapper } from '../../../../../tests/laws/fold-law';
import type { Where } from '../../../../../tests/laws/common-taps';
import { sealTap } from '../../../../../tests/laws/seal-taps';
import { storeTap } from '../../../../../tests/laws/store-taps';
import { meatTap } from '../../../../../tests/laws/meat-taps';
import { speciesById } from '$reference/breakdown';
import { canTap } from '../../../../../tests/laws/can-taps';
import { cookTap } from '../../../../../tests/laws/cook-taps';
import { dryTap } from '../../../../../tests/laws/dry-taps';
import { freezeTap } from '../../../../../tests/laws/freeze-taps';
import { freezeDryTap } from '../../../../../tests/laws/freeze-dry-taps';
import { ratioTap } from '../../../../../tests/laws/ratio-taps';
import { kitTap } from '../../../../../tests/laws/kit-taps';
import { bringUpToDate, connect } from '../../db/client';
import { knownFood } from '../../things';
import { storesFor } from '..';

/** Some three hundred in all over the kinds; `npm run siege` asks for more, by a new seed. */
const histories = Number(process.env.SIEGE_BOOKS ?? 25);
const seedOf = (i: number) => Number(process.env.SIEGE_SEED ?? 7) * 100_000 + i;
let link: ReturnType<typeof connect>;

beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 8);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

const whereOf = (world: World) => ({
	placeIds: world.freezers,
	containerIds: [...world.containers, null],
	form: (food: string) => foodById(food)?.forms[0]?.id
});

/** Each food by its first way with heat where it has one, shares of a lot where a food comes twice. */
const freezing = (name: string, foods: KindUnderLaw['foods']): KindUnderLaw => ({
	name,
	foods,
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const kitchen = await stores.home.kitchen();
		const chosen = foods.map(({ id, form }, i) => {
			const food = foodById(id);
			if (!food) throw new Error(`no ${id}`);
			const way = freezeWays({
				thing: plain(food),
				grams: world.raw_g,
				food_C: 18,
				kitchen: {
					...kitchen,
					altitude_m: 300,
					pots: [{ id: 'p', name: 'pot', litres: 10, burner: { kind: 'gas', power_W: 3000 } }]
				},
				choices: {},
				now: world.start
			}).ways.find((w): w is FreezeWay => w.kind === 'way');
			if (!way) throw new Error(`no way for ${id}`);
			return { way, lotId: world.rawLots[i] ?? '', called: food.name, form, raw_g: world.raw_g };
		});
		const plan = planFreeze(chosen, kitchen);
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, plan);
		return {
			id,
			tap: (r, now, shown) => freezeTap(r, plan, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(plan).book(plan, foldRun(plan, world.start, events))
		};
	}
});
/** Each food in one load of a usual dryer. */
const drying = (name: string, foods: KindUnderLaw['foods']): KindUnderLaw => ({
	name,
	foods,
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const kitchen = await stores.home.kitchen();
		const chosen = foods.map(({ id, form }, i) => {
			const food = foodById(id);
			if (!food) throw new Error(`no ${id}`);
			const cut = food.cuts[0] ?? null;
			const way = dryWay({ thing: plain(food), cut, grams: world.raw_g, kitchen, choices: {}, now: world.start });
			if (way.kind === 'refused') throw new Error(way.reason);
			return { way, lotId: world.rawLots[i] ?? '', called: food.name, form, raw_g: world.raw_g };
		});
		const plan = planDry(chosen, kitchen);
		if (plan.kind === 'refused') throw new Error(plan.reason);
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, plan);
		return {
			id,
			tap: (r, now, shown) => dryTap(r, plan, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(plan).book(plan, foldRun(plan, world.start, events))
		};
	}
});
/** Tomatoes to a thin sauce. */
const cooking: KindUnderLaw = {
	name: 'a sauce cooked down',
	foods: [{ id: 'tomatoes', form: 'whole' }],
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const kitchen = await stores.home.kitchen();
		const food = foodById('tomatoes');
		if (!food) throw new Error('no tomatoes');
		const thing = plain(food);
		const row = transformOf(thing, 'tomatoes/sauce-thin');
		const made = make(row, thing, world.raw_g);
		const pot = { id: 'p', name: 'pot', litres: 10, burner: { kind: 'gas', power_W: 3000 } } as const;
		const freeze = freezeWays({
			thing: made.thing,
			grams: made.grams,
			food_C: 20,
			kitchen: { ...kitchen, pots: [pot] },
			choices: {},
			now: world.start
		}).ways.find((w): w is FreezeWay => w.kind === 'way');
		if (!freeze) throw new Error('no way for sauce');
		const lotId = world.rawLots[0] ?? '';
		const plan = planCook({ thing, row, lotId, called: food.name, raw_g: world.raw_g, pot, freeze }, kitchen);
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, plan);
		return {
			id,
			tap: (r, now, shown) => cookTap(r, plan, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(plan).book(plan, foldRun(plan, world.start, events))
		};
	}
};
/** Packs of two fresh lots. */
const packing: KindUnderLaw = {
	name: 'a kit of two lots',
	foods: [
		{ id: 'strawberries', form: 'whole' },
		{ id: 'blueberries', form: 'whole' }
	],
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const asks = this.foods.map(({ id }, i) => ({
			lotId: world.rawLots[i] ?? '',
			thing: plain(knownFood(id)),
			called: id,
			free_g: world.raw_g,
			each_g: Math.max(1, Math.floor(world.raw_g / 12)),
			keepsUntil: '2027-08-01'
		}));
		const kitchen = await stores.home.kitchen();
		const plan = planKit({ name: 'smoothie', asks, count: 10, container: null, use: '' }, kitchen, world.start);
		if (plan.kind === 'refused') throw new Error(plan.reason);
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, plan);
		return {
			id,
			tap: (r, now, shown) => kitTap(r, plan, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(plan).book(plan, foldRun(plan, world.start, events))
		};
	}
};
/** Jam for the freezer and the fridge, by whole sets. */
const jamming: KindUnderLaw = {
	name: 'whole sets of a jam',
	foods: [{ id: 'strawberries', form: 'whole' }],
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const recipe = findRecipe('strawberry-freezer-jam');
		if (!recipe) throw new Error('no recipe');
		const chosen = { thing: plain(knownFood('strawberries')), recipe, lotId: world.rawLots[0] ?? '', called: 's', raw_g: world.raw_g }; // prettier-ignore
		const plan = planRatio(chosen, await stores.home.kitchen());
		if (plan.kind === 'refused') throw new Error(plan.reason);
		// The law has freezers alone: both ends go there.
		const both = { ...plan, ends: plan.ends.map((e) => ({ ...e, place: 'freezer' as const })) };
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, both);
		return {
			id,
			tap: (r, now, shown) => ratioTap(r, both, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(both).book(both, foldRun(both, world.start, events))
		};
	}
};
/** Two foods in one chamber. */
const chamber: KindUnderLaw = {
	name: 'two foods in a freeze-dryer',
	foods: [
		{ id: 'strawberries', form: 'whole' },
		{ id: 'carrots', form: 'whole' }
	],
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const kitchen = { ...(await stores.home.kitchen()), freezeDryer: { name: 'machine', trays: 8, load_kg: 20 } };
		const asks = this.foods.map(({ id }, i) => ({ lotId: world.rawLots[i] ?? '', thing: plain(knownFood(id)), called: id, raw_g: world.raw_g })); // prettier-ignore
		const plan = planFreezeDry(asks, kitchen);
		if (plan.kind === 'refused') throw new Error(plan.reason);
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, plan);
		return {
			id,
			tap: (r, now, shown) => freezeDryTap(r, plan, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(plan).book(plan, foldRun(plan, world.start, events))
		};
	}
};
/** Tomatoes in boiling water, for the shelf or, without their process, for the cold. */
const jars: KindUnderLaw = {
	name: 'jars of a tested product',
	foods: [{ id: 'tomatoes', form: 'whole' }],
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		await stores.home.update(randomUUID(), { altitudeM: 380 });
		const at = { altitude_m: 380, heat: 'boiling-water', canner: cannerWith('weighted') } as const;
		const one = { product: 'tomatoes/crushed', food: 'tomatoes', style: 'hot', jar: 'pint', grams: world.raw_g, jars: 9 } as const; // prettier-ignore
		const how = { heat: at.heat, canner: at.canner, instrument: null, today };
		const plan = planCan([askOf(one, at, world.rawLots[0])], how, {
			...(await stores.home.kitchen()),
			altitude_m: 380
		});
		if (plan.kind === 'refused') throw new Error(plan.reason);
		// The law has freezers alone: every end goes there.
		const cold = { ...plan, ends: plan.ends.map((e) => ({ ...e, places: ['freezer'] as const })) };
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, cold);
		return {
			id,
			tap: (r, now, shown) => canTap(r, cold, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(cold).book(cold, foldRun(cold, world.start, events))
		};
	}
};
/** A beef on the table. */
const table: KindUnderLaw = {
	name: 'an animal cut up',
	foods: [{ id: 'beef', form: 'whole' }],
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const [kitchen, places] = await Promise.all([stores.home.kitchen(), stores.home.places()]);
		const cold = places.find((p) => p.kind === 'fridge');
		const species = speciesById('beef');
		const [option] = species?.options ?? [];
		if (!cold || !species || !option) throw new Error('no table');
		const made = planBreakDown(
			{ thing: plain(knownFood('beef')), called: 'beef', lotId: world.rawLots[0] ?? '', raw_g: world.raw_g, species, option, basis: 'hanging', boxes: 2, cold, practised: true, mincer_kg_h: null },
			kitchen
		); // prettier-ignore
		if ('kind' in made) throw new Error(made.reason);
		const { plan } = made;
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, plan);
		return {
			id,
			tap: (r, now, shown) => meatTap(r, plan, world.start, now, shown, whereOf(world)),
			book: (events) => kindOf(plan).book(plan, foldRun(plan, world.start, events))
		};
	}
};
/** One lot into a run of its own: what its plan is, and how it is tapped. */
const alone = <P extends RunPlan>(
	name: string,
	food: string,
	form: string,
	planOf: (world: World, kitchen: Kitchen) => P | Refusal,
	tapper: Tapper<P>,
	where: (world: World) => Where
): KindUnderLaw => ({
	name,
	foods: [{ id: food, form }],
	async start(link, world) {
		const stores = storesFor(link.db, world.home, new Date(world.start));
		const plan = planOf(world, await stores.home.kitchen());
		if (plan.kind === 'refused') throw new Error(plan.reason);
		const { id } = await stores.runs.start({ key: randomUUID(), body: {} }, plan);
		return {
			id,
			tap: (r, now, shown) => tapper(r, plan, world.start, now, shown, where(world)),
			book: (events) => kindOf(plan).book(plan, foldRun(plan, world.start, events))
		};
	}
});
const lotIn = (world: World) => ({ lotId: world.rawLots[0] ?? '', raw_g: world.raw_g });
const atCounter = (world: World) => ({ ...whereOf(world), placeIds: [world.counter] });
const sealing = alone(
	'meat into bags without air',
	'beef',
	'whole',
	(world, kitchen) =>
		planSeal({ ...lotIn(world), thing: plain(knownFood('beef')), called: 'beef', keepsUntil: '2027-03-01', warm_ms: 0, place: { name: 'fridge', C: 4 }, pack_g: 500, item: null, sealer: null, firmFirst: true }, kitchen, world.start), // prettier-ignore
	sealTap,
	whereOf
);
const standingFor = (world: World, C: number) => ({ id: world.counter, name: 'counter', kind: 'counter' as const, C });
const storing = alone(
	'onions cured and hung',
	'onions',
	'whole',
	(world, kitchen) => {
		const place = standingFor(world, 1);
		return planStore({ ...lotIn(world), thing: plain(knownFood('onions')), called: 'onions', before: [], place, places: [place], there: [], aside: { id: world.counter, name: 'counter' }, cured: false }, kitchen); // prettier-ignore
	},
	storeTap,
	atCounter
);
const souring = alone(
	'kraut',
	'cabbage',
	'whole',
	(world, kitchen) =>
		planFerment({ ...lotIn(world), thing: plain(knownFood('cabbage')), called: 'cabbage', way: 'dry', place: standingFor(world, 20) }, kitchen), // prettier-ignore
	fermentTap,
	atCounter
);
const kinds = [
	sealing,
	storing,
	souring,
	table,
	jars,
	cooking,
	packing,
	jamming,
	chamber,
	drying('one food in the dryer', [{ id: 'apples', form: 'whole' }]),
	drying('two foods in one load', [
		{ id: 'apples', form: 'whole' },
		{ id: 'carrots', form: 'whole' }
	]),
	freezing('blanch and freeze', [{ id: 'green-beans', form: 'whole' }]),
	freezing('several foods in one pot and one that needs none', [
		{ id: 'tomatoes', form: 'whole' },
		{ id: 'carrots', form: 'whole' },
		{ id: 'strawberries', form: 'whole' }
	])
];

/** Of each kind: what was packed and eaten before the book changed. It is rare: it is asked for over all of them. */
const differed: number[] = [];

describe.each(kinds)('the book of a run ($name)', (kind) => {
	it(`equals the fold over ${histories} histories of two devices, plus the open differences`, async () => {
		const walked = { closed: 0, reopened: 0, differed: 0, refused: 0, removed: 0 };
		for (let i = 0; i < histories; i++) await bookEqualsFold(link, kind, seedOf(i), walked);
		// The walk goes where the law bites.
		expect(walked.closed).toBeGreaterThan(histories / 4);
		expect(walked.reopened).toBeGreaterThan(histories / 20);
		differed.push(walked.differed);
		expect(walked.removed).toBeGreaterThan(histories / 20);
	}, 3_600_000);
});

describe('the walk over all kinds', () => {
	it('goes where books and shelves differ', () => {
		const whole = differed.length === kinds.length;
		if (whole) expect(differed.reduce((sum, n) => sum + n, 0)).toBeGreaterThan((histories * kinds.length) / 50);
	});
});
