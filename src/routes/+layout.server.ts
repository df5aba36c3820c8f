import { page } from '$lib/server/respond';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals, depends }) =>
	page(async () => {
		depends('app:runs');
		const { household } = locals;
		return {
			household: {
				id: household.id,
				name: household.name,
				altitude_m: household.altitudeM,
				units: household.units,
				zone: household.zone,
				people: household.people,
				demo: household.demoDate !== null
			},
			now: locals.now.getTime(),
			runs: await locals.stores.runs.open()
		};
	});
