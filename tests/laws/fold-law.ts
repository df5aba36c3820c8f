import { expect } from 'vitest';
import { foldRun, kindOf, type RunEvent, type RunPlan, type Tap } from '../../src/core/runs/kinds';
import type { Where } from './common-taps';
import { Device } from './devices';
import { random, type Random } from './random';

/** How somebody at a run of this kind taps who sees these events. */
export type Tapper<P> = (
	random: Random,
	plan: P,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
) => Tap;

/** Over thirteen kinds and more plans than that: well over ten thousand in all. */
export const foldHistories = Math.max(500, Math.round(Number(process.env.SIEGE_RUNS ?? 10_000) / 10));
const seedOf = (i: number) => Number(process.env.SIEGE_SEED ?? 7) * 100_000 + i;

/**
 * The law of every kind, pure: over random histories of two devices its taps fold to the same however they arrive, nothing
 * throws, no clock rings before it began, and the mass of every entry closes.
 */
export function foldsTheSame<P extends RunPlan>(
	plan: P,
	start: number,
	tap: Tapper<P>,
	histories = foldHistories
): void {
	const kind = kindOf(plan);
	let closed = 0;
	for (let i = 0; i < histories; i++) {
		const seed = seedOf(i);
		const r = random(seed);
		const devices = [new Device('a', r), new Device('b', r)];
		const where = { placeIds: ['p1', 'p2'], containerIds: ['c1', null] };
		let now = start;
		for (let step = 0; step < 5 + r.below(20); step++) {
			now += r.next() < 0.2 ? 0 : r.below(1_800_000);
			const device = r.pick(devices);
			device.tap(tap(r, plan, start, now, device.shown, where), now, r.next() < 0.15 ? r.below(30) * 60_000 : 0);
		}
		const events = devices.flatMap((d) => d.waiting);
		const state = foldRun(plan, start, events);
		expect(foldRun(plan, start, [...events].reverse()), `seed ${seed}`).toEqual(state);
		for (const act of kind.acts(plan, state, now))
			expect(act.due ?? act.since, `seed ${seed}`).toBeGreaterThanOrEqual(act.since);
		kind.troubles(plan, state, now);
		kind.stations?.(plan, state, now);
		kind.packables(plan, state);
		const { entries, used, packs } = kind.book(plan, state);
		for (const { lotId, grams } of used) {
			const most = kind
				.lots(plan)
				.filter((l) => l.lotId === lotId)
				.reduce((sum, l) => sum + l.raw_g, 0);
			expect(grams, `seed ${seed}: no more of a lot than was taken`).toBeLessThanOrEqual(most);
		}
		for (const { n, closing } of entries) {
			closed++;
			const { raw_g, packed_g, byproduct_g = 0, lost_g = 0, added_g = 0, supper_g } = closing;
			expect(packed_g + byproduct_g + lost_g + supper_g, `seed ${seed}`).toBe(raw_g + added_g);
			const put = packs.filter((p) => p.subject === n).reduce((sum, p) => sum + p.packs * p.pack_g, 0);
			expect(packed_g, `seed ${seed}`).toBe(put);
		}
	}
	expect(closed).toBeGreaterThan(histories / 4);
}
