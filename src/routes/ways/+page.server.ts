import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { basketStamp, haulView, takePlan, type TakenLot } from '$lib/server/share-haul';
import { id, key, line, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { stores, now } = locals;
		const [stamp, view, planned] = await Promise.all([
			basketStamp(stores),
			haulView(stores, now),
			stores.choices.planned()
		]);
		return { title: 'Ways', view, basketIs: stamp, planned: planned.length };
	}, locals.household.units);

const grams = () => Joi.number().integer().min(1).max(10_000_000);
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
					Joi.object({
						way: line(60).required(),
						grams: grams().required(),
						days: Joi.array()
							.max(14)
							.unique('day')
							.items(Joi.object({ day: Joi.number().integer().min(0).max(13).required(), grams: grams().required() }))
							.required()
					})
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
			const plan = parse(planShape.required().label('The plan'), said) as TakenLot[];
			const { stores, now, household } = event.locals;
			await takePlan(stores, v.key, plan, { now, zone: household.zone });
			redirect(303, '/ways/plan');
		})
};
