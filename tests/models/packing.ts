import { cannerLoads } from '../../src/core/canning/canner-loads';
import { gathering } from '../../src/core/canning/gathering';
import { figureById } from '../../src/core/freezing/freeze-look-up';
import { absorberFor } from '../../src/core/packing/absorber';
import { askByName } from '../../src/core/things/ask-by-name';
import { type Measured, foodOf } from './cases';

export function loads(): Measured {
	const advice = askByName({
		way: 'can',
		food: 'green-beans',
		altitude_m: 380,
		gauge: 'weighted',
		style: 'raw',
		jar: 'quart'
	});
	const [process] = advice.kind === 'allowed' ? advice.processes : [];
	if (!process) throw new Error('no process');
	const { loads: list, elapsed_s } = cannerLoads({
		process,
		jars: 17,
		burner: { kind: 'electric', power_W: 2000 },
		tap_C: 14,
		boil_C: 98.7
	});
	const spans = list.flatMap((l, i) => {
		let at = l.from_s;
		return l.steps.map((s) => ({
			at: list.length - i,
			from: at / 3600,
			to: (at += s.seconds) / 3600 - 0.02,
			name: ''
		}));
	});
	return {
		plot: {
			title: '17 quarts of beans in three loads: fill, vent, come up, process, come down, wait',
			x: 'h',
			y: 'load',
			spans
		},
		says: [`${(elapsed_s / 3600).toFixed(1)} h`]
	};
}

export function gather(): Measured {
	const day = 86_400_000;
	const now = 100 * day;
	const pickings = [[6, 1.2], [4, 1.1], [2, 1.4], [0, 1.3]].map(([ago = 0, kg = 0]) => ({ at: now - ago * day, kg, bestBy: now + 6 * day })); // prettier-ignore
	const g = gathering({ need_kg: 9.9, pickings, now });
	let sum = 0;
	const so = pickings.map((p): [number, number] => [(p.at - now) / day, (sum += p.kg)]);
	const to = (at: number): [number, number][] => [[0, sum], [(at - now) / day, 9.9]]; // prettier-ignore
	return {
		plot: {
			title: 'Pickings toward 9.9 kg',
			x: 'days from now',
			y: 'kg',
			lines: [
				{ name: 'so far', points: so },
				{ name: 'likely', points: to(g.fills?.likely ?? now), dash: '5 4' },
				{ name: 'early', points: to(g.fills?.from ?? now), dash: '2 4' },
				{ name: 'late', points: to(g.fills?.to ?? now), dash: '2 4' }
			],
			levels: [{ y: 9.9, words: 'a load of 7 quarts' }]
		},
		says: []
	};
}

export function absorbers(): Measured {
	const printed = [['quart', 0.946], ['half-gallon', 1.893], ['gallon', 3.785], ['bucket', 18.93]] as const; // prettier-ignore
	const pair = (id: string): readonly [number, number] => {
		const { value } = figureById(id);
		return typeof value === 'number' ? [value, value] : value;
	};
	const of = (lies: 'dense' | 'light') => printed.map(([, L]): [number, number] => {
		const a = absorberFor({ food: foodOf('dry-beans'), volume_L: L, lies, moisture: 9 });
		return [L, a.kind === 'absorber' ? a.size_cc * a.count : 0];
	}); // prettier-ignore
	const met = (['dense', 'light'] as const).flatMap((lies) => of(lies).map(([, cc], i) => {
		const [low, high] = pair(`absorber/${lies}-${printed[i]?.[0] ?? ''}`);
		return cc >= low && cc <= high;
	})); // prettier-ignore
	return {
		plot: {
			title: 'Absorber for a container',
			x: 'L',
			y: 'cc',
			log: true,
			lines: [
				{ name: 'dense food', points: of('dense') },
				{ name: 'light food', points: of('light'), dash: '5 4' }
			],
			dots: [
				{
					name: 'printed, dense',
					points: printed.flatMap(([id, L]) => pair(`absorber/dense-${id}`).map((cc): [number, number] => [L, cc]))
				},
				{
					name: 'printed, light',
					points: printed.flatMap(([id, L]) => pair(`absorber/light-${id}`).map((cc): [number, number] => [L, cc]))
				}
			]
		},
		says: [`${met.filter(Boolean).length} of ${met.length}`]
	};
}
