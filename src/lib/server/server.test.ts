import Joi from 'joi';
import { randomUUID } from 'node:crypto';
import { eq, isNotNull } from 'drizzle-orm';
import { PDFDocument } from 'pdf-lib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DomainError } from '$core/errors';
import { readLine } from '$core/things/read-line';
import { gearFields, type GearKind } from '$core/ways/equipment-fields';
import { keepDemo, loadDemo } from '$demo/load';
import { clockOf } from './clock';
import { bringUpToDate, connect } from './db/client';
import { household } from './db/schema';
import { AppError, asAppError } from './errors';
import { echoOf } from './haul';
import { labelSheet, wrap, type Label } from './labels/label-sheet.mjs';
import { drawLabels } from './labels/draw';
import { readGear, shownGear } from './gear';
import { freezerHours, readPrices } from './means';
import { decimalWithin, formOf, line, measureWithin, parse, readJson, weightWithin } from './parse';
import { storesFor } from './stores';
import { householdById } from './stores/households';

const one = <T>(schema: Joi.Schema, value: unknown): T =>
	parse(Joi.object<{ x: T }>({ x: schema.required().label('It') }), { x: value }).x;

describe('freezers and prices', () => {
	const prices = { currency: 'eur', energyPrice: '0.314', hourRate: '6', bagPrice: '0,09', lidPrice: '0.14' };
	it('are read in the household’s units, shares as shares, money in minor units', () => {
		expect(readPrices(prices)).toEqual({
			currency: 'EUR',
			energyPrice: 31.4,
			hourRate: 600,
			bagPrice: 9,
			lidPrice: 14
		});
	});
	it('give the hours of the freezers without power, the published first', () => {
		const places = [
			{ kind: 'freezer', tempC: -18, litres: 200 },
			{ kind: 'fridge', tempC: 4, litres: null }
		];
		expect(freezerHours(places, 200, 21)).toMatchObject({ freezer_L: 200, outage: { hours: 48, published: true } });
		expect(freezerHours(places, 120, 21).outage).toEqual({ hours: 24, published: true });
		expect(freezerHours(places, 20, 21).outage?.published).toBe(false);
		expect(freezerHours([], 0, 21)).toEqual({ freezer_L: 0, outage: null });
	});
	it('name every fault', () => {
		const faults = (work: () => unknown) => {
			try {
				work();
			} catch (error) {
				return asAppError(error)?.faults.map((f) => f.field);
			}
			return undefined;
		};
		expect(faults(() => readPrices({ ...prices, currency: 'E1' }))).toEqual(['currency']);
		expect(faults(() => readPrices({ ...prices, bagPrice: 'free', lidPrice: '-2' }))).toEqual(['bagPrice', 'lidPrice']);
	});
});

describe('what a kitchen works with', () => {
	const form = (kind: GearKind, more: Record<string, string>) => ({ kind, name: 'one', key: randomUUID(), ...more });
	it('comes back from its form as it went in, in both units', () => {
		const held: Record<GearKind, Record<string, unknown>> = {
			pot: { litres: 12, burnerW: 3000, burnerKind: 'gas', diameterM: 0.28, heightM: 0.2, basketL: null },
			canner: { quarts: 7, pints: 16, halfPints: null, stacked: true, gauge: 'dial', dialTested: '2026-05-02' },
			dryer: { trays: 8, leastTrays: 4, trayArea_m2: 0.1, tare_kg: 0.3, power_W: 600, heater: 'back' },
			'freeze-dryer': { trays: 4, load_kg: 4 },
			sealer: { rolls_m: [0.2, 0.28], chamber: true },
			mill: { kg_h: 12 },
			grinder: { kg_h: null },
			moulds: { hollows: 24, each_mL: 30 },
			person: { handsH: 2.5, may: ['wash', 'seal'] }
		};
		for (const units of ['metric', 'us'] as const)
			for (const [kind, values] of Object.entries(held) as [GearKind, Record<string, unknown>][]) {
				const shown = Object.entries(shownGear(kind, values, units)).filter(([, v]) => v !== '');
				const { piece } = readGear(form(kind, Object.fromEntries(shown)), units);
				const back = piece.values as unknown as Record<string, unknown>;
				for (const [name, value] of Object.entries(values))
					if (typeof value === 'number')
						expect(Number(back[name]) / value, `${kind} ${name} ${units}`).toBeCloseTo(1, 2);
					else if (name === 'rolls_m') expect(back[name]).toHaveLength(2);
					else expect(back[name], `${kind} ${name} ${units}`).toEqual(value);
			}
	});
	it('is new with what most have, and every fault is named', () => {
		for (const kind of Object.keys(gearFields) as GearKind[]) {
			const usual = Object.entries(shownGear(kind, null, 'metric')).filter(([, v]) => v !== '');
			expect(() => readGear(form(kind, Object.fromEntries(usual)), 'metric'), kind).not.toThrow();
		}
		const fault = (kind: GearKind, more: Record<string, string>) => {
			try {
				readGear(form(kind, more), 'metric');
			} catch (error) {
				return asAppError(error)?.faults.map((f) => f.field);
			}
			return undefined;
		};
		expect(fault('dryer', { trays: '0', heater: 'moon' })).toEqual([
			'trays',
			'trayArea_m2',
			'power_W',
			'heater',
			'leastTrays'
		]);
		expect(fault('sealer', { rolls_m: '20;28' })).toBeUndefined();
		expect(fault('sealer', { rolls_m: '20, wide' })).toEqual(['rolls_m']);
		// 24 cm across and 18 high are 8 litres: a straight wall.
		expect(fault('pot', { litres: '30', burnerW: '2000', burnerKind: 'gas', diameterM: '24', heightM: '18' })).toEqual([
			'litres'
		]);
		expect(
			fault('pot', { litres: '8', burnerW: '2000', burnerKind: 'gas', diameterM: '24', heightM: '18' })
		).toBeUndefined();
	});
});

describe('what comes in', () => {
	it('names every fault at once, in words, and says that nothing was saved', () => {
		const schema = Joi.object({
			name: line(5).required().label('The name'),
			people: Joi.number().min(1).required().label('People')
		});
		try {
			parse(schema, { name: 'much too long', people: 0 });
			expect.unreachable();
		} catch (error) {
			const known = asAppError(error) as AppError;
			expect(known.status).toBe(400);
			expect(known.faults.map((f) => f.field)).toEqual(['name', 'people']);
			expect(known.message).toMatch(/The name .* People .* Nothing was saved\.$/);
			expect(Object.keys(known.body.error).sort()).toEqual(['code', 'faults', 'message']);
		}
	});
	it.each([
		['2,5', 2.5],
		['2.5', 2.5],
		[' 3 ', 3],
		['-4', -4],
		['−4', -4]
	])('reads "%s" as %d', (text, value) => expect(one(decimalWithin(-10, 10), text)).toBe(value));
	it.each(['', 'x', '1e3', '0x10', 'NaN', 'Infinity', '11', '1.2.3'])(
		'does not read "%s" as a number up to ten',
		(text) => expect(() => one(decimalWithin(-10, 10), text)).toThrow(AppError)
	);
	it('reads weights and measures with their units, within bounds', () => {
		expect(one(weightWithin(10, 5000), '3 lb 4 oz')).toBe(1474);
		expect(() => one(weightWithin(10, 5000), '5')).toThrow(/from 10 to 5000 g/);
		expect(one(measureWithin('temperature', 'us', -40, 45), '0')).toBeCloseTo(-17.78, 2);
		expect(() => one(measureWithin('temperature', 'us', 1, 35), '200')).toThrow(/33.8 to 95 °F/);
		expect(() => one(measureWithin('volume', 'metric', 1, 100), 'much')).toThrow(/number in L/);
	});
	it('takes an empty field for none, and says when a body is not JSON', async () => {
		const body = new URLSearchParams({ a: ' ', b: 'x' });
		expect(await formOf(new Request('http://x', { method: 'POST', body }))).toEqual({ b: 'x' });
		await expect(readJson(new Request('http://x', { method: 'POST', body: '{' }))).rejects.toMatchObject({
			code: 'NOT_JSON',
			status: 400
		});
	});
	it('turns a misuse of the core into an answer, and leaves a bug a bug', () => {
		expect(asAppError(new DomainError('NOT_POSITIVE', 'grams', 'grams must be above 0'))).toMatchObject({
			status: 422,
			faults: [{ field: 'grams' }]
		});
		expect(asAppError(new TypeError('x is undefined'))).toBeUndefined();
	});
});

describe('the one clock', () => {
	it('is the real one unless a test sets it', () => {
		expect(Math.abs(clockOf('+3600000', false).getTime() - Date.now())).toBeLessThan(2000);
		expect(Math.abs(clockOf('+3600000', true).getTime() - Date.now() - 3_600_000)).toBeLessThan(2000);
		expect(clockOf('2026-08-25T08:00:00Z', true).toISOString()).toBe('2026-08-25T08:00:00.000Z');
		expect(Math.abs(clockOf('nonsense', true).getTime() - Date.now())).toBeLessThan(2000);
	});
});

describe('the echo of a line', () => {
	const echo = (text: string, units: 'metric' | 'us' = 'metric') =>
		echoOf(readLine(text, { own: [], metricCups: units === 'metric' }), units);
	it('says what was understood in the household’s units', () => {
		expect(echo('9 kg courgettes, soft, fridge').words).toBe('9.0 kg courgettes, soft, fridge');
		expect(echo('9 kg courgettes', 'us').words).toBe('19.8 lb courgettes');
		expect(echo('40 ears sweetcorn').detail).toMatch(/practice/);
	});
	it('gives each question its answers', () => {
		expect(echo('9 kg peas').choices).toHaveLength(2);
		expect(echo('2 trugs carrots').weigh).toEqual({ measure: 'trug', food: 'carrots', foodName: 'carrots' });
	});
});

describe('label sheets', () => {
	const label: Label = {
		title: 'Štěpán’s beans, ťuk ≤ ½',
		amount: '500 g',
		packed: '25 Aug 2026',
		useFirst: '25 Aug 2027',
		use: 'Cook from frozen.',
		code: 'AB2CD',
		url: 'http://127.0.0.1/b/AB2CD'
	};
	it.each([
		[1, 1],
		[24, 1],
		[25, 2],
		[100, 5]
	])('%i labels take %i sheets, letters of any kind included', async (count, sheets) => {
		const pdf = await PDFDocument.load(
			await labelSheet(
				Array.from({ length: count }, () => label),
				'a4'
			)
		);
		expect(pdf.getPageCount()).toBe(sheets);
	});
	it('comes on the household’s paper', async () => {
		const letter = await PDFDocument.load(await drawLabels([label], 'letter'));
		expect(letter.getPage(0).getWidth()).toBeCloseTo(612, 0);
	});
	it('breaks lines at words and loses none', () => {
		const font = { widthOfTextAtSize: (t: string) => t.length };
		expect(wrap('one two three four', font, 1, 9)).toEqual(['one two', 'three', 'four']);
		expect(wrap('', font, 1, 9)).toEqual([]);
		expect(wrap('unbreakablelongword x', font, 1, 5)).toEqual(['unbreakablelongword', 'x']);
	});
});

describe('the demo', () => {
	let link: ReturnType<typeof connect>;
	beforeAll(async () => {
		link = connect(process.env.TEST_DATABASE_URL ?? '', 3);
		await bringUpToDate(link.db);
	});
	afterAll(() => link.close());
	const at = (iso: string) => new Date(iso);
	const view = async (id: string, now: Date) => {
		const h = await householdById(link.db, id);
		if (!h || h.id !== id) throw new Error('gone');
		return { h, stores: storesFor(link.db, h, now) };
	};

	it('is always this morning’s haul while nobody has worked in it, and is left alone once somebody has', async () => {
		const [day1, day2] = [at('2026-08-25T10:00:00Z'), at('2026-08-26T06:30:00Z')];
		const [idle, used] = [await loadDemo(link.db, day1, randomUUID()), await loadDemo(link.db, day1, randomUUID())];
		const before = await view(used, day1);
		const [shelf] = await before.stores.stock.shelves();
		await before.stores.stock.act(
			randomUUID(),
			{ lotId: shelf?.id ?? '', kind: 'take', unit: 'pack', amount: 1 },
			'test'
		);
		await keepDemo(link.db, day2, false);
		const fresh = await view(idle, day2);
		expect(fresh.h.demoDate).toBe('2026-08-26');
		const corn = (await fresh.stores.stock.basket()).find((l) => l.lot.food === 'sweet-corn');
		expect(day2.getTime() - (corn?.lot.since.getTime() ?? 0)).toBeLessThan(3 * 3_600_000);
		expect((await view(used, day2)).h.demoDate).toBe('2026-08-25');
		// Asked to, it brings back the oldest demo whole: one that no other test works in meanwhile.
		await loadDemo(link.db, at('2020-01-01T10:00:00Z'), randomUUID());
		const [oldest] = await link.db
			.select()
			.from(household)
			.where(isNotNull(household.demoDate))
			.orderBy(household.createdAt, household.id)
			.limit(1);
		await keepDemo(link.db, day2, true);
		const [again] = await link.db
			.select()
			.from(household)
			.where(eq(household.id, oldest?.id ?? ''));
		expect(again).toMatchObject({ demoDate: '2026-08-26', touched: false });
	});
});
