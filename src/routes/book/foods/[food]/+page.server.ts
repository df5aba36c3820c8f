import Joi from 'joi';
import { usualHelping_g } from '$core/stock/wants';
import { foodBook } from '$lib/server/book-food';
import { decimalWithin, key, line, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { knownFood } from '$lib/server/things';
import type { Actions, PageServerLoad } from './$types';

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
		})
};
