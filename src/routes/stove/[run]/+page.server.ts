import Joi from 'joi';
import { id, key, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	page(async () => {
		parse(id().required(), params.run);
		const [run, places, containers] = await Promise.all([
			locals.stores.runs.get(params.run),
			locals.stores.home.places(),
			locals.stores.home.containers()
		]);
		return {
			title: `Stove: ${run.plan.food.name}`,
			run,
			freezers: places.filter((p) => p.kind === 'freezer').map((p) => ({ id: p.id, name: p.name })),
			containers: containers.map((c) => ({
				id: c.id,
				name: c.name,
				count: Math.max(0, c.count),
				volume_mL: c.volumeMl
			}))
		};
	}, locals.household.units);

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
