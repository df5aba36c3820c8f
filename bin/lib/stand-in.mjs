/** Simulated instruments: pure, chance is passed in. `bin/stand-ins.mjs` runs them. */

/**
 * What a simulated instrument is like. noise: standard deviation, in its unit (g, °C, Pa); lag_s: how long it takes to come two
 * thirds of the way; drift_h: what it goes wrong by in an hour; dropOut: share of readings that never arrive; step: its
 * smallest step; battery_h: share of its battery that an hour takes.
 * @typedef {{ noise: number, lag_s: number, drift_h: number, dropOut: number, step: number, battery_h: number }} Temper
 * @typedef {'mass' | 'temperature' | 'gauge-pressure'} Quantity
 * @typedef {{ quantity: Quantity, shown: number, drift: number, battery: number, at: number }} StandIn
 * @typedef {{ at: number, value: number, unit: string, steady: boolean, battery: number }} Sent
 */

/** @type {Record<Quantity, Temper & { unit: string }>} */
export const tempers = {
	mass: { noise: 0.4, lag_s: 0.6, drift_h: 0.2, dropOut: 0.01, step: 1, battery_h: 0.002, unit: 'g' },
	temperature: { noise: 0.05, lag_s: 12, drift_h: 0.01, dropOut: 0.02, step: 0.1, battery_h: 0.001, unit: 'C' },
	'gauge-pressure': { noise: 300, lag_s: 2, drift_h: 50, dropOut: 0.01, step: 100, battery_h: 0.002, unit: 'Pa' }
};

/** @param {Quantity} quantity @param {number} value @param {number} at ms @returns {StandIn} */
export const standIn = (quantity, value, at) => ({ quantity, shown: value, drift: 0, battery: 1, at });

/** A standard normal from two uniforms (Box and Muller 1958). @param {() => number} next */
const normal = (next) => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());

/**
 * One step of a simulated instrument: it comes to the truth with its lag, adds its noise and drift, rounds to its step, and
 * loses a reading now and then.
 *
 * @param {StandIn} before @param {number} truth in g, °C or Pa @param {number} at ms, later than the step before
 * @param {() => number} next a number from 0 to 1
 * @returns {{ now: StandIn, sent: Sent | null }} what it sends; null where the reading is lost, or its battery empty
 */
export function step(before, truth, at, next) {
	const temper = tempers[before.quantity];
	const dt = Math.max(0, at - before.at) / 1000;
	const shown = truth + (before.shown - truth) * Math.exp(-dt / temper.lag_s);
	const drift = before.drift + (temper.drift_h * dt) / 3600;
	const battery = Math.max(0, before.battery - (temper.battery_h * dt) / 3600);
	const now = { ...before, shown, drift, battery, at };
	const noise = temper.noise * normal(next);
	if (battery <= 0 || next() < temper.dropOut) return { now, sent: null };
	const value = Math.round((shown + drift + noise) / temper.step) * temper.step;
	const steady = Math.abs(shown - truth) < temper.step * 2;
	return {
		now,
		sent: { at, value: Number(value.toFixed(3)), unit: temper.unit, steady, battery: Number(battery.toFixed(3)) }
	};
}

/** So seldom is a simulated printer out of paper. */
const noPaper = 0.03;

/**
 * What a simulated printer says of a sheet: printed, or what is wrong with it.
 *
 * @param {Uint8Array} bytes the sheet, a PDF @param {() => number} next a number from 0 to 1
 * @returns {{ state: 'printed' } | { state: 'failed', fault: string }}
 */
export function printed(bytes, next) {
	const head = String.fromCharCode(...bytes.slice(0, 5));
	if (head !== '%PDF-') return { state: 'failed', fault: 'the sheet cannot be read' };
	return next() < noPaper ? { state: 'failed', fault: 'no paper' } : { state: 'printed' };
}
