import { beginAction, beginPage } from '$lib/server/begin';
import { canFor } from '$lib/server/can';
import { canAsked } from '$lib/server/can-asked';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = beginPage(canAsked, (view) => `Into jars: ${view.name}`, canFor);
export const actions: Actions = {
	start: (event) => beginAction(event, canAsked, 'can', canFor)
};
