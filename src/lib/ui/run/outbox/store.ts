import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import type { RunEvent } from '$core/runs/kinds';

/** A tap on its way to the server. */
export interface Queued {
	/** The device's own running number: the order in which it was tapped here. */
	readonly n: number;
	readonly household: string;
	readonly run: string;
	readonly event: RunEvent;
}

/** A tap that the server did not take: to be read and settled by a person. */
export interface Trayed extends Queued {
	readonly code: string;
	readonly why: string;
}

/** Where taps outlive a reload, a crash and an empty battery. */
export interface OutboxStore {
	/** Whether they outlive it at all: a browser may keep nothing. */
	readonly durable: boolean;
	readonly device: string;
	/** Keeps a tap. @returns its running number, once it is on the disk */
	add(row: Omit<Queued, 'n'>): Promise<number>;
	waiting(): Promise<Queued[]>;
	tray(): Promise<Trayed[]>;
	/** Takes taps out: the server has them. */
	remove(ns: readonly number[]): Promise<void>;
	/** Puts a tap aside, in one step. */
	setAside(row: Trayed): Promise<void>;
	clearTray(n: number): Promise<void>;
}

interface Kept extends DBSchema {
	taps: { key: number; value: { n?: number; household: string; run: string; event: RunEvent } };
	tray: { key: number; value: Trayed };
	about: { key: string; value: string };
}

/** In the browser's own database. @throws where the browser has none, or keeps none in this window */
export async function durableStore(): Promise<OutboxStore> {
	const db: IDBPDatabase<Kept> = await openDB<Kept>('root-jar', 1, {
		upgrade(made) {
			made.createObjectStore('taps', { keyPath: 'n', autoIncrement: true });
			made.createObjectStore('tray', { keyPath: 'n' });
			made.createObjectStore('about');
		}
	});
	let device = await db.get('about', 'device');
	if (device === undefined) {
		// Two tabs that open at once agree on one: the first to write it.
		const tx = db.transaction('about', 'readwrite');
		device = await tx.store.get('device');
		if (device === undefined) await tx.store.put((device = uuidv7()), 'device');
		await tx.done;
	}
	const strict = { durability: 'strict' } as const;
	return {
		durable: true,
		device,
		async add(row) {
			const tx = db.transaction('taps', 'readwrite', strict);
			const n = await tx.store.add(row);
			await tx.done;
			return n;
		},
		waiting: async () => (await db.getAll('taps')) as Queued[],
		tray: () => db.getAll('tray'),
		async remove(ns) {
			const tx = db.transaction('taps', 'readwrite', strict);
			await Promise.all([...ns.map((n) => tx.store.delete(n)), tx.done]);
		},
		async setAside(row) {
			const tx = db.transaction(['taps', 'tray'], 'readwrite', strict);
			await Promise.all([tx.objectStore('tray').put(row), tx.objectStore('taps').delete(row.n), tx.done]);
		},
		async clearTray(n) {
			await db.delete('tray', n);
		}
	};
}

/** Only as long as the page is open. */
export function fleetingStore(): OutboxStore {
	let n = 0;
	const taps = new Map<number, Queued>();
	const tray = new Map<number, Trayed>();
	return {
		durable: false,
		device: uuidv7(),
		async add(row) {
			taps.set(++n, { ...row, n });
			return n;
		},
		waiting: async () => [...taps.values()],
		tray: async () => [...tray.values()],
		async remove(ns) {
			for (const one of ns) taps.delete(one);
		},
		async setAside(row) {
			taps.delete(row.n);
			tray.set(row.n, row);
		},
		async clearTray(one) {
			tray.delete(one);
		}
	};
}
