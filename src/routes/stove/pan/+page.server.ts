import Joi from 'joi';
import { beginAction, beginPage } from '$lib/server/begin';
import { panFor, type PanAsk } from '$lib/server/pan';
import { id, line, weightWithin } from '$lib/server/parse';
import type { Actions, PageServerLoad } from './$types';

const asked = Joi.object<PanAsk>({
	lot: id().required().label('What goes into the pan'),
	what: line(80).label('What it becomes'),
	pot: id().label('The pan'),
	left: Joi.number().integer().min(5).max(95).label('What is left of it'),
	grams: weightWithin(1, 1_000_000).label('The amount')
});

export const load: PageServerLoad = beginPage(asked, (view) => `Into the pan: ${view.name}`, panFor);
export const actions: Actions = {
	start: (event) => beginAction(event, asked, 'pan', panFor)
};
