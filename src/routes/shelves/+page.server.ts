import Joi from 'joi';
import { dateIn, daysBetween } from '$core/freezing/keep';
import { AppError } from '$lib/server/errors';
import { id, key, line, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

/** A board shows this many lots, the oldest; the rest on request, or by the search. */
const mostOnBoard = 60;

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const { q, all } = parse(
			Joi.object<{ q?: string; all?: string }>({
				q: line(60).allow('').label('The search'),
				all: id().label('The place')
			}),
			Object.fromEntries(url.searchParams)
		);
		const [lots, differences, places, steps] = await Promise.all([
			stores.stock.shelves(),
			stores.runs.differences(),
			stores.home.places(),
			stores.stock.lastSteps('pack')
		]);
		const today = dateIn(household.zone, now.getTime());
		const wanted = (q ?? '').trim().toLowerCase();
		const found = wanted ? lots.filter((l) => `${l.title} ${l.code ?? ''}`.toLowerCase().includes(wanted)) : lots;
		const shown = (l: (typeof lots)[number]) => ({
			id: l.id,
			title: l.title,
			packG: l.packG,
			packs: l.packs,
			code: l.code,
			way: l.way,
			container: l.container,
			since: l.since.getTime(),
			keepsUntil: l.keepsUntil,
			daysLeft: l.keepsUntil ? daysBetween(today, l.keepsUntil) : null
		});
		return {
			title: 'Shelves',
			q: q ?? '',
			places: places.map((p) => {
				const here = found.filter((l) => l.placeId === p.id);
				const few = all === p.id || wanted !== '' ? here : here.slice(0, mostOnBoard);
				return {
					id: p.id,
					name: p.name,
					kind: p.kind,
					tempC: p.tempC,
					litres: p.litres,
					lots: few.map(shown),
					more: here.length - few.length
				};
			}),
			differs: [...new Map(differences.map((d) => [d.runId, { runId: d.runId, title: d.title }])).values()],
			packs: lots.reduce((sum, l) => sum + l.packs, 0),
			eatNext: lots
				.filter((l) => l.keepsUntil)
				.slice(0, 4)
				.map(shown),
			steps: steps.map((s) => ({ ...s, at: s.at.getTime() })),
			today
		};
	}, locals.household.units);

export const actions: Actions = {
	/** One pack, in a tap. */
	take: (event) =>
		action(event, async (fields) => {
			const { lotId, key: once } = parse(
				Joi.object<{ lotId: string; key: string }>({ lotId: id().required().label('The packs'), key: key() }),
				fields
			);
			return {
				done: await event.locals.stores.stock.act(
					once,
					{ lotId, kind: 'take', unit: 'packs', amount: 1 },
					deviceOf(event)
				)
			};
		}),

	act: (event) =>
		action(event, async (fields) => {
			const values = parse(
				Joi.object<{
					lotId: string;
					kind: 'take' | 'give' | 'spoil' | 'count' | 'move';
					packs: number;
					cause?: string;
					placeId?: string;
					key: string;
				}>({
					lotId: id().required().label('The packs'),
					kind: Joi.string().valid('take', 'give', 'spoil', 'count', 'move').required().label('What happened'),
					packs: Joi.number().integer().min(0).max(10_000).required().label('The number of packs'),
					cause: line(200).label('The cause'),
					placeId: id().label('The place'),
					key: key()
				}),
				fields
			);
			if (values.kind !== 'count' && values.packs < 1)
				throw new AppError(400, 'NOTHING', 'At least one pack. Nothing was changed.', [
					{ field: 'packs', message: 'At least one.' }
				]);
			if (values.kind === 'move') {
				if (!values.placeId)
					throw new AppError(400, 'BAD_INPUT', 'Where to? Choose a place. Nothing was changed.', [
						{ field: 'placeId', message: 'Choose a place.' }
					]);
				const to = (await event.locals.stores.home.places()).find((p) => p.id === values.placeId);
				if (to && to.kind !== 'freezer') {
					throw new AppError(
						422,
						'NOT_A_FREEZER',
						`${to.name} is no freezer: frozen packs stay at −18 °C or below. Take what you want to thaw instead; nothing was moved.`,
						[{ field: 'placeId', message: 'Choose a freezer.' }]
					);
				}
			}
			const { packs, key: once, ...rest } = values;
			return {
				done: await event.locals.stores.stock.act(once, { ...rest, unit: 'packs', amount: packs }, deviceOf(event))
			};
		}),

	undo: (event) =>
		action(event, async (fields) => {
			const { groupId, key: once } = parse(
				Joi.object<{ groupId: string; key: string }>({ groupId: id().required().label('The step'), key: key() }),
				fields
			);
			return { undone: await event.locals.stores.stock.undo(once, groupId, deviceOf(event)) };
		})
};
