import { asc, eq, isNotNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { sayAs } from '$core/quantities/dates';
import { dateIn, monthsAfter } from '$core/freezing/keep';
import { dgOf, packsOfGrams } from '$core/stock/amount';
import { foodById } from '$core/things/names';
import type { Closing } from '$core/runs/engine/book';
import { readLine } from '$core/things/read-line';
import { readShelfLine } from '$core/things/shelf-line';
import { cutOf } from '$core/foods/cuts';
import { transact, type Database, type Tx } from '$lib/server/db/client';
import {
	batch,
	container,
	equipment,
	household,
	lot,
	lotBalance,
	machinePrice,
	movement,
	ownMeasure,
	person,
	place,
	planting,
	pot,
	shopPrice,
	supply
} from '$lib/server/db/schema';
import { standingOf } from '$lib/server/shelf-line';
import { becomeDefault } from '$lib/server/stores/households';
import { columnsOf } from '$lib/server/stores/runs/entries';
import { makeLot, post } from '$lib/server/stores/stock';
import { putAway } from '$lib/server/stores/stock/put';
import { lotOfThing } from '$lib/server/things';
import { plannedYear } from '$lib/server/season-plan';
import { historyBatches, machines, plantings, shopPrices } from './history';
import { demo } from './household';

const day_ms = 86_400_000;

/** This morning at half past nine, in the demo's zone; five minutes ago before that. */
function morning(now: Date): number {
	const at = now.getTime();
	const [hour = 0, minute = 0] = sayAs(at, demo.household.zone, 'H m').split(' ').map(Number);
	const past_min = hour * 60 + minute - (9 * 60 + 30);
	return at - Math.max(5, past_min) * 60_000;
}

/** Lays the demo household out for today. One transaction. @returns its id */
export function loadDemo(db: Database, now: Date, id: string = uuidv7()): Promise<string> {
	return transact(db, async (tx) => {
		await tx
			.insert(household)
			.values({ id, ...demo.household, demoDate: dateIn(demo.household.zone, now.getTime()), createdAt: now });
		await fillDemo(tx, id, now);
		return id;
	});
}

/** Puts the demo's kitchen, haul and shelves into an empty household. */
export async function fillDemo(tx: Tx, id: string, now: Date): Promise<void> {
	const places = new Map<string, string>();
	const containers = new Map<string, string>();
	for (const [position, p] of demo.places.entries()) {
		const placeId = uuidv7();
		places.set(p.name, placeId);
		await tx.insert(place).values({ id: placeId, householdId: id, position, ...p });
	}
	for (const [position, m] of demo.equipment.entries())
		await tx.insert(equipment).values({ id: uuidv7(), householdId: id, position, ...m });
	for (const p of demo.persons)
		await tx.insert(person).values({ id: uuidv7(), householdId: id, ...p, may: [...p.may] });
	for (const s of demo.supplies) await tx.insert(supply).values({ id: uuidv7(), householdId: id, ...s });
	for (const p of demo.pots) await tx.insert(pot).values({ id: uuidv7(), householdId: id, ...p });
	for (const c of demo.containers) {
		const containerId = uuidv7();
		containers.set(c.name, containerId);
		await tx.insert(container).values({ id: containerId, householdId: id, ...c });
	}
	for (const m of demo.measures) await tx.insert(ownMeasure).values({ id: uuidv7(), householdId: id, ...m });
	const base = morning(now);
	for (const item of demo.haul) {
		const read = readLine(item.said, { own: [...demo.measures], metricCups: true });
		if (read.kind !== 'understood') throw new Error(`The demo's "${item.said}" is not understood.`);
		const lotId = await makeLot(
			tx,
			id,
			{
				waiting: true,
				...lotOfThing(read.thing),
				placeId: placeOf(places, item.place),
				said: item.said,
				note: read.note,
				since: new Date(base - (item.hoursAgo - 2) * 3_600_000)
			},
			now
		);
		await post(tx, id, uuidv7(), [{ lotId, kind: 'put', amount: dgOf(read.grams) }], { now, by: 'demo' });
	}
	const stood = await tx.select().from(place).where(eq(place.householdId, id));
	for (const item of demo.shelf) {
		const read = readShelfLine(item.said, { own: [...demo.measures], metricCups: true, today: dateIn(demo.household.zone, now.getTime()), places: [] }); // prettier-ignore
		const there = stood.find((p) => p.name === item.place);
		if (read.kind !== 'understood' || !there) throw new Error(`The demo's "${item.said}" is not understood.`);
		const day = dateIn(demo.household.zone, now.getTime() - item.daysAgo * day_ms);
		const { standing } = standingOf({ ...read, day }, there, item.said, demo.household, now);
		await putAway(tx, id, standing, { now, by: 'demo' });
	}
	for (const [n, b] of demo.batches.entries()) await addBatch(tx, id, now, places, containers, b, n);
	await addHistory(tx, id, now, places, containers);
	await addPrices(tx, id, now);
}

/** The price book, the garden and what the machines cost. */
async function addPrices(tx: Tx, id: string, now: Date): Promise<void> {
	const { zone, currency } = demo.household;
	const dayOf = (daysAgo: number) => dateIn(zone, now.getTime() - daysAgo * day_ms);
	await tx.insert(shopPrice).values(
		shopPrices.map(({ daysAgo, ...p }) => ({
			id: uuidv7(),
			householdId: id,
			...p,
			currency,
			shop: 'Market hall',
			seenOn: dayOf(daysAgo)
		}))
	);
	const next = plannedYear(demo.household, now);
	const on = (year: number, day: string | undefined) => (day === undefined ? null : `${year}-${day}`);
	await tx.insert(planting).values(
		plantings.flatMap(({ food, plants, pick, sow }) =>
			[...plants, null].map((n, i) => {
				const year = next - plants.length + i;
				// Of the year to come only the days are known.
				const days = n === null ? { pick, sow } : { pick: null, sow: null };
				return {
					householdId: id,
					food,
					year,
					plants: n,
					sowFrom: on(year, days.sow?.[0]),
					sowTo: on(year, days.sow?.[1]),
					pickFrom: on(year, days.pick?.[0]),
					pickTo: on(year, days.pick?.[1])
				};
			})
		)
	);
	const own = await tx.select().from(equipment).where(eq(equipment.householdId, id));
	for (const { name, paid, daysAgo } of machines) {
		const machine = own.find((m) => m.name === name);
		if (!machine) throw new Error(`The demo has no machine "${name}".`);
		await tx
			.insert(machinePrice)
			.values({ equipmentId: machine.id, householdId: id, paidMinor: paid, currency, boughtOn: dayOf(daysAgo) });
	}
}

function placeOf(places: Map<string, string>, name: string): string {
	const placeId = places.get(name);
	if (!placeId) throw new Error(`The demo has no place "${name}".`);
	return placeId;
}

async function addBatch(
	tx: Tx,
	id: string,
	now: Date,
	places: Map<string, string>,
	containers: Map<string, string>,
	b: (typeof demo.batches)[number],
	n: number
): Promise<void> {
	const food = foodById(b.food);
	if (!food) throw new Error(`The demo's food "${b.food}" is unknown.`);
	const cut = cutOf(food, b.cut);
	const at = new Date(now.getTime() - b.daysAgo * day_ms);
	const packedOn = dateIn(demo.household.zone, at.getTime());
	const keepsUntil = monthsAfter(packedOn, b.months);
	const title = `${b.called ?? food.name}, ${cut.name}`;
	const batchId = uuidv7();
	const packed_g = b.packs * b.pack_g;
	const closing: Closing = {
		raw_g: b.raw_g,
		load_g: packed_g,
		packed_g,
		packs: b.packs,
		supper_g: 0,
		yield: packed_g / b.raw_g,
		elapsed_s: 3.4 * 3600,
		hands_s: 1.6 * 3600,
		lots: [],
		potfuls: []
	};
	await tx.insert(batch).values({
		id: batchId,
		householdId: id,
		code: `DEMO${n + 2}`,
		food: food.id,
		form: food.forms[0]?.id ?? 'whole',
		cut: cut.id,
		way: b.way,
		title,
		packedOn,
		keepsUntil,
		useWords: cut.use,
		closing,
		...columnsOf(closing),
		createdAt: at
	});
	const lotId = await makeLot(
		tx,
		id,
		{
			...packsOfGrams(b.pack_g),
			state: 'frozen',
			food: food.id,
			form: 'whole',
			placeId: placeOf(places, b.place),
			condition: 'firm',
			said: '',
			note: '',
			title,
			containerId: containers.get(b.container) ?? null,
			batchId,
			since: at,
			keepsUntil
		},
		at
	);
	await post(tx, id, uuidv7(), [{ lotId, kind: 'put', amount: b.packs, batchId }], { now: at, by: 'demo' });
	for (const daysAgo of b.taken) {
		await post(tx, id, uuidv7(), [{ lotId, kind: 'take', amount: -1, batchId }], {
			now: new Date(now.getTime() - daysAgo * day_ms),
			by: 'demo'
		});
	}
}

/** Two seasons before this one: what came in, what came of it, how it was eaten. Rows of all of it at once. */
async function addHistory(
	tx: Tx,
	id: string,
	now: Date,
	places: Map<string, string>,
	containers: Map<string, string>
): Promise<void> {
	const at = (daysAgo: number) => new Date(now.getTime() - daysAgo * day_ms);
	const batches: (typeof batch.$inferInsert)[] = [];
	const lots: (typeof lot.$inferInsert)[] = [];
	const balances: (typeof lotBalance.$inferInsert)[] = [];
	const moves: (typeof movement.$inferInsert)[] = [];
	for (const [n, h] of historyBatches().entries()) {
		const { of } = h;
		const food = foodById(of.food);
		if (!food) throw new Error(`The demo's food "${of.food}" is unknown.`);
		const form = food.forms[0]?.id ?? 'whole';
		const title = of.called ?? `${food.name}, ${cutOf(food, of.cut).name}`;
		const packed = at(h.daysAgo);
		const packedOn = dateIn(demo.household.zone, packed.getTime());
		const packed_g = h.packs * of.pack_g;
		const closing: Closing = {
			raw_g: h.raw_g,
			load_g: packed_g,
			packed_g,
			packs: h.packs,
			supper_g: 0,
			yield: packed_g / h.raw_g,
			elapsed_s: h.hands_s * 1.8,
			hands_s: h.hands_s,
			lots: [],
			potfuls: []
		};
		const [batchId, rawId, packId] = [uuidv7(), uuidv7(), uuidv7()];
		const keepsUntil = monthsAfter(packedOn, of.months);
		batches.push({
			id: batchId,
			householdId: id,
			code: `OLD${n + 2}`,
			food: food.id,
			form,
			cut: of.cut,
			way: of.way,
			method: of.method,
			title,
			packedOn,
			keepsUntil,
			useWords: '',
			closing,
			...columnsOf(closing),
			paidMinor: h.paidMinor,
			currency: h.paidMinor === null ? null : demo.household.currency,
			...(h.first ? { again: of.again[0], change: of.again[1] } : {}),
			createdAt: packed
		});
		const both = {
			householdId: id,
			food: food.id,
			form,
			condition: 'firm' as const,
			said: '',
			note: '',
			title,
			variety: of.variety ?? ''
		};
		lots.push({
			...both,
			id: rawId,
			waiting: true,
			placeId: placeOf(places, 'Kitchen counter'),
			origin: h.paidMinor === null ? 'own' : 'bought',
			priceMinor: h.paidMinor,
			currency: h.paidMinor === null ? null : demo.household.currency,
			since: at(h.daysAgo + 0.4),
			createdAt: at(h.daysAgo + 0.4)
		});
		lots.push({
			...both,
			...packsOfGrams(of.pack_g),
			id: packId,
			state: of.state,
			process: of.state === 'canned' ? 'tested' : null,
			placeId: placeOf(places, of.place),
			containerId: of.container === null ? null : (containers.get(of.container) ?? null),
			batchId,
			since: packed,
			keepsUntil,
			createdAt: packed
		});
		for (const lotId of [rawId, packId]) balances.push({ lotId, householdId: id, amount: 0 });
		const move = (lotId: string, kind: 'put' | 'use' | 'take' | 'spoil', amount: number, daysAgo: number, cause = '') =>
			moves.push({
				id: uuidv7(),
				householdId: id,
				lotId,
				groupId: uuidv7(),
				kind,
				amount,
				cause,
				by: 'demo',
				batchId,
				occurredAt: at(daysAgo),
				recordedAt: at(daysAgo)
			});
		move(rawId, 'put', dgOf(h.raw_g), h.daysAgo + 0.4);
		move(rawId, 'use', -dgOf(h.raw_g), h.daysAgo);
		move(packId, 'put', h.packs, h.daysAgo);
		for (const g of h.gone) move(packId, g.cause ? 'spoil' : 'take', -g.packs, g.daysAgo, g.cause);
	}
	await tx.insert(batch).values(batches);
	await tx.insert(lot).values(lots);
	await tx.insert(lotBalance).values(balances);
	await tx.insert(movement).values(moves);
}

/**
 * Keeps the demo fresh: loads it into an empty database, lays out anew for today those demos that nobody has worked in,
 * and brings the oldest one back whole when asked (or makes one, where it was cleared).
 */
export async function keepDemo(db: Database, now: Date, reset: boolean): Promise<void> {
	const [any] = await db.select({ id: household.id }).from(household).limit(1);
	if (!any) return becomeDefault(db, await loadDemo(db, now));
	const [oldest] = await db
		.select({ id: household.id })
		.from(household)
		.orderBy(asc(household.createdAt), asc(household.id))
		.limit(1);
	if (oldest) await becomeDefault(db, oldest.id);
	const today = dateIn(demo.household.zone, now.getTime());
	const demos = await db
		.select()
		.from(household)
		.where(isNotNull(household.demoDate))
		.orderBy(asc(household.createdAt), asc(household.id));
	if (reset && demos.length === 0) return void (await loadDemo(db, now));
	for (const [n, old] of demos.entries()) {
		const stale = !old.touched && old.demoDate !== today;
		if (!stale && !(reset && n === 0)) continue;
		await transact(db, async (tx) => {
			await tx.delete(household).where(eq(household.id, old.id));
			// The same id, so that a browser's cookie still finds it; the same date, so that it keeps its place.
			await tx.insert(household).values({
				id: old.id,
				...demo.household,
				demoDate: today,
				isDefault: old.isDefault,
				createdAt: old.createdAt
			});
			await fillDemo(tx, old.id, now);
		});
	}
}
