import { v7 as uuidv7 } from 'uuid';
import type { RunEvent } from '$core/runs/events';
import { foldRun, type RunState } from '$core/runs/fold';
import type { Tap } from '$core/runs/next';
import type { RunPlan } from '$core/runs/plan';
import { newOnly } from './merge';

/** What the server gives of a run. */
export interface RunWire {
	readonly id: string;
	readonly code: string;
	readonly plan: RunPlan;
	readonly startedAt: number;
	readonly status: 'open' | 'finished' | 'stopped';
	readonly batchCode: string | null;
	readonly events: readonly RunEvent[];
	readonly seq: number;
}

/** Where taps wait that the server has not confirmed: they outlive a reload. */
export interface Keep {
	getItem(key: string): string | null;
	setItem(key: string, value: string): void;
	removeItem(key: string): void;
}

export type Send = (
	path: string,
	init?: { method: string; body: string }
) => Promise<{ status: number; body: unknown }>;

/**
 * A run on this device: the confirmed events, the taps on their way, and the fold of both. A tap counts at once here;
 * it is kept on the device until the server has it, with its own time, whatever happens to the connection.
 */
export class RunSession {
	readonly id: string;
	readonly code: string;
	readonly plan: RunPlan;
	readonly startedAt: number;
	#confirmed = $state.raw<readonly RunEvent[]>([]);
	#pending = $state.raw<readonly RunEvent[]>([]);
	#status = $state<RunWire['status']>('open');
	#batchCode = $state<string | null>(null);
	#offline = $state(false);
	#refused = $state<string | null>(null);
	#seq = 0;
	#sending: Promise<void> | undefined;
	readonly #keep: Keep | undefined;
	readonly #send: Send;
	readonly #state = $derived.by<RunState>(() => foldRun(this.plan, this.startedAt, this.events));

	constructor(wire: RunWire, send: Send, keep?: Keep) {
		this.id = wire.id;
		this.code = wire.code;
		this.plan = wire.plan;
		this.startedAt = wire.startedAt;
		this.#send = send;
		this.#keep = keep;
		this.take(this.#newest(wire));
		this.#pending = this.#kept();
	}

	get events(): readonly RunEvent[] {
		if (this.#pending.length === 0) return this.#confirmed;
		return [...this.#confirmed, ...newOnly(this.#pending, this.#confirmed)];
	}
	get state(): RunState {
		return this.#state;
	}
	get status(): RunWire['status'] {
		return this.#status;
	}
	get batchCode(): string | null {
		return this.#batchCode;
	}
	/** Taps that the server has not confirmed yet. */
	get waiting(): number {
		return this.#pending.length;
	}
	get offline(): boolean {
		return this.#offline;
	}
	/** Why the last tap was not taken; it has been taken back here. */
	get refused(): string | null {
		return this.#refused;
	}
	clearRefused(): void {
		this.#refused = null;
	}

	/** Takes a word from the server, unless it is older than what is known: answers may overtake one another. */
	take(wire: Pick<RunWire, 'status' | 'batchCode' | 'events' | 'seq'>): void {
		if (wire.seq < this.#seq) return;
		this.#status = wire.status;
		this.#batchCode = wire.batchCode;
		this.#confirmed = wire.events;
		this.#seq = wire.seq;
	}

	/** A tap, now or (said late) at an earlier time. @returns its id */
	tap(tap: Tap, at: number): string {
		const event = { ...tap, id: uuidv7(), at: Math.max(at, this.startedAt) } as RunEvent;
		this.#refused = null;
		this.#setPending([...this.#pending, event]);
		void this.flush();
		return event.id;
	}

	/** Sends what waits. Safe to call at any time and any number of times. @returns when all is sent, or cannot be */
	flush(): Promise<void> {
		this.#sending ??= this.#sendAll().finally(() => (this.#sending = undefined));
		return this.#sending;
	}

	async #sendAll(): Promise<void> {
		try {
			for (let first = this.#pending[0]; first; first = this.#pending[0]) {
				const { id } = first;
				const answer = await this.#send(`/stove/${this.id}/events`, {
					method: 'POST',
					body: JSON.stringify({ events: [first] })
				});
				if (answer.status >= 500) throw new Error('The server is not well.');
				this.#offline = false;
				if (answer.status === 200) {
					const wire = answer.body as RunWire & { ignored: readonly { id: string; why: string }[] };
					this.take(wire);
					this.#remember(wire);
					const mine = wire.ignored.find((i) => i.id === id);
					if (mine) this.#refused = mine.why;
				} else {
					const body = answer.body as { error?: { message?: string } };
					this.#refused = body.error?.message ?? 'The tap was not taken.';
				}
				this.#setPending(this.#pending.filter((e) => e.id !== id));
			}
		} catch {
			// No connection: the taps stay here with their times, and are sent when it is back.
			this.#offline = true;
		}
	}

	/** Asks for what other devices have tapped. */
	async follow(): Promise<void> {
		if (this.#pending.length > 0) return this.flush();
		try {
			const answer = await this.#send(`/stove/${this.id}/events?after=${this.#seq}`);
			if (answer.status !== 200) return;
			const more = answer.body as Pick<RunWire, 'status' | 'batchCode' | 'seq'> & { events: RunEvent[] };
			this.#offline = false;
			if (more.seq > this.#seq) {
				this.#confirmed = [...this.#confirmed, ...newOnly(more.events, this.#confirmed)];
				this.#seq = more.seq;
			}
			this.#status = more.status;
			this.#batchCode = more.batchCode;
		} catch {
			this.#offline = true;
		}
	}

	#setPending(events: readonly RunEvent[]): void {
		this.#pending = events;
		const key = this.#key();
		if (events.length === 0) this.#keep?.removeItem(key);
		else this.#keep?.setItem(key, JSON.stringify(events));
	}

	/** Keeps the server's last word: a reload may be given one that was read a moment before it. */
	#remember(wire: RunWire): void {
		const { status, batchCode, events, seq } = wire;
		if (status === 'open') this.#keep?.setItem(this.#lastKey(), JSON.stringify({ status, batchCode, events, seq }));
		else this.#keep?.removeItem(this.#lastKey());
	}

	#newest(wire: RunWire): Pick<RunWire, 'status' | 'batchCode' | 'events' | 'seq'> {
		const text = this.#keep?.getItem(this.#lastKey());
		if (!text) return wire;
		try {
			const last = JSON.parse(text) as Pick<RunWire, 'status' | 'batchCode' | 'events' | 'seq'>;
			return last.seq > wire.seq ? last : wire;
		} catch {
			return wire;
		}
	}

	#kept(): readonly RunEvent[] {
		const text = this.#keep?.getItem(this.#key());
		if (!text) return [];
		try {
			return newOnly(JSON.parse(text) as RunEvent[], this.#confirmed);
		} catch {
			return [];
		}
	}

	#lastKey(): string {
		return `run:${this.id}`;
	}

	#key(): string {
		return `taps:${this.id}`;
	}
}
