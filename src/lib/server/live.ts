import { sql } from 'drizzle-orm';
import pg from 'pg';
import type { Database, Tx } from './db/client';

/** What may have changed in a household: its taps, or its instruments. Ids and words stay in the database. */
export const newsKinds = ['taps', 'readings'] as const;
export type NewsKind = (typeof newsKinds)[number];

const channel = 'root_jar';
/** News of a household is joined: told at most so often, ms. */
const join_ms = 250;
const pauses_ms = [200, 1_000, 3_000, 10_000];

/** Says in the writing transaction that something is new: rolled back, it says nothing. */
export const tell = (db: Database | Tx, householdId: string, kind: NewsKind) =>
	db.execute(sql`select pg_notify(${channel}, ${`${householdId} ${kind}`})`);

/** Whoever wants to hear of a household. */
export interface Listener {
	/** Something is new; the instruments' word where it is about them. */
	hear(kinds: readonly NewsKind[], instruments: string | null): void;
	/** The server goes: nothing more comes. */
	end(): void;
}

/**
 * One ear of a process on the database, for all who listen: what another process wrote is heard here too. A lost connection
 * is made again, and then everybody is told that all may be new.
 */
export class LiveHub {
	readonly #url: string;
	readonly #read: (householdId: string) => Promise<string>;
	readonly #listeners = new Map<string, Set<Listener>>();
	readonly #due = new Map<string, Set<NewsKind>>();
	readonly #timers = new Map<string, ReturnType<typeof setTimeout>>();
	readonly #told = new Map<string, number>();
	#client: pg.Client | undefined;
	#failed = 0;
	#closed = false;
	#retry: ReturnType<typeof setTimeout> | undefined;

	/** @param read the instruments of a household as one text: asked once for all who listen */
	constructor(url: string, read: (householdId: string) => Promise<string>) {
		this.#url = url;
		this.#read = read;
	}

	/** Begins to hear. It never throws: without a database it tries again. */
	async open(): Promise<void> {
		if (this.#closed) return;
		const client = new pg.Client({ connectionString: this.#url, keepAlive: true });
		const again = () => {
			if (this.#client !== client) return;
			this.#client = undefined;
			this.#later();
		};
		client.on('error', again);
		client.on('end', again);
		client.on('notification', ({ payload = '' }) => this.#heard(payload));
		this.#client = client;
		try {
			await client.connect();
			await client.query(`listen ${channel}`);
			// What was said meanwhile was heard by nobody.
			if (this.#failed > 0) for (const id of this.#listeners.keys()) for (const kind of newsKinds) this.#mark(id, kind);
			this.#failed = 0;
		} catch {
			again();
			void client.end().catch(() => {});
		}
	}

	#later(): void {
		if (this.#closed) return;
		const pause = pauses_ms[Math.min(this.#failed++, pauses_ms.length - 1)];
		clearTimeout(this.#retry);
		this.#retry = setTimeout(() => void this.open(), pause).unref();
	}

	#heard(payload: string): void {
		const [id = '', kind] = payload.split(' ');
		if (this.#listeners.has(id) && newsKinds.some((k) => k === kind)) this.#mark(id, kind as NewsKind);
	}

	#mark(id: string, kind: NewsKind): void {
		const due = this.#due.get(id) ?? new Set();
		this.#due.set(id, due.add(kind));
		if (this.#timers.has(id)) return;
		const wait = Math.max(0, (this.#told.get(id) ?? -Infinity) + join_ms - performance.now());
		const flush = () => {
			this.#timers.delete(id);
			this.#told.set(id, performance.now());
			const kinds = [...(this.#due.get(id) ?? [])];
			this.#due.delete(id);
			void this.#tell(id, kinds);
		};
		this.#timers.set(id, setTimeout(flush, wait));
	}

	async #tell(id: string, kinds: readonly NewsKind[]): Promise<void> {
		let text: string | null = null;
		try {
			if (kinds.includes('readings')) text = await this.#read(id);
		} catch {
			// The database is away: it is asked again a little later.
			setTimeout(() => this.#mark(id, 'readings'), 1_000).unref();
		}
		for (const listener of this.#listeners.get(id) ?? []) listener.hear(kinds, text);
	}

	/** The instruments of a household, for one who has only just come. */
	now = (householdId: string): Promise<string> => this.#read(householdId);

	/** @returns how to leave */
	join(householdId: string, listener: Listener): () => void {
		const all = this.#listeners.get(householdId) ?? new Set();
		this.#listeners.set(householdId, all.add(listener));
		return () => {
			all.delete(listener);
			if (all.size === 0) {
				this.#listeners.delete(householdId);
				this.#told.delete(householdId);
			}
		};
	}

	close(): void {
		this.#closed = true;
		clearTimeout(this.#retry);
		for (const timer of this.#timers.values()) clearTimeout(timer);
		for (const all of this.#listeners.values()) for (const listener of all) listener.end();
		void this.#client?.end().catch(() => {});
	}
}
