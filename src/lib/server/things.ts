import { clockOf, type Clock, type Stay } from '$core/things/clock';
import { dateIn } from '$core/freezing/keep';
import { sayDate } from '$core/quantities/dates';
import { rereadLot, type Reread } from '$core/things/reread';
import { ripening } from '$core/things/ripening';
import { foodById, kindById } from '$core/things/names';
import { nearNames, understand } from '$core/things/understand';
import type { Thing } from '$core/things/thing';
import type { FoodRow } from '$reference/tables';
import { AppError, notFound } from './errors';
import type { lot, place } from './db/schema';

type LotRow = typeof lot.$inferSelect;
type NewLot = typeof lot.$inferInsert;
type PlaceRow = typeof place.$inferSelect;

/** The reader of lines that new lots are understood by. */
export const thisReader = 1;

export function knownFood(id: string): FoodRow {
	const food = foodById(id);
	if (!food) {
		const near = nearNames(id, 1)[0];
		throw notFound(`food "${id}"${near ? ` (near: ${near.name})` : ''}, `);
	}
	return food;
}

/** The one food that a person names in a field. @throws {AppError} 400 none, or several */
export function namedFood(said: string, field = 'food'): FoodRow {
	const named = understand(said);
	if (named.kind === 'thing') return named.thing.food;
	throw new AppError(
		400,
		'UNKNOWN_FOOD',
		`No one food named “${said}” is known: say it more closely. Nothing was saved.`,
		[{ field, message: 'A food of the tables.' }]
	);
}

/** What of a thing stands in a lot's row. */
export const lotOfThing = (
	thing: Thing
): Pick<
	NewLot,
	| 'food'
	| 'foodKind'
	| 'form'
	| 'condition'
	| 'state'
	| 'was'
	| 'madeOf'
	| 'process'
	| 'wild'
	| 'identified'
	| 'title'
	| 'reader'
> => ({
	food: thing.food.id,
	foodKind: thing.kind?.id ?? null,
	form: thing.form,
	condition: thing.condition,
	state: thing.state,
	was: thing.was ?? null,
	madeOf: thing.madeOf ?? null,
	process: thing.process ?? null,
	wild: thing.wild ?? false,
	identified: thing.identified ?? null,
	title: thing.called,
	reader: thisReader
});

type Standing = Pick<PlaceRow, 'kind' | 'tempC'>;

/** A place as the clock and the safety room know it. */
export const standingIn = (place: Standing) => ({
	place: place.kind,
	place_C: Math.max(-40, Math.min(45, place.tempC))
});

/** Everywhere that a lot has stood, the last place open. */
export function staysOf(row: LotRow, place: Standing): Stay[] {
	return [
		...row.stays,
		{
			...standingIn(place),
			from: (row.placedAt ?? row.since).getTime(),
			until: null,
			state: row.state
		}
	];
}

/** Since when it has been what it is, in a place of this kind: a thermometer that was read again moves nothing. */
export function arrivedAt(
	row: Pick<LotRow, 'stays' | 'placedAt' | 'since' | 'state'>,
	place: Pick<PlaceRow, 'kind'>
): Date {
	return new Date(arrivedFrom(row.stays, (row.placedAt ?? row.since).getTime(), place.kind, row.state));
}

/** The same of a lot's parts, ms. */
export function arrivedFrom(
	stays: LotRow['stays'],
	since: number,
	place: PlaceRow['kind'],
	state: LotRow['state']
): number {
	let from = since;
	for (const stay of [...stays].reverse()) {
		if (stay.place !== place || stay.state !== state || Math.abs((stay.until ?? from) - from) > 1000) break;
		from = stay.from;
	}
	return from;
}

/** The stays of a lot that leaves its place now. */
export const staysAfter = (row: LotRow, place: Standing, now: Date): Stay[] =>
	staysOf(row, place).map((s) => (s.until === null ? { ...s, until: Math.max(s.from, now.getTime()) } : s));

/**
 * What the clock of a lot goes on from when another comes back to it, by undoing a move: whichever history ends sooner.
 * The hours that were recorded elsewhere are not unsaid by it, and what had stayed is not made younger.
 */
export function staysMerged(
	row: LotRow,
	place: Standing,
	back: LotRow,
	backFrom: Standing,
	now: Date
): Pick<LotRow, 'stays' | 'placedAt'> {
	const own = { stays: row.stays, placedAt: row.placedAt };
	const others = { stays: staysAfter(back, backFrom, now), placedAt: now };
	const goneBy = (with_: typeof own) => lotThing({ ...row, ...with_ }, place, now).clock.goneBy;
	return goneBy(others) < goneBy(own) ? others : own;
}

/**
 * "if ripe now; firm ones are ripe from 2 to 7 Sep", beside the day that what is ripe keeps until: nobody said how ripe it
 * is. Empty for what does not ripen after picking, and once that is past.
 */
export function ripensWords(thing: Thing, row: LotRow, place: Standing, zone: string, now: Date): string {
	const found = ripening(thing, staysOf(row, place));
	if (!found) return '';
	const { ripe, days } = found;
	const green = thing.food.id === 'green-tomatoes';
	const become = green ? 'red' : 'ripe';
	if (!ripe) return `firm ones wait in the cold: out of it they are ${become} in ${days[0]} to ${days[1]} days`;
	if (ripe[1] < now.getTime()) return '';
	const say = (at: number) => sayDate(dateIn(zone, at)).replace(/ \d{4}$/, '');
	const when = ripe[0] <= now.getTime() ? `by ${say(ripe[1])}` : `from ${say(ripe[0])} to ${say(ripe[1])}`;
	return green ? `to use green; red ${when}` : `if ripe now; firm ones are ripe ${when}: press one a day`;
}

export interface LotThing {
	/** With its age. */
	readonly thing: Thing;
	readonly clock: Clock;
	/** What its line says when it is read again, where that is another thing than was kept. */
	readonly reread: Reread | undefined;
}

/** Lots of before are read again at every look: the words of a lot never change, so what they say is remembered. */
const readAgain = new Map<string, Reread>();
const mostReadAgain = 2_000;
function rereadOnce(lot: { readonly food: FoodRow; readonly title: string; readonly note: string }): Reread {
	const words = JSON.stringify([lot.food.id, lot.title, lot.note]);
	const known = readAgain.get(words);
	if (known) return known;
	if (readAgain.size >= mostReadAgain) readAgain.clear();
	const read = rereadLot(lot);
	readAgain.set(words, read);
	return read;
}

/** A lot as a thing, with its clock over every place that it stood in. */
export function lotThing(row: LotRow, place: Standing, now: Date): LotThing {
	const food = knownFood(row.food);
	const before =
		row.reader < thisReader && row.waiting ? rereadOnce({ food, title: row.title, note: row.note }) : undefined;
	const kind = kindById(row.food, row.foodKind) ?? before?.kindRow;
	const bare: Thing = {
		food,
		...(kind ? { kind } : {}),
		called: row.title,
		form: row.form,
		state: row.state,
		condition: row.condition,
		...(row.was ? { was: row.was } : {}),
		...(row.madeOf ? { madeOf: row.madeOf } : {}),
		...(row.process ? { process: row.process } : {}),
		...(row.wild ? { wild: true } : {}),
		...(row.identified === null ? {} : { identified: row.identified })
	};
	const clock = clockOf(bare, staysOf(row, place), now.getTime());
	return { thing: { ...bare, age: clock.age }, clock, reread: before?.flagged ? before : undefined };
}
