import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Label } from './label-sheet.mjs';
import type { Paper } from './paper.mjs';

/** The thread as it stands on the disk: it is no part of the bundle, and the server's folder is the project's. */
const file = join(process.cwd(), 'src', 'lib', 'server', 'labels', 'label-worker.mjs');

interface Waiting {
	readonly done: (bytes: Uint8Array) => void;
	readonly failed: (error: Error) => void;
}
let thread: Worker | undefined;
const waiting = new Map<number, Waiting>();
let asked = 0;

/** Begun at the first sheet; where it ends, whoever waits is told and the next sheet begins a new one. */
function theThread(): Worker {
	if (thread) return thread;
	const worker = new Worker(file);
	const end = (error: Error) => {
		if (thread === worker) thread = undefined;
		for (const [id, { failed }] of waiting) {
			waiting.delete(id);
			failed(error);
		}
	};
	worker.on('message', (answer: { id: number; bytes?: Uint8Array; error?: string }) => {
		const one = waiting.get(answer.id);
		waiting.delete(answer.id);
		if (answer.bytes) one?.done(answer.bytes);
		else one?.failed(new Error(answer.error ?? 'The labels could not be drawn.'));
	});
	worker.on('error', end);
	worker.on('exit', (code) => end(new Error(`The thread that draws labels has ended (${code}).`)));
	// Labels keep nobody from stopping the server. After the listeners: each of them holds the thread anew.
	worker.unref();
	thread = worker;
	return worker;
}

/** Begins the thread before anybody waits for it: its fonts and library take a second to read. */
export const warmLabels = (): void => void theThread();

function draw(ask: { labels: readonly Label[] } | { paper: Paper }, size: 'a4' | 'letter'): Promise<Uint8Array> {
	return new Promise((done, failed) => {
		const id = ++asked;
		waiting.set(id, { done, failed });
		theThread().postMessage({ id, size, ...ask });
	});
}

/** Draws a sheet off the request's thread. @see labelSheet */
export const drawLabels = (labels: readonly Label[], size: 'a4' | 'letter'): Promise<Uint8Array> =>
	draw({ labels }, size);
/** The same of a paper for the wall or the file. @see paperOf */
export const drawPaper = (paper: Paper, size: 'a4' | 'letter'): Promise<Uint8Array> => draw({ paper }, size);
