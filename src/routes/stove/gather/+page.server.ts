import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { gatheringsOf } from '$lib/server/gather';
import { readHaul } from '$lib/server/haul';
import { id, key, line, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { food } = parse(
			Joi.object<{ food?: string }>({ food: line(80).label('What is gathered') }).unknown(),
			Object.fromEntries(url.searchParams)
		);
		return {
			title: 'Gathering',
			food: food ?? '',
			gatherings: await gatheringsOf(locals.stores, locals.household, locals.now)
		};
	}, locals.household.units);

const one = (fields: Record<string, string>) =>
	parse(Joi.object<{ id: string; key: string }>({ id: id().required().label('What is gathered'), key: key() }), fields);

export const actions: Actions = {
	add: (event) =>
		action(event, async (fields) => {
			const { stores, household, now } = event.locals;
			const said = parse(
				Joi.object<{ text: string; words?: string; key: string }>({
					text: line(120).required().label('How much of what'),
					words: line(60).allow('').label('For what'),
					key: key()
				}),
				fields
			);
			const reading = await readHaul(stores, said.text, household, now);
			if (reading.kind !== 'understood' || (reading.thing.madeOf?.length ?? 0) > 1)
				throw new AppError(
					400,
					'NOT_UNDERSTOOD',
					'Say how much of what, such as "20 kg tomatoes". Nothing was saved.',
					[{ field: 'text', message: 'An amount and a food, such as "20 kg tomatoes".' }]
				);
			await stores.gather.add(
				{ key: said.key, body: { text: said.text, words: said.words } },
				{ food: reading.thing.food.id, target_g: Math.max(1, Math.round(reading.grams)), words: said.words ?? '' }
			);
			return { done: { words: `${said.text}: what comes in counts from now on` } };
		}),
	end: (event) =>
		action(event, async (fields) => {
			const { id: which, key: once } = one(fields);
			await event.locals.stores.gather.end(once, which);
			return { done: { words: 'No longer gathered; all of it stays where it stands' } };
		}),
	work: (event) =>
		action(event, async (fields) => {
			const { id: which, key: once } = one(fields);
			const { lots } = await event.locals.stores.gather.takeAll(once, which, deviceOf(event));
			redirect(303, lots.length === 1 ? `/ways/${lots[0]}` : '/basket');
		})
};
