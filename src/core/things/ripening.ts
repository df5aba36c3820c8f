import { figures } from '../../reference/other-ways';
import { freshnessRules } from '../../reference/rules';
import type { Stay } from './clock';
import type { Thing } from './thing';

/** Warm enough to ripen at the printed pace; no faster above. */
const room_C = 20;
/** Below this they wait: common practice for what ripens off the plant. */
const waits_C = 10;
const day_ms = 86_400_000;

export interface Ripening {
	/** First and last day by which firm ones are ripe, ms; null while they lie too cold for it. */
	readonly ripe: readonly [number, number] | null;
	/** Printed days in a room. */
	readonly days: readonly [number, number];
}

/**
 * When firm fruit that ripens off the plant is ripe, over every place that it lay in.
 *
 *     pace(T) = Q10^((T − 20)/10), none below 10 °C, at most 1
 *
 * A day to look at it, never one to eat it by: the thumb decides.
 *
 * @param stays in the order of time; the last is open
 * @returns undefined for what does not ripen after picking, or is ripe, cut or kept already
 * @source `cellar/ripen-…` of the reference; the common temperature rule (practice)
 */
export function ripening(thing: Thing, stays: readonly Stay[]): Ripening | undefined {
	const row = figures.find((f) => f.id === `cellar/ripen-${thing.food.id}`);
	if (!row || typeof row.value === 'number') return undefined;
	if (thing.state !== 'fresh' || thing.condition !== 'firm') return undefined;
	const [soonest, latest] = row.value;
	const at = (days: number): number | null => {
		let left = days * day_ms;
		for (const stay of stays) {
			const pace = paceAt(stay.place_C);
			const length = stay.until === null ? Infinity : stay.until - stay.from;
			if (pace > 0 && length * pace >= left) return stay.from + left / pace;
			left -= pace > 0 ? length * pace : 0;
		}
		return null;
	};
	const [from, to] = [at(soonest), at(latest)];
	return { ripe: from === null || to === null ? null : [from, to], days: [soonest, latest] };
}

const paceAt = (C: number): number => (C < waits_C ? 0 : Math.min(1, freshnessRules.q10.value ** ((C - room_C) / 10)));
