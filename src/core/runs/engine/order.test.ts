import { describe, expect, it } from 'vitest';
import { foodById } from '../../things/names';
import { plain } from '../../things/thing';
import { freezeWays, type FreezeWay } from '../../ways/freeze-ways';
import { kitchen } from '../../ways/kitchen.fixture';
import { Device } from '../../../../tests/laws/devices';
import { freezeTap } from '../../../../tests/laws/freeze-taps';
import { random } from '../../../../tests/laws/random';
import { freeze } from '../kinds/freeze';
import type { FreezeEvent } from '../kinds/freeze/events';
import { planFreeze } from '../kinds/freeze/make';
import { inOrder, seenOf, undoneAmong } from './order';

/** `npm run siege` asks for more, by a new seed. */
const histories = Number(process.env.SIEGE_RUNS ?? 10_000);
const seedOf = (i: number) => Number(process.env.SIEGE_SEED ?? 7) * 100_000 + i;
const start = Date.parse('2026-08-25T08:00:00Z');
const food = foodById('green-beans');
if (!food) throw new Error('no beans');
const way = freezeWays({ thing: plain(food), grams: 4200, food_C: 18, kitchen, choices: {}, now: start }).ways.find(
	(w): w is FreezeWay => w.kind === 'way'
);
if (!way) throw new Error('no way');
const plan = planFreeze([{ way, lotId: 'lot', called: 'beans', form: 'whole', raw_g: 4200 }], kitchen);

/** Two devices at one run: wrong clocks that jump, taps said late, undone and repeated, ends and reopenings anywhere. */
function history(seed: number): { events: FreezeEvent[]; devices: Device[] } {
	const r = random(seed);
	const devices = [new Device('a', r), new Device('b', r)];
	let now = start;
	for (let step = 0; step < 5 + r.below(25); step++) {
		now += r.next() < 0.2 ? 0 : r.below(600_000);
		const device = r.pick(devices);
		if (r.next() < 0.08) device.off_ms = r.pick([0, -40 * 60_000, 60 * 60_000, 1500]);
		if (r.next() < 0.4) {
			const all = devices.flatMap((d) => d.shown);
			device.seen = [...new Map(all.map((e) => [e.id, e])).values()];
		}
		const where = { placeIds: ['f1', 'f2'], containerIds: ['c1', null] };
		device.tap(freezeTap(r, plan, start, now, device.shown, where), now, r.next() < 0.15 ? r.below(30) * 60_000 : 0);
	}
	return { events: devices.flatMap((d) => d.waiting) as FreezeEvent[], devices };
}
function shuffled<T>(list: readonly T[], seed: number): T[] {
	const r = random(seed + 1);
	return list
		.map((item) => ({ item, at: r.next() }))
		.sort((a, b) => a.at - b.at)
		.map(({ item }) => item);
}

describe(`the order of a run’s events, over ${histories} histories of two devices`, () => {
	it('is the same however they arrive, holds each device’s own order, and puts an end after all that it had seen', () => {
		let ended = 0;
		let backwards = 0;
		for (let i = 0; i < histories; i++) {
			const { events, devices } = history(seedOf(i));
			const order = inOrder(events);
			expect(inOrder(shuffled(events, seedOf(i))), `seed ${seedOf(i)}`).toEqual(order);
			expect(new Set(order)).toEqual(new Set(events));
			const at = new Map(order.map((e, n) => [e.id, n]));
			const place = (e: FreezeEvent) => at.get(e.id) ?? -1;
			for (const { waiting } of devices)
				for (let n = 1; n < waiting.length; n++) {
					const [before, after] = [waiting[n - 1] as FreezeEvent, waiting[n] as FreezeEvent];
					if (after.at < before.at) backwards++;
					expect(place(after), `seed ${seedOf(i)}`).toBeGreaterThan(place(before));
				}
			for (const end of events.filter((e) => e.seen)) {
				ended++;
				for (const e of events)
					if (e.device !== end.device && (e.n ?? 0) <= (end.seen?.[e.device ?? ''] ?? -1))
						expect(place(end), `seed ${seedOf(i)}`).toBeGreaterThan(place(e));
			}
		}
		expect(ended).toBeGreaterThan(histories);
		expect(backwards).toBeGreaterThan(histories / 4);
	});

	it('loses no packs and counts none twice: what is booked is what was packed and not taken back', () => {
		let closed = 0;
		for (let i = 0; i < histories; i++) {
			const { events } = history(seedOf(i));
			const state = freeze.fold(plan, start, shuffled(events, seedOf(i)));
			expect(state).toEqual(freeze.fold(plan, start, events));
			const undone = undoneAmong(events);
			const packed = events.filter((e) => e.type === 'pack' && !undone.has(e.id));
			const ends = events.filter((e) => (e.type === 'finish' || e.type === 'stop') && !undone.has(e.id));
			const book = freeze.book(plan, state);
			expect(book.end === null, `seed ${seedOf(i)}`).toBe(ends.length === 0);
			expect(new Set(state.ends)).toEqual(new Set(ends.map((e) => e.id)));
			const [entry] = book.entries;
			if (!entry) continue;
			closed++;
			expect(book.packs.map((p) => p.eventId).sort(), `seed ${seedOf(i)}`).toEqual(packed.map((e) => e.id).sort());
			expect(entry.closing.elapsed_s).toBeGreaterThanOrEqual(0);
			expect(entry.closing.raw_g).toBeLessThanOrEqual(4200);
			expect(state.potfuls.reduce((s, p) => s + p.grams, 0)).toBe(state.subjects[0]?.load_g);
		}
		expect(closed).toBeGreaterThan(histories / 4);
	});
});

describe('the order of events', () => {
	const event = (id: string, at: number, more: Partial<FreezeEvent> = {}) => ({ id, at, ...more }) as FreezeEvent;
	it('goes by time for events of before, which name no device', () => {
		expect(inOrder([event('b', 2), event('a', 1), event('c', 3)]).map((e) => e.id)).toEqual(['a', 'b', 'c']);
	});
	it('keeps a tap said late behind what the same device tapped before it', () => {
		const pack = event('p', 100, { device: 'x', n: 1 });
		const close = event('f', 40, { device: 'x', n: 2 });
		expect(inOrder([close, pack]).map((e) => e.id)).toEqual(['p', 'f']);
	});
	it('is not led in a circle by ends that claim to have seen one another', () => {
		const one = event('1', 10, { device: 'x', n: 1, seen: { y: 1 } });
		const two = event('2', 10, { device: 'y', n: 1, seen: { x: 1 } });
		expect(inOrder([one, two])).toEqual(inOrder([two, one]));
	});
	it('tells what was seen of each device', () => {
		expect(seenOf([event('a', 5, { device: 'x', n: 4 }), event('b', 5, { device: 'x', n: 9 })])).toEqual({ x: 9 });
	});
});
