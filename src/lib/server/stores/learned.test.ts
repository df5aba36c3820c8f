import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { foodById } from '$core/things/names';
import { plain } from '$core/things/thing';
import { planFreeze } from '$core/runs/kinds/freeze/make';
import type { RunEvent, Tap } from '$core/runs/kinds';
import { freezeWays, type FreezeWay } from '$core/ways/freeze-ways';
import { loadDemo } from '$demo/load';
import { bringUpToDate, connect } from '../db/client';
import { readLot } from '../ways/read';
import { lotOfThing } from '../things';
import { storesFor } from '.';
import { householdById } from './households';

const start = Date.parse('2026-08-25T08:00:00Z');
let link: ReturnType<typeof connect>;
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

describe('what a run teaches the next plan', () => {
	it('two runs on the real stores: the pot comes back as it was seen, the knife goes as it was said', async () => {
		const home = await householdById(link.db, await loadDemo(link.db, new Date(start), randomUUID()));
		const beans = foodById('green-beans');
		if (!home || !beans) throw new Error('no household');
		let now = start;
		const at = () => storesFor(link.db, home, new Date(now));
		const [place] = await at().home.places();
		const first = await at().home.kitchen();
		expect(first.pots.every((p) => p.comesBack === undefined)).toBe(true);
		const lotOf = async () => {
			const values = {
				...lotOfThing(plain(beans)),
				placeId: place?.id ?? '',
				said: 'beans',
				note: '',
				since: new Date(now),
				grams: 2000
			};
			return (await at().stock.addRaw({ key: randomUUID(), body: now }, values, 'test')).lotId;
		};
		const before = await readLot(at(), await lotOf(), new Date(now));
		expect(before.hands).toEqual([]);

		const codes: string[] = [];
		for (let run = 0; run < 2; run++) {
			now += 86_400_000;
			const kitchen = await at().home.kitchen();
			const lotId = await lotOf();
			const way = freezeWays({
				thing: plain(beans),
				grams: 2000,
				food_C: 18,
				kitchen,
				choices: { cut: 'cut' },
				now
			}).ways.find((w): w is FreezeWay => w.kind === 'way' && w.id === 'blanch:cut');
			if (!way?.line) throw new Error('no way');
			const plan = planFreeze([{ way, lotId, called: 'green beans', form: 'whole', raw_g: 2000 }], kitchen);
			const { id } = await at().runs.start({ key: randomUUID(), body: run }, plan);
			// Twice as long as the burner's power says.
			const back_s = Math.round((plan.subjects[0]?.reboil_s ?? 0) * 2);
			const taps: [number, Tap][] = [
				[60, { type: 'heat-on' }],
				[1200, { type: 'boiling' }],
				[1300, { type: 'move', potful: 1, to: 'return' }],
				[1300 + back_s, { type: 'move', potful: 1, to: 'blanch' }],
				[1300 + back_s + 180, { type: 'move', potful: 1, to: 'chill' }],
				[1300 + back_s + 400, { type: 'move', potful: 1, to: 'drain' }],
				[1300 + back_s + 600, { type: 'move', potful: 1, to: 'freeze' }],
				[9000, { type: 'finish' }]
			];
			const began = now;
			now += 3 * 3_600_000;
			const view = await at().runs.append(
				id,
				taps.map(([s, tap]) => ({ ...tap, id: randomUUID(), at: began + s * 1000 }) as RunEvent),
				'test'
			);
			const [entry] = view.entries;
			const book = await at().batches.byCode(entry?.code ?? '');
			expect(book.closing.potfuls[0]?.stages.return, JSON.stringify(view.events.map((e) => e.type))).toBe(back_s);
			codes.push(book.code);
			// The plan's word, an hour longer.
			await at().batches.sayHands(randomUUID(), book.code, book.handsS + 3600);
		}

		now += 86_400_000;
		const learned = (await at().home.kitchen()).pots.find((p) => p.comesBack !== undefined);
		expect(learned?.boilsSeen).toBe(2);
		expect(learned?.comesBack).toBeGreaterThan(1.5);
		expect(learned?.comesBack).toBeLessThan(2);
		const lotId = await lotOf();
		const after = await readLot(at(), lotId, new Date(now));
		expect(after.hands).toMatchObject([{ cut: 'cut', batches: 2 }]);
		expect(after.hands[0]?.share).toBeGreaterThan(after.hands[0]?.table ?? Infinity);
		// Taken back, it is the table's again.
		await at().batches.sayHands(randomUUID(), codes[0] ?? '', null);
		expect((await readLot(at(), lotId, new Date(now))).hands).toEqual([]);
		await expect(at().batches.sayHands(randomUUID(), 'NOSUCH', 60)).rejects.toMatchObject({ status: 404 });
	});
});
