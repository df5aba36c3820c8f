import { store } from '../../src/core/runs/kinds/store';
import type { StoreEvent } from '../../src/core/runs/kinds/store/events';
import type { StorePlan } from '../../src/core/runs/kinds/store/plan';
import { commonTap } from './common-taps';
import type { Tapper } from './fold-law';

/** How somebody taps who puts away: mostly what comes next, now and then a pile more or a pile aside. */
export const storeTap: Tapper<StorePlan> = (random, plan, startedAt, now, shown, where) => {
	const state = store.fold(plan, startedAt, shown as readonly StoreEvent[]);
	const spot = { mark: {}, food: plan.food.id, form: plan.form, portion_g: 1000, load_g: plan.raw_g };
	const common = random.next() < 0.35 ? commonTap(random, state, shown, spot, where) : undefined;
	if (common) return common;
	const placeId = random.next() < 0.8 ? plan.place.id : random.pick([...where.placeIds, plan.place.id]);
	const grams = 1 + random.below(Math.max(1, Math.round(plan.raw_g / 3)));
	if (random.next() < 0.25)
		return random.pick([
			{ type: 'set-aside', grams, placeId } as const,
			{ type: 'stored', grams, placeId } as const,
			{ type: 'curing' } as const,
			{ type: 'cured' } as const
		]);
	const acts = store.acts(plan, state, now).filter((a) => a.button !== null);
	const tap = acts[0]?.button?.tap;
	return tap && 'grams' in tap ? { ...tap, grams } : (tap ?? { type: 'note', text: 'nothing to do' });
};
