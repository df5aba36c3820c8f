import type { RunEvent } from '../../src/core/runs/kinds';
import { dry } from '../../src/core/runs/kinds/dry';
import type { DryTap } from '../../src/core/runs/kinds/dry/act';
import type { DryEvent } from '../../src/core/runs/kinds/dry/events';
import type { DryPlan } from '../../src/core/runs/kinds/dry/plan';
import { commonTap, type Where } from './common-taps';
import type { Random } from './random';

/** A tap that somebody at the dryer could make who sees these events: mostly what the page says, sometimes a slip. */
export function dryTap(
	random: Random,
	plan: DryPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: Where
): DryTap {
	const { next, below, pick } = random;
	const state = dry.fold(plan, startedAt, shown as readonly DryEvent[]);
	const one = pick(plan.subjects);
	const mark = plan.subjects.length > 1 ? { subject: one.n } : {};
	const common = commonTap(random, state, shown, { ...one, mark, food: one.food.id }, where);
	if (common) return common;
	const tray = state.trays.length > 0 ? pick(state.trays).tray : 1;
	const what = next();
	if (what < 0.06) return { type: 'power', on: next() < 0.5 };
	if (what < 0.12) return { type: 'swap', tray, slot: 1 + below(plan.dryer.trays + 1) };
	if (what < 0.18) return { type: 'scale', tray, grams: 1 + below(one.perTray_g * 2) };
	if (what < 0.23) return { type: 'back', tray, slot: 1 + below(plan.dryer.trays) };
	if (what < 0.27) return { type: 'out', tray, why: pick(['eaten', 'spoiled'] as const) };
	if (what < 0.34)
		return { type: 'load', ...mark, tray: 1 + below(9), slot: 1 + below(plan.dryer.trays), mL: 100 + below(900) };
	const acts = dry.acts(plan, state, now + 3_600_000).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	const tap = act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
	return tap.type === 'identified' ? { ...tap, words: 'an expert, by spore print' } : tap;
}
