import { randomUUID } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import type { Watch } from '$core/instruments/alarm';
import type { Tool } from '$core/instruments/reading';
import type { Database } from '../db/client';
import { instrumentStore } from '../stores/instruments';
import { printerStore } from '../stores/printers';
import { defaultHousehold } from '../stores/households';
import { signed } from '../who';

interface Kind {
	readonly name: string;
	readonly quantity: Tool;
	readonly watch: Watch;
	/** Of a scale: what the demo's dryer tray weighs, g. */
	readonly tareG?: number;
}
const kinds: readonly Kind[] = [
	{ name: 'Kitchen scale, simulated', quantity: 'mass', watch: 'nothing', tareG: 310 },
	{ name: 'Freezer probe, simulated', quantity: 'temperature', watch: 'freezer' },
	{ name: 'Dryer probe, simulated', quantity: 'temperature', watch: 'dryer' },
	{ name: 'Canner gauge, simulated', quantity: 'gauge-pressure', watch: 'nothing' },
	{ name: 'Label printer, simulated', quantity: 'print', watch: 'nothing' }
];

/**
 * The simulated instruments of the demo household, made where they are missing, and their tokens written for the process that
 * runs them. In a household of somebody's own there are none.
 *
 * @param file read by nobody else
 */
export async function layStandIns(db: Database, secret: string, file: string, now: Date): Promise<void> {
	const home = await defaultHousehold(db);
	const list: { quantity: Tool; token: string }[] = [];
	if (home && home.demoDate !== null) {
		const store = instrumentStore(db, home.id, now);
		const printers = await printerStore(db, home.id, now).all();
		const there = [...(await store.live()), ...printers];
		for (const kind of kinds) {
			const id =
				there.find((t) => t.name === kind.name)?.id ?? (await store.add(randomUUID(), { ...kind, standIn: true }));
			list.push({ quantity: kind.quantity, token: signed(id, secret) });
		}
	}
	await writeFile(file, JSON.stringify(list), { mode: 0o600 });
}
