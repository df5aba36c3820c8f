import { v7 as uuidv7 } from 'uuid';
import { secondClocks } from '$lib/server/second';
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
			/** Of this reading of the page: each of its forms makes its own key from it. */
			stamp: uuidv7(),
			/** As one text: on every page, and walked through by nobody on the way. */
			heads: JSON.stringify(await locals.stores.runs.heads()),
			/** What is opened, thawed or cooked and has not long. */
			second: await secondClocks(locals.stores, locals.now)
		};
	});
