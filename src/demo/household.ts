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
		gauge: 'weighted',
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
		dryerTrays: 8,
		dryerTrayAreaM2: 0.1,
		dryerPowerW: 600,
		dryerHeater: 'bottom',
		cannerQuarts: 7,
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
		{ name: 'Enamel pot', litres: 12, burnerW: 3000, burnerKind: 'induction', basketL: null },
		{ name: 'Stock pot', litres: 8, burnerW: 2000, burnerKind: 'electric', basketL: null }
	],
	containers: [
		{ name: 'Freezer bag 1 L', kind: 'bag', volumeMl: 1000, count: 44 },
		{ name: 'Freezer bag 2 L', kind: 'bag', volumeMl: 2000, count: 25 },
		{ name: 'Freezer bag 4 L', kind: 'bag', volumeMl: 4000, count: 12 },
		{ name: 'Box 750 ml', kind: 'box', volumeMl: 750, count: 9 }
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
