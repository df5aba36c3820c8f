import { redirect } from '@sveltejs/kit';
import Joi from 'joi';
import { wholeFile } from '$lib/server/out/uploads';
import { id, key, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { remember } from '$lib/server/who';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = () => page(async () => Promise.resolve({ title: 'Out and in' }));

export const actions: Actions = {
	/** A file that arrived in parts becomes a household beside this one; this browser goes on in it. */
	takeIn: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ upload: string; parts: number; key: string }>({
					upload: id().required().label('The file'),
					parts: Joi.number().integer().min(1).max(4096).required().label('Its parts'),
					key: key()
				}),
				fields
			);
			const { stores, household } = event.locals;
			const text = wholeFile(`${household.id} ${v.upload}`, v.parts, Date.now());
			remember(event, await stores.out.takeIn(v.key, text));
			redirect(303, '/kitchen');
		})
};
