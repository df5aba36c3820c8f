import type { RunEvent } from '$core/runs/kinds';
import { Outbox, type Alone, type Send } from './outbox.svelte';
import { durableStore } from './store';

/** The browser's fetch, as the queue wants it. */
export const sendByFetch: Send = async (path, init) => {
	const accept = { accept: 'application/json' };
	const reply = await fetch(path, {
		...(init ? { method: init.method, body: init.body } : {}),
		headers: init ? { ...accept, 'content-type': 'application/json', 'x-household': init.household } : accept,
		signal: AbortSignal.timeout(8000)
	});
	return { status: reply.status, body: await reply.json().catch(() => null) };
};

/** One tab at a time, where the browser can see to it; the others find their taps sent. */
const alone: Alone = async (work) => {
	if (!('locks' in navigator)) return work();
	await navigator.locks.request('root-jar outbox', { ifAvailable: true }, async (lock) => {
		if (lock) await work();
	});
};

/** Taps that waited in this browser before there was a queue. */
async function adopt(outbox: Outbox, household: string): Promise<void> {
	for (const key of Object.keys(localStorage).filter((k) => k.startsWith('taps:'))) {
		const events = JSON.parse(localStorage.getItem(key) ?? '[]') as RunEvent[];
		for (const event of events) await outbox.add(household, key.slice(5), event);
		localStorage.removeItem(key);
	}
}

/** The queue of this browser, heard by all its tabs. */
export function browserOutbox(clock: () => number, household: string): Outbox {
	const outbox = new Outbox(sendByFetch, clock, alone);
	const tabs = 'BroadcastChannel' in window ? new BroadcastChannel('root-jar outbox') : undefined;
	outbox.onchange = () => tabs?.postMessage('changed');
	tabs?.addEventListener('message', () => outbox.onelsewhere());
	void outbox
		.open(durableStore)
		.then(() => adopt(outbox, household))
		.then(() => outbox.drain(household));
	return outbox;
}
