import Joi from 'joi';
import { watches } from '$core/instruments/alarm';
import { tools, type Tool } from '$core/instruments/reading';
import { editWeight } from '$core/quantities/parse-weight';
import { id, key, line, parse, weightWithin } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { signed } from '$lib/server/who';
import type { Watch } from '$core/instruments/alarm';
import type { Actions, PageServerLoad } from './$types';

const day_ms = 86_400_000;

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const [all, places, printers] = await Promise.all([
			stores.instruments.live(),
			stores.home.places(),
			stores.printers.all()
		]);
		const shown = all.find((i) => i.id === url.searchParams.get('of')) ?? null;
		const history = shown ? await stores.instruments.history(shown.id, new Date(now.getTime() - 2 * day_ms)) : [];
		// As many points as a line has dots: each the mean of its stretch.
		const every = Math.max(1, Math.ceil(history.length / 240));
		return {
			title: 'Scales and probes',
			printers,
			freezers: places.filter((p) => p.kind === 'freezer').map(({ id: of, name }) => ({ id: of, name })),
			instruments: all.map((i) => ({ ...i, edit: i.quantity === 'mass' ? editWeight(i.tare_g, household.units) : '' })),
			shown: shown && { id: shown.id, name: shown.name, quantity: shown.quantity },
			history: history.filter((_, n) => n % every === 0).map((r) => [r.at, r.value] as const)
		};
	});

const watch = () =>
	Joi.string()
		.valid(...watches)
		.default('nothing')
		.label('What it rings for');

export const actions: Actions = {
	/** A new one: its token is shown once, and never again. */
	pair: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ name: string; quantity: Tool; watch: Watch; key: string }>({
					name: line(60).required().label('Its name'),
					quantity: Joi.string()
						.valid(...tools)
						.required()
						.label('What it measures'),
					watch: watch(),
					key: key()
				}),
				fields
			);
			const { key: once, ...values } = v;
			const made = await event.locals.stores.instruments.add(once, values);
			return { saved: v.name, token: signed(made, event.locals.secret), of: made };
		}),
	change: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; name: string; watch: Watch; tare?: number; placeId?: string; key: string }>({
					id: id().required(),
					name: line(60).required().label('Its name'),
					watch: watch(),
					tare: weightWithin(0, 20_000).label('The tray’s weight'),
					placeId: id().empty('').label('The place'),
					key: key()
				}),
				fields
			);
			await event.locals.stores.instruments.change(v.key, v.id, {
				name: v.name,
				watch: v.watch,
				tareG: v.tare ?? 0,
				placeId: v.placeId ?? null
			});
			return { saved: v.name };
		}),
	/** Believed no more, or again. */
	mistrust: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; on: 'yes' | 'no'; key: string }>({
					id: id().required(),
					on: Joi.string().valid('yes', 'no').required(),
					key: key()
				}),
				fields
			);
			await event.locals.stores.instruments.mistrust(v.key, v.id, v.on === 'yes');
			return { saved: v.on === 'yes' ? 'It is not believed any more' : 'It is believed again' };
		}),
	/** A sheet that failed, once more. */
	again: (event) =>
		action(event, async (fields) => {
			const v = parse(Joi.object<{ id: string; key: string }>({ id: id().required(), key: key() }), fields);
			await event.locals.stores.printers.again(v.key, v.id);
			return { saved: 'It waits for the printer again' };
		}),
	remove: (event) =>
		action(event, async (fields) => {
			const v = parse(Joi.object<{ id: string; key: string }>({ id: id().required(), key: key() }), fields);
			await event.locals.stores.instruments.remove(v.key, v.id);
			return { saved: 'Removed' };
		})
};
