import Joi from 'joi';
import { beginAction, beginPage } from '$lib/server/begin';
import { id, weightWithin } from '$lib/server/parse';
import { storeFor, type StoreAsk } from '$lib/server/store-away';
import type { Actions, PageServerLoad } from './$types';

const asked = Joi.object<StoreAsk>({
	lot: id().required().label('What is stored'),
	place: id().label('Where it is stored'),
	cured: Joi.string().valid('yes', 'no').label('Whether it is cured'),
	grams: weightWithin(1, 1_000_000).label('The amount')
});

export const load: PageServerLoad = beginPage(asked, (view) => `Into store: ${view.name}`, storeFor);
export const actions: Actions = {
	start: (event) =>
		beginAction(event, asked, 'store', storeFor, (plan) =>
			plan.kind === 'store' ? [{ lot: plan.lotId, way: 'store', grams: plan.raw_g }] : []
		)
};
