import { curingOf, inTheRow, storedHow } from '../../../../reference/curing';
import { freezingPointOf } from '../../../../reference/freezing-points';
import { sources } from '../../../../reference/sources';
import type { Refusal } from '../../../errors';
import { sayRange, sayTemperature } from '../../../quantities/format';
import { advise } from '../../../safety/advise';
import { apartFrom } from '../../../storing/companions';
import type { StandIn } from '../../../storing/stand-in';
import { keepsAt, type Stay } from '../../../things/clock';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { Kitchen } from '../../../ways/kitchen';
import type { StorePlan } from './plan';

export interface StoreChosen {
	readonly thing: Thing;
	readonly called: string;
	readonly lotId: string;
	readonly raw_g: number;
	readonly before: readonly Stay[];
	readonly place: StandIn;
	/** All places of the household, for a better one. */
	readonly places: readonly StandIn[];
	/** Foods that stand in the place already, by id, with their names. */
	readonly there: readonly { readonly food: string; readonly name: string }[];
	readonly aside: StorePlan['aside'];
	/** A choice where curing is not wanted: done already. */
	readonly cured: boolean;
}

/** Whether a thing is kept whole and alive at all. */
export const storable = (thing: Thing): boolean =>
	advise(thing, 'cellar', {}).kind !== 'refused' && thing.state === 'fresh';

/** Whether a place suits what a food wants. */
export const suits = (thing: Thing, place: StandIn): boolean =>
	place.kind === 'ground'
		? inTheRow.has(thing.food.id)
		: place.kind !== 'freezer' &&
			place.kind !== 'crock' &&
			advise(thing, 'cellar', { place_C: place.C }).kind !== 'refused';

/** Colder than its juice bears: what has frozen through does not keep. A row in the ground has straw over it. */
const freezesAt = (thing: Thing, place: StandIn): boolean =>
	place.kind !== 'ground' && place.C <= freezingPointOf(thing.food).C;

/** No store where it keeps for less, days (common practice). */
const leastDays = 14;
/** Whether a place will do, warmer than the food would like: never one that is too cold for it. */
export function bearable(thing: Thing, place: StandIn): boolean {
	const { want } = thing.food;
	if (!want || place.kind === 'ground' || place.kind === 'freezer' || place.kind === 'crock') return false;
	return place.C >= want.C[0] - 1 && place.C <= 25 && daysAt(thing, place)[0] >= leastDays;
}
export const daysAt = (thing: Thing, place: StandIn): readonly [number, number] => {
	const { days } = keepsAt(thing, place.kind, Math.max(-40, Math.min(45, place.C)));
	return [days[0], days[1]];
};

/** The best of the places: one that suits it, else the one where it keeps longest; nothing where none will do. */
export const bestPlace = (thing: Thing, places: readonly StandIn[]): StandIn | undefined =>
	places.find((p) => suits(thing, p) && !freezesAt(thing, p)) ??
	[...places].filter((p) => bearable(thing, p)).sort((a, b) => daysAt(thing, b)[0] - daysAt(thing, a)[0])[0];

/**
 * Freezes a storing into the plan of a run.
 *
 * @returns the plan; or why it is not begun: no store keeps it, or the place has the wrong cold, with a better one
 * @throws {DomainError} OUT_OF_RANGE: a place beyond −40 to 45 °C
 */
export function planStore(chosen: StoreChosen, kitchen: Kitchen): StorePlan | Refusal {
	const { thing, called, lotId, raw_g, place } = chosen;
	const { units } = kitchen;
	const any = advise(thing, 'cellar', {});
	if (any.kind === 'refused') return any;
	const { want } = thing.food;
	if (!want || thing.state !== 'fresh')
		return {
			kind: 'refused',
			reason: `${called}: no store is known that keeps them.`,
			source: sources.practice.title,
			instead: ['Their other ways stand on their page']
		};
	const fits = suits(thing, place) && !freezesAt(thing, place);
	if (!fits && (freezesAt(thing, place) || !bearable(thing, place))) return wrongCold(chosen, want.C, kitchen);
	const row = chosen.cured || place.kind === 'ground' ? undefined : curingOf(thing.food.id, thing.kind?.id);
	const days = daysAt(thing, place);
	const how =
		place.kind === 'ground'
			? 'in their row, the tops cut back, under a foot of straw or leaves before the ground freezes'
			: (storedHow.find((h) => h.foods.includes(thing.food.id))?.words ?? 'in shallow crates, in one or two layers');
	const neighbours = apartFrom(thing.food).flatMap((a) => {
		const beside = chosen.there.filter((t) => a.from.foods.includes(t.food) && t.food !== thing.food.id);
		return beside.length > 0
			? [
					`Not beside the ${[...new Set(beside.map((b) => b.name))].join(' and the ')} in ${place.name}: ${a.from.words} ${a.row.words}`
				]
			: [];
	});
	return {
		core: coreVersion,
		kind: 'store',
		version: 1,
		units,
		lotId,
		raw_g,
		food: { id: thing.food.id, name: called },
		foodKind: thing.kind?.id ?? null,
		form: thing.form,
		before: chosen.before,
		cure: row ? { days: row.days, C: row.C, rh: row.rh, where: row.where, look: row.look } : null,
		place: { id: place.id, name: place.name, kind: place.kind, C: place.C },
		want: { C: want.C, rh: want.rh },
		how,
		keeps_days: [days[0], days[1]],
		aside: chosen.aside,
		// Sorting and laying out: about two minutes to the kilo (common practice).
		hands_s: 600 + (raw_g / 1000) * 120,
		source: `${sources[want.source].short} (${want.confidence})`,
		cautions: [
			...(fits
				? []
				: [
						`${place.name} has ${sayTemperature(place.C, units)}, warmer than they want: there they keep about ${sayRange(days)} days, not ${sayRange(want.weeks)} weeks.`
					]),
			...neighbours,
			...(curingOf(thing.food.id) && !curingOf(thing.food.id, thing.kind?.id) && thing.kind
				? [`${thing.kind.name}: curing shortens their life; they are stored as they are and eaten first.`]
				: []),
			...(place.kind === 'ground'
				? ['Dug before the ground is too hard for a fork; mice and voles find them under straw.']
				: []),
			...any.cautions.map((c) => c.text)
		]
	};
}

function wrongCold(
	{ thing, called, place, places }: StoreChosen,
	want: readonly [number, number],
	{ units }: Kitchen
): Refusal {
	const cold = place.C < want[0] || freezesAt(thing, place);
	const suiting = places.filter((p) => p.id !== place.id && suits(thing, p) && !freezesAt(thing, p));
	const other = bestPlace(
		thing,
		places.filter((p) => p.id !== place.id)
	);
	const better = suiting.length > 0 ? suiting : other ? [other] : [];
	return {
		kind: 'refused',
		rule: 'cellar-temperature',
		reason:
			place.kind === 'ground'
				? `${called} do not stay in their row over the winter: frost takes them.`
				: `${place.name} has ${sayTemperature(place.C, units)}; ${called} want ${sayTemperature(want[0], units)} to ${sayTemperature(want[1], units)}. ${cold ? 'In that cold they suffer, rot early and taste of it.' : 'In that warmth they sprout, shrivel or rot in weeks.'}`,
		source: sources.usdaHandbook66.title,
		instead:
			better.length > 0
				? better.map((p) => `${p.name}, ${sayTemperature(p.C, units)}`)
				: ['eat them first, or keep them another way: no place of this Kitchen will do']
	};
}
