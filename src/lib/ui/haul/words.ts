import { eatFresh } from '$core/haul/from-ways';
import type { Instead } from '$core/haul/explain';
import { sayAs } from '$core/quantities/dates';
import { sayCount, sayDuration, sayVolume, sayWeight, type Units } from '$core/quantities/format';
import type { LotOfHaul } from '$core/haul/from-ways';

/** "tonight", "tomorrow night", "Thursday": the end of a plan of so many days. */
export const untilWords = (days: number, now: number, zone: string): string =>
	days === 1 ? 'tonight' : days === 2 ? 'tomorrow night' : sayAs(now + (days - 1) * 86_400_000, zone, 'EEEE');

/** "today", "Thu": a day of the plan. */
export const dayWords = (day: number, now: number, zone: string): string =>
	day === 0 ? 'today' : sayAs(now + day * 86_400_000, zone, 'EEE');

/** "4 %", and "a tenth of a percent" below one. */
export const percentWords = (gap: number): string =>
	gap < 0.001 ? 'a tenth of a percent' : `${Math.ceil(gap * 100)} %`;

export interface WayNamed {
	readonly lot: string;
	/** In the middle of a sentence. */
	readonly way: string;
}

const day_ms = 86_400_000;
const month_ms = 30.4 * day_ms;

/** A way by its id in the programme, in words. */
export function namesOf(lots: readonly LotOfHaul[]): (way: string) => WayNamed {
	const known = new Map<string, WayNamed>(
		lots.flatMap((lot) => [
			[`${lot.id}|${eatFresh}`, { lot: lot.name, way: 'eaten fresh' }] as const,
			...[...lot.ways, ...lot.apart].map(
				(w) => [`${lot.id}|${w.slug}`, { lot: lot.name, way: lowered(w.name) }] as const
			)
		])
	);
	return (way) => known.get(way) ?? { lot: '', way: '' };
}

/** "Blanch + freeze" inside a sentence. */
const lowered = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/** What a way of a lot, for all of it, takes and how long it keeps; months count from one day for all of them. */
function factsOf(lot: LotOfHaul, id: string | null) {
	const way = lot.ways.find((w) => `${lot.id}|${w.slug}` === id)?.way;
	if (way)
		return {
			hands_s: way.hands_s,
			freezer_L: way.store === 'freezer' ? way.litres : 0,
			months: way.keepsUntil === null ? null : Date.parse(way.keepsUntil) / month_ms
		};
	const apart = lot.apart.find((w) => `${lot.id}|${w.slug}` === id);
	return apart
		? { hands_s: apart.hands_s, freezer_L: 0, months: (lot.seenAt + apart.keeps_days * day_ms) / month_ms }
		: undefined;
}

/** What two ways of a lot differ in for so many kilos, in words: "40 min more of hands", "keeps 4 months less". */
export function unlike(lot: LotOfHaul, from: string | null, to: string, kg: number, units: Units): string[] {
	const [a, b] = [from, to].map((id) => factsOf(lot, id));
	if (!a || !b) return [];
	const share = kg / Math.max(0.001, lot.grams / 1000);
	const hands_s = (b.hands_s - a.hands_s) * share;
	const litres = (b.freezer_L - a.freezer_L) * share;
	const [keeps, kept] = [b.months, a.months];
	const longer = keeps === null || kept === null ? 0 : keeps - kept;
	const more = (n: number) => (n > 0 ? 'more' : 'less');
	return [
		Math.abs(hands_s) >= 300 ? `${sayDuration(Math.abs(hands_s))} ${more(hands_s)} of hands` : '',
		Math.abs(litres) >= 1 ? `${sayVolume(Math.abs(litres), units)} ${more(litres)} of freezer` : '',
		Math.abs(longer) >= 1
			? `keeps ${sayCount(Math.round(Math.abs(longer)), 'month')} ${longer > 0 ? 'longer' : 'less'}`
			: ''
	].filter(Boolean);
}

interface InsteadContext {
	readonly lot: LotOfHaul;
	readonly nameOf: (way: string) => WayNamed;
	readonly lotName: (id: string) => string;
	readonly limitName: (id: string) => string;
	readonly units: Units;
}

/** Why a part did not go another way, in one sentence behind that way's name. */
export function insteadWords(one: Instead, { lot, nameOf, lotName, limitName, units }: InsteadContext): string {
	const say = (kg: number) => sayWeight(Math.round(kg * 1000), units);
	const full = one.full.map((id) => limitName(id).toLowerCase()).join(', ');
	const costs = one.changes
		.filter((c) => (c.way === null ? c.kg > 0 : c.kg < 0))
		.slice(0, 2)
		.map((c) =>
			c.way === null
				? `${say(c.kg)} of ${lotName(c.lot)} would not be placed`
				: `${say(-c.kg)} of ${lotName(c.lot)} would lose ${nameOf(c.way).way}`
		);
	const differs = unlike(lot, one.way, one.other, one.can_kg, units);
	if (one.can_kg < one.kg - 0.05) {
		const could = `${one.can_kg < 0.05 ? 'nothing' : `only ${say(one.can_kg)}`} of it could`;
		const why = full ? `: nothing is left of ${full}` : '';
		return `${could}${why}${costs.length > 0 ? `, and ${costs.join(', ')}` : ''}`;
	}
	if (costs.length > 0) return `${costs.join(', ')}${full ? `: nothing would be left of ${full}` : ''}`;
	if (one.loses < 1e-3) return `as good${differs.length > 0 ? `: ${differs.join(', ')}` : ''}`;
	return differs.length > 0 ? differs.join(', ') : 'further from what matters to you';
}
