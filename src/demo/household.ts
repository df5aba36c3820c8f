/** The made-up household of the demo. Days and hours are offsets, so that its haul is always this morning's. */

export interface DemoBatch {
	readonly food: string;
	/** The household's own word, where it is not the table's. */
	readonly called?: string;
	readonly cut: string;
	readonly way: string;
	readonly daysAgo: number;
	readonly raw_g: number;
	readonly packs: number;
	readonly pack_g: number;
	readonly container: string;
	readonly place: string;
	readonly months: number;
	/** Packs taken since, each with its days ago. */
	readonly taken: readonly number[];
}

export const demo = {
	household: {
		name: 'Harrow End',
		altitudeM: 380,
		units: 'metric',
		zone: 'Europe/Prague',
		people: 5,
		iceKg: 6,
		basins: 2,
		trays: 6,
		trayAreaM2: 0.15,
		tapC: 13,
		roomC: 24,
		roomHumidity: 0.55,
		iceKgDay: 3,
		handsHDay: 3,
		currency: 'EUR',
		energyPrice: 31,
		hourRate: 600,
		bagPrice: 9,
		lidPrice: 14
	},
	places: [
		{ name: 'Kitchen counter', kind: 'counter', tempC: 24, litres: null },
		{ name: 'Fridge', kind: 'fridge', tempC: 4, litres: null },
		{ name: 'Cool room', kind: 'cool', tempC: 13, litres: null },
		{ name: 'Chest freezer, top basket', kind: 'freezer', tempC: -19, litres: 60 },
		{ name: 'Chest freezer, floor', kind: 'freezer', tempC: -19, litres: 180 },
		{ name: 'Pantry', kind: 'pantry', tempC: 17, litres: null },
		{ name: 'Cellar', kind: 'cellar', tempC: 9, litres: null },
		{ name: 'Garden, third row', kind: 'ground', tempC: 12, litres: null }
	],
	pots: [
		{
			name: 'Enamel pot',
			litres: 12,
			burnerW: 3000,
			burnerKind: 'induction',
			basketL: null,
			diameterM: 0.28,
			heightM: 0.2
		},
		{
			name: 'Stock pot',
			litres: 8,
			burnerW: 2000,
			burnerKind: 'electric',
			basketL: null,
			diameterM: 0.24,
			heightM: 0.18
		}
	],
	equipment: [
		{
			kind: 'canner',
			name: 'Big canner',
			spec: { quarts: 7, pints: 9, halfPints: 12, stacked: false, gauge: 'weighted', dialTested: null }
		},
		{
			kind: 'dryer',
			name: 'Tray dryer',
			spec: { trays: 8, leastTrays: 4, trayArea_m2: 0.1, tare_kg: 0.31, power_W: 600, heater: 'bottom' }
		},
		{ kind: 'sealer', name: 'Bar sealer', spec: { rolls_m: [0.2, 0.28], chamber: false } },
		{ kind: 'mill', name: 'Passing mill', spec: { kg_h: 12 } },
		{ kind: 'moulds', name: 'Cube trays', spec: { hollows: 32, each_mL: 30 } }
	],
	persons: [
		{ name: 'Grandmother', handsH: 2, may: ['wash', 'knife', 'heat', 'pressure', 'seal', 'label'] },
		{ name: 'The children', handsH: 1, may: ['wash', 'label'] }
	],
	supplies: [
		{ kind: 'lid', name: 'Lids, regular', size: 70, amount: 38, low: 12 },
		{ kind: 'lid', name: 'Lids, wide', size: 86, amount: 9, low: 12 },
		{ kind: 'roll', name: 'Roll 28 cm', size: 280, amount: 640, low: 200 },
		{ kind: 'absorber', name: 'Absorbers 300 cc', size: 300, amount: 20, low: 10 }
	],
	containers: [
		{ name: 'Freezer bag 1 L', kind: 'bag', volumeMl: 1000, count: 44, low: 15 },
		{ name: 'Freezer bag 2 L', kind: 'bag', volumeMl: 2000, count: 25, low: 10 },
		{ name: 'Freezer bag 4 L', kind: 'bag', volumeMl: 4000, count: 12, low: null },
		{ name: 'Box 750 ml', kind: 'box', volumeMl: 750, count: 9, low: null },
		{ name: 'Quart jar', kind: 'jar', volumeMl: 946, count: 16, low: 7 },
		{ name: 'Pint jar', kind: 'jar', volumeMl: 473, count: 20, low: 9 }
	],
	measures: [
		{ name: 'big bowl', food: 'raspberries', grams: 1150 },
		{ name: 'big bowl', food: 'peas', grams: 1300 }
	],
	/** What came in, typed as it was said; hours before now where it was not this morning. */
	haul: [
		{ said: '40 ears sweetcorn', place: 'Kitchen counter', hoursAgo: 2 },
		{ said: '2 big bowls raspberries', place: 'Fridge', hoursAgo: 2.5 },
		{ said: '9.1 kg runner beans', place: 'Fridge', hoursAgo: 2 },
		{ said: '½ bushel tomatoes, ripe', place: 'Kitchen counter', hoursAgo: 26 },
		{ said: '14 courgettes', place: 'Cool room', hoursAgo: 26 },
		{ said: '3 bunches kale', place: 'Fridge', hoursAgo: 3 },
		{ said: '22 kg potatoes', place: 'Cool room', hoursAgo: 74 }
	],
	/** What stands in other places, typed as it was said; days before today that it is from. */
	shelf: [
		{ said: '19 quarts crushed tomatoes, canned, tested', place: 'Pantry', daysAgo: 310 },
		{ said: '12 half-pints plum jam', place: 'Pantry', daysAgo: 290 },
		{ said: '2 pint jars dried plums', place: 'Pantry', daysAgo: 20 },
		{ said: '3 pint jars dried apples', place: 'Pantry', daysAgo: 300 },
		{ said: '7 pints pickled beetroot, tested', place: 'Pantry', daysAgo: 70 },
		{ said: '6 kg parsnips in sand', place: 'Cellar', daysAgo: 12 },
		{ said: '18 × 400 g beef mince, frozen', place: 'Chest freezer, floor', daysAgo: 40 },
		{ said: '4 × 1 L chicken stock, frozen', place: 'Chest freezer, floor', daysAgo: 55 },
		{ said: '4 × 600 g soup mix (carrots + leeks + potatoes), frozen', place: 'Chest freezer, floor', daysAgo: 120 },
		{ said: '9 butternut squash, 11.2 kg', place: 'Cellar', daysAgo: 16 },
		{ said: '14 kg beetroot in sand', place: 'Cellar', daysAgo: 9 },
		{ said: '5 kg carrots', place: 'Garden, third row', daysAgo: 12 },
		{ said: '12 eggs', place: 'Fridge', daysAgo: 3 },
		{ said: '800 g chicken, cooked', place: 'Fridge', daysAgo: 1 }
	],
	batches: [
		{
			food: 'peas',
			cut: 'shelled',
			way: 'Blanch + freeze',
			daysAgo: 341,
			raw_g: 6400,
			packs: 8,
			pack_g: 300,
			container: 'Freezer bag 1 L',
			place: 'Chest freezer, top basket',
			months: 12,
			taken: [280, 200, 92, 30]
		},
		{
			food: 'green-beans',
			cut: 'cut',
			way: 'Blanch + freeze',
			daysAgo: 24,
			raw_g: 6200,
			packs: 11,
			pack_g: 500,
			container: 'Freezer bag 2 L',
			place: 'Chest freezer, top basket',
			months: 12,
			taken: [9]
		},
		{
			food: 'kale',
			cut: 'leaves',
			way: 'Blanch + freeze',
			daysAgo: 58,
			raw_g: 4200,
			packs: 9,
			pack_g: 300,
			container: 'Freezer bag 1 L',
			place: 'Chest freezer, top basket',
			months: 12,
			taken: [40, 26, 12]
		},
		{
			food: 'zucchini',
			called: 'courgettes',
			cut: 'grated',
			way: 'Freeze raw',
			daysAgo: 48,
			raw_g: 5200,
			packs: 9,
			pack_g: 500,
			container: 'Freezer bag 1 L',
			place: 'Chest freezer, floor',
			months: 3,
			taken: [33, 14]
		},
		{
			food: 'strawberries',
			cut: 'whole',
			way: 'Freeze raw',
			daysAgo: 66,
			raw_g: 7900,
			packs: 13,
			pack_g: 500,
			container: 'Freezer bag 2 L',
			place: 'Chest freezer, floor',
			months: 12,
			taken: [50, 41, 20, 6]
		},
		{
			food: 'raspberries',
			cut: 'whole',
			way: 'Freeze raw',
			daysAgo: 31,
			raw_g: 3800,
			packs: 12,
			pack_g: 300,
			container: 'Freezer bag 1 L',
			place: 'Chest freezer, floor',
			months: 12,
			taken: [11, 4]
		},
		{
			food: 'broccoli',
			cut: 'florets',
			way: 'Blanch + freeze',
			daysAgo: 74,
			raw_g: 5100,
			packs: 8,
			pack_g: 500,
			container: 'Freezer bag 2 L',
			place: 'Chest freezer, floor',
			months: 12,
			taken: [60, 22]
		},
		{
			food: 'bell-peppers',
			cut: 'dice',
			way: 'Freeze raw',
			daysAgo: 12,
			raw_g: 3000,
			packs: 9,
			pack_g: 250,
			container: 'Box 750 ml',
			place: 'Chest freezer, top basket',
			months: 12,
			taken: []
		}
	] satisfies DemoBatch[]
} as const;
