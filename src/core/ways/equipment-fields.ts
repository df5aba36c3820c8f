import { canningRules } from '../../reference/canning-rules';
import type { MeasureKind } from '../quantities/parse-measure';
import { tasks, type EquipmentKind, type SupplyKind } from './equipment';

/**
 * How one figure of a thing is asked. `count` is a whole number, `number` any, `list` lengths with commas between, `many` any of
 * the choices; measures are held in °C, L, kg, m², m. The range is closed, in the unit it is held in.
 */
export type Field = {
	readonly name: string;
	readonly label: string;
	/** May be left empty. */
	readonly optional?: true;
	/** What most have: filled in on a new one. */
	readonly usual?: number | string;
} & (
	| { readonly as: MeasureKind | 'count' | 'number'; readonly low: number; readonly high: number; readonly unit?: string }
	| { readonly as: 'list'; readonly low: number; readonly high: number }
	| { readonly as: 'choice' | 'many'; readonly choices: Readonly<Record<string, string>> }
	| { readonly as: 'yes' | 'date' }
); // prettier-ignore

export const burners = { gas: 'gas', electric: 'electric coil', ceramic: 'glass top', induction: 'induction', fire: 'wood fire' } as const; // prettier-ignore
export const taskWords: Readonly<Record<(typeof tasks)[number], string>> = {
	wash: 'wash and pick over',
	knife: 'cut',
	heat: 'boiling pot',
	pressure: 'pressure canner',
	seal: 'fill and seal',
	label: 'label and carry'
};

const mill: readonly Field[] = [
	{ name: 'kg_h', label: 'it does in an hour', as: 'weight', low: 0.1, high: 500, usual: 10, optional: true }
];

/** Everything that can be put into the Kitchen, besides places and what lies in the drawer. */
export type GearKind = EquipmentKind | 'pot' | 'person';

export const gearNames: Readonly<Record<GearKind, string>> = {
	pot: 'pot or pan',
	canner: 'canner',
	dryer: 'dryer',
	'freeze-dryer': 'freeze-dryer',
	sealer: 'sealer',
	mill: 'food mill',
	grinder: 'grinder',
	moulds: 'moulds',
	person: 'helper'
};

export const gearFields: Readonly<Record<GearKind, readonly Field[]>> = {
	pot: [
		{ name: 'litres', label: 'to the rim', as: 'volume', low: 1, high: 100, usual: 12 },
		{ name: 'burnerW', label: 'its burner', unit: 'W', as: 'number', low: 300, high: 20_000, usual: 2000 },
		{ name: 'burnerKind', label: 'the burner is', as: 'choice', choices: burners, usual: 'electric' },
		{ name: 'diameterM', label: 'across, inside', as: 'length', low: 0.08, high: 1.2, optional: true },
		{ name: 'heightM', label: 'high, inside', as: 'length', low: 0.03, high: 1.2, optional: true },
		{ name: 'basketL', label: 'its basket, if it limits', as: 'volume', low: 0.5, high: 100, optional: true }
	],
	canner: [
		{
			name: 'gauge',
			label: 'its gauge',
			as: 'choice',
			choices: {
				weighted: 'weighted: jiggles or rocks',
				dial: 'dial: a needle',
				none: 'none: for boiling water alone'
			},
			usual: 'weighted'
		},
		{ name: 'quarts', label: 'quarts in a load', as: 'count', low: 1, high: 40, usual: canningRules.loadQuarts.value },
		{ name: 'pints', label: 'pints in a load', as: 'count', low: 1, high: 80, usual: 9, optional: true },
		{ name: 'halfPints', label: 'half-pints in a load', as: 'count', low: 1, high: 120, optional: true },
		{ name: 'stacked', label: 'small jars in two layers, a rack between', as: 'yes' },
		{ name: 'dialTested', label: 'a dial’s last test', as: 'date', optional: true }
	],
	dryer: [
		{ name: 'trays', label: 'trays', as: 'count', low: 1, high: 60, usual: 5 },
		{ name: 'trayArea_m2', label: 'one of them', as: 'area', low: 0.01, high: 2, usual: 0.09 },
		{ name: 'power_W', label: 'it draws', unit: 'W', as: 'number', low: 20, high: 10_000, usual: 500 },
		{
			name: 'heater',
			label: 'its heater is',
			as: 'choice',
			choices: { bottom: 'below the trays', top: 'above the trays', back: 'behind the trays' },
			usual: 'bottom'
		},
		{ name: 'leastTrays', label: 'runs with no fewer trays than', as: 'count', low: 1, high: 60, usual: 1 },
		{ name: 'tare_kg', label: 'one empty tray weighs', as: 'weight', low: 0.02, high: 10, optional: true }
	],
	'freeze-dryer': [
		{ name: 'trays', label: 'trays', as: 'count', low: 1, high: 40, usual: 4 },
		{ name: 'load_kg', label: 'it takes at once', as: 'weight', low: 0.5, high: 200, usual: 4 }
	],
	sealer: [
		{ name: 'rolls_m', label: 'widths of its rolls', as: 'list', low: 0.05, high: 1, usual: '0.2, 0.28' },
		{ name: 'chamber', label: 'the whole bag lies in a chamber', as: 'yes' }
	],
	mill,
	grinder: mill,
	moulds: [
		{ name: 'hollows', label: 'hollows in all', as: 'count', low: 1, high: 1000, usual: 24 },
		{ name: 'each_mL', label: 'one holds', unit: 'ml', as: 'number', low: 5, high: 2000, usual: 30 }
	],
	person: [
		{ name: 'handsH', label: 'hours on a usual day', unit: 'h', as: 'number', low: 0, high: 24, usual: 2, optional: true },
		{ name: 'may', label: 'may', as: 'many', choices: taskWords }
	]
}; // prettier-ignore

/** What lies in the drawer besides containers: the word for its size and for its amount. */
export const supplyWords: Readonly<
	Record<SupplyKind, { readonly name: string; readonly size: Field; readonly amount: string }>
> = {
	lid: {
		name: 'lids',
		size: { name: 'size', label: 'mouth, mm (70 regular, 86 wide)', as: 'count', low: 30, high: 150, usual: 70 },
		amount: 'lids'
	},
	roll: {
		name: 'roll',
		size: { name: 'size', label: 'width, mm', as: 'count', low: 50, high: 1000, usual: 280 },
		amount: 'cm left'
	},
	absorber: {
		name: 'oxygen absorbers',
		size: { name: 'size', label: 'each takes up, cc', as: 'count', low: 10, high: 5000, usual: 300 },
		amount: 'pieces'
	}
};
