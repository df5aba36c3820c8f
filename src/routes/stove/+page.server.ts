import { redirect } from '@sveltejs/kit';
import { page } from '$lib/server/respond';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const runs = await locals.stores.runs.open();
		if (runs.length === 1) redirect(307, `/stove/${runs[0]?.id}`);
		return { title: 'Stove' };
	});
