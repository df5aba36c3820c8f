import { describe, expect, it } from 'vitest';
import type { LotOfHaul } from '$core/haul/from-ways';
import type { Haul } from '$core/haul/haul';
import { kitchen } from '$core/ways/kitchen.fixture';
import type { Answer } from '$core/haul/solve';
import { HaulPage, type Asks } from './haul-state.svelte';

const now = Date.parse('2026-08-28T10:00:00Z');
const lot = (id: string, grams: number): LotOfHaul => ({
	id,
	name: id,
	grams,
	seenAt: now,
	bestBy: now + 50 * 3_600_000,
	goneBy: now + 90 * 3_600_000,
	eaten: true,
	have_kg: 0,
	used_kg: 0,
	want_kg: null,
	apart: [],
	ways: []
});
const answerOf = (haul: Haul, worth: number): Answer => ({
	kind: 'shared',
	shared: {
		parts: haul.lots.map((l) => ({ way: `${l.id}|fresh`, lot: l.id, day: 0, kg: worth })),
		packs: {},
		loads: [],
		left: Object.fromEntries(haul.lots.map((l) => [l.id, l.kg - worth])),
		worth
	},
	bound: 2,
	gap: 0.1,
	proven: false
});

/** A page whose solver answers when it is told to. */
function page(lots: { current: readonly LotOfHaul[] }) {
	const solves: { haul: Haul; tell: (worth: number) => void; end: (worth: number) => void; stopped: boolean }[] = [];
	const asks: Asks = {
		solve: (haul, onBetter) => {
			let end: (worth: number) => void = () => {};
			const done = new Promise<{ answer: Answer }>((ok) => {
				end = (worth) => ok({ answer: answerOf(haul, worth) });
			});
			const one = { haul, tell: (worth: number) => onBetter(answerOf(haul, worth)), end, stopped: false };
			solves.push(one);
			return { done, stop: () => void (one.stopped = true) };
		},
		worths: () => ({ done: Promise.resolve([]), stop: () => {} }),
		why: (_haul, _answer, _lot, onFound) => {
			const found = { way: null, other: 'x', kg: 1, can_kg: 1, full: [], changes: [], loses: 0 };
			const done = Promise.resolve().then(() => {
				onFound(found);
				throw new Error('gone');
			});
			return { done, stop: () => {} };
		}
	};
	const view = () => ({ lots: lots.current, kitchen, rooms: [], wants: [], apart: [], shares: {}, more: 0 });
	return { page: new HaulPage(view, () => now, asks), solves };
}
const settled = () => new Promise((done) => setTimeout(done));

describe('the haul on its page', () => {
	it('shows each better answer, and drops what comes late from a question of before', async () => {
		const lots = { current: [lot('beans', 3000)] };
		const { page: haul, solves } = page(lots);
		void haul.work();
		solves[0]?.tell(0.5);
		expect(haul.answer?.shared.worth).toBe(0.5);
		haul.within(5);
		expect(solves[0]?.stopped).toBe(true);
		solves[0]?.tell(0.9);
		expect(haul.answer?.shared.worth).toBe(0.5);
		solves[1]?.end(0.7);
		await settled();
		expect(haul.phase).toBe('done');
		expect(haul.answer?.shared.worth).toBe(0.7);
	});

	it('keeps an answer while a wish is tried, and none of another basket', () => {
		const lots = { current: [lot('beans', 3000)] };
		const { page: haul, solves } = page(lots);
		void haul.work();
		solves[0]?.tell(0.5);
		haul.wish('variety', 4);
		expect(haul.answer).not.toBeNull();
		lots.current = [...lots.current, lot('plums', 4000)];
		void haul.work();
		expect(haul.answer).toBeNull();
		solves[2]?.tell(0.6);
		expect(haul.rows.map((r) => r.lot.id)).toEqual(['beans', 'plums']);
		expect(haul.rows.every((r) => r.parts.length === 1)).toBe(true);
	});

	it('stops with what it has, and says what failed', async () => {
		const { page: haul, solves } = page({ current: [lot('beans', 3000)] });
		void haul.work();
		solves[0]?.tell(0.5);
		haul.stop();
		expect(haul.phase).toBe('stopped');
		expect(haul.answer).not.toBeNull();
		haul.lock('beans|fresh', 2);
		expect(solves[1]?.haul.locks).toEqual([{ way: 'beans|fresh', kg: 2 }]);
		haul.lock('beans|fresh', null);
		expect(solves[2]?.haul.locks).toEqual([]);
		solves[2]?.end(0.5);
		await settled();
		await haul.explain('beans');
		expect(haul.explained).toMatchObject({ lot: 'beans', found: [{ other: 'x' }], done: true, failed: 'gone' });
		await haul.explain('beans');
		expect(haul.explained).toBeNull();
	});

	it('plans by day what is worked, and nothing for what is eaten', async () => {
		const { page: haul, solves } = page({ current: [lot('beans', 3000)] });
		void haul.work();
		solves[0]?.end(0.7);
		await settled();
		expect(haul.plan).toEqual([{ lot: 'beans', shares: [] }]);
	});
});
