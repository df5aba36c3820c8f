import type { RunEvent } from '../../src/core/runs/events';
import { foldRun } from '../../src/core/runs/fold';
import { nextActs, type Tap } from '../../src/core/runs/next';
import type { RunPlan } from '../../src/core/runs/plan';
import type { Random } from './random';

/** A tap that somebody at the stove could make who sees these events: mostly what the page says, sometimes a slip. */
export function freezeTap(
	{ next, below, pick }: Random,
	plan: RunPlan,
	startedAt: number,
	now: number,
	shown: readonly RunEvent[],
	where: { placeIds: readonly string[]; containerIds: readonly (string | null)[] }
): Tap {
	const state = foldRun(plan, startedAt, shown);
	// Opened again after a mistake: every end that is seen is taken back.
	const [end] = state.ends;
	if (end !== undefined && next() < 0.35) return { type: 'undo', target: end };
	const what = next();
	if (what < 0.08 && shown.length > 0) return { type: 'undo', target: pick(shown).id };
	if (what < 0.16) return { type: 'finish' };
	if (what < 0.2) return { type: 'stop', reason: 'called away' };
	if (what < 0.45)
		return {
			type: 'pack',
			packs: 1 + below(4),
			pack_g: pick([plan.portion_g, plan.portion_g, Math.max(1, Math.round(plan.portion_g / 2))]),
			containerId: pick(where.containerIds),
			placeId: pick(where.placeIds)
		};
	if (what < 0.5) return { type: 'weigh', grams: Math.round(plan.load_g * (0.6 + next() * 0.6)) };
	if (what < 0.54) return { type: 'note', text: `note ${below(100)}` };
	if (what < 0.57) return { type: 'hold', on: next() < 0.5 };
	const acts = nextActs(plan, state, now + 3_600_000).filter((a) => a.button);
	const act = acts.length > 0 ? pick(acts) : undefined;
	return act?.button?.tap ?? { type: 'note', text: 'nothing to do' };
}
