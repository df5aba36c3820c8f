import { page } from '$lib/server/respond';
import { foodsOfBook } from '$lib/server/book-food';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => ({ title: 'The book by food', foods: await foodsOfBook(locals.stores) }), locals.household.units);
