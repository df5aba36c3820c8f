import type { RunEvent } from '$core/runs/kinds';
import type { TapAnswer } from '$core/runs/wire';
import { fleetingStore, type OutboxStore, type Queued, type Trayed } from './store';

export type Send = (
	path: string,
	init?: { method: string; body: string; household: string }
) => Promise<{ status: number; body: unknown }>;

/** One tab at a time sends: the others would send the same. */
export type Alone = (work: () => Promise<void>) => Promise<void>;

/** Taps in one message. */
const atOnce = 40;
/** So often a tap may meet a server that fails over it; then it is put aside, and the others go on. */
const mostFailures = 5;
/** Before a tap is on the disk it stands behind all that is. */
const provisional = 2 ** 50;

/**
 * The device's queue of taps: one, durable and ordered, for all its runs. A tap counts at once on this device; it is kept
 * until the server has it, with its own time and number. Nothing that is refused stands in the way of what comes after:
 * it lies in the tray, with the reason, until a person has read it.
 */
export class Outbox {
	#store: OutboxStore = fleetingStore();
	readonly #send: Send;
	readonly #alone: Alone;
	readonly #clock: () => number;
	#rows = $state.raw<readonly Queued[]>([]);
	#tray = $state.raw<readonly Trayed[]>([]);
	#offline = $state(false);
	#durable = $state(true);
	/** Why the server lets this device do nothing just now. */
	#shut = $state<string | null>(null);
	#sending: Promise<void> | undefined;
	#opened: Promise<void> | undefined;
	#later = 0;
	readonly #failures: Record<number, number> = {};
	/** Told of every answer, by the run. */
	onanswer: (run: string, sent: readonly RunEvent[], answer: TapAnswer) => void = () => {};
	/** Told when the queue on the disk has changed: other tabs look. */
	onchange: () => void = () => {};
	/** Told when another tab has changed it. */
	onelsewhere: () => void = () => {};

	constructor(send: Send, clock: () => number, alone: Alone = (work) => work()) {
		this.#send = send;
		this.#clock = clock;
		this.#alone = alone;
	}

	/** Takes the store that this browser has, with what still waits in it. */
	open(store: () => Promise<OutboxStore>): Promise<void> {
		this.#opened ??= (async () => {
			try {
				this.#store = await store();
			} catch {
				// A browser that keeps nothing: the page says so, and goes on.
			}
			this.#durable = this.#store.durable;
			await this.look();
		})();
		return this.#opened;
	}

	get device(): string {
		return this.#store.device;
	}
	get offline(): boolean {
		return this.#offline;
	}
	get durable(): boolean {
		return this.#durable;
	}
	get shut(): string | null {
		return this.#shut;
	}
	get tray(): readonly Trayed[] {
		return this.#tray;
	}
	get waiting(): number {
		return this.#rows.length;
	}
	/** A run's taps on their way, as they will count. */
	eventsOf(run: string): RunEvent[] {
		return this.#rows.filter((r) => r.run === run).map((r) => this.#counted(r));
	}

	#counted(row: Queued): RunEvent {
		return { ...row.event, device: this.#store.device, n: row.n };
	}

	/** Keeps a tap and sends it as soon as it can be. @returns when it is on the disk */
	async add(household: string, run: string, event: RunEvent): Promise<void> {
		const n = provisional + ++this.#later;
		this.#rows = [...this.#rows, { n, household, run, event }];
		await this.#opened;
		let kept: number;
		try {
			kept = await this.#store.add({ household, run, event });
		} catch {
			// The disk is full or forbids it: it stays in this page, which says so.
			this.#durable = false;
			return;
		}
		this.#rows = this.#rows.map((r) => (r.n === n ? { ...r, n: kept } : r));
		this.onchange();
		void this.drain();
	}

	/** Looks at what is on the disk: another tab may have tapped or sent. */
	async look(): Promise<void> {
		const rows = await this.#store.waiting();
		const fleeting = this.#rows.filter((r) => r.n >= provisional);
		this.#rows = [...rows, ...fleeting];
		this.#tray = await this.#store.tray();
	}

	/** Sends what waits. Safe to call at any time and any number of times. @returns when all is sent, or cannot be */
	drain(household?: string): Promise<void> {
		this.#sending ??= this.#alone(() => this.#drain(household)).finally(() => {
			this.#sending = undefined;
		});
		return this.#sending;
	}

	async #drain(household: string | undefined): Promise<void> {
		const passed: number[] = [];
		for (;;) {
			await this.look();
			const next = this.#rows.filter(
				(r) => r.n < provisional && !passed.includes(r.n) && (household === undefined || r.household === household)
			);
			const [first] = next;
			if (!first) return;
			const some = next.filter((r) => r.run === first.run && r.household === first.household).slice(0, atOnce);
			if (!(await this.#sendSome(some, passed))) return;
		}
	}

	/** @returns whether to go on: the server is there */
	async #sendSome(rows: readonly Queued[], passed: number[]): Promise<boolean> {
		const [first] = rows;
		if (!first) return true;
		const events = rows.map((r) => this.#counted(r));
		let answer: { status: number; body: unknown };
		try {
			answer = await this.#send(`/stove/${first.run}/events`, {
				method: 'POST',
				household: first.household,
				body: JSON.stringify({ events, sent: this.#clock() })
			});
		} catch {
			// No connection: the taps stay here with their times, and are sent when it is back.
			this.#offline = true;
			return false;
		}
		const { status } = answer;
		const said = (answer.body as { error?: { code?: string; message?: string } } | null)?.error;
		if (status === 502 || status === 503 || status === 504 || status === 429) {
			this.#offline = true;
			return false;
		}
		this.#offline = false;
		if (status === 401 || status === 403 || status === 421) {
			this.#shut = said?.message ?? 'The server does not let this device in. Open the page anew.';
			return false;
		}
		this.#shut = null;
		if (status === 200) {
			const body = answer.body as TapAnswer;
			for (const row of rows) {
				const refused = body.refused.find((r) => r.id === row.event.id);
				if (refused) await this.#aside(row, refused.code, refused.why);
			}
			await this.#store.remove(rows.map((r) => r.n));
			this.onanswer(first.run, events, body);
			await this.look();
			this.onchange();
			return true;
		}
		if (said?.code === 'OTHER_HOUSEHOLD' || said?.code === 'NO_SUCH_HOUSEHOLD') {
			// For a household that this browser is not in now: they wait for it.
			passed.push(...rows.map((r) => r.n));
			return true;
		}
		if (rows.length > 1) {
			// One of them is at fault: each is asked for by itself.
			for (const row of rows) if (!(await this.#sendSome([row], passed))) return false;
			return true;
		}
		if (status >= 500) {
			const failures = (this.#failures[first.n] ?? 0) + 1;
			this.#failures[first.n] = failures;
			passed.push(first.n);
			if (failures < mostFailures) return true;
		}
		await this.#aside(first, said?.code ?? 'NOT_TAKEN', said?.message ?? 'The server did not take it.');
		await this.look();
		this.onchange();
		return true;
	}

	async #aside(row: Queued, code: string, why: string): Promise<void> {
		await this.#store.setAside({ ...row, code, why });
	}

	/** Sends a tap from the tray again, as it is or said to be sure. */
	async again(n: number, event: RunEvent): Promise<void> {
		const row = this.#tray.find((t) => t.n === n);
		if (!row) return;
		await this.add(row.household, row.run, event);
		await this.drop(n);
	}

	/** A person has read it: it goes. */
	async drop(n: number): Promise<void> {
		await this.#store.clearTray(n);
		await this.look();
		this.onchange();
	}
}
