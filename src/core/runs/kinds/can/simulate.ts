import type { CanLoad } from './fold';
import { mark_Pa, Pa_psi, type CanPlan } from './plan';

/** How a canner behaves (common practice): up in some minutes, a pound or so over its mark, down in three quarters of an hour. */
const up_s = 170;
const down_s = 560;
const over_psi = 1.2;
const swing_psi = 0.3;

/** It shows nothing any more, s after the heat went off. */
export const downAfter_s = -down_s * Math.log(0.03);

/**
 * What the gauge of a canner would show: for the simulated instrument and for rehearsals.
 *
 * @param load as its taps say that it stands
 * @param now ms
 * @returns Pa above the air
 */
export function gaugeOf(plan: CanPlan, load: CanLoad, now: number): number {
	const since_s = Math.max(0, now - load.since) / 1000;
	const hold = mark_Pa(plan) + over_psi * Pa_psi;
	const swing = swing_psi * Pa_psi * Math.sin((now / 1000 / 47) * 2 * Math.PI);
	switch (load.spot) {
		case 'up': {
			const from = load.restarts.length > 0 ? 0.85 * mark_Pa(plan) : 0;
			return from + (hold - from) * (1 - Math.exp(-since_s / up_s));
		}
		case 'hold':
			return hold + swing;
		case 'short':
		case 'down':
			return since_s >= downAfter_s ? 0 : hold * Math.exp(-since_s / down_s);
		default:
			return 0;
	}
}
