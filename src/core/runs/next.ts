import { freezingRules } from '../../reference/rules';
import { sayLength, sayTemperature, sayVolume } from '../quantities/format';
import type { RunEvent, Spot } from './events';
import { isIn, stageOf, tally, type Potful, type RunState } from './fold';
import type { RunPlan, StagePlan } from './plan';

/** An event without the identity and time that the tap will give it. */
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
export type Tap = DistributiveOmit<RunEvent, 'id' | 'at'>;

export interface Act {
	readonly key: string;
	/** "Runner beans, potful 4 of 8, 1.05 kg": what it is about. */
	readonly about: { readonly potful: number | null; readonly of: number; readonly grams: number | null };
	readonly sentence: string;
	readonly hint: string;
	/** Counts down to it, or up from `since` where it is null. */
	readonly due: number | null;
	readonly latest: number | null;
	readonly since: number;
	readonly button: { readonly label: string; readonly tap: Tap } | null;
	/** Ready to be tapped without a question. */
	readonly ready: boolean;
	readonly kind: 'heat' | 'boil' | 'weigh' | 'in' | 'stage' | 'pack' | 'over';
	readonly stage: StagePlan | null;
	/** 0 is now; the smaller, the sooner it wants hands. */
	readonly urgency: number;
}

/**
 * All that could be done now, most urgent first; the first is the one sentence of the Stove.
 *
 * Hands go to what spoils soonest: lifting out of the water, then out of the ice, then the next potful in, then the
 * tray, then looking. A countdown that nobody needs to act on is shown when nothing else wants hands.
 */
export function nextActs(plan: RunPlan, state: RunState, now: number): Act[] {
	if (state.phase !== 'working') return [];
	const of = state.potfuls.length;
	const acts: Act[] = [];
	if (state.kettle.state === 'cold' && plan.pot) acts.push(heat(plan, state));
	if (!state.weighed && !state.potfuls.some((p) => p.spot !== 'waiting')) acts.push(weigh(plan, state));
	if (state.kettle.state === 'heating' && plan.pot) acts.push(boil(plan, state, now));
	for (const potful of state.potfuls) {
		const stage = stageOf(plan, potful.spot);
		if (stage) acts.push(leave(plan, potful, stage, of, now));
	}
	const next = state.potfuls.find((p) => p.spot === 'waiting');
	if (next && mayGoIn(plan, state, now)) acts.push(goIn(plan, next, of, state));
	const sums = tally(state);
	if (sums.firm_g > 0 && sums.waiting_g + sums.under_g === 0) acts.push(pack(plan, state));
	if (of > 0 && sums.supper_g > 0 && sums.firm_g + sums.waiting_g + sums.under_g === 0) acts.push(over(state));
	return acts.sort((a, b) => a.urgency - b.urgency || (a.due ?? Infinity) - (b.due ?? Infinity));
}

/** Whether the next potful may go into the pot, or onto the trays where there is no pot. */
function mayGoIn(plan: RunPlan, state: RunState, now: number): boolean {
	if (state.held) return false;
	const first = plan.stages[0];
	if (!first) return false;
	if (first.resource === 'freezer') return state.weighed || state.potfuls.some((p) => p.spot !== 'waiting');
	if (plan.pot && state.kettle.state !== 'boiling') return false;
	if (!state.weighed && !state.potfuls.some((p) => p.spot !== 'waiting')) return false;
	if (state.potfuls.some((p) => isIn(plan, p.spot, 'pot'))) return false;
	// The basins must have room when this one comes out of the water.
	const blanch_s = plan.stages.filter((s) => s.resource === 'pot').reduce((sum, s) => sum + (s.least_s ?? 0), 0);
	const chill = plan.stages.find((s) => s.id === 'chill');
	const inIce = state.potfuls.filter((p) => p.spot === 'chill');
	const stillIn = inIce.filter((p) => chill?.least_s == null || p.since + chill.least_s * 1000 > now + blanch_s * 1000);
	return stillIn.length < plan.basins;
}

const about = (potful: Potful | null, of: number) => ({ potful: potful?.n ?? null, of, grams: potful?.grams ?? null });

function heat(plan: RunPlan, state: RunState): Act {
	return {
		key: 'heat', kind: 'heat', about: about(null, state.potfuls.length), stage: null,
		sentence: `Put ${sayVolume(plan.pot?.water_L ?? 0, plan.units)} of water on, lid on, full heat.`,
		hint: 'First of all, while you wash and cut: the pot takes longest.',
		due: null, latest: null, since: state.startedAt,
		button: { label: 'The pot is on', tap: { type: 'heat-on' } }, ready: true, urgency: 10
	}; // prettier-ignore
}

function weigh(plan: RunPlan, state: RunState): Act {
	return {
		key: 'weigh', kind: 'weigh', about: about(null, state.potfuls.length), stage: null,
		sentence: plan.prepare,
		hint: 'Weigh what is ready: potfuls and packs follow from it.',
		due: null, latest: null, since: state.startedAt,
		button: { label: 'Weighed', tap: { type: 'weigh', grams: plan.load_g } }, ready: true, urgency: 20
	}; // prettier-ignore
}

function boil(plan: RunPlan, state: RunState, now: number): Act {
	const due = state.kettle.since + (plan.pot?.toBoil_s ?? 0) * 1000;
	return {
		key: 'boil', kind: 'boil', about: about(null, state.potfuls.length), stage: null,
		sentence: 'Waiting for the boil.',
		hint: `Water boils at ${sayTemperature(Math.round((plan.pot?.boil_C ?? 100) * 10) / 10, plan.units)} up here. Tap when it rolls, sooner or later than the clock.`,
		due, latest: null, since: state.kettle.since,
		button: { label: 'It boils', tap: { type: 'boiling' } },
		ready: now >= state.kettle.since + (due - state.kettle.since) * 0.5, urgency: now >= due ? 25 : 60
	}; // prettier-ignore
}

function leave(plan: RunPlan, potful: Potful, stage: StagePlan, of: number, now: number): Act {
	const index = plan.stages.indexOf(stage);
	const to = (plan.stages[index + 1]?.id ?? 'firm') as Exclude<Spot, 'waiting'>;
	const due = stage.least_s === null ? null : potful.since + stage.least_s * 1000;
	const over = due !== null && now >= due;
	const rank: Record<StagePlan['id'], number> = { blanch: 0, chill: 2, return: 3, drain: 6, freeze: 7 };
	const left_s = due === null ? 0 : (due - now) / 1000;
	// A blanch about to end keeps the hands free for it.
	const urgency =
		stage.id === 'return' ? 3
		: due === null ? 5
		: over ? rank[stage.id]
		: stage.id === 'blanch' ? (left_s < 25 ? 1 : 50)
		: 70 + rank[stage.id]; // prettier-ignore
	return {
		key: `${potful.n}-${stage.id}`, kind: 'stage', about: about(potful, of), stage,
		sentence: over ? (stage.id === 'blanch' ? 'Lift it into the ice.' : `${stage.leave}.`) : stage.doing,
		hint: stage.hint, due, latest: stage.most_s ? potful.since + stage.most_s * 1000 : null, since: potful.since,
		button: { label: stage.leave, tap: { type: 'move', potful: potful.n, to } },
		ready: due === null || over, urgency
	}; // prettier-ignore
}

/** Into the pot, the cold, or the freezer: what the first stage of a potful asks for. */
function goIn(plan: RunPlan, potful: Potful, of: number, state: RunState): Act {
	const first = plan.stages[0] as StagePlan;
	const [sentence, hint, label] = firstWords(plan, first, potful.n, of);
	return {
		key: `${potful.n}-in`, kind: 'in', about: about(potful, of), stage: null, sentence, hint,
		due: null, latest: null, since: state.kettle.since,
		button: { label, tap: { type: 'move', potful: potful.n, to: first.id } },
		ready: true, urgency: 4
	}; // prettier-ignore
}

function firstWords(plan: RunPlan, first: StagePlan, n: number, of: number): readonly [string, string, string] {
	const part = (one: string, each: string) => (of > 1 ? `${each} ${n}` : one);
	if (first.id === 'return')
		return [`Potful ${n} into the boiling water.`, 'Basket in, lid on, full heat.', 'It is in'];
	if (first.resource === 'pot') return [`Potful ${n} into the pot.`, 'Lid on.', 'It is in'];
	if (first.id === 'chill') return [`${part('All of it', 'Part')} into the cold.`, first.doing, 'It is cooling'];
	if (plan.packedFirst === 'wrap')
		return [
			`Wrap ${part('it', 'part')} in portions, into the freezer.`,
			'Air pressed out, labels on first, spread out to freeze.',
			'In the freezer'
		];
	if (plan.packedFirst === 'liquid')
		return [
			`Fill ${part('the portions', 'part')}, into the freezer.`,
			`Labels on first. ${plan.headspace}.`,
			'In the freezer'
		];
	if (plan.packedFirst === 'flat')
		return [
			`Bag ${part('it', 'part')} in portions and lay it flat, into the freezer.`,
			`Labels on first, air pressed out, ${sayLength(freezingRules.flatPack_m.value, plan.units)} thick.`,
			'In the freezer'
		];
	if (plan.inMoulds)
		return [
			`${part('Fill the moulds with it', 'Moulds, filling')}, into the freezer.`,
			'Level, and flat in the freezer.',
			'In the freezer'
		];
	return [
		`${part('Spread it', 'Trayful')} on the trays, into the freezer.`,
		'One layer, lined, not touching.',
		'In the freezer'
	];
}

function pack(plan: RunPlan, state: RunState): Act {
	const first = plan.packedFirst !== undefined;
	return {
		key: 'pack', kind: 'pack', about: about(null, state.potfuls.length), stage: null,
		sentence: first ? 'Count the packs, put them away.' : 'Bag, press out the air, label.',
		hint: first
			? 'Stack them now that they are hard, the oldest in front.'
			: 'Work quickly, so that nothing thaws. Labels first: nothing sticks to a frozen pack.',
		due: null, latest: null, since: state.startedAt, button: null, ready: true, urgency: 8
	}; // prettier-ignore
}

function over(state: RunState): Act {
	return {
		key: 'over', kind: 'over', about: about(null, state.potfuls.length), stage: null,
		sentence: 'All of it went to supper.',
		hint: 'Close the run to write it into the book.',
		due: null, latest: null, since: state.startedAt,
		button: { label: 'Close the run', tap: { type: 'finish' } }, ready: true, urgency: 9
	}; // prettier-ignore
}
