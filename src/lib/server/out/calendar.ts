import ical, { ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';
import { differenceInCalendarDays } from 'date-fns';
import { UTCDate } from '@date-fns/utc';
import { dateIn } from '$core/freezing/keep';
import { sayCount } from '$core/quantities/format';
import { apartNames, isApart } from '$core/haul/apart';
import { shelvesOf } from '../shelves';
import type { Stores } from '../stores';
import type { HouseholdRow } from '../stores/households';

/** What is due within so many days is in the calendar. */
const ahead_days = 120;
const most = 400;

/**
 * Looks, use-first dates and the steps of the plan as a calendar, RFC 5545: whole days in the household's zone, each with an id
 * of its own that stays, so that a feed that is read again changes and doubles nothing.
 */
async function calendarOf(stores: Stores, household: HouseholdRow, now: Date): Promise<string> {
	const [shelves, planned, basket] = await Promise.all([
		shelvesOf(stores, household, now, { most }),
		stores.choices.planned(),
		stores.stock.basket()
	]);
	const today = dateIn(household.zone, now.getTime());
	const calendar = ical({
		name: household.name,
		prodId: { company: 'Root Jar', product: 'Root Jar', language: 'EN' },
		method: ICalCalendarMethod.PUBLISH,
		ttl: 3600
	});
	const near = (date: string) => {
		const days = differenceInCalendarDays(new UTCDate(date), new UTCDate(today));
		return days >= -30 && days <= ahead_days;
	};
	const add = (id: string, date: string, summary: string, description: string) => {
		if (!near(date)) return;
		calendar.createEvent({
			id: `${id}@root-jar`,
			// A whole day has no zone: the date is what is meant, wherever it is read.
			start: new UTCDate(`${date}T00:00:00Z`),
			end: new UTCDate(Date.parse(`${date}T00:00:00Z`) + 86_400_000),
			timezone: 'UTC',
			allDay: true,
			stamp: now,
			transparency: ICalEventTransparency.TRANSPARENT,
			summary,
			description
		});
	};
	for (const place of shelves.groups.flatMap((g) => g.places))
		for (const l of place.lots) {
			if (l.stop || l.tone === 'out') continue;
			const date = dateIn(household.zone, l.by);
			add(`use-${l.id}`, date < today ? today : date, `Use first: ${l.title}, ${l.all}`, `${place.name}. ${l.until}`);
		}
	for (const look of shelves.looks)
		add(
			`look-${look.kind}-${look.lotIds[0] ?? ''}`,
			max(today, dateIn(household.zone, look.at)),
			`${look.name}: ${look.place}`,
			sayCount(look.lotIds.length, 'lot')
		);
	for (const { lot, shares } of planned) {
		const title = basket.find((b) => b.lot.id === lot)?.lot.title;
		if (!title) continue;
		for (const { way, planned: parts } of shares)
			for (const { on, grams } of parts ?? [])
				add(
					`plan-${lot}-${way.replace(/\W/g, '-')}-${on}`,
					max(today, on),
					`${title}: ${isApart(way) ? apartNames[way] : way}, ${(grams / 1000).toFixed(1)} kg`,
					'By the plan of the haul.'
				);
	}
	return calendar.toString();
}
const max = (a: string, b: string): string => (a > b ? a : b);

/** The calendar as an answer: read by a calendar, or kept as a file. */
export async function calendarResponse(
	{ stores, household, now }: Pick<App.Locals, 'stores' | 'household' | 'now'>,
	as: 'inline' | 'attachment'
): Promise<Response> {
	return new Response(await calendarOf(stores, household, now), {
		headers: {
			'content-type': 'text/calendar; charset=utf-8; method=PUBLISH',
			'content-disposition': `${as}; filename="root-jar.ics"`,
			'cache-control': 'no-store'
		}
	});
}
