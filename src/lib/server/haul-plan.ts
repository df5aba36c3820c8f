import { UTCDate } from '@date-fns/utc';
import { differenceInCalendarDays } from 'date-fns';
import { apartHref, apartNames, crate_kg, isApart, type ApartWay } from '$core/haul/apart';
import type { Kitchen } from '$core/ways/kitchen';
import { isJarOf, type JarSize } from '$reference/canning-rules';
import { dateIn } from '$core/freezing/keep';
import { unshared_g } from '$core/ways/shares';
import type { GlanceWay } from '$core/ways/glance';
import type { Panel } from '$lib/ui/ways/view';
import type { PlannedLot } from './stores/choices';
import type { HouseholdRow } from './stores/households';
import type { Stores } from './stores';
import { lotThing } from './things';
import { readGround } from './share-haul';
import { apartWays } from './ways/apart';
import { lookAtPart, lookStanding } from './ways/look';
import { readHouse } from './ways/read';
import { named } from './ways/rows';
import { panelOf } from './ways/view';

/** A part of a lot that is worked on a day of the plan. */
export interface PlanStep {
	readonly lotId: string;
	readonly lot: string;
	readonly slug: string;
	readonly way: string;
	/** Where it is read; null where it cannot be done any more. */
	readonly href: string | null;
	readonly grams: number;
	readonly packs: number;
	readonly each: string;
	readonly hands_s: number;
	/** From the first touch until it is put away. */
	readonly elapsed_s: number;
	readonly start: Panel['start'];
	/** What its Start says. */
	readonly says: Panel['says'];
	/** Past its day, and not begun. */
	readonly late: boolean;
}
export interface PlanDay {
	/** `yyyy-MM-dd` */
	readonly on: string;
	readonly steps: readonly PlanStep[];
	readonly hands_s: number;
	readonly ice_kg: number;
	readonly freeze_kg: number;
}
/** What the plan takes of the drawer, beside what lies there; null where nobody counted it. */
export interface PlanTake {
	readonly name: string;
	readonly need: number;
	readonly have: number | null;
	readonly unit: string;
}
export interface PlanView {
	readonly days: readonly PlanDay[];
	readonly takes: readonly PlanTake[];
	/** What is kept for no way of the plan: eaten fresh, or not placed. */
	readonly rest: readonly {
		readonly lotId: string;
		readonly lot: string;
		readonly grams: number;
		readonly bestBy: number;
	}[];
}

/** A step with the way that it was read from. */
interface Worked {
	readonly step: PlanStep;
	readonly on: string;
	/** Null where it cannot be done any more as it was planned. */
	readonly row: GlanceWay | null;
}

/** A step that the kitchen as it is now cannot do: it stays in the plan, with the reason. */
function nothingOf(found: ReturnType<typeof named>[number] | undefined, slug: string, stop: string | undefined) {
	const reason = stop ?? (found?.row.kind === 'refused' ? found.row.reason : 'it has no such way any more.');
	return {
		way: found?.name ?? (isApart(slug) ? apartNames[slug] : slug),
		href: null,
		packs: 0,
		each: 'pack',
		hands_s: 0,
		elapsed_s: 0,
		start: { kind: 'no' as const, words: `Not as it was planned: ${reason}` },
		says: {}
	};
}

/** A step that is begun on a page of its own: so many crates into store, so many quarts out of the crock. */
function begunApart(way: ApartWay, lot: string, grams: number) {
	const href = apartHref(way.slug, lot, grams);
	return {
		way: way.name,
		href,
		packs: way.slug === 'crock' ? way.jars : Math.ceil(grams / 1000 / crate_kg - 1e-6),
		each: way.slug === 'crock' ? 'quart' : 'crate',
		hands_s: way.hands_s,
		elapsed_s: way.hands_s,
		start: { kind: 'page' as const, href, words: apartNames[way.slug] },
		says: {}
	};
}

/** The plan as it stands: what is still to be begun, day by day, and what all of it takes. */
export async function planView(stores: Stores, { zone }: HouseholdRow, now: Date): Promise<PlanView> {
	const [planned, house, basket, ground] = await Promise.all([
		stores.choices.planned(),
		readHouse(stores),
		stores.stock.basket(),
		readGround(stores)
	]);
	const today = dateIn(zone, now.getTime());
	const steps: Worked[] = [];
	const rest: PlanView['rest'][number][] = [];
	for (const { lot, shares } of planned) {
		const standing = basket.find((l) => l.lot.id === lot);
		// What has left the Basket in the meantime is planned no more.
		if (!standing) continue;
		const look = await lookStanding(stores, standing, house, { fields: {} }, now);
		const over = unshared_g(look.free_g, look.shares);
		if (over > 0) rest.push({ lotId: lot, lot: look.lot.title, grams: over, bestBy: look.clock.bestBy });
		for (const { way, on, grams } of partsOf(shares, look.shares)) {
			const here = { lotId: lot, lot: look.lot.title, slug: way, grams, late: on < today };
			if (isApart(way)) {
				const one = apartWays({ ...look, whole_g: grams }, ground, ground.rooms, now).find((a) => a.slug === way);
				const reason = look.stop?.reason ?? 'no place of the Kitchen will do for it any more.';
				steps.push({
					on,
					row: null,
					step: { ...here, ...(one && !look.stop ? begunApart(one, lot, grams) : nothingOf(undefined, way, reason)) }
				});
				continue;
			}
			const part = lookAtPart(look, grams, now);
			const found = named(part).find((n) => n.slug === way);
			const panel = look.stop ? null : panelOf(part, way, now);
			const row = found?.row.kind === 'way' ? found.row : null;
			steps.push(
				row && panel
					? {
							on,
							row,
							step: {
								...here,
								way: panel.name,
								href: `/ways/${lot}/${way}`,
								packs: row.packs,
								each: found?.jar ?? row.each,
								hands_s: row.hands_s,
								elapsed_s: row.elapsed_s,
								start: panel.start,
								says: panel.says
							}
						}
					: { on, row: null, step: { ...here, ...nothingOf(found, way, look.stop?.reason) } }
			);
		}
	}
	for (const standing of basket) {
		const { lot, place, grams } = standing;
		const free = grams - (house.reserved.get(lot.id) ?? 0);
		if (free > 0 && !planned.some((p) => p.lot === lot.id))
			rest.push({ lotId: lot.id, lot: lot.title, grams: free, bestBy: lotThing(lot, place, now).clock.bestBy });
	}
	rest.sort((a, b) => a.bestBy - b.bestBy);
	const sum = (of: readonly Worked[], what: (row: GlanceWay) => number) =>
		of.reduce((s, w) => s + (w.row ? what(w.row) : 0), 0);
	const days = [...new Set(steps.map((s) => s.on))].sort().map((on): PlanDay => {
		const own = steps.filter((s) => s.on === on);
		return {
			on,
			steps: own.map((s) => s.step),
			hands_s: own.reduce((s, w) => s + w.step.hands_s, 0),
			ice_kg: sum(own, (r) => r.demands.ice_kg),
			freeze_kg: sum(own, (r) => r.demands.freeze_kg)
		};
	});
	// Ice comes anew each night: until the last day on which some is wanted there is so much of it.
	const lastIce = days.filter((d) => d.ice_kg > 0).at(-1);
	const nights = lastIce ? Math.max(0, differenceInCalendarDays(new UTCDate(lastIce.on), new UTCDate(today))) : 0;
	const ice_kg = house.kitchen.ice_kg + nights * house.kitchen.iceDay_kg;
	return {
		days,
		takes: takesOf(
			steps.flatMap((s) => s.row ?? []),
			house.kitchen,
			ice_kg
		),
		rest
	};
}

/** Shares by day, none beyond what is left of its lot. */
function partsOf(planned: PlannedLot['shares'], fit: readonly { way: string; grams: number }[]) {
	return planned.flatMap(({ way, planned: parts }) => {
		let left = fit.find((s) => s.way === way)?.grams ?? 0;
		return (parts ?? []).flatMap(({ on, grams }) => {
			const part = Math.min(left, grams);
			left -= part;
			return part > 0 ? [{ way, on, grams: part }] : [];
		});
	});
}

/** What is taken from the drawer, and what lies there. */
function takesOf(rows: readonly GlanceWay[], kitchen: Kitchen, ice_kg: number): PlanTake[] {
	const counted = kitchen.containers.flatMap((c): PlanTake[] => {
		const need = rows.reduce((s, r) => s + (r.demands.containers.find((x) => x.id === c.id)?.count ?? 0), 0);
		return need > 0 ? [{ name: c.name, need, have: c.count, unit: '' }] : [];
	});
	const lids = rows.reduce((s, r) => s + (r.demands.canner?.lids ?? 0), 0);
	const drawer = kitchen.supplies.filter((x) => x.kind === 'lid');
	const ice = rows.reduce((s, r) => s + r.demands.ice_kg, 0);
	const jars = new Map<JarSize, number>();
	for (const { demands } of rows)
		if (demands.jars)
			jars.set(demands.jars.size as JarSize, (jars.get(demands.jars.size as JarSize) ?? 0) + demands.jars.count);
	const have = (size: JarSize) => kitchen.containers.filter((c) => c.kind === 'jar' && isJarOf(c.volume_mL, size));
	return [
		...counted,
		...[...jars].map(([size, need]): PlanTake => {
			const own = have(size);
			return {
				name: `${size} jars`,
				need,
				have: own.length > 0 ? own.reduce((s, c) => s + c.count, 0) : null,
				unit: ''
			};
		}),
		...(lids > 0
			? [
					{
						name: 'lids',
						need: lids,
						have: drawer.length > 0 ? drawer.reduce((s, l) => s + l.amount, 0) : null,
						unit: ''
					}
				]
			: []),
		...(ice > 0.05 ? [{ name: 'ice', need: ice, have: ice_kg, unit: 'kg' }] : [])
	];
}
