import { refitDrying, type Refit } from '../../src/core/drying/drying-refit';
import { dryingTime } from '../../src/core/drying/drying-time';
import { weightShare } from '../../src/core/drying/page-curve';
import { dryingBalance } from '../../src/core/drying/drying-balance';
import { yieldShare } from '../../src/core/foods/cuts';
import { dryingRows, dryingYieldRows } from '../../src/reference/other-ways';
import { type Measured, coverage, foodOf, percent, range, tray, trayWeight } from './cases';

export function balance(): Measured {
	const tomatoes = foodOf('tomatoes');
	const printed = dryingYieldRows.find((r) => r.id === 'tomatoes');
	if (!printed) throw new Error('tomatoes are in the table of yields');
	const share = (food: string, out: number) =>
		range(40, 0, 12).map((t): [number, number] => [
			t,
			100 * weightShare({ t_h: t, end_h: 9, moistureIn: foodOf(food).composition.water / 100, moistureOut: out })
		]);
	return {
		plot: {
			title: 'Of 100 g on the tray',
			x: 'h',
			y: 'g',
			lines: [
				{ name: 'apples to 20 %', points: share('apples', 0.2) },
				{ name: 'carrots to 10 %', points: share('carrots', 0.1) },
				{ name: 'tomatoes to 10 %', points: share('tomatoes', 0.1) }
			]
		},
		says: [
			`tomatoes ${percent(printed.dried_lb / printed.fresh_lb)} printed`,
			`${percent(dryingBalance({ wet_kg: yieldShare(tomatoes), bought_kg: 1, moistureIn: tomatoes.composition.water / 100, moistureOut: 0.1 }).dry_kg)} modelled`
		]
	};
}

export function drying(): Measured {
	const trade = [['bananas', 'bananas', {}, 6, 8], ['kiwifruit', 'kiwifruit', {}, 6, 8], ['strawberries', 'strawberries', { thickness_mm: 4 }, 6, 6.3], ['apples', 'apples', { thickness_mm: 5 }, 10, 14], ['oranges', 'citrus-slices', {}, 6, 8], ['raspberries', 'raspberries-whole', {}, 24, 48], ['blueberries', 'firm-berries', { skin: 'undipped' as const }, 72, 96], ['morels', 'morels', {}, 4, 8]] as const; // prettier-ignore
	const rows = trade.map(([food, id, more, low, high], i) => {
		const row = dryingRows.find((r) => r.id === id);
		const time = row && dryingTime({ food: foodOf(food), row, ...more });
		if (time?.kind !== 'time') throw new Error(food);
		return { food, at: trade.length - i, low, high, time };
	});
	const met = rows.filter((r) => r.time.interval_h[0] <= r.high && r.time.interval_h[1] >= r.low).length;
	return {
		plot: {
			title: 'Forecast (line, nine of ten) and the trade’s hours (grey)', x: 'h', y: '',
			spans: rows.map((r) => ({ at: r.at, from: r.low, to: r.high, name: '' })),
			lines: rows.map((r) => ({ name: r.food, points: [[r.time.interval_h[0], r.at], [r.time.interval_h[1], r.at]] })),
			dots: [{ name: 'middle', points: rows.map((r) => [r.time.hours, r.at]) }]
		},
		says: [`${met} of ${rows.length}`]
	}; // prettier-ignore
}

export function refit(): Measured {
	const weighIns = [1.5, 3, 4.5, 6, 7.5].map((t_h) => ({ t_h, kg: trayWeight(t_h, 11, 1.05) }));
	const by = (pick: (r: Refit) => number) =>
		range(5, 0, 5).map((k): [number, number] => [k, pick(refitDrying({ ...tray, weighIns: weighIns.slice(0, k) }))]);
	return {
		plot: {
			title: 'Done at, learned from weighings (truth: 11 h)',
			x: 'weighings',
			y: 'h',
			lines: [
				{ name: 'middle', points: by((r) => r.done_h) },
				{ name: 'five of a hundred before', points: by((r) => r.interval_h[0]), dash: '4 4' },
				{ name: 'five after', points: by((r) => r.interval_h[1]), dash: '4 4' }
			],
			levels: [{ y: 11, words: 'truth' }]
		},
		says: [`covered ${percent(coverage())}`]
	};
}
