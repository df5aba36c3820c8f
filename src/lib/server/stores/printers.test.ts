import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringUpToDate, connect } from '../db/client';
import { instrumentById } from './instruments';
import { householdById, newHousehold } from './households';
import { storesFor } from '.';

let link: ReturnType<typeof connect>;
const now = Date.parse('2026-11-28T08:00:00Z');
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

const label = {
	title: 'Green beans',
	amount: '500 g',
	packed: '28 Nov 2026',
	useFirst: '28 Nov 2027',
	use: '',
	code: 'ABCDE',
	url: 'http://x/b/ABCDE'
};
const sheet = { label, count: 6, paper: 'a4' } as const;

async function kitchen(name: string) {
	const id = await newHousehold(link.db, { name, zone: 'UTC', now: new Date(now) });
	const row = await householdById(link.db, id);
	if (!row) throw new Error('no household');
	const at = (ms: number) => storesFor(link.db, row, new Date(ms));
	const printer = await at(now).instruments.add(randomUUID(), { name: 'Printer', quantity: 'print', watch: 'nothing' });
	return { at, printer };
}

describe('a printer of labels', () => {
	it('is sent a sheet once however often it is pressed, fetches it, and says what became of it', async () => {
		const { at, printer } = await kitchen('printer');
		const { printers } = at(now);
		const key = randomUUID();
		expect(await printers.send(key, printer, sheet)).toEqual({ printer: 'Printer' });
		await printers.send(key, printer, sheet);
		const waiting = await printers.waiting(printer);
		expect(waiting).toMatchObject([{ label, count: 6, paper: 'a4' }]);
		expect(await printers.all()).toMatchObject([{ name: 'Printer', waiting: 6, failed: [], printedAt: null }]);
		const job = waiting[0]?.id ?? '';
		await at(now + 5_000).printers.done(printer, job, 'failed', 'no paper');
		expect(await printers.waiting(printer)).toEqual([]);
		expect(await printers.all()).toMatchObject([
			{ waiting: 0, failed: [{ title: 'Green beans', count: 6, fault: 'no paper' }] }
		]);
		await printers.again(randomUUID(), job);
		await at(now + 9_000).printers.done(printer, job, 'printed', '');
		// Said again it changes nothing; afterwards it cannot have failed.
		await at(now + 10_000).printers.done(printer, job, 'printed', '');
		await expect(printers.done(printer, job, 'failed', 'late')).rejects.toMatchObject({ status: 404 });
		expect(await printers.all()).toMatchObject([{ waiting: 0, failed: [], printedAt: now + 10_000 }]);
		await expect(printers.again(randomUUID(), job)).rejects.toMatchObject({ status: 404 });
	});
	it('takes twenty sheets and no more, and what nobody fetched for a day waits no longer', async () => {
		const { at, printer } = await kitchen('busy printer');
		const { printers } = at(now);
		for (let i = 0; i < 20; i++) await printers.send(randomUUID(), printer, sheet);
		await expect(printers.send(randomUUID(), printer, sheet)).rejects.toMatchObject({ status: 409, code: 'TOO_MANY' });
		expect(await at(now + 90_000_000).printers.waiting(printer)).toEqual([]);
	});
	it('is nobody’s but its household’s, measures nothing, and reads nothing', async () => {
		const [one, other] = [await kitchen('one'), await kitchen('other')];
		await one.at(now).printers.send(randomUUID(), one.printer, sheet);
		const [job] = await one.at(now).printers.waiting(one.printer);
		await expect(other.at(now).printers.send(randomUUID(), one.printer, sheet)).rejects.toMatchObject({ status: 404 });
		await expect(other.at(now).printers.job(other.printer, job?.id ?? '')).rejects.toMatchObject({ status: 404 });
		await expect(other.at(now).printers.done(one.printer, job?.id ?? '', 'printed', '')).rejects.toMatchObject({
			status: 404
		});
		expect(await one.at(now).instruments.live()).toEqual([]);
		const row = await instrumentById(link.db, one.printer);
		if (!row) throw new Error('no printer');
		await expect(one.at(now).instruments.keep(row, [{ value: 1, unit: 'g' }])).rejects.toMatchObject({ status: 403 });
		await one.at(now).instruments.remove(randomUUID(), one.printer);
		expect(await one.at(now).printers.all()).toEqual([]);
	});
});
