import { ferment } from '../../src/core/runs/kinds/ferment';
import type { FermentEvent } from '../../src/core/runs/kinds/ferment/events';
import type { FermentPlan } from '../../src/core/runs/kinds/ferment/plan';
import { commonTap } from './common-taps';
import type { Tapper } from './fold-law';

/** How somebody taps at a crock: what comes next, the salt more or less. */
export const fermentTap: Tapper<FermentPlan> = (random, plan, startedAt, now, shown, where) => {
	const events = shown as readonly FermentEvent[];
	const state = ferment.fold(plan, startedAt, events);
	const [subject] = plan.subjects;
	const spot = { ...subject, mark: {}, food: subject.food.id };
	const common = random.next() < 0.45 ? commonTap(random, state, shown, spot, where) : undefined;
	if (common) return common;
	const [act] = ferment.acts(plan, state, now);
	const next = act?.button?.tap;
	if (next?.type === 'salted') return { ...next, grams: Math.max(1, Math.round(next.grams * (0.6 + random.next()))) };
	return next ?? { type: 'note', text: 'nothing to do' };
};
