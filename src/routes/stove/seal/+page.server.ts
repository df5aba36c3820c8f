import Joi from 'joi';
import { beginAction, beginPage } from '$lib/server/begin';
import { id, weightWithin } from '$lib/server/parse';
import { sealFor, type SealAsk } from '$lib/server/seal';
import type { Actions, PageServerLoad } from './$types';

const asked = Joi.object<SealAsk>({
	lot: id().required().label('What is sealed'),
	pack: Joi.number().integer().min(50).max(10_000).label('The weight of a pack'),
	size: Joi.string().max(40).label('The size of a piece'),
	firm: Joi.string().valid('yes', 'no').label('Whether it is frozen first'),
	grams: weightWithin(1, 1_000_000).label('The amount')
});

export const load: PageServerLoad = beginPage(asked, (view) => `Into bags without air: ${view.name}`, sealFor);
export const actions: Actions = {
	start: (event) => beginAction(event, asked, 'seal', sealFor)
};
