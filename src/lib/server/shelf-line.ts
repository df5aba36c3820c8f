import { dateIn } from '$core/freezing/keep';
import { sayMonth, sayDate } from '$core/quantities/dates';
import { sayAmount, sayContent } from '$core/stock/amount';
import { clockOf } from '$core/things/clock';
import { mayStand } from '$core/safety/stand';
import { gate } from '$core/safety/gate';
import { readShelfLine, type OnShelf, type ShelfReading } from '$core/things/shelf-line';
import type { State } from '$core/things/thing';
import type { FoodRow } from '$reference/tables';
import type { Units } from '$core/quantities/format';
import type { methods } from './db/schema';
import { AppError, notFound } from './errors';
import { formWords, type Echo } from './haul';
import type { HouseholdRow, PlaceRow } from './stores/households';
import type { Standing } from './stores/stock/put';
import type { Stores } from './stores';
import { lotOfThing, standingIn } from './things';

/** A line of what stands there already, in this household's words. */
export async function readShelf(
	stores: Stores,
	text: string,
	household: HouseholdRow,
	now: Date,
	jars?: 'tested' | 'unknown'
): Promise<{ reading: ShelfReading; places: PlaceRow[] }> {
	const [measures, places] = await Promise.all([stores.home.measures(), stores.home.places()]);
	const reading = readShelfLine(text, {
		own: measures,
		metricCups: household.units === 'metric',
		today: dateIn(household.zone, now.getTime()),
		places,
		...(jars ? { jars } : {})
	});
	return { reading, places };
}

/** Where a state of food usually stands, by kind of place: the first that this household has. */
const usualPlace: Readonly<Partial<Record<State, readonly PlaceRow['kind'][]>>> = {
	frozen: ['freezer'],
	canned: ['pantry', 'cellar', 'cool', 'counter'],
	dried: ['pantry', 'cool', 'counter'],
	pickled: ['pantry', 'fridge'],
	fermented: ['crock', 'fridge', 'cellar'],
	opened: ['fridge'],
	thawed: ['fridge'],
	cooked: ['fridge'],
	'in-oil': ['fridge'],
	soaked: ['fridge']
};

/** What is dry by nature stands in the pantry, what spoils in the fridge. */
const usualOfFood = (food: FoodRow): readonly PlaceRow['kind'][] =>
	['grain', 'nut', 'pantry'].includes(food.group) || food.id === 'dry-beans'
		? ['pantry', 'counter']
		: food.perishable || food.group === 'dairy' || food.group === 'egg'
			? ['fridge']
			: [];

/** The place of a line: its own word, then the one that is being gone through, then where such a thing usually stands. */
export function shelfPlace(reading: OnShelf, places: readonly PlaceRow[], chosen?: string): PlaceRow {
	const byId = (id: string | undefined) => (id ? places.find((p) => p.id === id) : undefined);
	if (chosen && !byId(chosen)) throw notFound('place');
	const { food, state } = reading.thing;
	const kinds = reading.placeKind ? [reading.placeKind] : (usualPlace[state] ?? usualOfFood(food));
	const usual = kinds.map((k) => places.find((p) => p.kind === k)).find((p) => p !== undefined);
	const told = byId(reading.placeId) ?? (reading.placeKind ? usual : undefined);
	const found = told ?? byId(chosen) ?? usual ?? places[0];
	if (!found) throw notFound('place');
	return found;
}

const methodOf: Readonly<Partial<Record<State, (typeof methods)[number]>>> = {
	frozen: 'freeze',
	canned: 'can',
	pickled: 'can',
	dried: 'dry',
	fermented: 'ferment',
	salted: 'salt',
	cured: 'cure',
	smoked: 'cure',
	cooked: 'cook'
};
const wayWords: Readonly<Partial<Record<State, string>>> = {
	frozen: 'Frozen',
	canned: 'Canned',
	pickled: 'Pickled',
	dried: 'Dried',
	fermented: 'Fermented',
	salted: 'Salted',
	cured: 'Cured',
	smoked: 'Smoked',
	cooked: 'Cooked'
};

/**
 * What a line puts on the shelf: with its place, its clock and, for packs, its entry in the book.
 *
 * @throws {AppError} 422 it may not stand there
 */
export function standingOf(
	reading: OnShelf,
	place: PlaceRow,
	said: string,
	{ zone }: Pick<HouseholdRow, 'zone'>,
	now: Date
): { standing: Standing; thing: OnShelf['thing']; keepsUntil: string; warning: string | undefined } {
	const at = standingIn(place);
	const stand = mayStand(reading.thing, { ...at, name: place.name, loose: reading.counted.unit !== 'pack' }, 'said');
	if (stand.kind === 'refused')
		throw new AppError(
			422,
			'MAY_NOT_STAND',
			`${stand.reason} Instead: ${stand.instead.join('; ')}. Nothing was saved; your line is still there.`,
			[{ field: 'text', message: stand.reason }]
		);
	const thing = { ...reading.thing, state: stand.state };
	const today = dateIn(zone, now.getTime());
	const since =
		reading.day === undefined || reading.day === today
			? now
			: new Date(Math.min(now.getTime(), Date.parse(`${reading.day}T12:00:00Z`)));
	const clock = clockOf(thing, [{ ...at, from: since.getTime(), until: null, state: thing.state }], now.getTime());
	const keepsUntil = dateIn(zone, clock.goneBy);
	const kept = methodOf[thing.state];
	const entry =
		reading.counted.unit === 'pack' && kept
			? {
					method: kept,
					way: `${wayWords[thing.state] ?? 'Kept'}, written down by hand`,
					packedOn: reading.day ?? today,
					keepsUntil
				}
			: null;
	const bought = /\b(bought|shop|market|supermarket)\b/i.test(reading.note);
	return {
		thing,
		keepsUntil,
		warning: stand.warning ?? clock.warning,
		standing: {
			lot: {
				...lotOfThing(thing),
				placeId: place.id,
				said,
				note: reading.note,
				since,
				origin: bought ? 'bought' : ''
			},
			counted: reading.counted,
			amount: reading.amount,
			entry
		}
	};
}

/** What the page shows under the line of a shelf that is being typed. */
export function echoOfShelf(
	read: { reading: ShelfReading; places: PlaceRow[] },
	household: HouseholdRow,
	now: Date,
	chosen?: string
): Echo {
	const { reading, places } = read;
	const { units } = household;
	switch (reading.kind) {
		case 'asked':
			return { kind: 'asked', words: reading.question, detail: '', choices: reading.choices };
		case 'unclear':
			return { kind: 'unclear', words: reading.message, detail: '', choices: reading.near };
		case 'refused':
			return {
				kind: 'refused',
				words: reading.refusal.reason,
				detail: reading.refusal.source,
				choices: [],
				instead: reading.refusal.instead
			};
		case 'understood': {
			const place = shelfPlace(reading, places, chosen);
			try {
				const { thing, keepsUntil, warning } = standingOf(reading, place, '', household, now);
				const unknown = gate({ thing, way: 'serve-raw' });
				const stopped = unknown?.rule === 'jar-process' ? unknown.reason : undefined;
				const counted = amountWords(reading, units);
				return {
					kind: 'understood',
					words: `${counted} ${thing.called}${formWords(thing.food, thing.form)}, ${thing.state}, in ${place.name}`,
					detail: [
						dayWords(reading),
						`keeps to ${sayDate(keepsUntil)}`,
						reading.because,
						reading.note ? `“${reading.note}”` : '',
						stopped ? '' : (warning ?? '')
					]
						.filter(Boolean)
						.join(' · '),
					choices: [],
					...(stopped ? { danger: stopped } : {})
				};
			} catch (thrown) {
				if (!(thrown instanceof AppError) || thrown.code !== 'MAY_NOT_STAND') throw thrown;
				return { kind: 'refused', words: thrown.faults[0]?.message ?? thrown.message, detail: '', choices: [], instead: [thrown.message.replace(/^.*Instead: /, '').replace(/\. Nothing was saved.*$/, '')] }; // prettier-ignore
			}
		}
	}
}

const amountWords = ({ counted, amount }: OnShelf, units: Units): string =>
	counted.unit === 'pack' ? `${amount} × ${sayContent(counted, units)}` : sayAmount(counted, amount, units);

const dayWords = ({ day, monthOnly }: OnShelf): string =>
	day === undefined ? 'no date said: counted from today' : `from ${monthOnly ? sayMonth(day) : sayDate(day)}`;

/** A line that is to be kept. @throws {AppError} 400 not understood, or asked about; 422 refused */
export function understoodShelf(
	read: { reading: ShelfReading; places: PlaceRow[] },
	household: HouseholdRow,
	now: Date,
	placeId?: string
): OnShelf {
	const { reading } = read;
	if (reading.kind === 'understood') return reading;
	const echo = echoOfShelf(read, household, now, placeId);
	const way = echo.instead ? ` Instead: ${echo.instead.join('; ')}.` : '';
	throw new AppError(
		reading.kind === 'refused' ? 422 : 400,
		reading.kind === 'refused' ? 'REFUSED' : 'NOT_UNDERSTOOD',
		`${echo.words}${way} Nothing was saved; your line is still there.`,
		[{ field: 'text', message: echo.words }]
	);
}
