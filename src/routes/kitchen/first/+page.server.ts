import { redirect, type RequestEvent } from '@sveltejs/kit';
import { key, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { answersOf, effectsOf, readSetUp } from '$lib/server/set-up';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const answers = await answersOf(locals.stores, locals.household);
		const { altitudeM } = answers;
		const set = readSetUp({
			units: answers.units,
			altitude: '0',
			potLitres: answers.potLitres,
			burnerW: answers.burnerW,
			burnerKind: answers.burnerKind,
			freezerLitres: answers.freezerLitres,
			freezerTemp: answers.freezerTemp,
			ice: answers.ice,
			basins: answers.basins,
			trays: answers.trays
		});
		return {
			title: 'Our kitchen',
			answers,
			effects: await effectsOf(locals.stores, { ...set, altitudeM: altitudeM ?? 0 }, locals.now)
		};
	});

async function setUp(event: RequestEvent) {
	const kept = await action(event, async (fields) => {
		const { key: once, ...rest } = fields;
		const set = readSetUp(rest);
		return event.locals.stores.home.setUp(parse(key(), once) as string, set);
	});
	if ('set' in kept) redirect(303, '/basket');
	return kept;
}

export const actions: Actions = {
	setUp: (event) => setUp(event)
};
