import { redirect } from '@sveltejs/kit';
import { kindById } from '$core/things/names';
import { foodCard } from '$lib/server/food-card';
import { page } from '$lib/server/respond';
import { tableKitchen, tableThing } from '$lib/server/tables';
import type { PageServerLoad } from './$types';

/** A food's page: what a person would pin to the kitchen wall. `way` keeps one way of it. */
export const load: PageServerLoad = ({ locals, params, url }) =>
	page(async () => {
		const named = tableThing(params.food);
		const { food } = named;
		if (food.id !== params.food) {
			const query = new URLSearchParams(url.search);
			if (named.kind) query.set('kind', named.kind.id);
			redirect(307, `/tables/${food.id}${query.size > 0 ? `?${query}` : ''}`);
		}
		// A kind with limits of its own keeps them on its page: white peaches are not canned, peaches are.
		const kind = kindById(food.id, url.searchParams.get('kind'));
		const thing = kind ? { ...named, kind, called: kind.name } : named;
		const kitchen = await tableKitchen(locals.household, locals.stores);
		return {
			title: kind?.name ?? food.name,
			kind: kind?.id ?? null,
			food: {
				id: food.id,
				name: kind?.name ?? food.name,
				names: food.names,
				group: food.group,
				acid: food.acid.class
			},
			...foodCard(thing, kitchen, url.searchParams.get('way') ?? ''),
			kitchen: { name: locals.household.name, altitude_m: locals.household.altitudeM }
		};
	});
