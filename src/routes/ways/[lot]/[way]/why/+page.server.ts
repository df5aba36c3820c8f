import { id, line, parse } from '$lib/server/parse';
import { page } from '$lib/server/respond';
import { whyOf } from '$lib/server/ways/why';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, url }) =>
	page(async () => {
		parse(id().required(), params.lot);
		const way = parse(line(60).required().label('The way'), params.way);
		const fields = Object.fromEntries([...url.searchParams].filter(([n, v]) => v !== '' && !n.startsWith('/')));
		const why = await whyOf(locals.stores, params.lot, { way, fields }, locals.now);
		return { title: `Why: ${why.panel.name}, ${why.lot.name}`, ...why };
	}, locals.household.units);
