import { freezerDays, freezerOutage, usualStock } from '../../src/core/freezing/freezer-week';
import { freezingTime_s, type FreezingShape } from '../../src/core/heat/freezing-time';
import { type Measured, gridOf100, percent, range, thermal } from './cases';

export function freezing(): Measured {
	const points = gridOf100().map(({ pham, solver }): [number, number] => [pham / 3600, solver / 3600]);
	const worst = Math.max(...points.map(([a, b]) => Math.abs(b / a - 1)));
	const hours = (shape: FreezingShape) =>
		freezingTime_s({ food: thermal('ground-beef'), shape, start_C: 5, medium_C: -18, h_W_m2K: 10 });
	const slab = (size_m: number) => hours({ kind: 'slab', size_m });
	const block = hours({ kind: 'brick', sides_m: [0.08, 0.12, 0.16] });
	const times = (s: number) => (s / slab(0.02)).toFixed(1);
	const ends = [0.1, 60].map((h): [number, number] => [h, h]);
	return {
		plot: {
			title: 'Hours until hard: solver against Pham',
			x: 'Pham, h',
			y: 'solver, h',
			log: true,
			lines: [{ name: 'the same', points: ends, dash: '4 4' }],
			dots: [{ name: '100 cases', points }]
		},
		says: [
			`at most ${percent(worst)} apart`,
			`8 cm thick ${times(slab(0.08))} times`,
			`8 × 12 × 16 cm ${times(block)} times`
		]
	};
}

export function freezerWeek(): Measured {
	const freezer = { litres: 240, set_C: -18, room_C: 22 };
	const ask = (kg: number) =>
		freezerDays({
			freezer,
			old: { kg: 70, start_C: -18 },
			days: 3,
			loads: [{ at_h: 6, kg, pack_kg: 0.5, thickness_m: 0.03, start_C: 15, food: usualStock }]
		});
	const cases = [7.7, 15.4, 30.8].map((kg) => ({ kg, week: ask(kg) }));
	return {
		plot: {
			title: 'Warmest old pack, 240 L, by what goes in at once',
			x: 'h',
			y: '°C',
			lines: cases.map(({ kg, week }) => ({
				name: `${kg} kg`,
				points: week.points.map((p) => [p.t_h, p.oldWarmest_C ?? Number.NaN])
			})),
			levels: [{ y: -12, words: 'old stock at most' }]
		},
		says: cases.map(({ kg, week }) => `${kg} kg: ${(week.oldWarmest_C ?? Number.NaN).toFixed(1).replace('-', '−')} °C`)
	};
}

export function outage(): Measured {
	const published = { full_h: 48, half_h: 24 };
	const of = (fill: number) => freezerOutage({ litres: 240, set_C: -18, room_C: 21 }, fill, published);
	const points = (value: (fill: number) => number) =>
		range(18, 0.1, 1).map((fill): [number, number] => [fill * 100, value(fill)]);
	return {
		plot: {
			title: 'Without power, 240 L, 21 °C', x: '% full', y: 'h',
			lines: [{ name: 'until −5 °C', points: points((f) => of(f).soft_h) }],
			dots: [{ name: 'published', points: [[100, 48], [50, 24]] }]
		},
		says: [`full ${of(1).soft_h.toFixed(0)} h`, `half ${of(0.5).soft_h.toFixed(0)} h`]
	}; // prettier-ignore
}
