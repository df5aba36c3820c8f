import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain, type Part, type State, type Thing } from '../things/thing';
import { advise } from './advise';
import type { WayId } from './question';

const of = (food: string, more: Partial<Thing> = {}): Thing => {
	const row = foodById(food);
	if (!row) throw new Error(food);
	return { ...plain(row), ...more };
};
const terms = { altitude_m: 300, gauge: 'weighted', heatStep: 'before', place: 'freezer' } as const;
const open = (thing: Thing, way: WayId) => advise(thing, way, terms).kind === 'allowed';
const mix = (...parts: Part[]): Thing => of(parts[0]?.food ?? '', { madeOf: parts, called: 'mixture' });
const part = (food: string, share: number): Part => ({ food, form: 'whole', share });

describe('what is open to a thing as it is', () => {
	it.each([
		['shop-frozen vegetables go straight onto the trays', of('carrots', { state: 'frozen' }), 'dry', true],
		['frozen vegetables are not frozen again', of('carrots', { state: 'frozen' }), 'freeze-raw', false],
		['nor put into jars', of('green-beans', { state: 'frozen' }), 'can', false],
		['raw meat from the freezer does not go onto the trays', of('beef', { state: 'frozen' }), 'dry', false],
		['thawed meat is cooked through, then frozen', of('beef', { state: 'thawed' }), 'freeze-cooked', true],
		['thawed meat is not frozen raw again', of('beef', { state: 'thawed' }), 'freeze-raw', false],
		['thawed tomatoes are no whole tomatoes for jars', of('tomatoes', { state: 'thawed' }), 'can', false],
		['soaked beans may be canned', of('dry-beans', { state: 'soaked' }), 'can', true],
		['dishes that were cooked may be frozen', of('cooked-vegetables'), 'freeze-raw', true],
		['and are never canned as mash', of('cooked-vegetables'), 'can', false],
		[
			'what was in a jar may be frozen when it is open',
			of('tomatoes', { state: 'opened', was: 'canned', process: 'tested' }),
			'freeze-raw',
			true
		],
		['a sealed jar may not', of('tomatoes', { state: 'canned', process: 'tested' }), 'freeze-raw', false],
		[
			'beans in a jar of which nobody knows are for nothing',
			of('green-beans', { state: 'canned', process: 'unknown' }),
			'serve-raw',
			false
		],
		['not even opened', of('green-beans', { state: 'opened', was: 'canned', process: 'unknown' }), 'fridge', false]
	] as const)('%s', (_words, thing, way, wanted) => expect(open(thing, way)).toBe(wanted));

	it('in jars is only what is fresh, prepared or soaked, of every food: no other state has a tested process', () => {
		for (const food of foodRows)
			for (const state of [
				'frozen',
				'dried',
				'canned',
				'opened',
				'fermented',
				'in-oil',
				'coated',
				'mixed',
				'vacuumed',
				'sugared'
			] as State[]) {
				const advice = advise({ ...plain(food), state }, 'can', terms);
				if (food.id === 'dry-beans' && state === 'dried') continue;
				if (advice.kind === 'allowed') expect.fail(`${food.id} ${state} in jars`);
			}
	});
});

describe('a mixture', () => {
	it('is refused what any of its parts is refused, and never canned', () => {
		const veg = mix(part('carrots', 0.6), part('leeks', 0.4));
		expect(open(veg, 'freeze-raw')).toBe(open(of('carrots'), 'freeze-raw') && open(of('leeks'), 'freeze-raw'));
		expect(open(veg, 'can')).toBe(false);
		const withMeat = mix(part('carrots', 0.95), part('chicken', 0.05));
		expect(open(withMeat, 'room')).toBe(false);
		const wild = mix(part('carrots', 0.95), part('morels', 0.05));
		expect(advise({ ...wild, identified: false }, 'freeze-cooked', terms).kind).toBe('refused');
	});
	it('for every two foods and every way: open only where both are open', () => {
		const ways: WayId[] = ['freeze-raw', 'freeze-cooked', 'dry', 'can', 'room', 'fridge', 'vacuum', 'cellar'];
		const some = foodRows.filter((_, i) => i % 9 === 0);
		for (const a of some)
			for (const b of some)
				for (const way of ways) {
					if (a === b) continue;
					const both = open(mix(part(a.id, 0.5), part(b.id, 0.5)), way);
					if (both) expect(open(plain(a), way) && open(plain(b), way), `${a.id} + ${b.id} ${way}`).toBe(true);
				}
	});
});
