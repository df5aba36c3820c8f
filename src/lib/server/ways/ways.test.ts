import { describe, expect, it } from 'vitest';
import { sayMonth } from '$core/quantities/dates';
import { canWays } from '$core/ways/can-ways';
import { dryWay } from '$core/ways/dry-ways';
import { freezeWays, type FreezeWay } from '$core/ways/freeze-ways';
import { glance, type GlanceWay } from '$core/ways/glance';
import type { Kitchen } from '$core/ways/kitchen';
import { kitchen as bare } from '$core/ways/kitchen.fixture';
import { foodById } from '$core/things/names';
import { plain, type Thing } from '$core/things/thing';
import { foodRows } from '$reference/tables';
import { canSlug, worked, type Look } from './look';
import { readable } from './query';
import type { LotRead } from './read';
import { bests, named, rowsOf } from './rows';
import { panelOf } from './view';

const now = new Date('2026-08-25T15:40:00Z');
const home = { recipes: [], metricCups: true };
const kitchen: Kitchen = {
	...bare,
	altitude_m: 380,
	dryer: { name: 'Dryer', trays: 9, trayArea_m2: 0.1, power_W: 600, heater: 'back' },
	trays: 6,
	freezeDay_kg: 8
};

/** What the page works with, without a store. */
function lookOf(thing: Thing, grams: number, fields: Readonly<Record<string, Record<string, string>>> = {}): Look {
	const read = {
		thing,
		kitchen,
		home,
		grams,
		free_g: grams,
		whole_g: grams,
		food_C: 18,
		stop: undefined,
		lot: { id: 'x', title: thing.called, form: thing.form, said: '', madeOf: null },
		place: { name: 'Counter' },
		own: [],
		hands: []
	} as unknown as LotRead;
	const readOf = (way: string) => readable(fields[way] ?? {}, thing, home);
	return {
		...read,
		...worked(read, readOf, grams, { now, price: 1200, came_g: grams }),
		readOf,
		shares: [],
		faults: []
	};
}

/** The list as the page of before had it: freezing with one cut, the dryer, jars. */
function before(thing: Thing, grams: number, cut?: string) {
	const common = { thing, grams, kitchen, now: now.getTime() };
	const ways = freezeWays({ ...common, food_C: 18, choices: cut ? { cut } : {} });
	const dry = dryWay({ ...common, cut: ways.cut, choices: {} });
	const cans = canWays({ ...common, jar: kitchen.people >= 4 ? 'quart' : 'pint' });
	return { ways, list: glance({ kitchen, grams, food_C: 18, freeze: ways.ways, dry, cans, paid: 1200 }) };
}

const numbers = (w: GlanceWay) => ({
	packs: w.packs,
	each_g: w.each_g,
	hands_s: w.hands_s,
	elapsed_s: w.elapsed_s,
	energy_kWh: w.energy_kWh,
	litres: w.litres,
	keepsUntil: w.keepsUntil,
	cost: w.cost
});

describe('the page of ways against the one of before', () => {
	it.each(foodRows.map((f) => f.id))('has the same numbers for %s, cut by cut', (id) => {
		const food = foodById(id);
		if (!food) throw new Error(id);
		const thing = plain(food);
		for (const cut of food.cuts.length > 0 ? food.cuts.map((c) => c.id) : [undefined]) {
			const old = before(thing, 6000, cut);
			for (const way of old.ways.ways.filter((w): w is FreezeWay => w.kind === 'way')) {
				const look = lookOf(thing, 6000, { [way.becomes]: { ...(cut ? { cut } : {}), size: way.id } });
				const entry = look.freeze.find((f) => f.becomes === way.becomes);
				expect(entry?.way, `${cut} ${way.id}`).toEqual(way);
				const row = named(look).find((n) => n.slug === way.becomes)?.row;
				const was = old.list.find((r) => r.id === `freeze-${way.id}`);
				if (row?.kind !== 'way' || was?.kind !== 'way') throw new Error(`${cut} ${way.id}: no line`);
				expect(numbers(row)).toEqual(numbers(was));
				const panel = panelOf(look, way.becomes, now);
				expect(panel?.figure.count).toBe(String(way.packs.count + (way.second?.count ?? 0)));
				// The minutes that are printed stand in the open way, each once, as the core says them.
				if (way.line) expect(panel?.facts.filter((f) => f.label === 'in the heat').map((f) => f.strong)).toEqual([way.blanchWords.split(',')[0]]); // prettier-ignore
			}
		}
		const look = lookOf(thing, 6000);
		const old = before(thing, 6000);
		const rows = named(look);
		for (const was of old.list.filter((r) => r.kind === 'way' && r.way !== 'freeze')) {
			const row = rows.find((n) => n.row.id === was.id)?.row;
			if (row?.kind !== 'way' || was.kind !== 'way') throw new Error(`${was.id}: no line`);
			expect(numbers(row)).toEqual(numbers(was));
		}
	});

	it('shows every minute of every jar with its own words, and none that is not a cell', () => {
		for (const food of foodRows) {
			const thing = plain(food);
			const look = lookOf(thing, 6000);
			for (const can of look.cans) {
				const panel = panelOf(look, canSlug(can.id), now);
				const shown = panel?.facts.filter((f) => f.label === 'canner' || f.label === 'or').map((f) => f.strong) ?? [];
				expect(shown, `${food.id} ${can.id}`).toEqual(can.way.processes.map((p) => `${p.minutes} min`));
				// What is said of low acid is said where pressure alone is tested, and nowhere else.
				const pressureOnly = can.way.processes.every((p) => p.method === 'pressure');
				const ids = panel?.cautions.map((c) => c.id) ?? [];
				if (can.way.product.processes.some((p) => p.method === 'water'))
					expect(ids, `${food.id} ${can.id}`).not.toContain('botulism');
				else if (pressureOnly) expect(ids, `${food.id} ${can.id}`).toContain('botulism');
			}
		}
	});
});

describe('the list', () => {
	it('puts each way in one part, what cannot be today below, and refused ones with their reason last', () => {
		for (const food of foodRows) {
			const all = named(lookOf(plain(food), 6000));
			const { rows, notNow, no } = rowsOf(all, now.getTime());
			expect(rows.length + notNow.length + no.length, food.id).toBe(all.length);
			const slugs = [...rows, ...notNow, ...no].map((r) => r.slug);
			expect(new Set(slugs).size, food.id).toBe(slugs.length);
			for (const w of no) expect(w.reason.length).toBeGreaterThan(10);
		}
	});

	it('marks a way best only among those that keep comparably, each word once', () => {
		for (const food of foodRows) {
			const open = named(lookOf(plain(food), 6000)).flatMap((n) => (n.row.kind === 'way' ? [n.row] : []));
			const found = bests(open, now.getTime());
			expect(new Set(found.values()).size).toBe(found.size);
			const days = (w: GlanceWay) => (w.keepsUntil ? Date.parse(w.keepsUntil) - now.getTime() : 0);
			const most = Math.max(...open.map(days));
			for (const [way, word] of found) {
				if (word === 'keeps longest') expect(days(way)).toBe(most);
				else expect(days(way) * 2, `${food.id} ${way.name} ${word}`).toBeGreaterThanOrEqual(most);
			}
		}
	});

	it('says packs, hands and the month as the core has them', () => {
		const look = lookOf(plain(foodById('green-beans') ?? never()), 9000);
		const [row] = rowsOf(named(look), now.getTime()).rows;
		const way = look.freeze[0]?.way;
		if (way?.kind !== 'way') throw new Error('no way');
		expect(row).toMatchObject({ figure: String(way.packs.count), unit: 'packs', until: sayMonth(way.keepsUntil) });
		const [h = 0, m = 0] = (row?.hands ?? '').split(':').map(Number);
		expect(Math.abs(h * 60 + m - way.hands_s / 60)).toBeLessThanOrEqual(0.5);
	});
});

const never = (): never => {
	throw new Error('not in the tables');
};
