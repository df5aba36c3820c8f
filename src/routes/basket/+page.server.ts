import Joi from 'joi';
import { stillGoodFor } from '$core/things/clock';
import { dateIn } from '$core/freezing/keep';
import { readMoney, sayMoney } from '$core/quantities/money';
import { dgOf } from '$core/stock/amount';
import { make, transformsOf } from '$core/things/transform';
import { sources } from '$reference/sources';
import { unlikely } from '$core/things/likely';
import type { Thing } from '$core/things/thing';
import { AppError } from '$lib/server/errors';
import { partWords } from '$core/things/mixture';
import { echoOf, formWords, placeFor, priceOf, readHaul } from '$lib/server/haul';
import { knownFood, lotOfThing, lotThing, ripensWords } from '$lib/server/things';
import { stopOf } from '$lib/server/stop';
import { asShown, date, id, key, line, parse, weightWithin } from '$lib/server/parse';
import { sayStep } from '$lib/server/steps';
import { moreOf } from '$lib/server/more';
import { action, deviceOf, page } from '$lib/server/respond';
import type { HouseholdRow } from '$lib/server/stores/households';
import { undoAction } from '$lib/server/undo';
import { sayDuration, sayWeight } from '$core/quantities/format';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, now } = locals;
		const [lots, reserved, places, steps] = await Promise.all([
			stores.stock.basket(),
			stores.runs.reserved(),
			stores.home.places(),
			stores.stock.lastSteps('basket', 1)
		]);
		const rows = lots.map(({ lot, grams, place }) => {
			const { thing, clock: fresh, reread } = lotThing(lot, place, now);
			const { food } = thing;
			const stop = stopOf(thing, reread);
			return {
				id: lot.id,
				name: lot.title,
				form: partWords(lot.madeOf) || formWords(food, lot.form).replace(/^, /, ''),
				said: lot.said,
				note: lot.note,
				grams,
				atStove_g: reserved.get(lot.id) ?? 0,
				condition: [thing.state === 'fresh' ? '' : thing.state, thing.condition === 'firm' ? '' : thing.condition]
					.filter(Boolean)
					.join(', '),
				placeId: place.id,
				identified: lot.identified,
				stop: stop ? { kind: stop.stop, reason: stop.reason, say: lot.said } : null,
				past: thing.age?.past ?? 'no',
				// Nothing is said to be good for anything before it is known what it is.
				goodFor: stop ? null : (stillGoodFor(thing) ?? null),
				place: place.name,
				place_C: place.tempC,
				since: lot.since.getTime(),
				bestBy: fresh.bestBy,
				goneBy: fresh.goneBy,
				source: `${fresh.source === 'practice' ? 'common practice' : fresh.source} · ${fresh.confidence}`,
				warning: fresh.warning ?? null,
				ripens: stop ? '' : ripensWords(thing, lot, place, locals.household.zone, now),
				couldBecome: stop ? '' : couldBecome(thing, grams, locals.household),
				intake: food.intake,
				variety: lot.variety,
				origin: lot.origin,
				price: lot.priceMinor === null ? '' : sayMoney(lot.priceMinor, lot.currency ?? locals.household.currency),
				makes: stop && stop.stop !== 'state' ? [] : makesOf(thing, grams, locals.household.units)
			};
		});
		rows.sort((a, b) => a.bestBy - b.bestBy);
		return {
			title: 'Basket',
			rows,
			places: places.filter((p) => p.kind !== 'freezer').map((p) => ({ id: p.id, name: p.name })),
			steps: steps.map(sayStep(locals.household.units)),
			typed: url.searchParams.get('say') ?? '',
			open: url.searchParams.get('open'),
			more: await moreOf(stores, url.searchParams, now, locals.household.zone),
			today: now.getTime()
		};
	}, locals.household.units);

/** In a phrase, what the first cut gives: enough to choose by; Ways works it out. */
function couldBecome({ food, form }: Thing, grams: number, { people, units }: HouseholdRow): string {
	const cut = food.cuts[0];
	if (!cut) return '';
	const share = (cut.yields[form] ?? Object.values(cut.yields)[0])?.value ?? 1;
	const portion = Math.max(100, Math.round((people * 100) / 50) * 50);
	const packs = Math.floor((grams * share) / portion);
	return packs > 0
		? `${packs} × ${sayWeight(portion, units)} ${cut.name}`
		: `${sayWeight(grams * share, units)} ${cut.name}`;
}

/** Noon of the day that was said, and never later than now: when its clock started. */
const sinceOf = (day: string | undefined, now: Date): Date =>
	day === undefined ? now : new Date(Math.min(now.getTime(), Date.parse(`${day}T12:00:00Z`)));

const handsOf = (s: number | null): string => (s === null || s < 60 ? '' : `, ${sayDuration(s)} of hands`);

/** What people make of it before it is packed: what comes out, and what comes off. Drying is a way, thawing a move. */
const makesOf = (thing: Thing, grams: number, units: HouseholdRow['units']) =>
	transformsOf(thing)
		.filter((row) => row.step !== 'dry' && row.step !== 'thaw')
		.map((row) => {
			const made = make(row, thing, grams);
			const off = made.by.filter((b) => b.kept).map((b) => `${sayWeight(b.grams, units)} ${b.thing.form}`);
			return {
				id: row.id,
				name: row.name,
				out: `${row.unsure ? 'roughly' : 'about'} ${sayWeight(made.grams, units)}`,
				off: off.join(', '),
				hands: handsOf(made.hands_s),
				source: `${sources[row.source].short} · ${row.confidence}`
			};
		});

export const actions: Actions = {
	make: (event) =>
		action(event, async (fields) => {
			const {
				key: once,
				keep,
				out,
				transform,
				...step
			} = parse(
				Joi.object<{ lotId: string; transform: string; grams: number; out?: number; keep?: 'yes'; key: string }>({
					lotId: id().required().label('The item'),
					transform: line(80).required().label('What is made of it'),
					grams: weightWithin(1, 1_000_000).required().label('What goes in'),
					out: weightWithin(1, 1_000_000).label('What came out'),
					keep: Joi.string().valid('yes').label('Whether what comes off is kept'),
					key: key()
				}),
				asShown(fields, 'grams')
			);
			const done = await event.locals.stores.stock.make(
				once,
				{ ...step, transform, keep: keep === 'yes', ...(out === undefined ? {} : { out_g: out }) },
				deviceOf(event)
			);
			return { done };
		}),

	/** It stays as it is, and stands on the Shelves from now on. */
	keep: (event) =>
		action(event, async (fields) => {
			const {
				lotId,
				grams,
				key: once
			} = parse(
				Joi.object<{ lotId: string; grams: number; key: string }>({
					lotId: id().required().label('The item'),
					grams: weightWithin(1, 1_000_000).required().label('The amount'),
					key: key()
				}),
				asShown(fields, 'grams')
			);
			return { done: await event.locals.stores.stock.keep(once, { lotId, amount: dgOf(grams) }, deviceOf(event)) };
		}),

	/** Variety, where from, price and day, said after it came in. */
	tell: (event) =>
		action(event, async (fields) => {
			const { household, stores, now } = event.locals;
			const v = parse(
				Joi.object<{ lotId: string; variety?: string; origin?: '' | 'own' | 'bought' | 'given' | 'wild'; price?: string; day?: string; key: string }>({
					lotId: id().required().label('The item'),
					variety: line(60).label('The variety'),
					origin: Joi.string().valid('own', 'bought', 'given', 'wild').label('Where from'),
					price: line(20).label('The price'),
					day: date().label('The day'),
					key: key()
				}),
				fields
			); // prettier-ignore
			const priceMinor = v.price === undefined ? undefined : readMoney(v.price, household.currency);
			if (v.price !== undefined && priceMinor === undefined)
				throw new AppError(400, 'BAD_INPUT', `"${v.price}" is no amount of ${household.currency}. Nothing was saved.`, [
					{ field: 'price', message: 'Write it like 4.20.' }
				]);
			const today = dateIn(household.zone, now.getTime());
			if (v.day !== undefined && v.day > today)
				throw new AppError(400, 'BAD_INPUT', 'That day lies ahead. Nothing was saved.', [
					{ field: 'day', message: 'Today or before.' }
				]);
			await stores.stock.tell(v.key, v.lotId, {
				...(v.variety === undefined ? {} : { variety: v.variety }),
				...(v.origin === undefined ? {} : { origin: v.origin }),
				...(priceMinor === undefined ? {} : { priceMinor, currency: household.currency }),
				...(v.day === undefined ? {} : { since: sinceOf(v.day, now) })
			});
			return { saved: 'What was told' };
		}),

	add: (event) =>
		action(event, async (fields) => {
			const {
				text,
				placeId,
				sure,
				key: once
			} = parse(
				Joi.object<{ text: string; placeId?: string; sure?: string; key: string }>({
					sure: Joi.string().valid('yes').label('That it is sure'),
					text: line(200)
						.required()
						.label('What came in')
						.messages({ 'any.required': 'Type what came in, for example 9 kg runner beans' }),
					placeId: id().label('The place'),
					key: key()
				}),
				fields
			);
			const { locals } = event;
			const reading = await readHaul(locals.stores, text, locals.household, locals.now);
			if (reading.kind !== 'understood') {
				const echo = echoOf(reading, locals.household.units);
				const way = echo.instead ? ` Instead: ${echo.instead.join('; ')}.` : '';
				const refused = reading.kind === 'refused';
				throw new AppError(
					refused ? 422 : 400,
					refused ? 'REFUSED' : 'NOT_UNDERSTOOD',
					`${echo.words}${way} Nothing was saved; your line is still there.`,
					[{ field: 'text', message: echo.words }]
				);
			}
			const doubt = sure ? undefined : unlikely(reading, text, locals.household.units);
			if (doubt)
				throw new AppError(
					409,
					'SURPRISE',
					`${doubt.question} Nothing was saved; say that it is, or change the line.`,
					[{ field: 'text', message: doubt.question }]
				);
			const place = placeFor(reading, await locals.stores.home.places(), placeId);
			const done = await locals.stores.stock.addRaw(
				{ key: once, body: { text, placeId } },
				{
					...lotOfThing(reading.thing),
					placeId: place.id,
					said: text,
					note: reading.note,
					variety: reading.variety,
					...priceOf(reading, locals.household),
					since: sinceOf(reading.day, locals.now),
					grams: reading.grams
				},
				deviceOf(event)
			);
			return { done: { groupId: done.groupId, words: done.words } };
		}),

	weigh: (event) =>
		action(event, async (fields) => {
			const values = parse(
				Joi.object<{ measure: string; food: string; grams: number; text: string; key: string }>({
					key: key(),
					measure: line(40).required().label('The measure'),
					food: line(60).required().label('The food'),
					grams: weightWithin(1, 100_000).required().label('Its weight'),
					text: line(200).allow('')
				}),
				fields
			);
			knownFood(values.food);
			await event.locals.stores.home.setMeasure(values.key, {
				name: values.measure,
				food: values.food,
				grams: values.grams
			});
			return { weighed: { measure: values.measure, text: values.text ?? '' } };
		}),

	away: (event) =>
		action(event, async (fields) => {
			const {
				lotId,
				kind,
				grams,
				key: once
			} = parse(
				Joi.object<{ lotId: string; kind: 'take' | 'give' | 'spoil' | 'count'; grams: number; key: string }>({
					lotId: id().required().label('The item'),
					kind: Joi.string().valid('take', 'give', 'spoil', 'count').required().label('What happened'),
					grams: weightWithin(1, 1_000_000).required().label('The amount'),
					key: key()
				}),
				asShown(fields, 'grams')
			);
			return {
				done: await event.locals.stores.stock.act(
					once,
					{ lotId, kind, unit: 'dg', amount: dgOf(grams) },
					deviceOf(event)
				)
			};
		}),

	move: (event) =>
		action(event, async (fields) => {
			const {
				lotId,
				placeId,
				grams,
				key: once
			} = parse(
				Joi.object<{ lotId: string; placeId: string; grams: number; key: string }>({
					lotId: id().required().label('The item'),
					placeId: id().required().label('The place'),
					grams: weightWithin(1, 1_000_000).required().label('The amount'),
					key: key()
				}),
				asShown(fields, 'grams')
			);
			const step = { lotId, kind: 'move' as const, unit: 'dg' as const, amount: dgOf(grams), placeId };
			return { done: await event.locals.stores.stock.act(once, step, deviceOf(event)) };
		}),

	identify: (event) =>
		action(event, async (fields) => {
			const {
				lotId,
				answer,
				key: once
			} = parse(
				Joi.object<{ lotId: string; answer: 'yes' | 'no'; key: string }>({
					key: key(),
					lotId: id().required().label('The item'),
					answer: Joi.string().valid('yes', 'no').required().label('The answer')
				}),
				fields
			);
			await event.locals.stores.stock.identify(once, lotId, answer === 'yes');
			return { identified: answer };
		}),

	undo: undoAction
};
