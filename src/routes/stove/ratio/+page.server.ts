import Joi from 'joi';
import { beginAction, beginPage } from '$lib/server/begin';
import { id, line, weightWithin } from '$lib/server/parse';
import { ratioFor, type RatioAsk } from '$lib/server/ratio';
import type { Actions, PageServerLoad } from './$types';

const asked = Joi.object<RatioAsk>({
	lot: id().required().label('What it is made of'),
	recipe: line(80).label('What it becomes'),
	grams: weightWithin(1, 1_000_000).label('The amount')
});

export const load: PageServerLoad = beginPage(asked, (view) => `In whole sets: ${view.name}`, ratioFor);
export const actions: Actions = {
	start: (event) => beginAction(event, asked, 'ratio', ratioFor)
};
