import { redirect } from '@sveltejs/kit';
import Joi from 'joi';
import { tableReader } from '$lib/server/out/table-in';
import { wholeFile } from '$lib/server/out/uploads';
import { id, key, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import { undoAction } from '$lib/server/undo';
import { remember } from '$lib/server/who';
import type { TableShown } from '$lib/ui/kitchen/types';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const feed = await locals.stores.out.feed();
		return { title: 'Out and in', feed: feed === null ? null : `${url.origin}/calendar/${feed}` };
	});

const arrived = () =>
	Joi.object<{ upload: string; parts: number; key: string }>({
		upload: id().required().label('The file'),
		parts: Joi.number().integer().min(1).max(4096).required().label('Its parts'),
		key: key()
	});
/** Rows of a long table that are shown. */
const mostShown = 200;

export const actions: Actions = {
	/** A file that arrived in parts becomes a household beside this one; this browser goes on in it. */
	takeIn: (event) =>
		action(event, async (fields) => {
			const v = parse(arrived(), fields);
			const { stores, household } = event.locals;
			const text = wholeFile(`${household.id} ${v.upload}`, v.parts, Date.now());
			remember(event, await stores.out.takeIn(v.key, text));
			redirect(303, '/kitchen');
		}),
	/** What a table would put here, row by row; nothing is written. */
	look: (event) =>
		action(event, async (fields) => {
			const v = parse(arrived(), fields);
			const { stores, household } = event.locals;
			const text = wholeFile(`${household.id} ${v.upload}`, v.parts, Date.now(), true);
			const { kind, rows } = await stores.out.preview(tableReader(text, event.locals));
			const shown: TableShown = {
				upload: v.upload,
				kind,
				rows: rows.length,
				wrong: rows.filter((r) => r.faults.length > 0).length,
				already: rows.filter((r) => r.already).length,
				list: [...rows]
					.sort((a, b) => Number(b.faults.length > 0) - Number(a.faults.length > 0) || a.line - b.line)
					.slice(0, mostShown)
					.map(({ line, words, already, faults }) => ({ line, words, already, faults }))
			};
			return { table: shown };
		}),
	/** All of its rows, or none. */
	takeTable: (event) =>
		action(event, async (fields) => {
			const v = parse(arrived(), fields);
			const { stores, household } = event.locals;
			const name = `${household.id} ${v.upload}`;
			const text = wholeFile(name, v.parts, Date.now(), true);
			const done = await stores.out.takeTable(
				{ key: v.key, body: { text } },
				tableReader(text, event.locals),
				deviceOf(event)
			);
			return done.groupId ? { done } : { saved: done.words };
		}),
	/** An address that a calendar reads by itself, or none any more. */
	feed: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ on: 'yes' | 'no'; key: string }>({
					on: Joi.string().valid('yes', 'no').required().label('Whether there is one'),
					key: key()
				}),
				fields
			);
			await event.locals.stores.out.setFeed(v.key, v.on === 'yes');
			return { saved: v.on === 'yes' ? 'An address for calendars' : 'No address for calendars any more' };
		}),
	undo: undoAction
};
