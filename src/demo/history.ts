import type { State } from '$core/things/thing';
import type { BatchRow } from '$lib/server/stores/batches';

/** A food that was put up in the seasons before: what came of it, and how it was eaten until the next. */
export interface DemoSeason {
	readonly food: string;
	readonly called?: string;
	readonly cut: string;
	readonly way: string;
	readonly method: BatchRow['method'];
	readonly state: State;
	readonly place: string;
	readonly container: string | null;
	readonly pack_g: number;
	readonly months: number;
	/** Days before today of the middle of its last whole season: what it gave is eaten. */
	readonly daysAgo: number;
	/** Batches of a season, days between them, and what went into each. */
	readonly batches: number;
	readonly every: number;
	readonly raw_kg: number;
	/** Of a kilo into packs; minutes of hands to a kilo. */
	readonly kept: number;
	readonly hands_min_kg: number;
	/** Paid for a kilo, minor units; null for what is grown. */
	readonly paid: number | null;
	readonly variety?: string;
	/** Packs of a season that were thrown, and why. */
	readonly thrown: readonly [packs: number, cause: string];
	readonly again: readonly ['yes' | 'changed' | 'no', string];
}

const frozen = (s: Omit<DemoSeason, 'method' | 'state' | 'container'> & { container?: string }): DemoSeason => ({
	method: 'freeze',
	state: 'frozen',
	container: 'Freezer bag 1 L',
	...s
});
const floor = 'Chest freezer, floor';
const basket = 'Chest freezer, top basket';

/** Two whole seasons before the one that stands on the shelves. All of it is made up. */
export const seasons: readonly DemoSeason[] = [
	frozen({
		food: 'green-beans',
		cut: 'cut',
		way: 'Blanch + freeze',
		place: basket,
		pack_g: 500,
		months: 12,
		daysAgo: 395,
		batches: 3,
		every: 9,
		raw_kg: 5.4,
		kept: 0.84,
		hands_min_kg: 17,
		paid: null,
		variety: 'bush, early',
		thrown: [1, 'bag split'],
		again: ['changed', 'thinner slices']
	}),
	frozen({
		food: 'peas',
		cut: 'shelled',
		way: 'Blanch + freeze',
		place: basket,
		pack_g: 300,
		months: 12,
		daysAgo: 705,
		batches: 2,
		every: 7,
		raw_kg: 6.2,
		kept: 0.38,
		hands_min_kg: 31,
		paid: null,
		thrown: [0, ''],
		again: ['yes', 'more rows of them']
	}),
	frozen({
		food: 'strawberries',
		cut: 'whole',
		way: 'Freeze raw',
		place: floor,
		pack_g: 500,
		months: 12,
		daysAgo: 432,
		batches: 3,
		every: 5,
		raw_kg: 6.5,
		kept: 0.92,
		hands_min_kg: 9,
		paid: 240,
		thrown: [2, 'frost'],
		again: ['changed', 'on trays first, not in the bag']
	}),
	frozen({
		food: 'broccoli',
		cut: 'florets',
		way: 'Blanch + freeze',
		place: floor,
		pack_g: 500,
		months: 12,
		daysAgo: 440,
		batches: 2,
		every: 14,
		raw_kg: 5.5,
		kept: 0.72,
		hands_min_kg: 14,
		paid: 190,
		thrown: [1, 'smelt of the freezer'],
		again: ['no', 'three minutes, and colder water']
	}),
	frozen({
		food: 'kale',
		cut: 'leaves',
		way: 'Blanch + freeze',
		place: basket,
		pack_g: 300,
		months: 12,
		daysAgo: 422,
		batches: 2,
		every: 16,
		raw_kg: 4,
		kept: 0.6,
		hands_min_kg: 13,
		paid: null,
		thrown: [0, ''],
		again: ['yes', '']
	}),
	{
		food: 'tomatoes',
		called: 'crushed tomatoes',
		cut: 'skinned',
		way: 'Canned, quarts',
		method: 'can',
		state: 'canned',
		place: 'Pantry',
		container: 'Quart jar',
		pack_g: 900,
		months: 18,
		daysAgo: 675,
		batches: 3,
		every: 10,
		raw_kg: 9.6,
		kept: 0.9,
		hands_min_kg: 13,
		paid: 120,
		thrown: [1, 'lid gave'],
		again: ['yes', 'paste kinds need less boiling']
	},
	{
		food: 'plums',
		called: 'dried plums',
		cut: 'halves',
		way: 'Dried',
		method: 'dry',
		state: 'dried',
		place: 'Pantry',
		container: 'Pint jar',
		pack_g: 300,
		months: 12,
		daysAgo: 390,
		batches: 2,
		every: 8,
		raw_kg: 5.5,
		kept: 0.22,
		hands_min_kg: 8,
		paid: 90,
		thrown: [0, ''],
		again: ['yes', 'split skins dry twice as fast']
	}
];

/** A season's batch as it is written into the book, and what became of its packs. */
export interface HistoryBatch {
	readonly of: DemoSeason;
	/** Its season's first: what was said of it. */
	readonly first: boolean;
	readonly daysAgo: number;
	readonly raw_g: number;
	readonly packs: number;
	readonly hands_s: number;
	readonly paidMinor: number | null;
	/** Packs that went, days before today, in order. */
	readonly gone: readonly { readonly daysAgo: number; readonly packs: number; readonly cause: string }[];
}

/** A number from 0 to 1 by two others: the same household every time. */
const noise = (a: number, b: number): number => {
	const x = Math.sin(a * 127.1 + b * 311.7 + 74.7) * 43758.5453;
	return x - Math.floor(x);
};

/** Two seasons of every food, the older first: what was put up, eaten by the next, and thrown. */
export function historyBatches(): HistoryBatch[] {
	return seasons.flatMap((of, s) =>
		[1, 0].flatMap((ago) =>
			Array.from({ length: of.batches }, (_, b): HistoryBatch => {
				const nth = s * 10 + ago * 5 + b;
				const daysAgo = of.daysAgo + 365 * ago - of.every * (b - (of.batches - 1) / 2);
				const raw_g = Math.round((of.raw_kg * (0.8 + 0.4 * noise(nth, 1)) * 1000) / 10) * 10;
				const kept = of.kept * (1 + 0.1 * (noise(nth, 2) - 0.5));
				const packs = Math.max(2, Math.floor((raw_g * kept) / of.pack_g));
				const thrown = b === 0 && ago === 1 ? Math.min(of.thrown[0], packs - 1) : 0;
				const eaten = packs - thrown;
				// Until the next season comes, the last pack a little before it; none after today.
				const last = Math.max(4, daysAgo - 330);
				const gone = Array.from({ length: eaten }, (_unused, k) => ({
					daysAgo: daysAgo - 10 - ((daysAgo - 10 - last) * (k + 0.2 + 0.8 * noise(nth, 10 + k))) / (eaten + 0.5),
					packs: 1,
					cause: ''
				}));
				if (thrown > 0) gone.push({ daysAgo: last, packs: thrown, cause: of.thrown[1] });
				return {
					of,
					first: b === 0,
					daysAgo,
					raw_g,
					packs,
					hands_s: Math.round((raw_g / 1000) * of.hands_min_kg * 60 * (1.15 - 0.1 * (1 - ago) - 0.1 * noise(nth, 3))),
					paidMinor: of.paid === null ? null : Math.round((of.paid * raw_g) / 1000),
					gone: gone.sort((x, y) => y.daysAgo - x.daysAgo)
				};
			})
		)
	);
}

/** What the like costs in a made-up shop, minor units for a kilo; so many days ago. */
export const shopPrices = [
	{ food: 'green-beans', kept: 'frozen', perKg: 420, daysAgo: 30 },
	{ food: 'peas', kept: 'frozen', perKg: 390, daysAgo: 30 },
	{ food: 'broccoli', kept: 'frozen', perKg: 480, daysAgo: 30 },
	{ food: 'kale', kept: 'frozen', perKg: 450, daysAgo: 52 },
	{ food: 'strawberries', kept: 'frozen', perKg: 610, daysAgo: 52 },
	{ food: 'tomatoes', kept: 'canned', perKg: 310, daysAgo: 30 },
	{ food: 'plums', kept: 'dried', perKg: 1390, daysAgo: 30 }
] as const;

/** Plants of the two seasons before, and the days of picking that are written down for the next. */
export const plantings = [
	{ food: 'green-beans', plants: [9, 10], pick: ['07-10', '09-05'], sow: ['05-05', '06-20'] },
	{ food: 'peas', plants: [40, 46], pick: ['06-15', '07-10'], sow: ['03-20', '04-20'] },
	{ food: 'kale', plants: [8, 8], pick: null, sow: ['05-20', '06-15'] }
] as const;

/** What the machines cost, minor units, and since how many days they are here. */
export const machines = [
	{ name: 'Tray dryer', paid: 14_900, daysAgo: 900 },
	{ name: 'Big canner', paid: 18_900, daysAgo: 1200 }
] as const;
