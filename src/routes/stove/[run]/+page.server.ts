import Joi from 'joi';
import { kindOf } from '$core/runs/kinds';
import { runsText, stoveThings } from '$lib/server/stove';
import { id, key, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	page(async () => {
		parse(id().required(), params.run);
		const [run, things] = await Promise.all([locals.stores.runs.get(params.run), stoveThings(locals.stores)]);
		const title = `Stove: ${kindOf(run.plan).head(run.plan).food}`;
		return { title, run: runsText([run], locals.household.units), things };
	});

export const actions: Actions = {
	/** Differences between book and taps, settled by a person's word. */
	settle: (event) =>
		action(event, async (fields) => {
			const { how, key: once } = parse(
				Joi.object<{ how: 'keep' | 'again'; key: string }>({
					how: Joi.string().valid('keep', 'again').required().label('How'),
					key: key()
				}),
				fields
			);
			const runId = parse(id().required().label('The run'), event.params.run) as string;
			const { left } = await event.locals.stores.runs.settle(once, runId, how, deviceOf(event));
			return { saved: left === 0 ? 'Settled' : 'Some of it still differs' };
		})
};
