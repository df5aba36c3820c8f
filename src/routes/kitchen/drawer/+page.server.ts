import Joi from 'joi';
import { foodById } from '$core/things/names';
import { supplyKinds, type SupplyKind } from '$core/ways/equipment';
import { supplyWords } from '$core/ways/equipment-fields';
import { id, key, line, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { household: h, stores } = locals;
		const [containers, supplies, measures, portions] = await Promise.all([
			stores.home.containers(),
			stores.gear.supplies(),
			stores.home.measures(),
			stores.home.recipePortions()
		]);
		const called = (food: string) => foodById(food)?.name ?? food;
		const isLow = (amount: number, mark: number | null) => mark !== null && amount <= mark;
		return {
			title: 'The drawer',
			units: h.units,
			containers: containers.map((c) => ({ ...c, isLow: isLow(c.count, c.low) })),
			supplies: supplies.map((s) => ({ ...s, isLow: isLow(s.amount, s.low) })),
			measures: measures.map((m) => ({ ...m, foodName: called(m.food) })),
			portions: portions.map((p) => ({ ...p, foodName: called(p.food) }))
		};
	});

const saved = (what: string) => ({ saved: what });
const low = () => Joi.number().integer().min(0).max(100_000).label('The low mark');

export const actions: Actions = {
	container: (event) =>
		action(event, async (fields) => {
			const { key: intent, ...v } = parse(
				Joi.object<{ name: string; kind: 'bag'; volumeMl: number; count: number; low?: number; key: string }>({
					key: key(),
					name: line(60).required().label('The container’s name'),
					kind: Joi.string().valid('bag', 'box', 'jar').required().label('The kind'),
					volumeMl: Joi.number().integer().min(50).max(20_000).required().label('Millilitres'),
					count: Joi.number().integer().min(0).max(10_000).required().label('How many'),
					low: low()
				}),
				fields
			);
			await event.locals.stores.home.addContainer(intent, { ...v, low: v.low ?? null });
			return saved('Container');
		}),

	count: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; count: number; low?: number; key: string }>({
					key: key(),
					id: id().required().label('The container'),
					count: Joi.number().integer().min(0).max(10_000).required().label('How many'),
					low: low()
				}),
				fields
			);
			await event.locals.stores.home.setContainerCount(v.key, v.id, v.count, v.low ?? null);
			return saved('Count');
		}),

	/** Lids, a roll, absorbers. */
	supply: (event) =>
		action(event, async (fields) => {
			const kind = parse(
				Joi.string()
					.valid(...supplyKinds)
					.required()
					.label('What it is'),
				fields.kind
			) as SupplyKind;
			const { size } = supplyWords[kind];
			const range = 'low' in size ? size : { low: 1, high: 5000 };
			const { key: intent, ...v } = parse(
				Joi.object<{ kind: SupplyKind; name: string; size: number; amount: number; low?: number; key: string }>({
					key: key(),
					kind: Joi.string(),
					name: line(60).required().label('The name'),
					size: Joi.number().integer().min(range.low).max(range.high).required().label('The size'),
					amount: Joi.number().integer().min(0).max(100_000).required().label('How much'),
					low: low()
				}),
				fields
			);
			await event.locals.stores.gear.keepSupply(intent, { ...v, low: v.low ?? null });
			return saved(v.name);
		}),
	countSupply: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; count: number; low?: number; key: string }>({
					key: key(),
					id: id().required().label('Which'),
					count: Joi.number().integer().min(0).max(100_000).required().label('How much'),
					low: low()
				}),
				fields
			);
			await event.locals.stores.gear.countSupply(v.key, v.id, v.count, v.low ?? null);
			return saved('Count');
		}),
	remove: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ what: 'container' | 'measure' | 'portion' | 'supply'; id: string; key: string }>({
					what: Joi.string().valid('container', 'measure', 'portion', 'supply').required().label('What to remove'),
					id: id().required().label('Which'),
					key: key()
				}),
				fields
			);
			const { gear, home } = event.locals.stores;
			if (v.what === 'supply') await gear.drop(v.key, 'supply', v.id);
			else await home.remove(v.key, v.what, v.id);
			return saved('Removed');
		})
};
