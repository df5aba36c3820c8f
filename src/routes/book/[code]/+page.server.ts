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
		const [{ lots, moves }, run] = await Promise.all([
			locals.stores.stock.ofBatch(batch.id),
			batch.runId ? locals.stores.runs.get(batch.runId) : null
		]);
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
				byHand: batch.madeBy === 'hand',
				voided: batch.voidedAt !== null
			},
			planned: batch.plan
				? {
						raw_g: batch.plan.raw_g,
						load_g: batch.plan.load_g,
						packed_g: batch.plan.prepared_g,
						elapsed_s: batch.plan.expected.elapsed_s,
						stages: Object.fromEntries(batch.plan.stages.map((s) => [s.id, s.least_s])),
						reboil: batch.plan.pot ? 60 : null
					}
				: null,
			tableYield: planned ? { value: planned.value, source: planned.source, confidence: planned.confidence } : null,
			run: run
				? {
						id: run.id,
						plan: run.plan,
						startedAt: run.startedAt,
						events: run.events,
						open: run.status === 'open',
						differences: run.differences
					}
				: null,
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
	strike: (event) => strike(event)
};
