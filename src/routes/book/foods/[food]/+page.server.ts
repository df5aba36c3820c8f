import Joi from 'joi';
import { usualHelping_g } from '$core/stock/wants';
import { foodBook } from '$lib/server/book-food';
import { AppError } from '$lib/server/errors';
import { date, decimalWithin, key, line, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { knownFood } from '$lib/server/things';
import type { Actions, PageServerLoad } from './$types';

const days = ['sowFrom', 'sowTo', 'pickFrom', 'pickTo'] as const;
const dayNames = { sowFrom: 'Sown from', sowTo: 'Sown to', pickFrom: 'Picked from', pickTo: 'Picked to' } as const;

export const load: PageServerLoad = ({ locals, params }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const book = await foodBook(stores, household, parse(line(60).required(), params.food) as string, now);
		const want = (await stores.wants.all()).get(book.food);
		return { title: `${book.name} in the book`, book, perWeek: want?.perWeek ?? null, at: now.getTime() };
	}, locals.household.units);

export const actions: Actions = {
	/** How often it is wanted: next year's sum, the whole haul and the shelves go by it. */
	want: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ perWeek: number; key: string }>({
					perWeek: decimalWithin(0, 500).empty('').default(0).label('Helpings a week'),
					key: key()
				}),
				fields
			);
			const food = knownFood(event.params.food ?? '');
			const want = { food: food.id, perWeek: Number(v.perWeek), helpingG: usualHelping_g };
			await event.locals.stores.wants.set(v.key, [want]);
			return { saved: 'What is wanted' };
		}),
	/** What is set in the garden of a year, and when. */
	planting: (event) =>
		action(event, async (fields) => {
			const { key: once, ...v } = parse(
				Joi.object<
					{ year: number; key: string } & Record<(typeof days)[number], string | null> & { plants: number | null }
				>({
					year: Joi.number().integer().min(1990).max(2200).required().label('The year'),
					plants: Joi.number().integer().min(0).max(100_000).empty('').default(null).label('Plants'),
					...Object.fromEntries(days.map((d) => [d, date().default(null).label(dayNames[d])])),
					key: key()
				}),
				fields
			);
			for (const [from, to] of [
				[v.sowFrom, v.sowTo],
				[v.pickFrom, v.pickTo]
			])
				if (from && to && from > to)
					throw new AppError(400, 'BAD_INPUT', 'A time ends after it begins. Nothing was saved.');
			const food = knownFood(event.params.food ?? '');
			await event.locals.stores.garden.setPlanting(once, { food: food.id, ...v });
			return { saved: `In the garden in ${v.year}` };
		})
};
