import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { eveningOf, type Ticked } from '$lib/server/evening';
import { id, key, line, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

/** So many foods are nobody's evening. */
const most = 20;

/** What was ticked, with the way and the portion of each: fields carry the lot's id behind their name. */
function tickedOf(fields: Record<string, string>): Ticked[] {
	const lots = parse(
		Joi.array().items(id()).max(most).unique().label('What goes together'),
		Object.keys(fields)
			.filter((name) => name.startsWith('lot-'))
			.map((name) => name.slice(4))
	) as string[];
	const text = (name: string, max: number, label: string) =>
		parse(line(max).allow('').label(label), fields[name] ?? '') as string | undefined;
	return lots.map((lotId) => ({
		lotId,
		way: text(`way-${lotId}`, 120, 'The way') || undefined,
		portion: text(`portion-${lotId}`, 60, 'The portion') || undefined,
		packed: text(`packed-${lotId}`, 20, 'How it is packed') || undefined
	}));
}

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const ticked = tickedOf(Object.fromEntries(url.searchParams));
		const { rows, sum } = await eveningOf(stores, household, ticked, now);
		return { title: 'Start an evening', rows, sum };
	}, locals.household.units);

export const actions: Actions = {
	start: (event) =>
		action(event, async ({ key: once, ...fields }) => {
			const { stores, household, now } = event.locals;
			const { key: by } = parse(Joi.object<{ key: string }>({ key: key() }), { key: once });
			const ticked = tickedOf(fields);
			const ask = { key: by, body: { evening: ticked } };
			// Sent again after a lost answer: it is the run that was started then.
			const before = await stores.runs.started(ask);
			if (before) redirect(303, `/stove/${before.id}`);
			const { rows, plan } = await eveningOf(stores, household, ticked, now);
			if (!plan || rows.filter((r) => r.ticked).length < ticked.length) {
				const stopped = rows.find((r) => r.stop !== '' && ticked.some((t) => t.lotId === r.lotId));
				throw new AppError(
					422,
					'NOT_STARTED',
					stopped
						? `${stopped.title}: ${stopped.stop} Nothing was started.`
						: 'Tick what goes into the pot or the freezer tonight. Nothing was started.'
				);
			}
			const { id: runId } = await stores.runs.start(ask, plan);
			redirect(303, `/stove/${runId}`);
		})
};
