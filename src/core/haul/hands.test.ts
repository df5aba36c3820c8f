import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tasks, type Task } from '../ways/equipment';
import { kitchen } from '../ways/kitchen.fixture';
import type { Kitchen } from '../ways/kitchen';
import { allHands, handsLimits, handsTakes } from './hands';

const helper = fc.record({
	name: fc.constantFrom('Ana', 'Ben', 'The children', 'Grandmother'),
	hours: fc.integer({ min: 0, max: 6 }),
	may: fc.subarray([...tasks])
});
const withHelpers = (ownHands_h: number, helpers: Kitchen['helpers']): Kitchen => ({
	...kitchen,
	ownHands_h,
	helpers,
	handsDay_h: ownHands_h + helpers.reduce((s, h) => s + h.hours, 0)
});

/** Whether the hours of tasks can be given out to people, by the largest flow from tasks to them, an hour at a time. */
function canBeDone(of: Kitchen, work: ReadonlyMap<Task, number>): boolean {
	const people = [{ hours: of.ownHands_h, may: tasks as readonly Task[] }, ...of.helpers];
	const units = [...work].flatMap(([task, h]) => Array.from({ length: h }, () => task));
	const slots = people.flatMap((p) => Array.from({ length: p.hours }, () => p.may));
	const takenBy = new Array<number>(slots.length).fill(-1);
	const place = (u: number, seen: Set<number>): boolean =>
		slots.some((may, s) => {
			if (seen.has(s) || !may.includes(units[u] as Task)) return false;
			seen.add(s);
			if ((takenBy[s] ?? -1) >= 0 && !place(takenBy[s] ?? 0, seen)) return false;
			takenBy[s] = u;
			return true;
		});
	return units.every((_, u) => place(u, new Set()));
}

describe('hands by person', () => {
	it('say a day can be done exactly where each hour of it finds a person who may do it', () => {
		let yes = 0;
		let no = 0;
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 4 }),
				fc.array(helper, { maxLength: 4 }),
				fc.array(fc.integer({ min: 0, max: 4 }), { minLength: tasks.length, maxLength: tasks.length }),
				(own, helpers, hours) => {
					const of = withHelpers(own, helpers);
					const work = new Map(tasks.map((t, i) => [t, hours[i] ?? 0]));
					const limits = handsLimits(of, 24);
					const takes = handsTakes(limits, work);
					const fits = limits.every(
						(l) => takes.filter((t) => t.limit === l.id).reduce((s, t) => s + t.amount, 0) <= l.have_h + 1e-9
					);
					const can = canBeDone(of, work);
					if (can) yes++;
					else no++;
					expect(fits).toBe(can);
				}
			),
			{ numRuns: 2000 }
		);
		expect(yes).toBeGreaterThan(200);
		expect(no).toBeGreaterThan(200);
	});

	it('of children who wash and label leave the knife and the pot to the others, and say who is meant', () => {
		const of = withHelpers(3, [
			{ name: 'Grandmother', hours: 2, may: [...tasks] },
			{ name: 'The children', hours: 4, may: ['wash', 'label'] }
		]);
		const limits = handsLimits(of, 24);
		expect(limits.find((l) => l.id === allHands)?.have_h).toBe(9);
		expect(limits.find((l) => l.id !== allHands)).toMatchObject({
			name: 'Hands without The children',
			of: ['knife', 'heat', 'pressure', 'seal'],
			have_h: 5
		});
		// In the evening nobody has more than is left of it: two hours each.
		expect(handsLimits(of, 2).map((l) => l.today_h)).toEqual([6, 4]);
	});
});
