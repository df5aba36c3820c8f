import { figureById } from '../../../freezing/freeze-look-up';
import { jarVolume_L } from '../../../../reference/canning-rules';
import { freezingRules } from '../../../../reference/rules';
import { sources } from '../../../../reference/sources';
import type { FigureUnit, IngredientRow, RecipeRow } from '../../../../reference/other-ways';
import type { Refusal } from '../../../errors';
import { shareLeft } from '../../../foods/share';
import { boilingPoint_C } from '../../../heat/boiling-point';
import { amountText, kilosIn, litresIn, sayAmount } from '../../../quantities/amount';
import { sayHeadspace } from '../../../quantities/format';
import { mainOf, scaleRecipe } from '../../../recipes/scale-recipe';
import { recipesOf } from '../../../recipes/find-recipe';
import { gate } from '../../../safety/gate';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { Kitchen } from '../../../ways/kitchen';
import type { Container } from '../../../packing/packs';
import type { Item, RatioEnd, RatioPlan, RatioSubject, SetStep } from './plan';

const led = new Set<RecipeRow['kind']>(['jam', 'freezer-jam', 'pickle']);
/** States that are crushed or packed as they are. */
const usable = new Set<Thing['state']>(['fresh', 'prepared', 'frozen', 'thawed']);

/** Recipes in whole sets that a thing goes into. */
export const ratiosOf = (thing: Thing): readonly RecipeRow[] =>
	usable.has(thing.state) && (thing.madeOf?.length ?? 0) <= 1
		? recipesOf(thing.food.id).filter(
				(r) =>
					led.has(r.kind) &&
					r.scale === 'whole' &&
					(r.kind !== 'pickle' || thing.state === 'fresh' || thing.state === 'prepared')
			)
		: [];

/** More than these are counted by their whole amount: nobody scoops thirty cups one by one. */
const mostScoops = 12;
const scooped = new Set<FigureUnit>(['cup', 'tbsp', 'qt', 'gal']);

const rangeOf = (amount: IngredientRow['amount']): readonly [number, number] =>
	typeof amount === 'number' ? [amount, amount] : amount;

function itemOf(row: IngredientRow): Item {
	const amount = rangeOf(row.amount);
	const count = Math.ceil(amount[0] - 1e-6);
	return {
		what: row.what,
		amount,
		unit: row.unit,
		main: row.role === 'main',
		optional: /if wanted/.test(row.what),
		scoops: scooped.has(row.unit) && amount[0] > 1.01 && count <= mostScoops ? count : 1
	};
}

/** What a line weighs, g; 0 where its measure has no known weight: a box of pectin is 1¾ oz, a pouch 3 oz (as they are printed). */
function weightOf({ what, amount, unit }: Item): number {
	const litres = litresIn(unit);
	const kilos = kilosIn(unit);
	if (kilos !== undefined) return amount[0] * kilos * 1000;
	if (unit === 'box') return amount[0] * 50;
	if (unit === 'pouch') return amount[0] * 85;
	if (litres === undefined) return 0;
	const cup_L = jarVolume_L['half-pint'];
	return amount[0] * litres * 1000 * (/sugar/.test(what) ? freezingRules.sugar_kg_per_cup.value / cup_L : 1);
}

/** The steps of one set: as they are printed with the recipe, else those that are common to its kind. */
function stepsOf(recipe: RecipeRow, headspace: string): SetStep[] {
	const plain = (words: string): SetStep => ({ words, wait_s: null, test: false });
	if (recipe.steps)
		return recipe.steps
			.map((words, i) => {
				const wait = recipe.waits?.[i] ?? null;
				return { words, wait_s: wait === null ? null : wait * 60, test: false };
			})
			.filter((s) => (s.wait_s ?? 0) < restFrom_s);
	if (recipe.kind === 'pickle')
		return [
			plain(
				pickleFirst[recipe.id] ??
					'Wash, trim the ends, cut as you like them; cucumbers lose a thin slice of the blossom end.'
			),
			plain('Vinegar, water, salt, sugar and spice to a boil.'),
			plain(`Pack the jars, cover with the boiling vinegar, ${headspace} free, no air left between.`)
		];
	if (recipe.ingredients.some((i) => /pectin/.test(i.what)))
		return [
			plain('By the leaflet in your box of pectin: its order, its minutes and its test are the maker’s own.'),
			plain(`Off the heat, skim, hot into clean hot jars, ${headspace} free.`)
		];
	const butter = recipe.id === 'apple-butter' || recipe.id === 'peach-pineapple-spread';
	return [
		plain(
			butter
				? 'Cook it soft, mill it, back into the pan with sugar and spice.'
				: 'Stir it all together; bring it slowly to a boil, stirring until the sugar is dissolved.'
		),
		{
			words: butter
				? 'Cook slowly, stirring often, until it heaps.'
				: 'Cook rapidly, stirring as it thickens, to the gel point.',
			wait_s: null,
			test: true
		},
		plain(`Off the heat, skim, hot into clean hot jars, ${headspace} free.`)
	];
}

/** What is done before a pickle is packed, where it is more than washing. @source USDA Complete Guide, Guide 6 (from memory) */
const pickleFirst: Readonly<Record<string, string>> = {
	'bread-and-butter': 'Slice, mix with onions and salt, cover with ice, 3 to 4 hours in the fridge; drain.',
	'zucchini-bread-and-butter': 'Cover slices and onions with water and the salt, 2 hours; drain.',
	'quick-dill': 'Soak in the water with its salt, 12 hours; drain.',
	'pickled-beets': 'Boil the beets tender, cool, slip the skins, slice.'
};

/** From so long on all jars stand together, and no longer a step of one set. */
const restFrom_s = 12 * 3600;

function figure(id: string): number {
	const { value } = figureById(id);
	return typeof value === 'number' ? value : value[0];
}

/** Headspace of a pickle in its jar, in. @source USDA Complete Guide, Guide 6 (from memory) */
const pickleHeadspace_in = 0.5;

/** Where it may stand, for how long. @source NCHFP, jams and jellies; storing (from memory); pickles in the fridge: common practice */
function endsOf(recipe: RecipeRow): RatioEnd[] {
	if (recipe.kind === 'freezer-jam')
		return [
			{
				n: 1,
				place: 'freezer',
				state: 'frozen',
				keeps: { months: figure('jam/freezer-freezer') },
				words: 'into the freezer'
			},
			{
				n: 2,
				place: 'fridge',
				state: 'opened',
				was: 'canned',
				keeps: { months: 0, days: figure('jam/freezer-fridge') * 7 },
				words: 'into the fridge'
			}
		];
	if (recipe.kind === 'pickle')
		return [
			{
				n: 1,
				place: 'fridge',
				state: 'pickled',
				keeps: { months: figure('second/opened-pickles') },
				words: 'into the fridge'
			}
		];
	return [
		{
			n: 1,
			place: 'fridge',
			state: 'opened',
			was: 'canned',
			keeps: { months: figure('second/opened-jam') },
			words: 'into the fridge'
		}
	];
}

export interface RatioChosen {
	readonly thing: Thing;
	readonly recipe: RecipeRow;
	readonly lotId: string;
	readonly called: string;
	readonly raw_g: number;
}

/** Freezes whole sets of a recipe into the plan of a run. No sets at all is a plan too: what there really is, is measured first. */
export function planRatio(chosen: RatioChosen, kitchen: Kitchen): RatioPlan | Refusal {
	const { thing, recipe, lotId, called, raw_g } = chosen;
	const stopped = gate({ thing, way: 'room' });
	if (stopped) return stopped;
	const items = recipe.ingredients.map(itemOf);
	const row = mainOf(recipe);
	const [cut] = thing.food.cuts;
	const load_g = Math.max(1, Math.round(raw_g * (cut ? shareLeft(thing, cut) : 1)));
	const { sets } = scaleRecipe(recipe, { kind: 'weight', kg: load_g / 1000 });
	const perLitre = litresIn(row.unit);
	const unit_g =
		(kilosIn(row.unit) ?? row.kg_per_unit) === undefined ? null : (kilosIn(row.unit) ?? row.kg_per_unit ?? 0) * 1000;
	const all_g = items.reduce((sum, i) => sum + (i.main ? i.amount[0] * (unit_g ?? 0) : weightOf(i)), 0);
	const main_g = rangeOf(row.amount)[0] * (unit_g ?? 0);
	const [low, high] = rangeOf((recipe.makes?.amount ?? [4, 4]) as IngredientRow['amount']);
	const jar = recipe.makes?.unit === 'pint' || recipe.makes?.unit === 'quart' ? recipe.makes.unit : 'half-pint';
	const headspace_in =
		recipe.kind === 'freezer-jam'
			? figure('jam/freezer-headspace')
			: recipe.kind === 'pickle'
				? pickleHeadspace_in
				: figure('jam/headspace');
	const headspace = sayHeadspace(headspace_in, kitchen.units);
	const steps = stepsOf(recipe, headspace);
	const rest = recipe.waits?.find((w) => w !== null && w * 60 >= restFrom_s);
	const gel = steps.some((s) => s.test) && recipe.id !== 'apple-butter' && recipe.id !== 'peach-pineapple-spread';
	const over: RatioSubject['byproducts'] =
		unit_g === null
			? []
			: [
					{
						food: thing.food.id,
						form: thing.form,
						name: `${called}, over after whole sets`,
						grams: Math.max(10, Math.round(main_g * 0.1))
					}
				];
	// Fill it, stir it, watch it: common practice.
	const hands_s = (raw_g / 1000) * 420 + Math.max(1, sets) * 1500;
	const subject: RatioSubject = {
		n: 1,
		lotId,
		raw_g,
		food: { id: thing.food.id, name: called },
		form: recipe.kind === 'pickle' ? 'pickles' : 'jam',
		recipe: { id: recipe.id, name: recipe.name, kind: recipe.kind },
		items,
		steps,
		rest_s: rest ? rest * 60 : null,
		gel_C: gel ? boilingPoint_C(kitchen.altitude_m ?? 0) + (figure('jam/set-point') * 5) / 9 : null,
		unit_g,
		unit_mL: perLitre === undefined ? null : perLitre * 1000,
		sets,
		load_g,
		added_g: Math.round(all_g - main_g),
		set_g: Math.max(1, Math.round(recipe.kind === 'pickle' ? ((low + high) / 2) * jarVolume_L[jar] * 1000 : all_g)),
		portion_g: Math.max(1, Math.round(recipe.kind === 'pickle' ? jarVolume_L[jar] * 1000 : all_g / ((low + high) / 2))),
		makes: recipe.makes ? `${amountText(sayAmount([low, high], jar, kitchen.units))} a set` : '',
		container: containerFor(kitchen.containers, jarVolume_L[jar]),
		headspace,
		shelf: recipe.product ? 'For the pantry it has to go through the canner by its tested time: Ways, into jars.' : '',
		months: [0, endsOf(recipe)[0]?.keeps.months ?? 0],
		use:
			recipe.kind === 'pickle'
				? `Best after ${figure('pickle/fridge-pickles')} week in the fridge.`
				: 'Open: in the fridge.',
		source: `${sources[recipe.source].short} (${recipe.confidence})`,
		cautions: [
			...(recipe.kind === 'pickle'
				? ['Vinegar of 5 % by its bottle, and never less of it than is printed: it is what keeps them.']
				: []),
			...(recipe.note ? [recipe.note] : [])
		],
		byproducts: over,
		expected: { hands_s, elapsed_s: hands_s + (rest ? rest * 60 : 0) }
	};
	return {
		core: coreVersion,
		kind: 'ratio',
		version: 1,
		units: kitchen.units,
		subjects: [subject],
		ends: endsOf(recipe)
	};
}

/** A jar of about that size from the drawer. */
function containerFor(containers: readonly Container[], litres: number): RatioSubject['container'] {
	const found = containers.find((c) => Math.abs(c.volume_mL / 1000 / litres - 1) < 0.15);
	return found ? { id: found.id, name: found.name } : null;
}
