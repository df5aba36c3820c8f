import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import { mostSets, type RatioEvent } from './events';
import type { RatioPlan, RatioSubject } from './plan';

export interface OneSet {
	readonly n: number;
	/** How many measures of each item are in. */
	readonly scoops: readonly number[];
	/** Steps that are done. */
	readonly steps: number;
	/** Since when it is at its step, ms. */
	readonly since: number;
	readonly tests: readonly { readonly how: string; readonly grade: string; readonly at: number }[];
}

interface Own {
	/** In the recipe's own unit; null before it was measured. */
	have: number | null;
	sets: readonly OneSet[];
	rested: null | { readonly at: number; readonly grade: string };
	/** When the last of its sets was filled, ms. */
	filledAt: number | null;
}

export type RatioState = Readonly<Own> & CommonState<RatioEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

export const subjectOf = (plan: RatioPlan): RatioSubject => plan.subjects[0];

/** A thousandth of a set is the ruler's play, not a missing strawberry. */
const play = 1e-3;

/** Whole sets that so much of the main thing gives, and what is over, in the recipe's unit. */
export function setsFor(subject: RatioSubject, have: number): { readonly sets: number; readonly over: number } {
	const main = subject.items.find((i) => i.main);
	if (!main) throw new Error(`${subject.recipe.id} has no main ingredient.`);
	const sets = Math.min(mostSets, Math.floor(have / main.amount[0] + play));
	const over = have - sets * main.amount[1];
	return { sets, over: over < play * main.amount[0] ? 0 : over };
}

/** How many sets are to be made: by what was measured, else by what was planned; never fewer than are begun. */
export function setCount(plan: RatioPlan, state: Pick<Own, 'have' | 'sets'>): number {
	const subject = subjectOf(plan);
	const wanted = state.have === null ? subject.sets : setsFor(subject, state.have).sets;
	return Math.max(wanted, ...state.sets.map((s) => s.n), 0);
}

export const measuredOut = (subject: RatioSubject, set: OneSet | undefined): boolean =>
	subject.items.every((item, i) => (set?.scoops[i] ?? 0) >= item.scoops || item.optional);

export const isDone = (subject: RatioSubject, set: OneSet | undefined): boolean =>
	set !== undefined && set.steps >= subject.steps.length;

/** The sets in their order, those that are not begun too. */
export const setsOf = (
	plan: RatioPlan,
	state: Pick<Own, 'have' | 'sets'>
): { readonly n: number; readonly set: OneSet | undefined }[] =>
	Array.from({ length: setCount(plan, state) }, (_, i) => ({ n: i + 1, set: state.sets.find((s) => s.n === i + 1) }));

export const allDone = (plan: RatioPlan, state: Pick<Own, 'have' | 'sets'>): boolean => {
	const sets = setsOf(plan, state);
	return sets.length > 0 && sets.every(({ set }) => isDone(subjectOf(plan), set));
};

/** The state of sets by a ratio: a pure fold of its plan and events. */
export function fold(plan: RatioPlan, begunAt: number, events: readonly RatioEvent[]): RatioState {
	const state = foldEvents<RatioEvent, Own>(
		begunAt,
		events,
		() => ({ have: null, sets: [], rested: null, filledAt: null }),
		(draft, event) => apply(plan, draft, event)
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

function apply(plan: RatioPlan, draft: Draft, event: RatioEvent): string | undefined {
	const subject = subjectOf(plan);
	switch (event.type) {
		case 'weigh':
		case 'measured': {
			const have = haveOf(subject, event.type === 'weigh' ? { grams: event.grams } : event);
			if (have === undefined) return 'It is measured by its own unit here: say it in that.';
			draft.have = have;
			return undefined;
		}
		case 'added':
			return added(plan, draft, event);
		case 'set-step': {
			const set = setIn(plan, draft, event.set, event.at);
			if (!set) return 'There is not enough for another set.';
			if (!measuredOut(subject, set)) return 'Something of this set is not in yet.';
			if (event.step !== set.steps + 1) return 'That step was done already, or its turn has not come.';
			const step = subject.steps[event.step - 1];
			if (!step) return 'There is no such step.';
			if (step.test) return 'It ends by the test of its set.';
			return advance(plan, draft, set, event.at);
		}
		case 'set-test': {
			const set = draft.sets.find((s) => s.n === event.set);
			if (!set || subject.steps[set.steps]?.test !== true) return 'Nothing of this set is to be tested now.';
			const { how, grade, at } = event;
			const tested = { ...set, tests: [...set.tests, { how, grade, at }] };
			replace(draft, tested);
			return grade === 'set' ? advance(plan, draft, tested, event.at) : undefined;
		}
		case 'rested':
			if (draft.filledAt === null) return 'Nothing stands yet.';
			draft.rested = { at: event.at, grade: event.grade };
			return undefined;
		default:
			return undefined;
	}
}

/** So much of the main thing in the recipe's own unit; undefined where that cannot be said. */
export function haveOf(
	{ unit_g, unit_mL }: Pick<RatioSubject, 'unit_g' | 'unit_mL'>,
	{ mL, grams }: { readonly mL?: number; readonly grams?: number }
): number | undefined {
	// What a recipe measures by the cup was measured better by the cup than weighed.
	if (mL !== undefined && unit_mL !== null) return mL / unit_mL;
	if (grams !== undefined && unit_g !== null) return grams / unit_g;
	return undefined;
}

const replace = (draft: Draft, set: OneSet): void => {
	draft.sets = [...draft.sets.filter((s) => s.n !== set.n), set].sort((a, b) => a.n - b.n);
};

function setIn(plan: RatioPlan, draft: Draft, n: number, at: number): OneSet | undefined {
	const known = draft.sets.find((s) => s.n === n);
	if (known) return known;
	if (n > setCount(plan, draft)) return undefined;
	return { n, scoops: subjectOf(plan).items.map(() => 0), steps: 0, since: at, tests: [] };
}

function added(plan: RatioPlan, draft: Draft, event: Extract<RatioEvent, { type: 'added' }>): string | undefined {
	const item = subjectOf(plan).items[event.item - 1];
	if (!item || event.scoop > item.scoops) return 'There is no such measure in this recipe.';
	const set = setIn(plan, draft, event.set, event.at);
	if (!set) return 'There is not enough for another set.';
	// Two who count the same cup counted one cup.
	if ((set.scoops[event.item - 1] ?? 0) >= event.scoop) return 'That measure was counted already.';
	const scoops = set.scoops.map((s, i) => (i === event.item - 1 ? event.scoop : s));
	replace(draft, { ...set, scoops, since: set.steps === 0 ? Math.max(set.since, event.at) : set.since });
	return undefined;
}

function advance(plan: RatioPlan, draft: Draft, set: OneSet, at: number): undefined {
	replace(draft, { ...set, steps: set.steps + 1, since: Math.max(set.since, at) });
	if (allDone(plan, draft)) draft.filledAt = Math.max(...draft.sets.map((s) => s.since));
}

/** When the jars have stood, ms; null where nothing stands. */
export const restedBy = (plan: RatioPlan, state: Pick<Own, 'filledAt'>): number | null => {
	const { rest_s } = subjectOf(plan);
	return rest_s === null || state.filledAt === null ? null : state.filledAt + rest_s * 1000;
};

function timersOf(plan: RatioPlan, state: Own): Timer[] {
	const subject = subjectOf(plan);
	const list: Timer[] = [];
	for (const set of state.sets) {
		const step = subject.steps[set.steps];
		if (!step || !measuredOut(subject, set) || step.wait_s === null) continue;
		const due = set.since + step.wait_s * 1000;
		list.push({
			key: `set-${set.n}`,
			label: `set ${set.n} stands`,
			food: subject.recipe.name,
			unit: null,
			since: set.since,
			due,
			latest: null
		});
	}
	const due = restedBy(plan, state);
	if (due !== null && state.filledAt !== null && state.rested?.grade !== 'set')
		list.push({
			key: 'rest',
			label: 'standing until set',
			food: subject.recipe.name,
			unit: null,
			since: state.filledAt,
			due,
			latest: null
		});
	return list;
}
