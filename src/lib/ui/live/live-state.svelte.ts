import { getContext, setContext } from 'svelte';
import { stale_ms } from '$core/instruments/reading';
import type { LiveInstrument } from './types';
import { openStream, type Stream } from './stream';

/** So long without a word, not even a beat, and the stream is opened anew, ms. */
const silence_ms = 40_000;

/**
 * What comes by itself from the server: instruments with their word of now, and that somebody tapped. Without a stream the
 * application asks as it always did; nothing here is needed for a run to go on.
 */
export class Live {
	#instruments = $state.raw<readonly LiveInstrument[]>([]);
	/** When the instruments were last heard of, by this device's clock, ms. */
	#heardAt = $state(0);
	#lastWord = 0;
	#stream: Stream | undefined;
	/** Somebody tapped: the runs are asked for. */
	ontaps: () => void = () => {};

	/** Begins to hear, and again where it has gone silent. @returns how to leave */
	start(anew = false): () => void {
		let fresh = anew;
		const open = () => {
			this.#stream?.close();
			this.#lastWord = Date.now();
			this.#stream = openStream((kind, data) => this.heard(kind, data), fresh);
			fresh = true;
		};
		// After the page itself: its first paint waits for nobody.
		const begin = setTimeout(open, 1_500);
		const watch = setInterval(() => {
			if (this.#stream && Date.now() - this.#lastWord > silence_ms) open();
		}, 5_000);
		return () => {
			clearTimeout(begin);
			clearInterval(watch);
			this.#stream?.close();
		};
	}

	heard(kind: string, data: string): void {
		this.#lastWord = Date.now();
		if (kind === 'taps') this.ontaps();
		if (kind === 'readings') {
			this.#instruments = JSON.parse(data) as LiveInstrument[];
			this.#heardAt = Date.now();
		}
	}

	get instruments(): readonly LiveInstrument[] {
		return this.#instruments;
	}

	/** Scales that can be taken at their word now: at rest, of now, believed. @param now by this device's clock, ms */
	scales(now: number): readonly LiveInstrument[] {
		const fresh = now - this.#heardAt < stale_ms;
		return this.#instruments.filter((i) => i.quantity === 'mass' && i.trusted && (fresh || i.standing.is === 'silent'));
	}

	get alarms(): readonly LiveInstrument[] {
		return this.#instruments.filter((i) => i.alarm !== null);
	}
}

const key = Symbol('live');
export const provideLive = (live: Live): Live => setContext(key, live);
export const useLive = (): Live => getContext(key);
