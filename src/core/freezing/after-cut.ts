import type { FoodGroup } from '../../reference/tables';
import { sources } from '../../reference/sources';
import { cFromF } from '../quantities/units';
import { figureById } from './freeze-look-up';

/** How a freezer was found when the power came back, or what its probe says of it. */
export const conditions = ['hard', 'ice', 'cold', 'warm', 'unknown'] as const;
export type Condition = (typeof conditions)[number];

/** What a probe read while the power was out and until it was cold again. */
export interface CutRead {
	/** The warmest that it read, °C; null where it read nothing. */
	readonly most_C: number | null;
	/** How long it may have been warmer than the limit, h: a gap counts as warm where one of its ends is. */
	readonly warm_h: number;
	/** Hours between the ends of which nobody knows anything. */
	readonly unread_h: number;
}

/** What becomes of it. */
export type Verdict = 'stays' | 'refreeze' | 'cook' | 'look' | 'throw';
export interface Judged {
	readonly verdict: Verdict;
	readonly why: string;
}

const number = (id: string): number => Number(figureById(id).value);
/** At this or below, or with ice in it, it may be frozen again, °C: the printed 40 °F. */
export const refreeze_C = cFromF(number('freeze/refreeze'));
/** Warmer than that for more than so many hours it is thrown out. */
export const throwAfter_h = number('freeze/throw-after');
/** A shut fridge without power: then what spoils goes. */
export const fridge_h = number('freeze/outage-fridge');
export const cutSource = sources.fsis.short;
/** Colder than that nothing has thawed (common practice: most of its water is ice still). */
const hard_C = -5;
/** Longer without a reading nobody knows what it was. */
const blind_ms = 45 * 60_000;

/**
 * What a probe's readings say of a time; worst cases, since food is at stake: between two readings it was as warm as the
 * warmer of them.
 *
 * @param readings in order of time, of the probe that hangs there
 */
export function cutRead(
	readings: readonly { readonly at: number; readonly value: number }[],
	from: number,
	to: number
): CutRead {
	const during = readings.filter((r) => r.at >= from && r.at <= to);
	const before = readings.filter((r) => r.at < from).at(-1);
	const after = readings.find((r) => r.at > to);
	const known = [
		...(before && from - before.at <= blind_ms ? [{ at: from, value: before.value }] : []),
		...during,
		...(after && after.at - to <= blind_ms ? [{ at: to, value: after.value }] : [])
	];
	const [first] = known;
	const last = known.at(-1);
	if (!first || !last) return { most_C: null, warm_h: 0, unread_h: (to - from) / 3_600_000 };
	let warm = 0;
	let unread = Math.max(0, first.at - from) + Math.max(0, to - last.at);
	for (const [i, r] of known.entries()) {
		const next = known[i + 1];
		if (!next) break;
		if (Math.max(r.value, next.value) > refreeze_C) warm += next.at - r.at;
		else if (next.at - r.at > blind_ms) unread += next.at - r.at;
	}
	return {
		most_C: Math.max(...known.map((r) => r.value)),
		warm_h: warm / 3_600_000,
		unread_h: unread / 3_600_000
	};
}

/**
 * Until when a cut lasts for the food: until its probe is seen cold again. Without a cold reading since the power came back it
 * lasts until now, where the last that was read was warm.
 *
 * @param readings in order of time
 */
export function coldAgain(
	readings: readonly { readonly at: number; readonly value: number }[],
	back: number,
	now: number
): number {
	const seen = readings.find((r) => r.at >= back && r.value <= refreeze_C)?.at;
	const last = readings.at(-1);
	return seen ?? (last && last.value > refreeze_C ? now : back);
}

/** The condition that a probe's word comes to; null where it does not know. */
export function conditionOf({ most_C, unread_h }: CutRead): Condition | null {
	if (most_C === null) return null;
	if (most_C > refreeze_C) return 'warm';
	if (unread_h > 0) return null;
	return most_C <= hard_C ? 'hard' : 'cold';
}

const again = 'It loses some of its bite; use it first.';

/**
 * What becomes of frozen food after the power was out, by the published rule.
 *
 * @param warm_h hours above the limit where it is `warm`; unknown hours are more than allowed
 * @source USDA FSIS, Keeping Food Safe During an Emergency (from memory): frozen again with ice in it or at 40 °F and below; out
 * after more than 2 h above; fruit goes by mould, smell and slime
 */
export function afterCut(group: FoodGroup, condition: Condition, warm_h: number | null): Judged {
	switch (condition) {
		case 'hard':
			return { verdict: 'stays', why: 'Frozen hard all the time.' };
		case 'ice':
			return { verdict: 'refreeze', why: `There is ice in it. ${again}` };
		case 'cold':
			return { verdict: 'refreeze', why: `As cold as a fridge all the time. ${again}` };
		case 'warm':
		case 'unknown': {
			const long = condition === 'unknown' || warm_h === null || warm_h > throwAfter_h;
			if (group === 'fruit')
				return {
					verdict: 'look',
					why: 'Fruit goes by its look: mould, slime or a yeasty smell, and it is out; else frozen again, or jam today.'
				};
			return long
				? {
						verdict: 'throw',
						why:
							condition === 'unknown'
								? 'Nobody knows how warm it was, nor how long: when in doubt it is thrown out, untasted.'
								: `Warmer than ${Math.round(refreeze_C)} °C for more than ${throwAfter_h} h: out, untasted.`
					}
				: {
						verdict: 'cook',
						why: `Warmer than ${Math.round(refreeze_C)} °C for no more than ${throwAfter_h} h: cooked through now, then eaten or frozen as a dish; not frozen again as it is.`
					};
		}
	}
}

/** While it is out: what is eaten first, cooked next, given away, left shut. The order in which it can be saved no more. */
export const urgency = (group: FoodGroup): 0 | 1 | 2 =>
	group === 'fruit'
		? 2
		: group === 'vegetable' || group === 'herb' || group === 'mushroom' || group === 'flower'
			? 1
			: 0;
