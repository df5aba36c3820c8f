import Joi from 'joi';
import { beginAction, beginPage } from '$lib/server/begin';
import { fermentFor, type FermentAsk } from '$lib/server/ferment';
import { decimalWithin, id, weightWithin } from '$lib/server/parse';
import type { Actions, PageServerLoad } from './$types';

const asked = Joi.object<FermentAsk>({
	lot: id().required().label('What is fermented'),
	way: Joi.string().valid('dry', 'brine').label('How it is salted'),
	percent: decimalWithin(0.1, 20).label('The salt'),
	place: id().label('Where it stands'),
	grams: weightWithin(1, 1_000_000).label('The amount')
});

export const load: PageServerLoad = beginPage(asked, (view) => `Into the crock: ${view.name}`, fermentFor);
export const actions: Actions = {
	start: (event) =>
		beginAction(event, asked, 'ferment', fermentFor, (plan) =>
			plan.kind === 'ferment' ? plan.subjects.map((s) => ({ lot: s.lotId, way: 'crock', grams: s.raw_g })) : []
		)
};
