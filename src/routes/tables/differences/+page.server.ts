import { shownPractice } from '$lib/server/tables';
import { practices } from '$reference/other-ways';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () => ({ title: 'Where people differ', practices: practices.map(shownPractice) });
