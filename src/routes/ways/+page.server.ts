import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { basketStamp, haulView, takePlan, type TakenLot } from '$lib/server/share-haul';
import { usualHelping_g } from '$core/stock/wants';
import { decimalWithin, id, key, line, parse } from '$lib/server/parse';
import { AppError } from '$lib/server/errors';
import { knownFood } from '$lib/server/things';
import type { WantOf } from '$lib/server/stores/wants';
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

/** Helpings a week by food: "want.green-beans" 3; of a food that is named and has none it is worked out again. */
function wantsIn({ foods, ...fields }: Readonly<Record<string, string>>): WantOf[] {
	const { list } = parse(Joi.object<{ list: string }>({ list: line(4000).required().label('The foods') }), {
		list: foods ?? ''
	});
	const named = [...new Set(list.split(','))].map((id) => knownFood(id));
	const other = Object.keys(fields).find((name) => !named.some((f) => name === `want.${f.id}`));
	if (other !== undefined)
		throw new AppError(
			400,
			'BAD_INPUT',
			`"${other.slice(0, 60)}" is none of the foods of this form. Nothing was saved.`
		);
	return named.map((food) => {
		const { perWeek } = parse(
			Joi.object<{ perWeek: number }>({
				perWeek: decimalWithin(0, 500).empty('').default(0).label(`${food.name}: helpings a week`)
			}),
			{ perWeek: (fields[`want.${food.id}`] ?? '').trim() }
		);
		return { food: food.id, perWeek: Number(perWeek), helpingG: usualHelping_g };
	});
}

export const actions: Actions = {
	/** How often the foods of the haul are eaten: what a year takes of them. */
	want: (event) =>
		action(event, async ({ key: once, ...fields }) => {
			const { key: by } = parse(Joi.object<{ key: string }>({ key: key() }), { key: once });
			await event.locals.stores.wants.set(by, wantsIn(fields));
			return { saved: 'What a year takes' };
		}),
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
