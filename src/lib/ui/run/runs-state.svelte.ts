import { getContext, setContext } from 'svelte';
import type { Timer } from '$core/runs/engine/stage';
import type { News, RunHead, RunView } from '$core/runs/wire';
import type { Outbox, Send } from './outbox/outbox.svelte';
import type { RunSession } from './run-session.svelte';

export interface RailTimer extends Timer {
	readonly runId: string;
}

/** The server's time as it answered, and when it was asked and had answered by this device's clock, ms. */
export interface Heard {
	readonly now: number;
	readonly askedAt: number;
	readonly answeredAt: number;
}

/** The server answers of so many at once. */
const mostFollowed = 20;

/** All runs that this device knows of: the rail of every place and the Stove read the same ones. */
export class Runs {
	#away = $state(false);
	#heads = $state.raw<readonly RunHead[]>([]);
	#sessions = $state.raw<readonly RunSession[]>([]);
	readonly #send: Send;
	#household: string;
	readonly outbox: Outbox;

	constructor(outbox: Outbox, send: Send, household: string) {
		this.outbox = outbox;
		this.#send = send;
		this.#household = household;
		// What another tab has sent is no longer in the queue: it is asked for before it is missed.
		outbox.onelsewhere = () => void this.follow().then(() => outbox.look());
		outbox.onanswer = (run, sent, answer) => this.#sessions.find((s) => s.id === run)?.answered(sent, answer);
	}

	get offline(): boolean {
		return this.#away || this.outbox.offline;
	}

	get heads(): readonly RunHead[] {
		return this.#heads;
	}

	/** Goes into a household: what was followed in another one is left. */
	enter(household: string): void {
		if (household === this.#household) return;
		this.#household = household;
		this.#sessions = [];
	}

	/** Takes the open runs as the server sees them. */
	sync(heads: readonly RunHead[]): void {
		this.#heads = heads;
	}

	/**
	 * The session of one run, open or over: it rings and follows as long as this page lives.
	 *
	 * @param make a new one; the folds of every kind come with it, so that pages without a run do without them
	 */
	of(wire: RunView, make: (wire: RunView, outbox: Outbox, household: string) => RunSession): RunSession {
		const known = this.#sessions.find((s) => s.id === wire.id);
		if (known) {
			known.take(wire);
			return known;
		}
		const session = make(wire, this.outbox, this.#household);
		this.#sessions = [...this.#sessions, session];
		return session;
	}

	/** Sends what waits, and asks for what other devices have tapped. @returns the server's time, where it answered */
	async follow(): Promise<Heard | undefined> {
		await this.outbox.drain(this.#household);
		// Those that go on first, then the newest of the others: no more than the server answers at once.
		const followed = [...this.#sessions].sort((a, b) => Number(a.status === 'open') - Number(b.status === 'open'));
		const asks = followed
			.slice(-mostFollowed)
			.map((s) => `${s.id}:${s.seq}`)
			.join(',');
		try {
			const askedAt = Date.now();
			const answer = await this.#send(`/stove/news?runs=${asks}`);
			this.#away = answer.status >= 500;
			if (answer.status !== 200) return undefined;
			const { heads, runs, now } = answer.body as News;
			this.sync(heads);
			for (const session of this.#sessions) {
				const news = runs[session.id];
				if (news) session.add(news);
			}
			return { now, askedAt, answeredAt: Date.now() };
		} catch {
			// No connection: what is known goes on, and it is asked again.
			this.#away = true;
			return undefined;
		}
	}

	get timers(): RailTimer[] {
		const own = this.#sessions.flatMap((s) => s.state.timers.map((t) => ({ ...t, runId: s.id })));
		const other = this.#heads
			.filter((h) => !this.#sessions.some((s) => s.id === h.id))
			.flatMap((h) => h.timers.map((t) => ({ ...t, runId: h.id })));
		return [...own, ...other].sort((a, b) => (a.due ?? Infinity) - (b.due ?? Infinity));
	}
}

const key = Symbol('runs');
export const provideRuns = (runs: Runs): Runs => setContext(key, runs);
export const useRuns = (): Runs => getContext(key);

const clockKey = Symbol('clock');
export const provideClock = <T>(clock: T): T => setContext(clockKey, clock);
export const useClock = <T>(): T => getContext(clockKey);
