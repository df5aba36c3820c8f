/** A page on its way is never so old: what is, was kept. */
const kept_ms = 30_000;
/** Two clocks that both run right are not further apart; a device that slept, or whose clock was set, is. */
const apart_ms = 2000;

/**
 * The household's time on this page: the server's clock carried on by this device's, a tick four times a second.
 * A device whose own clock is wrong shows right timers all the same.
 */
export class Clock {
	#offset_ms = 0;
	#kept = false;
	now = $state(0);

	constructor(serverNow: number, deviceNow: number) {
		this.#offset_ms = serverNow - deviceNow;
		this.now = serverNow;
	}

	/**
	 * Takes the time that stands in a page. A page that was kept on this device is older than what is known of the server's
	 * clock: its time is not taken.
	 *
	 * @param known what the server's clock was last found to be ahead, ms; null where nobody knows
	 */
	syncPage(serverNow: number, deviceNow: number, known: number | null): void {
		this.#kept = known !== null && serverNow < deviceNow + known - kept_ms;
		this.#offset_ms = this.#kept ? (known ?? 0) : serverNow - deviceNow;
		this.tick(deviceNow);
	}

	/** Whether its word is an old one: the next answer of the server corrects it. */
	get kept(): boolean {
		return this.#kept;
	}

	get offset_ms(): number {
		return this.#offset_ms;
	}

	/** Takes a newer word from the server. */
	sync(serverNow: number, deviceNow: number): void {
		this.#kept = false;
		this.#offset_ms = serverNow - deviceNow;
		this.tick(deviceNow);
	}

	/**
	 * Hears the server's time in an answer. It is taken where the page's own is older than what is known, or is further from it
	 * than the way there and back explains.
	 *
	 * @param askedAt, answeredAt by this device's clock, ms: the server's time was said between them
	 * @returns whether it was taken
	 */
	hear(serverNow: number, askedAt: number, answeredAt: number): boolean {
		const middle = (askedAt + answeredAt) / 2;
		const apart = Math.abs(serverNow - middle - this.#offset_ms);
		if (!this.#kept && apart <= apart_ms + (answeredAt - askedAt) / 2) return false;
		this.sync(serverNow, middle);
		this.tick(answeredAt);
		return true;
	}

	tick(deviceNow: number): void {
		this.now = deviceNow + this.#offset_ms;
	}

	/** The exact time of a tap. */
	at(deviceNow: number): number {
		return Math.round(deviceNow + this.#offset_ms);
	}
}
