import { readMoney } from '$core/quantities/money';
import { dateIn } from '$core/freezing/keep';
import { unlikely } from '$core/things/likely';
import type { Understood } from '$core/things/read-line';
import { AppError, type Fault } from './errors';
import { echoOf, placeFor, priceOf, readHaul } from './haul';
import type { HouseholdRow } from './stores/households';
import type { ReceiptLine } from './stores/stock/receipt';
import type { Stores } from './stores';
import { lotOfThing } from './things';

/** Lines of one buying. */
const mostLines = 40;

/**
 * A whole sum shared out by weight, in minor units: what rounding leaves goes to the largest.
 *
 * @param grams each above 0
 */
export function shareOut(total: number, grams: readonly number[]): number[] {
	const sum = grams.reduce((a, b) => a + b, 0);
	const shares = grams.map((g) => Math.floor((total * g) / sum));
	const largest = grams.indexOf(Math.max(...grams));
	const left = total - shares.reduce((a, b) => a + b, 0);
	return shares.map((s, i) => (i === largest ? s + left : s));
}

/**
 * The lines of a receipt as things with their prices: their own where a line says one, the rest of the whole by weight.
 *
 * @throws {AppError} 400: every line that is not understood is named, and nothing is kept
 */
export async function readReceipt(
	stores: Stores,
	home: HouseholdRow,
	now: Date,
	{ text, total, on }: { text: string; total?: string; on: string }
): Promise<{ lines: ReceiptLine[]; totalMinor: number | null }> {
	const typed = text
		.split('\n')
		.map((l) => l.trim())
		.filter(Boolean);
	if (typed.length > mostLines)
		throw new AppError(400, 'TOO_MUCH', `At most ${mostLines} lines go on one receipt. Nothing was saved.`);
	const totalMinor = total === undefined ? null : (readMoney(total, home.currency) ?? null);
	const faults: Fault[] = [];
	if (total !== undefined && totalMinor === null)
		faults.push({ field: 'total', message: `"${total}" is no amount of ${home.currency}.` });
	const places = await stores.home.places();
	const read: { said: string; reading: Understood }[] = [];
	for (const said of typed) {
		const reading = await readHaul(stores, said, home, now);
		const doubt = reading.kind === 'understood' ? unlikely(reading, said, home.units) : undefined;
		if (reading.kind === 'understood' && !doubt) read.push({ said, reading });
		else faults.push({ field: 'lines', message: `“${said}”: ${doubt?.question ?? echoOf(reading, home.units).words}` });
	}
	if (faults.length > 0)
		throw new AppError(
			400,
			'NOT_UNDERSTOOD',
			`${faults.map((f) => f.message).join(' ')} Nothing was saved; your lines are still there.`,
			faults
		);
	const own = read.map(({ reading }) => priceOf(reading, home));
	const foreign = own.find((p) => p.currency !== null && p.currency !== home.currency);
	if (foreign && totalMinor !== null)
		throw new AppError(400, 'BAD_INPUT', `A line is in ${foreign.currency} and the whole in ${home.currency}: say one of them. Nothing was saved.`, [
			{ field: 'total', message: 'Of two moneys.' }
		]); // prettier-ignore
	const said_minor = own.reduce((sum, p) => sum + (p.priceMinor ?? 0), 0);
	const open = read.filter((_, i) => own[i]?.priceMinor === null);
	if (totalMinor !== null && said_minor > totalMinor)
		throw new AppError(400, 'BAD_INPUT', 'The lines cost more than the whole. Nothing was saved; your lines are still there.', [
			{ field: 'total', message: 'Less than its lines.' }
		]); // prettier-ignore
	const shares = totalMinor === null || open.length === 0 ? [] : shareOut(totalMinor - said_minor, open.map((o) => o.reading.grams)); // prettier-ignore
	// Bought today it comes in now, as a line in the Basket does; bought before, at that day's noon, and kept cold since where
	// it must be: what stood on the counter since then nobody would type in.
	const today = on === dateIn(home.zone, now.getTime());
	const since = today ? now : new Date(Math.min(now.getTime(), Date.parse(`${on}T12:00:00Z`)));
	const fridge = places.find((p) => p.kind === 'fridge');
	const lines = read.map(({ said, reading }, i) => {
		const cold = !today && !reading.place && reading.thing.food.perishable && reading.thing.state !== 'frozen';
		const place = (cold ? fridge : undefined) ?? placeFor(reading, places);
		const at = open.findIndex((o) => o.said === said && o.reading === reading);
		const share = shares[at];
		return {
			lot: {
				...lotOfThing(reading.thing),
				placeId: place.id,
				said,
				note: reading.note,
				variety: reading.variety,
				since,
				origin: 'bought' as const,
				...(share === undefined ? own[i] : { priceMinor: share, currency: home.currency })
			},
			grams: reading.grams
		};
	});
	return { lines, totalMinor };
}
