/**
 * The household's time on this page: the server's clock carried on by this device's, a tick four times a second.
 * A device whose own clock is wrong shows right timers all the same.
 */
export class Clock {
	#offset_ms = 0;
	now = $state(0);

	constructor(serverNow: number, deviceNow: number) {
		this.#offset_ms = serverNow - deviceNow;
		this.now = serverNow;
	}

	/** Takes a newer word from the server. */
	sync(serverNow: number, deviceNow: number): void {
		this.#offset_ms = serverNow - deviceNow;
		this.tick(deviceNow);
	}

	tick(deviceNow: number): void {
		this.now = deviceNow + this.#offset_ms;
	}

	/** The exact time of a tap. */
	at(deviceNow: number): number {
		return Math.round(deviceNow + this.#offset_ms);
	}
}
