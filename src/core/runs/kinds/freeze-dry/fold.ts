import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import type { FreezeDryEvent } from './events';
import type { FreezeDryPlan } from './plan';

export interface OneTray {
	readonly tray: number;
	/** Number of its food. */
	readonly subject: number;
	readonly wet_g: number;
	readonly weights: readonly { readonly at: number; readonly grams: number }[];
	readonly lost: boolean;
}

interface Own {
	trays: readonly OneTray[];
	frozenAt: number | null;
	onAt: number | null;
	/** Until it was to go on, by the hours that were added, ms. */
	moreUntil: number | null;
	warmAt: number | null;
	/** By subject, where somebody weighed all of it ready, g. */
	weighed: Readonly<Record<number, number>>;
}

export type FreezeDryState = Readonly<Own> & CommonState<FreezeDryEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

/** Two weighings are alike within the play of a kitchen scale (common practice). */
export const alike_g = 1;

/** The state of a load: a pure fold of its plan and events. */
export function fold(plan: FreezeDryPlan, begunAt: number, events: readonly FreezeDryEvent[]): FreezeDryState {
	const state = foldEvents<FreezeDryEvent, Own>(
		begunAt,
		events,
		() => ({ trays: [], frozenAt: null, onAt: null, moreUntil: null, warmAt: null, weighed: {} }),
		(draft, event) => apply(plan, draft, event)
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

function apply(plan: FreezeDryPlan, draft: Draft, event: FreezeDryEvent): string | undefined {
	switch (event.type) {
		case 'weigh':
			draft.weighed = { ...draft.weighed, [event.subject ?? 1]: event.grams };
			return undefined;
		case 'tray-filled': {
			const subject = plan.subjects.find((s) => s.trays.includes(event.tray));
			if (!subject) return 'There is no such tray in this load.';
			if (draft.onAt !== null) return 'The door is shut: nothing more goes in.';
			const rest = draft.trays.filter((t) => t.tray !== event.tray);
			const on = rest.filter((t) => t.subject === subject.n).reduce((sum, t) => sum + t.wet_g, 0);
			if (on + event.grams > Math.max(subject.raw_g, draft.weighed[subject.n] ?? 0))
				return `More than there is of ${subject.food.name}: weighed with the tray?`;
			const tray: OneTray = { tray: event.tray, subject: subject.n, wet_g: event.grams, weights: [], lost: false };
			draft.trays = [...rest, tray].sort((a, b) => a.tray - b.tray);
			return undefined;
		}
		case 'trays-frozen':
			if (draft.trays.length === 0) return 'Nothing lies on a tray yet.';
			draft.frozenAt = event.at;
			return undefined;
		case 'chamber-on':
			if (draft.trays.length === 0) return 'Nothing lies on a tray yet.';
			if (draft.onAt !== null) return 'It was on already.';
			if (draft.frozenAt === null && plan.subjects.some((s) => !s.frozen && draft.trays.some((t) => t.subject === s.n)))
				return 'The trays go in frozen hard, or they foam and boil over.';
			draft.onAt = event.at;
			return undefined;
		case 'tray-weighed': {
			const tray = draft.trays.find((t) => t.tray === event.tray);
			if (!tray || draft.onAt === null) return 'That tray is not in the machine.';
			const before = tray.weights.at(-1)?.grams ?? tray.wet_g;
			if (event.grams > before + alike_g)
				return `It weighed ${before} g before, and only gets lighter: weighed with the tray?`;
			set(draft, { ...tray, weights: [...tray.weights, { at: event.at, grams: event.grams }] });
			return undefined;
		}
		case 'chamber-more':
			if (draft.onAt === null) return 'It is not on.';
			draft.moreUntil = event.at + event.hours * 3_600_000;
			return undefined;
		case 'trays-warm':
			if (draft.onAt === null) return 'It is not on.';
			if (!draft.trays.filter((t) => !t.lost).every((t) => isDry(plan, t)))
				return 'Not every tray has weighed the same twice yet: the wettest sets the end.';
			draft.warmAt = event.at;
			return undefined;
		case 'tray-lost': {
			const tray = draft.trays.find((t) => t.tray === event.tray);
			if (!tray) return 'Nothing lay on that tray.';
			set(draft, { ...tray, lost: true });
			return undefined;
		}
		default:
			return undefined;
	}
}

const set = (draft: Draft, tray: OneTray): void => {
	draft.trays = draft.trays.map((t) => (t.tray === tray.tray ? tray : t));
};

/** Whether its last weighing agrees with one that is long enough ago. */
export function isDry({ apart_s }: Pick<FreezeDryPlan, 'apart_s'>, tray: OneTray): boolean {
	const last = tray.weights.at(-1);
	return (
		last !== undefined &&
		tray.weights.some((w) => last.at - w.at >= apart_s * 1000 && Math.abs(w.grams - last.grams) <= alike_g)
	);
}

/** When the trays are weighed next, ms: at the least of the printed hours, then so long after the last weighing. */
export function weighAt(plan: FreezeDryPlan, state: Pick<Own, 'onAt' | 'moreUntil' | 'trays'>, tray: OneTray): number {
	const first = (state.onAt ?? 0) + plan.hours[0] * 3_600_000;
	const last = tray.weights.at(-1);
	return Math.max(last ? last.at + plan.apart_s * 1000 : first, state.moreUntil ?? 0);
}

function timersOf(plan: FreezeDryPlan, state: Own & Pick<CommonDraft, 'packed'>): Timer[] {
	const base = { unit: null, food: plan.machine.name };
	if (state.warmAt !== null)
		return state.packed.length > 0
			? []
			: [
					{
						...base,
						key: 'pack',
						label: 'into its bag',
						since: state.warmAt,
						due: state.warmAt + plan.pack_s[0] * 1000,
						latest: state.warmAt + plan.pack_s[1] * 1000
					}
				];
	if (state.onAt === null) return [];
	const open = state.trays.filter((t) => !t.lost && !isDry(plan, t));
	const due = open.length > 0 ? Math.max(...open.map((t) => weighAt(plan, state, t))) : null;
	return [{ ...base, key: 'chamber', label: 'freeze-drying', since: state.onAt, due, latest: null }];
}
