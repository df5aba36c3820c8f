import { describe, expect, it } from 'vitest';
import { foodById } from '../../../things/names';
import { plain } from '../../../things/thing';
import { freezeWays, type FreezeWay } from '../../../ways/freeze-ways';
import { kitchen } from '../../../ways/kitchen.fixture';
import { fold } from './fold';
import { planFreeze } from './make';
import { surprise } from './surprise';

const food = foodById('runner-beans');
if (!food) throw new Error('no beans');
const now = Date.parse('2026-08-25T08:00:00Z');
const way = freezeWays({ thing: plain(food), grams: 9100, food_C: 4, kitchen, choices: {}, now }).ways.find(
	(w): w is FreezeWay => w.kind === 'way'
);
if (!way) throw new Error('no way');
const plan = planFreeze([{ way, lotId: 'lot', called: 'runner beans', form: 'whole', raw_g: 9100 }], kitchen);
const pack = (packs: number, pack_g: number) =>
	({ type: 'pack', packs, pack_g, containerId: null, placeId: 'f' }) as const;

describe('an unlikely figure', () => {
	it('is a weight of a tenth or ten times what was to come, and not one of half or double', () => {
		expect(surprise(plan, { type: 'weigh', grams: 790 })).toMatch(/790 g weighed, where about/);
		expect(surprise(plan, { type: 'weigh', grams: 79_000 })).toMatch(/Is that right/);
		for (const share of [0.3, 0.5, 1, 2, 4])
			expect(
				surprise(plan, { type: 'weigh', grams: Math.round((plan.subjects[0]?.load_g ?? 0) * share) })
			).toBeUndefined();
	});
	it('is packs that no such amount gives, each or together', () => {
		expect(surprise(plan, pack(150, 500))).toMatch(/150 packs/);
		expect(surprise(plan, pack(15, 500))).toBeUndefined();
		expect(surprise(plan, pack(2, 5000))).toMatch(/in a pack/);
		expect(surprise(plan, pack(7, 50))).toMatch(/in a pack/);
		// The last one is what is left.
		expect(surprise(plan, pack(1, 50))).toBeUndefined();
		const weighed = fold(plan, now, [
			{ id: 'a', at: now, type: 'weigh', grams: 4000 },
			{ id: 'b', at: now + 1, ...pack(14, 500) }
		]);
		expect(surprise(plan, pack(14, 500), weighed)).toMatch(/only 4.0 kg went through/);
		expect(surprise(plan, pack(2, 500), weighed)).toBeUndefined();
	});
	it('is more than a container holds', () => {
		expect(surprise(plan, pack(3, 900), undefined, 500)).toMatch(/holds 0.5 L|holds 500 ml/);
		expect(surprise(plan, pack(3, 500), undefined, 500)).toBeUndefined();
	});
});
