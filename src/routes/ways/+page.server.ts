import Joi from 'joi';
import { haulView, takePlan } from '$lib/server/share-haul';
import { id, key, line, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => ({ title: 'Ways', view: await haulView(locals.stores, locals.now) }), locals.household.units);

const planShape = Joi.array()
	.max(40)
	.unique('lot')
	.items(
		Joi.object({
			lot: id().required(),
			shares: Joi.array()
				.max(10)
				.unique('way')
				.items(
					Joi.object({ way: line(60).required(), grams: Joi.number().integer().min(1).max(10_000_000).required() })
				)
				.required()
		})
	);

export const actions: Actions = {
	/** The plan as it stands: each lot's kilos are shared between its ways. */
	take: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ plan: string; key: string }>({
					plan: Joi.string().max(60_000).required().label('The plan'),
					key: key()
				}),
				fields
			);
			let said: unknown;
			try {
				said = JSON.parse(v.plan);
			} catch {
				said = null;
			}
			const plan = parse(planShape.required().label('The plan'), said) as Parameters<typeof takePlan>[2];
			await takePlan(event.locals.stores, v.key, plan, event.locals.now);
			return { taken: plan.filter((p) => p.shares.length > 0).length };
		})
};
