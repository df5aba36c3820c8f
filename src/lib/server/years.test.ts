import { afterAll, beforeAll, expect, it } from 'vitest';
import { twoYears, type Lived } from '../../../tests/laws/two-years';
import { bringUpToDate, connect } from './db/client';

/** Households that live for two years; `npm run siege` has twenty, by a new seed. */
const households = Number(process.env.SIEGE_YEARS ?? 2);
const seed = Number(process.env.SIEGE_SEED ?? 7);
let link: ReturnType<typeof connect>;
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

it('over two years of a household its ledger is exact, and nine in ten of its forecasts hold', async () => {
	const lived: Lived[] = [];
	for (let i = 0; i < households; i++) lived.push(await twoYears(link, seed * 1_000 + i));
	const all = (of: (l: Lived) => number) => lived.reduce((sum, l) => sum + of(l), 0);
	const said = all((l) => l.said);
	const inside = all((l) => l.inside);
	const words = `${said} forecasts: ${inside} held, ${all((l) => l.early)} earlier, ${all((l) => l.late)} later; ${all((l) => l.runs)} runs, ${all((l) => l.movements)} movements`;
	if (process.env.SIEGE_YEARS) console.log(words);
	expect(said).toBeGreaterThan(25 * households);
	// Four of a food hang together: of few households the share itself is uncertain by two of its spreads.
	const slack = 2 * Math.sqrt((0.9 * 0.1) / (said / 4));
	expect(inside / said, words).toBeGreaterThan(0.9 - Math.max(0.05, slack));
	expect(inside / said, words).toBeLessThan(Math.min(1, 0.9 + Math.max(0.05, slack)) + 1e-9);
});
