import { redirect, type RequestEvent } from '@sveltejs/kit';
import Joi from 'joi';
import type { RunPlan } from '$core/runs/kinds';
import type { Begin } from '$lib/ui/run/types';
import { AppError } from './errors';
import { key, parse } from './parse';
import { action, page } from './respond';
import type { Stores } from './stores';

/** What was chosen, worked out: the page of it, and the plan where it can begin. */
export type Beginning<T, V extends Begin = Begin> = (
	stores: Stores,
	ask: T,
	now: Date
) => Promise<{ view: V; plan: RunPlan | null }>;

export const said = (fields: Iterable<readonly [string, string]>) =>
	Object.fromEntries([...fields].filter(([name, value]) => value !== '' && !name.startsWith('/')));

/** The page that begins a run of one lot: its choices stand in the address. */
export function beginPage<T extends { readonly lot: string }, V extends Begin = Begin>(
	schema: Joi.ObjectSchema<T>,
	heading: (view: V) => string,
	work: Beginning<T, V>
) {
	return ({ locals, url }: { locals: App.Locals; url: URL }) =>
		page(async () => {
			const ask = parse(schema, said(url.searchParams));
			const { view } = await work(locals.stores, ask, locals.now);
			return { title: heading(view), lot: ask.lot, view };
		}, locals.household.units);
}

/**
 * Starts it; sent again after a lost answer it is the run that was started then.
 *
 * @param what names the intent
 * @param takes which shares of which lots a plan takes to the stove: they are shared out no more
 */
export function beginAction<T extends { readonly lot: string }>(
	event: RequestEvent,
	schema: Joi.ObjectSchema<T>,
	what: string,
	work: Beginning<T>,
	takes: (plan: RunPlan) => readonly { readonly lot: string; readonly way: string; readonly grams: number }[] = () => []
) {
	return action(event, async ({ key: once, ...fields }) => {
		const { stores, now } = event.locals;
		const { key: by } = parse(Joi.object<{ key: string }>({ key: key() }), { key: once });
		const ask = parse(schema, said(Object.entries(fields)));
		const body = { key: by, body: { [what]: ask } };
		const before = await stores.runs.started(body);
		if (before) redirect(303, `/stove/${before.id}`);
		const { view, plan } = await work(stores, ask, now);
		if (!plan) throw new AppError(422, 'REFUSED', `${view.stop} Nothing was started.`);
		const { id } = await stores.runs.start(body, plan);
		for (const { lot, way, grams } of takes(plan)) await stores.choices.begun(lot, way, grams);
		redirect(303, `/stove/${id}`);
	});
}

/** One of a list, by what was asked; the first where nothing was. @throws {AppError} 400 none of the list */
export function chosenOf<T extends { readonly id: string }>(
	list: readonly T[],
	asked: string | undefined,
	field: string,
	fault: string
): T | undefined {
	const found = asked === undefined ? list[0] : list.find((one) => one.id === asked);
	if (asked !== undefined && !found)
		throw new AppError(400, 'BAD_INPUT', `${fault} Nothing was started.`, [
			{ field, message: 'Choose one of the list.' }
		]);
	return found;
}
