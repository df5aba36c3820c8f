import companions from './companions.json';
import dryingYields from './drying-yields.json';
import drying from './drying.json';
import absorberFigures from './figures/absorber.json';
import canFigures from './figures/can.json';
import cellarFigures from './figures/cellar.json';
import cookFigures from './figures/cook.json';
import dryFigures from './figures/dry.json';
import dryGoodsFigures from './figures/dry-goods.json';
import fermentFigures from './figures/ferment.json';
import freezeDryFigures from './figures/freeze-dry.json';
import freezeFigures from './figures/freeze.json';
import jamFigures from './figures/jam.json';
import meatFigures from './figures/meat.json';
import oilFigures from './figures/oil.json';
import pickleFigures from './figures/pickle.json';
import secondFigures from './figures/second.json';
import thawFigures from './figures/thaw.json';
import vacuumFigures from './figures/vacuum.json';
import freezerPackRows from './freezer-packs.json';
import freezerStyleRows from './freezer-styles.json';
import odourRows from './odours.json';
import practiceRows from './practice.json';
import recipeRows from './recipes.json';
import rehydratingRows from './rehydrating.json';
import type { Provenance } from './row';
import type { FoodGroup, Range } from './tables';
import wayRows from './way-words.json';

/** The ways and handlings that Tables is ordered by, in the order of the work. */
export const tableWays = [
	'fresh', 'cellar', 'freeze', 'dry', 'can', 'ferment', 'pickle', 'jam', 'syrup', 'vacuum', 'absorber', 'freeze-dry',
	'oil', 'smoke', 'salt', 'dry-goods', 'meat', 'cook', 'thaw', 'second'
] as const; // prettier-ignore
export type TableWay = (typeof tableWays)[number];

/** Units as the publications print them; the core turns them into the household's. `parts`: to one part. */
export const figureUnits = [
	'F', 'Fdiff', 'in', 'lb', 'oz', 'g', 'cc', 'cup', 'tbsp', 'tsp', 'pint', 'half-pint', 'qt', 'quart', 'gal', 'gallon', 's',
	'min', 'h', 'day', 'week', 'month', 'year', '%', 'lb/ft3', 'ft3', 'h/lb', 'mTorr', 'pH', 'aw', 'parts', 'times', 'box',
	'pouch', 'piece', 'pint jars filled', 'quart jars filled', 'jar', 'psi', 'C', 'm', 'mm', 'kg', 'kg/L', 'L/kg', 'kg/kg', 'min/kg',
	'W/(m² K)', 'kg/m²', 'kJ/mol', 'm² K/W', 'W/K', 'kJ/K', 'power', 'L'
] as const; // prettier-ignore
export type FigureUnit = (typeof figureUnits)[number];

/** 'agreed': recalled twice alike; 'once': one recall; 'differ': the two differed, and `note` says how it was settled. */
export type Recalls = 'agreed' | 'once' | 'differ';

/** Whom a row is for: foods by id, whole groups, or (neither) the way as such. */
interface ForFoods {
	readonly foods?: readonly string[];
	readonly groups?: readonly FoodGroup[];
}
export interface Recalled extends Provenance {
	readonly locator?: string;
	readonly recalls?: Recalls;
}
/** One number of a way. */
export interface FigureRow extends Recalled, ForFoods {
	readonly id: string;
	readonly way: TableWay;
	readonly what: string;
	readonly value: number | Range;
	readonly unit: FigureUnit;
	/** Conditions, in words. */
	readonly at?: string;
	/** Keeping: the temperature it was printed for. */
	readonly temp_F?: number;
	/** Which of the second clocks it is. */
	readonly clock?: 'thawed' | 'opened';
	/** Opened jars: of low-acid or of acid food. */
	readonly acid?: 'low' | 'high';
	readonly pack?: 'fridge-jar';
}
/** How one cut of a food is dried; hours hold for the printed thickness only. */
export interface DryingRow extends Recalled {
	readonly id: string;
	readonly foods: readonly string[];
	readonly cut: string;
	/** Inches, as printed; null where the piece is whole, halved or of no printed thickness. */
	readonly thickness_in: Range | null;
	readonly pretreat: string;
	readonly steam_min: Range | null;
	readonly water_min: Range | null;
	/** The water is a dip that cracks skins, not a blanch. */
	readonly dip?: boolean;
	readonly hours: Range;
	/** Air of the dryer, °F. */
	readonly F: Range;
	readonly test: string;
	readonly kind: 'vegetable' | 'fruit' | 'herb' | 'meat';
	/** What the other recall had. */
	readonly second?: string;
}
/** Water back to a cup of dried food. */
export interface RehydratingRow extends Recalled {
	readonly id: string;
	readonly foods: readonly string[];
	readonly cups: number;
	readonly hours: number;
	readonly water: 'room temperature' | 'boiling';
}
export interface DryingYieldRow extends Recalled {
	readonly id: string;
	readonly foods: readonly string[];
	readonly fresh_lb: number;
	readonly dried_lb: number;
	readonly pints: Range | null;
}
export interface IngredientRow {
	readonly what: string;
	readonly amount: number | Range;
	readonly unit: FigureUnit;
	/** What one of the unit weighs, kg, by common practice: for a person who has the fruit on a scale. */
	readonly kg_per_unit?: number;
	/** What the recipe is measured by. */
	readonly role?: 'main';
}
export const recipeKinds = [
	'jam', 'freezer-jam', 'sauce', 'juice', 'canning-syrup', 'freezing-syrup', 'sugar-pack', 'acid-dip', 'kraut', 'brine',
	'ferment', 'pickle', 'infusion', 'rehydrating'
] as const; // prettier-ignore
export type RecipeKind = (typeof recipeKinds)[number];
/** A ratio that is not to be changed: made in whole sets, or scaled as it is. */
export interface RecipeRow extends Recalled {
	readonly id: string;
	readonly name: string;
	readonly names?: readonly string[];
	readonly kind: RecipeKind;
	readonly foods: readonly string[];
	/** The only cuts that it is printed for; without it any. */
	readonly cuts?: readonly string[];
	/** 'whole': only whole sets, each by itself; 'linear': as much as there is, in the same proportion. */
	readonly scale: 'whole' | 'linear';
	readonly ingredients: readonly IngredientRow[];
	readonly makes?: { readonly amount: Range | readonly number[]; readonly unit: FigureUnit };
	/** The tested canning product whose time holds for it. */
	readonly product?: string;
	readonly steps?: readonly string[];
	/** Of each step how long it stands or is stirred, as its own words print it, min. */
	readonly waits?: readonly (number | null)[];
}
/** A question on which households differ, and the side we take. */
export interface PracticeRow extends Provenance, ForFoods {
	readonly id: string;
	readonly question: string;
	readonly schools: readonly string[];
	readonly ours: string;
	readonly why: string;
	readonly way: TableWay;
	/** Someone can be hurt: our side is not a preference. */
	readonly safety: boolean;
}
export interface FreezerPackRow extends Provenance {
	readonly id: string;
	readonly name: string;
	readonly names: readonly string[];
	readonly for: readonly (FoodGroup | 'all')[];
	/** Of the food's months; 1: as the table. */
	readonly share?: number;
	/** Months whatever the food. */
	readonly months?: Range;
	readonly words: string;
}
export interface FreezerStyleRow extends Provenance {
	readonly id: string;
	readonly name: string;
	readonly for: readonly FoodGroup[];
	readonly words: string;
	readonly headspace?: 'dry' | 'liquid' | 'loose';
	/** Recipes that carry its ratio. */
	readonly kind?: RecipeKind;
}
/** Foods that behave alike in a store, and whom they must not lie beside. */
export interface CompanionRow extends Provenance {
	readonly id: string;
	readonly name: string;
	readonly foods: readonly string[];
	readonly words: string;
	readonly apart: readonly string[];
}
export interface OdourRow extends Provenance, ForFoods {
	readonly id: string;
	readonly name: string;
	readonly words: string;
	readonly alone: boolean;
}
export interface WayWords {
	readonly id: TableWay;
	readonly name: string;
	readonly lead: string;
	readonly cautions: readonly string[];
	readonly steps: readonly string[];
}

// JSON widens literals to strings; a test checks every row, so the claims are safe here.
export const figures = [
	...freezeFigures, ...thawFigures, ...secondFigures, ...dryFigures, ...vacuumFigures, ...absorberFigures,
	...freezeDryFigures, ...fermentFigures, ...pickleFigures, ...jamFigures, ...canFigures, ...cellarFigures,
	...dryGoodsFigures, ...oilFigures, ...meatFigures, ...cookFigures
] as unknown as readonly FigureRow[]; // prettier-ignore
export const dryingRows = drying as unknown as readonly DryingRow[];
export const rehydrating = rehydratingRows as unknown as readonly RehydratingRow[];
export const dryingYieldRows = dryingYields as unknown as readonly DryingYieldRow[];
export const recipes = recipeRows as unknown as readonly RecipeRow[];
export const practices = practiceRows as unknown as readonly PracticeRow[];
export const freezerPacks = freezerPackRows as unknown as readonly FreezerPackRow[];
export const freezerStyles = freezerStyleRows as unknown as readonly FreezerStyleRow[];
export const companionRows = companions as unknown as readonly CompanionRow[];
export const odours = odourRows as unknown as readonly OdourRow[];
export const wayWords = wayRows as unknown as readonly WayWords[];

/** Whether a row that names foods or groups is for this food. */
export const isFor = (row: ForFoods, food: { readonly id: string; readonly group: FoodGroup }): boolean =>
	row.foods?.includes(food.id) === true || row.groups?.includes(food.group) === true;
