import { id, parse } from '$lib/server/parse';
import { page } from '$lib/server/respond';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	page(async () => {
		parse(id().required(), params.run);
		const [run, places, containers] = await Promise.all([
			locals.stores.runs.get(params.run),
			locals.stores.home.places(),
			locals.stores.home.containers()
		]);
		return {
			title: `Stove: ${run.plan.food.name}`,
			run,
			freezers: places.filter((p) => p.kind === 'freezer').map((p) => ({ id: p.id, name: p.name })),
			containers: containers.map((c) => ({ id: c.id, name: c.name, count: c.count }))
		};
	}, locals.household.units);
