import type { Refusal } from '$core/errors';
import { planDry } from '$core/runs/kinds/dry/make';
import type { DryPlan } from '$core/runs/kinds/dry/plan';
import { planFreeze } from '$core/runs/kinds/freeze/make';
import { withPart, fitting, type Share } from '$core/ways/shares';
import { AppError } from '../errors';
import { byProductsOf, freezersOf } from '../start';
import { readShelf, shelfPlace, standingOf, understoodShelf } from '../shelf-line';
import type { HouseholdRow } from '../stores/households';
import type { Stores } from '../stores';
import { apartSlugsOf } from './apart';
import { canSlug, lookAt, lookAtPart, type Look } from './look';
import { choicesOf, wayQuery, type WayQuery } from './query';
import { amountOf, readLot } from './read';

/** Every way of a lot that an address may name. */
export const slugsOf = (look: Look): string[] => [
	...look.freeze.map((f) => f.becomes),
	'dry',
	...look.cans.map((c) => canSlug(c.id)),
	...apartSlugsOf(look.thing)
];

const unknownWay = () =>
	new AppError(400, 'UNKNOWN_WAY', 'There is no such way for this item. Nothing was started.', [
		{ field: 'way', message: 'Choose one of the ways shown.' }
	]);

/**
 * Starts a run of one way of a lot: with what was chosen for it, for its share, unless this very form says otherwise.
 *
 * @param way one of the list, or one printed size of it: "blanch:ears-small"
 * @param said fields of the form
 * @throws {AppError} 400 no such way, no such choice; 404; 409 at the stove; 422 refused, or not led at the stove
 */
export async function startWay(
	stores: Stores,
	ask: { readonly key: string; readonly body: unknown },
	lotId: string,
	{ way, said }: { readonly way: string; readonly said: Readonly<Record<string, string>> },
	now: Date
): Promise<string> {
	const sized = way.includes(':') && !way.startsWith('can:');
	const fields = sized ? { ...said, size: way } : said;
	// A form that says something wrong starts nothing.
	const query: WayQuery = wayQuery(fields);
	const look = await lookAt(stores, lotId, { fields }, now);
	if (look.stop)
		throw new AppError(422, 'REFUSED', `${look.stop.reason} Instead: ${look.stop.instead.join('; ')}. Nothing was started.`); // prettier-ignore
	choicesOf(query, look.thing, look.home);
	if (way === 'dry') return startDrying(stores, ask, look, query.grams, now);
	if (slugsOf(look).includes(way) && !look.freeze.some((f) => f.becomes === way))
		throw new AppError(422, 'OWN_PAGE', 'Jars are begun on a page of their own: Into jars at the Stove. Nothing was started.'); // prettier-ignore
	const found = look.freeze.find((f) => f.becomes === way || f.way.id === way);
	if (!found) throw unknownWay();
	if (found.way.kind === 'refused')
		throw new AppError(422, 'REFUSED', `${found.way.reason} Instead: ${found.way.instead.join('; ')}.`);
	if (look.free_g === 0)
		throw new AppError(409, 'SPOKEN_FOR', 'All of it is at the stove already. Nothing was started.');
	const share = look.shares.find((s) => s.way === found.becomes)?.grams;
	const raw_g = amountOf(look, query.grams ?? share);
	const part = lookAtPart(look, raw_g, now).freeze.find((f) => f.becomes === found.becomes);
	if (part?.way.kind !== 'way') throw unknownWay();
	const one = {
		way: part.way,
		lotId: look.lot.id,
		called: look.lot.title,
		form: look.lot.form,
		raw_g,
		portionWords: look.readOf(found.becomes).choices.words,
		cooked: look.thing.state === 'cooked',
		byproducts: byProductsOf(look.thing, part.way, raw_g)
	};
	const { id } = await stores.runs.start(ask, planFreeze([one], look.kitchen, await freezersOf(stores)));
	if (share !== undefined) await stores.choices.begun(lotId, found.becomes, raw_g);
	return id;
}

/** @throws {AppError} 409 at the stove; 422 refused */
async function startDrying(
	stores: Stores,
	ask: { readonly key: string; readonly body: unknown },
	look: Look,
	grams: number | undefined,
	now: Date
): Promise<string> {
	if (look.free_g === 0)
		throw new AppError(409, 'SPOKEN_FOR', 'All of it is at the stove already. Nothing was started.');
	const share = look.shares.find((s) => s.way === 'dry')?.grams;
	const part = lookAtPart(look, amountOf(look, grams ?? share), now);
	const { id } = await stores.runs.start(ask, dryPlan([part]));
	if (share !== undefined) await stores.choices.begun(look.lot.id, 'dry', part.shown_g);
	return id;
}

/** One load of all that is looked at. @throws {AppError} 422 refused, or apart */
function dryPlan(looks: readonly Look[]): DryPlan {
	const chosen = looks.map((look) => {
		if (look.dry.kind === 'refused') throw refused(look.dry);
		return { way: look.dry, lotId: look.lot.id, called: look.lot.title, form: look.lot.form, raw_g: look.shown_g };
	});
	const [first] = looks;
	if (!first) throw unknownWay();
	const plan = planDry(chosen, first.kitchen);
	if (plan.kind === 'refused') throw refused(plan);
	return plan;
}

const refused = ({ reason, instead }: Refusal) =>
	new AppError(422, 'REFUSED', `${reason} Instead: ${instead.join('; ')}. Nothing was started.`);

/**
 * Starts one load of the dryer with several lots, in the air that all of them stand.
 *
 * @throws {AppError} 404; 409 at the stove; 422 one of them is not dried, or two do not stand together
 */
export async function startLoad(
	stores: Stores,
	ask: { readonly key: string; readonly body: unknown },
	lotIds: readonly string[],
	now: Date
): Promise<string> {
	const looks: Look[] = [];
	for (const id of lotIds) looks.push(await lookAt(stores, id, { fields: {} }, now));
	const stopped = looks.find((l) => l.stop ?? l.free_g === 0);
	if (stopped)
		throw new AppError(409, 'SPOKEN_FOR', `${stopped.lot.title}: ${stopped.stop?.reason ?? 'all of it is at the stove already.'} Nothing was started.`); // prettier-ignore
	const air = Math.min(...looks.map(({ dry }) => (dry.kind === 'refused' ? Infinity : dry.time.air_C)));
	const alike = [];
	// The coolest that one of them wants holds for all; each in its own hours at that.
	for (const look of looks)
		alike.push(
			look.dry.kind === 'way' && look.dry.time.air_C > air + 0.1
				? await lookAt(stores, look.lot.id, { way: 'dry', fields: { air: String(Math.round(air)) } }, now)
				: look
		);
	return (await stores.runs.start(ask, dryPlan(alike))).id;
}

/**
 * Keeps the switches of one way. What hangs on the cut is chosen anew with another.
 *
 * @throws {AppError} 400 a choice that is none
 */
export async function chooseWay(
	stores: Stores,
	key: string,
	lotId: string,
	way: string,
	said: Readonly<Record<string, string>>,
	now: Date
): Promise<void> {
	const { thing, home } = await readLot(stores, lotId, now);
	const before = (await stores.choices.of(lotId)).find((c) => c.way === way)?.choices ?? {};
	const { container, size, ...rest } = said;
	const sameCut = (before.cut ?? said.cut) === said.cut;
	const fields = { ...rest, ...(sameCut && container ? { container } : {}), ...(sameCut && size ? { size } : {}) };
	choicesOf(wayQuery(fields), thing, home);
	await stores.choices.choose(key, lotId, way, fields);
}

/** "can:tomatoes.crushed 7000; dry 2600", from left to right. @throws {AppError} 400 */
function readShares(text: string): Share[] {
	return text
		.split(';')
		.map((part) => part.trim())
		.filter(Boolean)
		.map((part) => {
			const [, way = '', grams = ''] = /^([\w:.-]{1,60}) (\d{1,7})$/.exec(part) ?? [];
			if (!way) throw new AppError(400, 'BAD_INPUT', 'The shares could not be read. Nothing was changed.');
			return { way, grams: Number(grams) };
		});
}

/**
 * Shares a lot out: all marks at once, or a part for one more way.
 *
 * @throws {AppError} 400 no way of this lot; 404
 */
export async function shareLot(
	stores: Stores,
	key: string,
	lotId: string,
	{ shares, part }: { readonly shares?: string | undefined; readonly part?: string | undefined },
	now: Date
): Promise<void> {
	const look = await lookAt(stores, lotId, { fields: {} }, now);
	const wanted = part === undefined ? readShares(shares ?? '') : withPart(look.free_g, look.shares, part);
	const known = slugsOf(look);
	if (wanted.length > known.length || wanted.some((s) => !known.includes(s.way)))
		throw new AppError(400, 'UNKNOWN_WAY', 'One of the shares goes no way that this item has. Nothing was changed.');
	await stores.choices.share(key, lotId, fitting(look.free_g, wanted));
}

/** What came of it without the Stove: as the shelves read it, and what of the lot was used up for it. @throws {AppError} 400, 404, 409, 422 */
export async function byHand(
	stores: Stores,
	key: string,
	home: HouseholdRow,
	asked: { lotId: string; text: string; placeId?: string | undefined; grams: number; tested?: boolean | undefined },
	{ now, by }: { now: Date; by: string }
) {
	const { lotId, placeId, grams } = asked;
	// Said by a tick: nothing else makes a jar one of a tested process.
	const text = asked.tested && !/\btested\b/i.test(asked.text) ? `${asked.text}, tested` : asked.text;
	const read = await readShelf(stores, text, home, now);
	const reading = understoodShelf(read, home, now, placeId);
	const place = shelfPlace(reading, read.places, placeId);
	const { standing } = standingOf(reading, place, text, home, now);
	return stores.stock.putAway({ key, body: { lotId, text, placeId, grams } }, standing, by, { lotId, grams });
}
