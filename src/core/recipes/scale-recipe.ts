import { figures, type FigureUnit, type IngredientRow, type RecipeRow } from '../../reference/other-ways';
import { DomainError } from '../errors';
import { kilosIn, litresIn } from '../quantities/amount';
import { readNumber } from '../quantities/read-number';
import { unitOf } from '../quantities/units';

/** What a person has of a recipe's main ingredient. */
export type Have = { readonly kind: 'weight'; readonly kg: number } | { readonly kind: 'volume'; readonly L: number };

/**
 * Reads what there is: `11 cups`, `2.3 kg`, `5 lb`, `1 gal`.
 *
 * @param bare unit of a number without one: the recipe's own
 * @throws {DomainError} NOT_UNDERSTOOD, NOT_POSITIVE
 */
export function readHave(text: string, bare: FigureUnit): Have {
	const trimmed = text.trim();
	const example = 'Say how much there is, such as "11 cups", "2.3 kg" or "5 lb".';
	const number = /^[-−–]/.test(trimmed) ? undefined : readNumber(trimmed);
	if (!number) throw new DomainError('NOT_UNDERSTOOD', 'have', `"${text}" is no amount. ${example}`);
	if (!(number.value > 0 && number.value < 1e5))
		throw new DomainError('NOT_POSITIVE', 'have', `The amount must be above 0 and below 100,000. ${example}`);
	const word = trimmed.slice(number.length).trim().split(/\s+/)[0] ?? '';
	// The recipes are printed in US cups, whatever the household's own cup holds.
	const unit = unitOf(word || bare, { metricCups: false });
	if (unit?.kind === 'weight') return { kind: 'weight', kg: number.value * unit.kg };
	if (unit?.kind === 'volume') return { kind: 'volume', L: number.value * unit.litres };
	throw new DomainError('NOT_UNDERSTOOD', 'have', `"${word}" is no weight or volume. ${example}`);
}

export interface ScaledIngredient {
	readonly what: string;
	readonly amount: readonly [number, number];
	readonly unit: FigureUnit;
	readonly main: boolean;
}
export interface ScaledRecipe {
	readonly recipe: RecipeRow;
	/** Whole sets; of a linear recipe how many times over, any number. */
	readonly sets: number;
	/** Of one set, unscaled: for making a set at a time. */
	readonly set: readonly ScaledIngredient[];
	/** Of all sets. */
	readonly all: readonly ScaledIngredient[];
	readonly makes?: { readonly amount: readonly [number, number]; readonly unit: FigureUnit };
	/** Of the main ingredient: left over after whole sets, in the recipe's unit. */
	readonly left: { readonly amount: number; readonly unit: FigureUnit };
	/** Wanting for a first set; 0 when there is enough. */
	readonly short: { readonly amount: number; readonly unit: FigureUnit };
	/** Of the main ingredient, in the recipe's unit. */
	readonly have: number;
	/** The weight was turned into the recipe's measure by common practice. */
	readonly converted: boolean;
	/** Salt by weight, kg, where the ferment is measured so. */
	readonly salt_kg?: readonly [number, number];
	/** The share that it was reckoned with, %. */
	readonly salt_percent?: readonly [number, number];
	/** What to mind in making it more than once. */
	readonly words: string;
}

const rangeOf = (amount: number | readonly number[]): [number, number] =>
	typeof amount === 'number' ? [amount, amount] : [amount[0] ?? Number.NaN, amount[1] ?? amount[0] ?? Number.NaN];

/** What a recipe is measured by. @throws {Error} it has no main ingredient: a bug in the tables */
export function mainOf(recipe: RecipeRow): IngredientRow {
	const main = recipe.ingredients.find((i) => i.role === 'main');
	if (!main) throw new Error(`${recipe.id} has no main ingredient.`);
	return main;
}

/** How much there is in the recipe's own unit. */
function inUnit(recipe: RecipeRow, main: IngredientRow, have: Have): { amount: number; converted: boolean } {
	const perLitre = litresIn(main.unit);
	const perKilo = kilosIn(main.unit);
	if (have.kind === 'volume' && perLitre !== undefined) return { amount: have.L / perLitre, converted: false };
	if (have.kind === 'weight' && perKilo !== undefined) return { amount: have.kg / perKilo, converted: false };
	if (have.kind === 'weight' && main.kg_per_unit !== undefined)
		return { amount: have.kg / main.kg_per_unit, converted: true };
	throw new DomainError(
		'NOT_UNDERSTOOD',
		'have',
		`${recipe.name} is measured by ${perKilo === undefined ? 'volume' : 'weight'}: say the ${main.what} in ${perKilo === undefined ? 'cups, quarts or litres' : 'pounds or kilos'}.`
	);
}

const saltShare = figures.find((f) => f.id === 'ferment/kraut-salt');

/**
 * A recipe for what there is. One that is exact is made in whole sets and nothing between; a syrup, brine or kraut keeps
 * its proportion at any amount.
 *
 * Where the main ingredient is printed as a range, a set takes the least of it, so that more sets fit and none is short.
 *
 * @throws {DomainError} NOT_UNDERSTOOD: a weight for what is measured by the cup, and no weight of a cup is known
 */
export function scaleRecipe(recipe: RecipeRow, given: Have): ScaledRecipe {
	const main = mainOf(recipe);
	const { amount: have, converted } = inUnit(recipe, main, given);
	const [least, most] = rangeOf(main.amount);
	// A thousandth of a set is the ruler's play, not a missing strawberry.
	const sets = recipe.scale === 'whole' ? Math.floor(have / least + 1e-3) : have / least;
	const times = (by: number): ScaledIngredient[] =>
		recipe.ingredients.map((i) => {
			const [low, high] = rangeOf(i.amount);
			return { what: i.what, amount: [low * by, high * by], unit: i.unit, main: i.role === 'main' };
		});
	const made = recipe.makes ? rangeOf(recipe.makes.amount) : undefined;
	const left = recipe.scale === 'whole' ? Math.max(0, have - sets * most) : 0;
	const salt =
		recipe.kind === 'kraut' && saltShare && typeof saltShare.value !== 'number' ? saltShare.value : undefined;
	const kg = have * (kilosIn(main.unit) ?? Number.NaN);
	return {
		recipe,
		sets,
		set: times(1),
		all: times(sets),
		...(recipe.makes && made
			? { makes: { amount: [made[0] * sets, made[1] * sets] as const, unit: recipe.makes.unit } }
			: {}),
		left: { amount: left < 1e-3 ? 0 : left, unit: main.unit },
		short: { amount: sets >= 1 || recipe.scale === 'linear' ? 0 : least - have, unit: main.unit },
		have,
		converted,
		...(salt && Number.isFinite(kg)
			? { salt_kg: [(kg * salt[0]) / 100, (kg * salt[1]) / 100] as const, salt_percent: salt }
			: {}),
		words: wordsOf(recipe)
	};
}

function wordsOf(recipe: RecipeRow): string {
	if (recipe.scale === 'linear') return 'Any amount, in the same proportion.';
	if (recipe.kind === 'jam' || recipe.kind === 'freezer-jam')
		return 'One set at a time: a double set does not set. Count the cups aloud.';
	if (recipe.kind === 'canning-syrup') return 'A whole load at a time; what is left keeps in the fridge.';
	return 'Whole sets: the acid, salt and vegetables stay in their tested proportion.';
}

/** A small kitchen amount in the largest measure that says it plainly: 12 tbsp is ¾ cup, 6 tsp is 2 tbsp. */
export function practical(amount: readonly [number, number], unit: FigureUnit): [[number, number], FigureUnit] {
	let [low, high] = amount;
	let now = unit;
	if (now === 'tsp' && low >= 3 - 1e-9) [low, high, now] = [low / 3, high / 3, 'tbsp'];
	if (now === 'tbsp' && low >= 4 - 1e-9) [low, high, now] = [low / 16, high / 16, 'cup'];
	return [[low, high], now];
}

/** What one set takes of its main ingredient, kg: the printed weight, or by the household weight of its measure; undefined where neither is known. */
export function setWeight_kg(recipe: RecipeRow): number | undefined {
	const main = mainOf(recipe);
	const least = typeof main.amount === 'number' ? main.amount : main.amount[0];
	const each = kilosIn(main.unit) ?? (main.unit === 'kg' ? 1 : main.unit === 'g' ? 0.001 : main.kg_per_unit);
	return each === undefined ? undefined : least * each;
}
