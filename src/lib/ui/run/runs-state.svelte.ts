import { getContext, setContext } from 'svelte';
import type { Timer } from '$core/runs/fold';
import { RunSession, type Keep, type RunWire, type Send } from './run-session.svelte';

export interface RailTimer extends Timer {
	readonly runId: string;
	readonly food: string;
}

/** All runs that this device knows of: the rail of every place and the Stove read the same ones. */
export class Runs {
	#sessions = $state.raw<readonly RunSession[]>([]);
	readonly #send: Send;
	readonly #keep: Keep | undefined;

	constructor(send: Send, keep?: Keep) {
		this.#send = send;
		this.#keep = keep;
	}

	get all(): readonly RunSession[] {
		return this.#sessions;
	}

	/** Takes the open runs as the server sees them; a session once begun goes on. */
	sync(wires: readonly RunWire[]): void {
		const kept = this.#sessions.filter((s) => wires.some((w) => w.id === s.id) || s.waiting > 0);
		for (const wire of wires) {
			const known = kept.find((s) => s.id === wire.id);
			if (known) known.take(wire);
			else kept.push(new RunSession(wire, this.#send, this.#keep));
		}
		this.#sessions = kept;
	}

	/** The session of one run, open or over. */
	of(wire: RunWire): RunSession {
		const known = this.#sessions.find((s) => s.id === wire.id);
		if (known) {
			known.take(wire);
			return known;
		}
		return new RunSession(wire, this.#send, this.#keep);
	}

	get timers(): RailTimer[] {
		return this.#sessions
			.flatMap((s) => s.state.timers.map((t) => ({ ...t, runId: s.id, food: s.plan.food.name })))
			.sort((a, b) => (a.due ?? Infinity) - (b.due ?? Infinity));
	}
}

const key = Symbol('runs');
export const provideRuns = (runs: Runs): Runs => setContext(key, runs);
export const useRuns = (): Runs => getContext(key);

const clockKey = Symbol('clock');
export const provideClock = <T>(clock: T): T => setContext(clockKey, clock);
export const useClock = <T>(): T => getContext(clockKey);

/** The browser's fetch, as the sessions want it. */
export const sendByFetch: Send = async (path, init) => {
	const reply = await fetch(path, {
		...init,
		headers: init ? { 'content-type': 'application/json', accept: 'application/json' } : { accept: 'application/json' },
		signal: AbortSignal.timeout(8000)
	});
	return { status: reply.status, body: await reply.json() };
};
