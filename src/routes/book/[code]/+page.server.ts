import { dateIn } from '$core/freezing/keep';
import { kindOf } from '$core/runs/kinds';
import { foodById } from '$core/things/names';
import { sayAmount, sayContent } from '$core/stock/amount';
import { verbs } from '$lib/server/steps';
import { key, line, parse } from '$lib/server/parse';
import Joi from 'joi';
import { redirect, type RequestEvent } from '@sveltejs/kit';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	page(async () => {
		const { units } = locals.household;
		const batch = await locals.stores.batches.byCode(parse(line(30).required(), params.code) as string);
		const [{ lots, moves }, went, printers, run] = await Promise.all([
			locals.stores.stock.ofBatch(batch.id),
			locals.stores.stock.wentInto(batch.id),
			locals.stores.printers.names(),
			batch.runId ? locals.stores.runs.get(batch.runId) : null
		]);
		const subject =
			(batch.plan && 'subjects' in batch.plan ? batch.plan.subjects : []).find((s) => s.n === batch.n) ?? null;
		const food = foodById(batch.food);
		const cut = food?.cuts.find((c) => c.id === batch.cut) ?? null;
		const planned = cut ? (cut.yields[batch.form] ?? Object.values(cut.yields)[0]) : undefined;
		return {
			title: batch.title,
			batch: {
				code: batch.code,
				title: batch.title,
				way: batch.way,
				packedOn: batch.packedOn,
				keepsUntil: batch.keepsUntil,
				use: batch.useWords,
				closing: batch.closing,
				again: batch.again,
				change: batch.change,
				handsSaid_s: batch.handsSaidS,
				byHand: batch.madeBy === 'hand',
				voided: batch.voidedAt !== null
			},
			planned: subject
				? {
						raw_g: subject.raw_g,
						load_g: subject.load_g,
						packed_g: batch.plan
							? (kindOf(batch.plan)
									.outputs(batch.plan)
									.find((o) => o.n === batch.n)?.prepared_g ?? 0)
							: 0,
						elapsed_s: subject.expected.elapsed_s,
						stages: Object.fromEntries(
							('stages' in subject ? subject.stages : []).map(({ id, end }) => [
								id,
								end.by === 'clock' ? end.least_s : null
							])
						),
						reboil: 'heat' in subject && subject.heat === 'water' ? 60 : null
					}
				: null,
			// What is cut away is the table's; what cooking and the pan take of jars is not.
			tableYield:
				planned && batch.method !== 'can'
					? { value: planned.value, source: planned.source, confidence: planned.confidence }
					: null,
			run: run
				? {
						id: run.id,
						plan: run.plan,
						of: batch.n,
						startedAt: run.startedAt,
						events: run.events,
						open: run.status === 'open',
						differences: run.differences
					}
				: null,
			printers,
			went: went.map(({ lot, code, used }) => ({
				id: lot.id,
				title: lot.title,
				code,
				since: dateIn(locals.household.zone, lot.since.getTime()),
				amount: sayAmount(lot, used, units)
			})),
			lots: lots.map((l) => ({
				id: l.id,
				place: l.place,
				container: l.container,
				left: l.unit === 'pack' ? `${l.amount} × ${sayContent(l, units)}` : sayAmount(l, l.amount, units)
			})),
			left: lots.reduce((sum, l) => sum + (l.unit === 'pack' ? l.amount : 0), 0),
			moves: moves.map(({ lot, amount, at, ...m }) => ({
				...m,
				amount: `${amount > 0 ? '+' : amount < 0 ? '−' : ''}${sayAmount(lot, Math.abs(amount), units)}`,
				verb: verbs[m.kind],
				at: at.getTime()
			}))
		};
	}, locals.household.units);

async function strike(event: RequestEvent<{ code: string }>) {
	const struck = await action(event, async (fields) => {
		const { key: once } = parse(Joi.object<{ key: string }>({ key: key() }), fields);
		await event.locals.stores.batches.strike(once, parse(line(30).required(), event.params.code) as string);
		return { struck: true };
	});
	if ('struck' in struck) redirect(303, '/book');
	return struck;
}

export const actions: Actions = {
	strike: (event) => strike(event),
	/** What its hands really took: the clock cannot see them. Nothing said is the plan's word again. */
	hands: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ hours: number | null; minutes: number | null; key: string }>({
					hours: Joi.number().integer().min(0).max(500).empty('').default(null).label('Hours'),
					minutes: Joi.number().integer().min(0).max(59).empty('').default(null).label('Minutes'),
					key: key()
				}),
				fields
			);
			const said = v.hours === null && v.minutes === null ? null : (v.hours ?? 0) * 3600 + (v.minutes ?? 0) * 60;
			const code = parse(line(30).required(), event.params.code) as string;
			await event.locals.stores.batches.sayHands(v.key, code, said === 0 ? null : said);
			return { saved: 'What hands took' };
		})
};
