import { redirect } from '@sveltejs/kit';
import { lotThing } from '$lib/server/things';
import { page } from '$lib/server/respond';
import type { PageServerLoad } from './$types';

/** With nothing chosen: the most urgent item that is not at the stove. */
export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const [lots, reserved] = await Promise.all([locals.stores.stock.basket(), locals.stores.runs.reserved()]);
		const free = lots.filter((l) => l.grams > (reserved.get(l.lot.id) ?? 0));
		const [first] = free
			.map((l) => ({ id: l.lot.id, bestBy: lotThing(l.lot, l.place, locals.now).clock.bestBy }))
			.sort((a, b) => a.bestBy - b.bestBy);
		if (first) redirect(307, `/ways/${first.id}`);
		return { title: 'Ways' };
	});
