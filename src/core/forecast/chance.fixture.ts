import { seeded } from '../haul/haul.fixture';

/** A seeded generator, and what is drawn from it by it: never quite 0 or 1. */
export function chance(seed: number) {
	const next = seeded(seed);
	const u = () => Math.min(1 - 1e-12, Math.max(1e-12, next()));
	return {
		u,
		normal: () => Math.sqrt(-2 * Math.log(u())) * Math.cos(2 * Math.PI * u()),
		/** Until the next of so many in a unit of time. */
		wait: (rate: number) => -Math.log(u()) / rate
	};
}
