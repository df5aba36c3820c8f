import { eatFresh } from '$core/haul/from-ways';
import { sayAs } from '$core/quantities/dates';
import type { LotOfHaul } from '$core/haul/from-ways';

/** "tonight", "tomorrow night", "Thursday": the end of a plan of so many days. */
export const untilWords = (days: number, now: number, zone: string): string =>
	days === 1 ? 'tonight' : days === 2 ? 'tomorrow night' : sayAs(now + (days - 1) * 86_400_000, zone, 'EEEE');

/** "4 %", and "a tenth of a percent" below one. */
export const percentWords = (gap: number): string =>
	gap < 0.001 ? 'a tenth of a percent' : `${Math.ceil(gap * 100)} %`;

export interface WayNamed {
	readonly lot: string;
	/** In the middle of a sentence. */
	readonly way: string;
}

/** A way by its id in the programme, in words. */
export function namesOf(lots: readonly LotOfHaul[]): (way: string) => WayNamed {
	const known = new Map<string, WayNamed>(
		lots.flatMap((lot) => [
			[`${lot.id}|${eatFresh}`, { lot: lot.name, way: 'eaten fresh' }] as const,
			...lot.ways.map((w) => [`${lot.id}|${w.slug}`, { lot: lot.name, way: lowered(w.name) }] as const)
		])
	);
	return (way) => known.get(way) ?? { lot: '', way: '' };
}

/** "Blanch + freeze" inside a sentence. */
const lowered = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
