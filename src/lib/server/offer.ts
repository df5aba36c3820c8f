import type { LotOfHaul } from '$core/haul/from-ways';
import { judgePrice, type PriceJudged } from '$core/costs/offer-price';
import { echoOf, placeFor, priceOf, readHaul, type Echo } from './haul';
import { lotOf, readGround } from './share-haul';
import type { HouseholdRow } from './stores/households';
import type { LotRow } from './stores/stock';
import type { Stores } from './stores';
import { lotOfThing } from './things';
import { lookStanding } from './ways/look';
import { readHouse } from './ways/read';

/** No lot has it: what is offered is in no basket yet. */
const offered = '00000000-0000-4000-8000-000000000000';

export interface OfferView {
	/** What was asked about. */
	readonly said: string;
	/** Where the line cannot be taken as it stands: asked, refused, unclear. */
	readonly echo: Echo | null;
	/** Nothing becomes of it, with the reason. */
	readonly stop: string | null;
	readonly lot: LotOfHaul | null;
	/** Asked for a kilo and in all, minor units of the household's money; null where no price was said, or in another money. */
	readonly price: { readonly perKg: number; readonly all: number; readonly judged: PriceJudged } | null;
	readonly foreign: string | null;
	readonly have_kg: number;
}

const nothing = (said: string, more: Partial<OfferView> = {}): OfferView => ({
	said,
	echo: null,
	stop: null,
	lot: null,
	price: null,
	foreign: null,
	have_kg: 0,
	...more
});

/** What is offered, read as a line of the Basket is, with every way that it could go and whether its price is good. */
export async function offerView(stores: Stores, household: HouseholdRow, said: string, now: Date): Promise<OfferView> {
	if (said.trim() === '') return nothing('');
	const reading = await readHaul(stores, said, household, now);
	const echo = echoOf(reading, household.units, said);
	if (reading.kind !== 'understood' || echo.kind !== 'understood') return nothing(said, { echo });
	const { thing, grams } = reading;
	const [house, ground] = await Promise.all([readHouse(stores), readGround(stores)]);
	const place = placeFor(reading, ground.all);
	const { priceMinor, currency } = priceOf(reading, household);
	const row = offeredRow(household, { ...lotOfThing(thing), placeId: place.id, priceMinor, currency }, now);
	const look = await lookStanding(stores, { lot: row, grams, place }, house, { fields: {} }, now);
	if (look.stop) return nothing(said, { stop: look.stop.reason });
	const lot = lotOf(look, ground, now);
	const have_kg = ground.kept_kg.get(thing.food.id) ?? 0;
	const used_kg = ground.gone_kg.get(thing.food.id) ?? 0;
	const foreign = currency !== null && currency !== household.currency ? currency : null;
	const price =
		priceMinor === null || foreign
			? null
			: await judged(stores, household, { food: thing.food.id, priceMinor, grams, have_kg, used_kg });
	return nothing(said, { lot, price, foreign, have_kg });
}

async function judged(
	stores: Stores,
	{ currency }: HouseholdRow,
	{
		food,
		priceMinor,
		grams,
		have_kg,
		used_kg
	}: { food: string; priceMinor: number; grams: number; have_kg: number; used_kg: number }
): Promise<OfferView['price']> {
	const [paid, yields] = await Promise.all([stores.past.paidFor(food, currency), stores.past.yieldsOf(food)]);
	const kg = grams / 1000;
	const perKg = priceMinor / kg;
	return {
		perKg,
		all: priceMinor,
		judged: judgePrice({
			perKg,
			kg,
			have_kg,
			used_kg,
			yields,
			paid: paid.map((p) => ({ perKg: p.priceMinor / (p.grams / 1000), at: p.at.getTime() }))
		})
	};
}

type OfThing = ReturnType<typeof lotOfThing> & Pick<LotRow, 'placeId' | 'priceMinor' | 'currency'>;

/** A lot as it would stand in the Basket. */
const offeredRow = ({ id }: HouseholdRow, of: OfThing, now: Date): LotRow => ({
	id: offered,
	householdId: id,
	food: of.food,
	foodKind: of.foodKind ?? null,
	form: of.form,
	condition: of.condition,
	state: of.state ?? 'fresh',
	was: of.was ?? null,
	madeOf: of.madeOf ?? null,
	process: of.process ?? null,
	wild: of.wild ?? false,
	identified: of.identified ?? null,
	title: of.title,
	reader: of.reader ?? 0,
	placeId: of.placeId,
	priceMinor: of.priceMinor,
	currency: of.currency,
	stays: [],
	placedAt: null,
	said: '',
	note: '',
	unit: 'dg',
	content: null,
	contentUnit: null,
	unitG: 0.1,
	waiting: true,
	variety: '',
	origin: 'bought',
	receiptId: null,
	containerId: null,
	batchId: null,
	packEventId: null,
	since: now,
	keepsUntil: null,
	createdAt: now
});
