import { redirect } from '@sveltejs/kit';
import { page } from '$lib/server/respond';
import { openRunsText, stoveThings } from '$lib/server/stove';
import type { PageServerLoad } from './$types';

/** More runs than these at one stove are shown as a list first. */
const mostAtOnce = 8;

export const load: PageServerLoad = ({ locals, depends }) =>
	page(async () => {
		depends('app:runs');
		const { runs } = locals.stores;
		const heads = await runs.heads();
		if (heads.length === 1) redirect(307, `/stove/${heads[0]?.id}`);
		if (heads.length === 0 || heads.length > mostAtOnce) return { title: 'Stove', heads, open: '[]', things: null };
		const [open, things] = await Promise.all([
			openRunsText(locals.stores, locals.household.units),
			stoveThings(locals.stores)
		]);
		return { title: 'Stove', heads, open, things };
	});
