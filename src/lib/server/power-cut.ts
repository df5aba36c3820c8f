import {
	afterCut,
	coldAgain,
	conditionOf,
	cutRead,
	cutSource,
	fridge_h,
	refreeze_C,
	urgency,
	type Condition,
	type Verdict
} from '$core/freezing/after-cut';
import { sum } from 'd3-array';
import { freezerOutage, type Outage } from '$core/freezing/freezer-week';
import { publishedOutage } from '$core/freezing/published-outage';
import type { LotUnit } from '$core/stock/amount';
import { foodById } from '$core/things/names';
import { sayCount, sayTemperature, sayWeight, type Units } from '$core/quantities/format';
import type { Stores } from './stores';
import type { HouseholdRow, PlaceRow } from './stores/households';
import type { StandingRow } from './stores/stock/reads';

/** A lot without power, in words. */
export interface CutLot {
	readonly id: string;
	readonly title: string;
	readonly amount: string;
	/** For the form that throws it. */
	readonly whole: number;
	readonly unit: LotUnit;
	readonly verdict: Verdict | null;
	readonly why: string;
}
export interface CutFreezer {
	readonly ids: readonly string[];
	readonly name: string;
	/** Hours that it keeps shut, from when the power went; until when, ms. */
	readonly hours: number | null;
	readonly until: number | null;
	readonly published: boolean;
	readonly fill: string;
	/** What its probe says, in words; null without one. */
	readonly probe: string | null;
	/** How it was found: by the probe, or as a person said. */
	readonly condition: Condition | null;
	readonly asked: boolean;
	readonly warm_h: number | null;
	/** What is eaten, cooked, given first comes first; what is judged hardest afterwards. */
	readonly lots: readonly CutLot[];
}
export interface CutView {
	readonly out: { readonly from: number; readonly until: number | null } | null;
	readonly freezers: readonly CutFreezer[];
	/** What is in fridges and spoils: until when it is good, ms. */
	readonly fridge: { readonly until: number | null; readonly hours: number; readonly lots: readonly CutLot[] };
	readonly source: string;
	readonly limit: string;
}

const worst: Record<Verdict, number> = { throw: 0, cook: 1, look: 2, refreeze: 3, stays: 4 };
const hour_ms = 3_600_000;

/** The power is out: what keeps until when, and what is done first; back again: what is kept, frozen again or thrown. */
export async function cutView(stores: Stores, { units }: HouseholdRow, now: Date): Promise<CutView> {
	const [cut, places, rows, kitchen, sums] = await Promise.all([
		stores.power.now(),
		stores.home.places(),
		stores.stock.standing(),
		stores.home.kitchen(),
		stores.stock.sums()
	]);
	const read = cut ? await stores.power.readings(cut.from, now) : new Map<string, { at: number; value: number }[]>();
	const out = cut ? { from: cut.from.getTime(), until: cut.until?.getTime() ?? null } : null;
	const from = out?.from ?? now.getTime();
	// Baskets of one chest are one freezer: it warms as a whole.
	const chests = new Map<string, PlaceRow[]>();
	for (const p of places.filter((x) => x.kind === 'freezer')) {
		const name = p.name.split(',')[0]?.trim() ?? p.name;
		chests.set(name, [...(chests.get(name) ?? []), p]);
	}
	const used = (id: string) => sums.find((s) => s.placeId === id)?.litres ?? 0;
	const freezers = [...chests].map(([name, parts]): CutFreezer => {
		const litres = sum(parts, (p) => p.litres ?? 0);
		const fill = litres > 0 ? Math.min(1, Math.max(0.02, sum(parts, (p) => used(p.id)) / litres)) : null;
		const set_C = Math.max(-35, Math.min(-12, ...parts.map((p) => p.tempC)));
		const keeps: Outage | null =
			fill === null || litres < 20 || kitchen.room_C < 6
				? null
				: freezerOutage({ litres: Math.min(2000, litres), set_C, room_C: kitchen.room_C }, fill, publishedOutage);
		const hours = keeps ? Math.floor(keeps.plan_h) : null;
		const probe = parts.flatMap((p) => read.get(p.id) ?? []).sort((a, b) => a.at - b.at);
		// Back again it stays warm until it is cold: until then its food goes on warming.
		const back = out?.until ?? now.getTime();
		const colder = coldAgain(probe, back, now.getTime());
		const said = cutRead(probe, from, out?.until === null ? now.getTime() : colder);
		const measured = probe.length > 0 ? conditionOf(said) : null;
		const told = parts.map((p) => cut?.found[p.id]).find((f) => f !== undefined);
		const condition = measured ?? told?.condition ?? null;
		const warm_h = measured ? said.warm_h + said.unread_h : (told?.warm_h ?? null);
		const judged = out?.until !== null && out !== null && condition !== null;
		return {
			ids: parts.map((p) => p.id),
			name,
			hours,
			until: hours === null ? null : from + hours * hour_ms,
			published: keeps?.published_h != null,
			fill: fill === null ? '' : `${Math.round(fill * 100)} % full`,
			probe: probeWords(probe, said, units),
			condition,
			asked: measured === null,
			warm_h,
			lots: lotsAt(
				rows,
				parts.map((p) => p.id),
				units
			)
				.map(({ group, ...l }) => {
					const j = judged ? afterCut(group, condition, warm_h) : null;
					return {
						...l,
						verdict: j?.verdict ?? null,
						why: j?.why ?? orderWords[urgency(group)],
						urgent: urgency(group)
					};
				})
				.sort((a, b) =>
					a.verdict && b.verdict ? worst[a.verdict] - worst[b.verdict] || a.urgent - b.urgent : a.urgent - b.urgent
				)
				.map(({ urgent: _urgent, ...l }) => l)
		};
	});
	const cold = places.filter((p) => p.kind === 'fridge').map((p) => p.id);
	return {
		out,
		freezers,
		fridge: {
			hours: fridge_h,
			until: out ? from + fridge_h * hour_ms : null,
			lots: lotsAt(rows, cold, units).map(({ group: _group, ...l }) => ({ ...l, verdict: null, why: '' }))
		},
		source: cutSource,
		limit: sayTemperature(refreeze_C, units)
	};
}

const orderWords = [
	'Meat, fish, dishes: first of all eaten or cooked, once it softens',
	'Vegetables: next, into a pot',
	'Fruit: last; it may be frozen again, or jam'
] as const;

function lotsAt(rows: readonly StandingRow[], ids: readonly string[], units: Units) {
	return rows
		.filter((r) => ids.includes(r.placeId) && !r.waiting)
		.flatMap((r) => {
			const food = foodById(r.food);
			if (!food) return [];
			const grams = sayWeight(r.amount * r.unitG, units);
			return [
				{
					id: r.id,
					title: r.title,
					amount: r.unit === 'pack' ? `${sayCount(r.amount, 'pack')}, ${grams}` : grams,
					whole: r.amount,
					unit: r.unit,
					// Fruit goes by its look; fruit with anything else in it goes by the clock.
					group: r.mixed ? ('dish' as const) : food.group
				}
			];
		});
}

function probeWords(
	probe: readonly { at: number; value: number }[],
	{ most_C, warm_h, unread_h }: ReturnType<typeof cutRead>,
	units: Units
): string | null {
	if (probe.length === 0 || most_C === null) return null;
	const hours = (h: number) => (h < 0.1 ? '' : `${h.toFixed(1)} h`);
	return [
		`its probe read ${sayTemperature(most_C, units)} at most`,
		hours(warm_h) ? `${hours(warm_h)} above ${sayTemperature(refreeze_C, units)}` : '',
		hours(unread_h) ? `${hours(unread_h)} without a reading` : ''
	]
		.filter(Boolean)
		.join(', ');
}
