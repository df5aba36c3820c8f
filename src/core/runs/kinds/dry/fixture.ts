import { foodById } from '../../../things/names';
import { plain, type Thing } from '../../../things/thing';
import { dryWay, type DryChoices, type DryWay } from '../../../ways/dry-ways';
import { kitchen } from '../../../ways/kitchen.fixture';
import type { Kitchen } from '../../../ways/kitchen';
import { planDry, type DryChosen } from './make';
import type { DryPlan } from './plan';

/** For the tests: the morning that their loads start. */
export const start = Date.parse('2026-08-25T08:00:00Z');

export interface Item {
	readonly food: string;
	readonly grams: number;
	readonly choices?: DryChoices;
	readonly thing?: Partial<Thing>;
}

export function wayOf({ food: id, grams, choices = {}, thing = {} }: Item, own: Kitchen = kitchen): DryWay {
	const food = foodById(id);
	if (!food) throw new Error(`no ${id}`);
	const way = dryWay({
		thing: { ...plain(food), ...thing },
		cut: food.cuts[0] ?? null,
		grams,
		kitchen: own,
		choices,
		now: start
	});
	if (way.kind === 'refused') throw new Error(way.reason);
	return way;
}

export const chosenOf = (items: readonly Item[], own: Kitchen = kitchen): DryChosen[] =>
	items.map((item, i) => {
		const way = wayOf(item, own);
		return { way, lotId: `lot-${i + 1}`, called: way.thing.called, form: way.thing.form, raw_g: item.grams };
	});

export function planOf(items: readonly Item[], own: Kitchen = kitchen): DryPlan {
	const plan = planDry(chosenOf(items, own), own);
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
