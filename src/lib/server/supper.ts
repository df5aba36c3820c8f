import { dateIn } from '$core/freezing/keep';
import { meal_g } from '$core/forecast/larder';
import { instantOf } from '$core/quantities/dates';
import { sayWeight } from '$core/quantities/format';
import { suppers, thawsFor, type Eatable, type Meal, type Part, type SupperAsk } from '$core/supper/supper';
import { foodById } from '$core/things/names';
import type { ShelfLot } from '$lib/ui/shelves/types';
import type { PartShown, SupperView } from '$lib/ui/supper/types';
import { lastsView } from './lasting';
import { shelvesOf } from './shelves';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';

export interface SupperAsked {
	readonly people?: number | undefined;
	readonly within?: number | undefined;
	readonly at?: string | undefined;
}

/** In pieces or minced: it goes into the pan frozen (common practice). */
const inPieces: ReadonlySet<string> = new Set(['bacon', 'sausage', 'shrimp', 'chicken-livers']);
const mostLots = 400;

/** What stands anywhere and may be eaten tonight. */
async function eatables(stores: Stores, household: HouseholdRow, now: Date) {
	const [shelves, rows, claimed] = await Promise.all([
		shelvesOf(stores, household, now, { most: mostLots }),
		stores.stock.standing(),
		stores.stock.claimed()
	]);
	const byId = new Map(rows.map((r) => [r.id, r]));
	const found = shelves.groups
		.flatMap((g) => g.places)
		.flatMap((place) =>
			place.lots.flatMap((l): { lot: ShelfLot; eatable: Eatable }[] => {
				const row = byId.get(l.id);
				const food = row && foodById(row.food);
				// What is stopped, past its end, or waits to be worked on is no supper.
				if (!row || !food || l.stop || l.tone === 'out' || l.tone === 'past' || l.waiting) return [];
				const spoken = claimed.get(l.id);
				const free = row.amount - (spoken ? spoken.atStove + spoken.aside.reduce((s, a) => s + a.amount, 0) : 0);
				const packed = row.unit === 'pack';
				const eatable: Eatable = {
					lot: l.id,
					food: food.id,
					name: l.title,
					// A mixture is a dish: what is in it besides is eaten with it.
					group: row.mixed && food.group !== 'vegetable' ? 'dish' : food.group,
					state: row.state,
					packed,
					unit_g: row.unitG,
					units: Math.max(0, free),
					place: place.name,
					by: l.by,
					small: food.id.startsWith('ground-') || inPieces.has(food.id),
					lowAcid: food.acid.class !== 'high'
				};
				return [{ lot: l, eatable }];
			})
		);
	return { found, shelves };
}

/** What we take out: meals from what is there, what goes to the fridge for tomorrow, what is open. @throws {AppError} */
export async function supperView(
	stores: Stores,
	household: HouseholdRow,
	now: Date,
	asked: SupperAsked
): Promise<SupperView> {
	const { units, zone } = household;
	const people = asked.people ?? household.people;
	const within = asked.within ?? 40;
	const [{ found, shelves }, eaten, avoids, places, lasts] = await Promise.all([
		eatables(stores, household, now),
		stores.eaten.byFood(meal_g(household.people)),
		stores.avoids.all(),
		stores.home.places(),
		lastsView(stores, household, now)
	]);
	const today = dateIn(zone, now.getTime());
	const at = asked.at ?? '18:30';
	const atMs = instantOf(`${today}T${at}`, zone) ?? now.getTime();
	const ask: SupperAsk = {
		people,
		within_min: within,
		now: now.getTime(),
		eaten: new Map(
			[...eaten].flatMap(([food, e]) => {
				const last = e.draws.at(-1);
				return last ? [[food, last.at] as const] : [];
			})
		),
		avoid: new Set(avoids.map((a) => a.food))
	};
	const list = found.map((f) => f.eatable);
	const lotOf = new Map(found.map((f) => [f.lot.id, f.lot]));
	const shown = (part: Part): PartShown => {
		const { eatable, grams, minutes, units: n } = part;
		const lot = lotOf.get(eatable.lot);
		return {
			amount: eatable.packed ? `${n} × ${lot?.each ?? ''}` : sayWeight(Math.round(grams), units),
			name: eatable.name,
			place: eatable.place,
			how:
				minutes.how === 'from frozen'
					? 'from frozen'
					: minutes.how === 'cold water first'
						? 'in cold water first, in its bag'
						: ''
		};
	};
	const meals = suppers(list, ask);
	const thaws = thawsFor(list, ask, atMs + 86_400_000);
	const hurry = lasts.rows.find((r) => r.ration !== '' && !r.soon);
	return {
		people,
		at,
		atMs,
		within,
		meals: meals.map((m) => {
			const lot = lotOf.get(m.first.lot);
			return {
				title: titleOf(m),
				minutes: m.minutes,
				parts: m.parts.map(shown),
				why: `${m.first.name}: ${lot?.until ?? ''}`,
				soon: lot?.tone === 'soon',
				short: m.short,
				take: m.parts.map((p) => `${p.eatable.lot} ${Math.round(p.units)}`).join(';')
			};
		}),
		thaws: thaws.map(({ eatable, units: n, hours, inTime }) => ({
			lot: eatable.lot,
			title: eatable.name,
			amount: eatable.packed ? `${n} × ${lotOf.get(eatable.lot)?.each ?? ''}` : sayWeight(n * eatable.unit_g, units),
			place: eatable.place,
			hours,
			inTime,
			unit: lotOf.get(eatable.lot)?.unit ?? 'pack',
			units: Math.round(n)
		})),
		fridge: places.find((p) => p.kind === 'fridge')?.id ?? null,
		second: shelves.second.map((l) => ({
			title: l.title,
			all: l.all,
			until: l.until,
			hours: (l.by - now.getTime()) / 3_600_000
		})),
		avoids: avoids.map((a) => ({ ...a, name: foodById(a.food)?.name ?? a.food })),
		eatDown: hurry ? { name: hurry.name, stands: hurry.stands, ration: hurry.ration } : null,
		lowAcid: meals.some((m) => m.parts.some((p) => p.eatable.state === 'canned' && p.eatable.lowAcid))
	};
}

/** "Beef mince with green beans and potatoes". */
function titleOf({ parts }: Meal): string {
	const [first, ...rest] = parts.map((p) => p.eatable.name.split(',')[0]?.toLowerCase() ?? '');
	const name = `${first ?? ''}${rest.length > 0 ? ` with ${rest.join(' and ')}` : ''}`;
	return name.charAt(0).toUpperCase() + name.slice(1);
}

/** "…-lot… 2;…-lot… 1000": what a meal takes of which lots. */
export const readTake = (text: string): { lotId: string; amount: number }[] =>
	text.split(';').flatMap((part) => {
		const [, lotId = '', amount = ''] = /^([0-9a-f-]{36}) (\d{1,7})$/.exec(part.trim()) ?? [];
		return lotId ? [{ lotId, amount: Number(amount) }] : [];
	});
