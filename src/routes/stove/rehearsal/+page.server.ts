import { pageInUnits } from '$core/quantities/household-words';
import { dateIn } from '$core/freezing/keep';
import { canFor } from '$lib/server/can';
import { canAsked } from '$lib/server/can-asked';
import { parse } from '$lib/server/parse';
import { page } from '$lib/server/respond';
import type { PageServerLoad } from './$types';

/** A canner gone through dry: the plan that would be started, and nothing that is started. Read alone: it takes no action at all. */
export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const said = [...url.searchParams].filter(([, value]) => value !== '');
		const ask = parse(canAsked, Object.fromEntries(said));
		const { view, plan } = await canFor(locals.stores, ask, locals.now);
		const people = await locals.stores.gear.persons();
		return {
			title: 'Rehearsal',
			stop: plan ? '' : view.stop,
			plan: plan ? JSON.stringify(pageInUnits(plan, locals.household.units)) : null,
			back: `/stove/can${url.search}`,
			helpers: people.map((p) => p.name),
			seed: Number(dateIn(locals.household.zone, locals.now.getTime()).replaceAll('-', ''))
		};
	});
