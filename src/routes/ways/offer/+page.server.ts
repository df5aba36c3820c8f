import { offerView } from '$lib/server/offer';
import { line, parse } from '$lib/server/parse';
import { page } from '$lib/server/respond';
import { haulView } from '$lib/server/share-haul';
import Joi from 'joi';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const { say } = parse(Joi.object<{ say: string }>({ say: line(200).allow('').default('').label('The offer') }), {
			say: url.searchParams.get('say') ?? ''
		});
		const offer = await offerView(stores, household, say, now);
		const haul = offer.lot ? await haulView(stores, now) : null;
		return { title: 'Before the haul', offer, haul, currency: household.currency, now: now.getTime() };
	}, locals.household.units);
