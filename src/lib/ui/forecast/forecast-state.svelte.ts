import type { Running } from './in-worker';

export type Phase = 'idle' | 'working' | 'done' | 'stopped' | 'failed';

/** A long computation as a page shows it: progress, a stop, the answer, or what went wrong. A new one stops the one before. */
export class Forecast<T> {
	#phase = $state<Phase>('idle');
	#share = $state(0);
	#answer = $state.raw<T | undefined>(undefined);
	#why = $state('');
	#running: Running<T> | undefined;

	get phase(): Phase {
		return this.#phase;
	}
	/** Of the work, 0 to 1. */
	get share(): number {
		return this.#share;
	}
	/** The last answer; it stays while a new one is worked out. */
	get answer(): T | undefined {
		return this.#answer;
	}
	get why(): string {
		return this.#why;
	}

	/** @param begin starts the work and may call back with its progress */
	async start(begin: (onProgress: (share: number) => void) => Running<T>): Promise<void> {
		this.#running?.stop();
		this.#phase = 'working';
		this.#share = 0;
		const own = begin((share) => {
			if (this.#running === own) this.#share = share;
		});
		this.#running = own;
		try {
			const answer = await own.done;
			if (this.#running !== own) return;
			this.#answer = answer;
			this.#phase = 'done';
		} catch (thrown) {
			if (this.#running !== own) return;
			this.#why = thrown instanceof Error ? thrown.message : String(thrown);
			this.#phase = 'failed';
		}
	}
	stop(): void {
		if (this.#phase !== 'working') return;
		this.#running?.stop();
		this.#running = undefined;
		this.#phase = 'stopped';
	}
}
