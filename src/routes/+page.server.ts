import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** The day starts with what came in. */
export const load: PageServerLoad = () => redirect(307, '/basket');
