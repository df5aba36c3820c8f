import { seenOf } from '../../src/core/runs/engine/order';
import type { RunEvent, Tap } from '../../src/core/runs/kinds';
import type { Random } from './random';

/** A phone or a laptop at the stove: what it has seen, what waits on it, and a clock that may be wrong. */
export class Device {
	#n = 0;
	/** How far its clock is off the true time, ms. */
	off_ms = 0;
	readonly waiting: RunEvent[] = [];
	seen: readonly RunEvent[] = [];

	constructor(
		readonly id: string,
		private readonly random: Random
	) {}

	/** All that it shows: what the server told it and what it has tapped since. */
	get shown(): RunEvent[] {
		const ids = new Set(this.seen.map((e) => e.id));
		return [...this.seen, ...this.waiting.filter((e) => !ids.has(e.id))];
	}

	/** A tap by its own clock, now or said late. */
	tap(tap: Tap, now: number, late_ms = 0): RunEvent {
		const ends = tap.type === 'finish' || tap.type === 'stop' ? { seen: seenOf(this.shown) } : {};
		const event = {
			...tap,
			...ends,
			id: this.random.id(),
			at: Math.max(0, now + this.off_ms - late_ms),
			device: this.id,
			n: ++this.#n
		} as RunEvent;
		this.waiting.push(event);
		return event;
	}
}
