import { bench, describe } from 'vitest';
import { foodRows } from '../reference/tables';
import { readLine } from './things/read-line';
import { plain } from './things/thing';
import { tableEntries } from './tables/entries';
import { foodSections } from './tables/food-sections';
import { search } from './tables/search';
import { freezerDays, usualStock } from './freezing/freezer-week';
import { freezingCurve } from './heat/freezing-curve';
import { refitDrying } from './drying/drying-refit';
import { canWays } from './ways/can-ways';
import { dryWay } from './ways/dry-ways';
import { foldRun, type RunEvent } from './runs/kinds';
import { planFreeze } from './runs/kinds/freeze/make';
import { freezeWays } from './ways/freeze-ways';
import { glance } from './ways/glance';
import { kitchen } from './ways/kitchen.fixture';

const cuts = foodRows.flatMap((food) => food.cuts.map((cut) => ({ food, cut })));
const items = Array.from({ length: 500 }, (_, i) => ({
	...(cuts[i % cuts.length] as (typeof cuts)[number]),
	grams: 500 + i * 37
}));

const now = 1_787_000_000_000;
let bench_i = 0;

/** A run of beans with 2,000 taps of two devices, most of them notes and moves. */
const [beans] = foodRows.filter((f) => f.id === 'green-beans');
const beanWay =
	beans && freezeWays({ thing: plain(beans), grams: 9000, food_C: 18, kitchen, choices: {}, now }).ways[0];
if (beanWay?.kind !== 'way') throw new Error('no beans');
const plan = planFreeze([{ way: beanWay, lotId: 'lot', called: 'beans', form: 'whole', raw_g: 9000 }], kitchen);
const spots = ['return', 'blanch', 'chill', 'drain', 'freeze', 'firm'] as const;
const taps = Array.from({ length: 2000 }, (_, i): RunEvent => {
	const stamp = { id: `e${String(i).padStart(5, '0')}`, at: now + i * 1000, device: i % 3 === 0 ? 'a' : 'b', n: i };
	if (i % 4 === 0)
		return { ...stamp, type: 'move', potful: 1 + (Math.floor(i / 24) % 12), to: spots[(i / 4) % 6] ?? 'firm' };
	if (i % 50 === 1) return { ...stamp, type: 'undo', target: `e${String(i - 1).padStart(5, '0')}` };
	return { ...stamp, type: 'note', text: `note ${i}` };
});

describe('the core', () => {
	bench('the fold of a run with 2,000 taps', () => {
		foldRun(plan, now, taps);
	});
	bench('all ways for 500 items', () => {
		for (const { food, cut, grams } of items) {
			freezeWays({
				thing: plain(food),
				grams,
				food_C: 18,
				kitchen,
				choices: { cut: cut.id },
				now: 1_787_000_000_000
			});
		}
	});
	bench('jars of 500 items', () => {
		for (const { food, grams } of items) {
			canWays({ thing: plain(food), grams, kitchen, jar: 'quart', now: 1_787_000_000_000 });
		}
	});
	bench('all ways for one item, drying, jars and costs among them', () => {
		const { food, cut, grams } = items[bench_i++ % items.length] as (typeof items)[number];
		const thing = plain(food);
		const { ways } = freezeWays({ thing, grams, food_C: 18, kitchen, choices: { cut: cut.id }, now });
		const dry = dryWay({ thing, cut, grams, kitchen, choices: {}, now });
		const cans = canWays({ thing, grams, kitchen, jar: 'quart', now });
		glance({ kitchen, grams, food_C: 18, freeze: ways, dry, cans, paid: 1000 });
	});
	bench('the solver, a pack of 10 cm to 1 %', () => {
		freezingCurve({ food: usualStock, shape: 'slab', size_m: 0.1, start_C: 10, medium_C: -18, h_W_m2K: 8 });
	});
	bench('a freezer over a week, 40 packs each for itself', () => {
		freezerDays({
			freezer: { litres: 240, set_C: -18, room_C: 22 },
			old: { kg: 70, start_C: -18 },
			days: 7,
			loads: Array.from({ length: 40 }, (_, i) => ({
				at_h: i,
				kg: 0.5,
				pack_kg: 0.5,
				thickness_m: 0.03,
				start_C: 15,
				food: usualStock
			}))
		});
	});
	bench('a drying forecast learned from three weighings', () => {
		refitDrying({
			wet_kg: 1, moistureIn: 0.86, moistureOut: 0.2, prior: { hours: 9, doubt: 0.3 },
			weighIns: [{ t_h: 2, kg: 0.7 }, { t_h: 4, kg: 0.5 }, { t_h: 6, kg: 0.35 }]
		});
	}); // prettier-ignore
	bench('500 typed lines understood', () => {
		for (let i = 0; i < 500; i++)
			readLine(`${i + 1} kg ${cuts[i % cuts.length]?.food.name}, soft, fridge`, { own: [], metricCups: true });
	});
	bench('one word looked up in Tables', () => {
		search(tableEntries, 'strawbery jam');
	});
	bench('the pages of all foods in Tables', () => {
		for (const food of foodRows) foodSections(plain(food), { units: 'metric', altitude_m: 380 });
	});
});
