import Joi from 'joi';
import { findings, lookKinds, type Finding, type LookKind } from '$core/stock/looks';
import { amountField } from '$lib/server/amount-field';
import { lastsView } from '$lib/server/lasting';
import { AppError } from '$lib/server/errors';
import { id, ids, key, line, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import { allLooks } from '$lib/server/looks';
import { shelvesOf } from '$lib/server/shelves';
import { unsealedTo, type UnsealedTo } from '$lib/server/stores/stock/unsealed';
import { sayStep } from '$lib/server/steps';
import { undoAction } from '$lib/server/undo';
import type { Actions, PageServerLoad } from './$types';

/** A board shows this many lots, the oldest; the rest on request, or by the search. */
const mostOnBoard = 9;
/** Foods beside the boards, those that are gone first. */
const mostLasts = 5;

// Its sentences are in the household's units already (`shelfLot`): a walk over hundreds of lots finds none to change.
export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const { q, all, open } = parse(
			Joi.object<{ q?: string; all?: string; open?: string }>({
				q: line(60).allow('').label('The search'),
				all: id().label('The place'),
				open: id().label('The lot')
			}),
			Object.fromEntries(url.searchParams)
		);
		const [shelves, differences, steps, lasts] = await Promise.all([
			shelvesOf(stores, household, now, { search: q ?? '', most: mostOnBoard, ...(all ? { all } : {}) }),
			stores.runs.differences(),
			stores.stock.lastSteps('shelves'),
			lastsView(stores, household, now, mostLasts)
		]);
		return {
			title: 'Shelves',
			q: q ?? '',
			opened: open ?? null,
			allLooks: allLooks(household.units),
			...shelves,
			differs: [...new Map(differences.map((d) => [d.runId, { runId: d.runId, title: d.title }])).values()],
			steps: steps.map(sayStep(household.units)),
			lasts: lasts.rows,
			at: now.getTime()
		};
	});

const kinds = ['take', 'give', 'spoil', 'count', 'move'] as const;

export const actions: Actions = {
	/** One pack or piece, in a tap. */
	take: (event) =>
		action(event, async (fields) => {
			const { lotId, key: once } = parse(
				Joi.object<{ lotId: string; key: string }>({ lotId: id().required().label('The packs'), key: key() }),
				fields
			);
			return {
				done: await event.locals.stores.stock.takeOne(once, lotId, deviceOf(event))
			};
		}),

	act: (event) =>
		action(event, async (fields) => {
			const counting = fields.kind === 'count';
			const { unit, amount, rest } = amountField(fields, counting ? 0 : 1);
			const {
				key: once,
				kind,
				...values
			} = parse(
				Joi.object<{
					lotId: string;
					kind: (typeof kinds)[number];
					cause?: string;
					placeId?: string;
					key: string;
				}>({
					lotId: id().required().label('What stands there'),
					kind: Joi.string()
						.valid(...kinds)
						.required()
						.label('What happened'),
					cause: line(200).label('The cause'),
					placeId: id().label('The place'),
					key: key()
				}),
				rest
			);
			if (kind === 'move' && !values.placeId)
				throw new AppError(400, 'BAD_INPUT', 'Where to? Choose a place. Nothing was changed.', [
					{ field: 'placeId', message: 'Choose a place.' }
				]);
			return { done: await event.locals.stores.stock.act(once, { ...values, kind, unit, amount }, deviceOf(event)) };
		}),

	open: (event) =>
		action(event, async (fields) => {
			const { key: once, ...step } = parse(
				Joi.object<{ lotId: string; placeId?: string; key: string }>({
					lotId: id().required().label('The pack'),
					placeId: id().label('The place'),
					key: key()
				}),
				fields
			);
			return { done: await event.locals.stores.stock.open(once, step, deviceOf(event)) };
		}),

	/** Jars whose lid gave: into the cold, or done again. */
	unsealed: (event) =>
		action(event, async (fields) => {
			const { key: once, ...step } = parse(
				Joi.object<{ lotId: string; amount: number; to: UnsealedTo; key: string }>({
					lotId: id().required().label('The jars'),
					amount: Joi.number().integer().min(1).max(500).required().label('How many lids give'),
					to: Joi.string()
						.valid(...unsealedTo)
						.required()
						.label('What becomes of them'),
					key: key()
				}),
				fields
			);
			return { done: await event.locals.stores.stock.unsealed(once, step, deviceOf(event)) };
		}),

	/** Back into work: it stands in the Basket, by weight. */
	work: (event) =>
		action(event, async (fields) => {
			const { amount, rest } = amountField(fields);
			const { key: once, lotId } = parse(
				Joi.object<{ lotId: string; key: string }>({ lotId: id().required().label('What stands there'), key: key() }),
				rest
			);
			return { done: await event.locals.stores.stock.work(once, { lotId, amount }, deviceOf(event)) };
		}),

	/** A part of it is for something: nothing else takes it. */
	aside: (event) =>
		action(event, async (fields) => {
			const { unit, amount, rest } = amountField(fields);
			const { key: once, ...step } = parse(
				Joi.object<{ lotId: string; words: string; key: string }>({
					lotId: id().required().label('What stands there'),
					words: line(80)
						.required()
						.label('What it is kept for')
						.messages({ 'any.required': 'What for? For example “Sunday’s roast”. Nothing was kept.' }),
					key: key()
				}),
				rest
			);
			const done = await event.locals.stores.stock.aside(once, { ...step, unit, amount }, deviceOf(event));
			return { saved: done.words };
		}),

	/** Taken for what it was kept for, or let go. */
	kept: (event) =>
		action(event, async (fields) => {
			const {
				key: once,
				claimId,
				what
			} = parse(
				Joi.object<{ claimId: string; what: 'take' | 'free'; key: string }>({
					claimId: id().required().label('What is kept'),
					what: Joi.string().valid('take', 'free').required().label('What happens to it'),
					key: key()
				}),
				fields
			);
			const { stock } = event.locals.stores;
			if (what === 'take') return { done: await stock.takeAside(once, claimId, deviceOf(event)) };
			return { saved: (await stock.letGo(once, claimId, deviceOf(event))).words };
		}),

	/** Two that are alike become one. */
	merge: (event) =>
		action(event, async (fields) => {
			const { key: once, ...step } = parse(
				Joi.object<{ lotId: string; fromId: string; key: string }>({
					lotId: id().required().label('What stands there'),
					fromId: id().required().label('What is put to it'),
					key: key()
				}),
				fields
			);
			return { done: await event.locals.stores.stock.merge(once, step, deviceOf(event)) };
		}),

	look: (event) =>
		action(event, async (fields) => {
			const {
				key: once,
				lotId,
				...step
			} = parse(
				Joi.object<{ lotId: string; kind: LookKind; finding: Finding; key: string }>({
					// Several that were looked at in one walk, by commas.
					lotId: ids().required().label('What was looked at'),
					kind: Joi.string()
						.valid(...lookKinds)
						.required()
						.label('The look'),
					finding: Joi.string()
						.valid(...findings)
						.required()
						.label('What was found'),
					key: key()
				}),
				fields
			);
			await event.locals.stores.stock.look(once, { ...step, lotIds: lotId.split(',') }, deviceOf(event));
			return { saved: 'Looked' };
		}),

	/** Somebody knows how these jars were made. */
	tested: (event) =>
		action(event, async (fields) => {
			const { key: once, lotId } = parse(
				Joi.object<{ lotId: string; sure: string; key: string }>({
					lotId: id().required().label('The jars'),
					sure: Joi.string().valid('yes').required().label('The tick that it is known'),
					key: key()
				}),
				fields
			);
			await event.locals.stores.stock.knowProcess(once, lotId);
			return { saved: 'Their process' };
		}),

	undo: undoAction
};
