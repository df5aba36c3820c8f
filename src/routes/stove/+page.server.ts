import { redirect } from '@sveltejs/kit';
import { page } from '$lib/server/respond';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, depends }) =>
	page(async () => {
		depends('app:runs');
		const heads = await locals.stores.runs.heads();
		if (heads.length === 1) redirect(307, `/stove/${heads[0]?.id}`);
		return { title: 'Stove', heads };
	});
