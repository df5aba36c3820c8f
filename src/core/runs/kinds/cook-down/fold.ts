import { boilDown, potVolume_L, type BoilDown } from '../../../heat/boil-down';
import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import { ringsOf } from '../../engine/stage';
import type { CookEvent } from './events';
import { subjectOf, type CookPlan } from './plan';

export type Spot = 'board' | 'soften' | 'mill' | 'pan' | 'simmer' | 'cool' | 'cold';

export interface Dip {
	readonly at: number;
	readonly mm: number;
}

interface Own {
	spot: Spot;
	/** When it came there, ms. */
	since: number;
	load_g: number;
	weighed: boolean;
	/** After the mill, g; null where it was not milled. */
	milled_g: number | null;
	/** How deep it stood when it began to cook down, mm. */
	start: Dip | null;
	dips: Dip[];
	thickBy: string | null;
	/** Marks of the two stages that are met, and the last word of the thermometer. */
	met: number;
	last_C: number | null;
	lost_g: number;
}

export type CookState = Readonly<Own> & CommonState<CookEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

/** The state of a pan: a pure fold of its plan and events. */
export function fold(plan: CookPlan, begunAt: number, events: readonly CookEvent[]): CookState {
	const state = foldEvents<CookEvent, Own>(
		begunAt,
		events,
		(startedAt) => ({
			spot: 'board',
			since: startedAt,
			load_g: subjectOf(plan).load_g,
			weighed: false,
			milled_g: null,
			start: null,
			dips: [],
			thickBy: null,
			met: 0,
			last_C: null,
			lost_g: 0
		}),
		(draft, event) => apply(plan, draft, event)
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

/** Where it goes when it leaves the board, the softening, the mill. */
function after(plan: CookPlan, spot: Spot): Spot {
	const { soften, milledOut, fraction } = subjectOf(plan);
	const path: Spot[] = [
		'board',
		...(soften ? (['soften'] as const) : []),
		...(milledOut > 0 ? (['mill'] as const) : []),
		...(fraction !== null ? (['pan', 'simmer'] as const) : []),
		'cool',
		'cold'
	];
	return path[path.indexOf(spot) + 1] ?? 'cold';
}

function apply(plan: CookPlan, draft: Draft, event: CookEvent): string | undefined {
	const go = (spot: Spot) => {
		draft.spot = spot;
		draft.since = Math.max(draft.since, event.at);
	};
	switch (event.type) {
		case 'weigh':
			if (draft.milled_g !== null && event.grams < draft.milled_g) return 'More than that came through the mill.';
			draft.load_g = event.grams;
			draft.weighed = true;
			return undefined;
		case 'pan-on': {
			if (draft.spot !== 'board') return 'It was on already.';
			const next = after(plan, 'board');
			// What needs no softening is cooked as it is: the pan is where its depth is read.
			go(next);
			return undefined;
		}
		case 'soft':
			if (draft.spot !== 'soften') return 'Nothing was softening.';
			go(after(plan, 'soften'));
			return undefined;
		case 'milled':
			if (draft.spot !== 'mill') return 'It is not at the mill.';
			// An inch of water went in with it.
			if (event.grams > draft.load_g * 1.3)
				return `Of ${draft.load_g} g no ${event.grams} g come through a mill: weighed with the bowl?`;
			draft.milled_g = event.grams;
			go(after(plan, 'mill'));
			return undefined;
		case 'depth':
			return depth(plan, draft, event, go);
		case 'thick':
			if (draft.spot !== 'simmer' && draft.spot !== 'pan') return 'It is not in the pan.';
			draft.thickBy = event.by;
			go('cool');
			return undefined;
		case 'cooled':
			return cooled(plan, draft, event.dC / 10, event.at);
		case 'boil-again':
			if (draft.spot !== 'cool' && draft.spot !== 'cold') return 'It was not cooling.';
			draft.met = 0;
			draft.last_C = null;
			go('cool');
			return undefined;
		case 'lost':
			draft.lost_g += event.grams;
			return undefined;
		default:
			return undefined;
	}
}

function depth(
	plan: CookPlan,
	draft: Draft,
	event: Extract<CookEvent, { type: 'depth' }>,
	go: (spot: Spot) => void
): string | undefined {
	if (event.mm / 1000 > plan.pan.height_m) return `The pan is ${Math.round(plan.pan.height_m * 1000)} mm deep.`;
	if (draft.spot === 'pan') {
		draft.start = { at: event.at, mm: event.mm };
		go('simmer');
		return undefined;
	}
	if (draft.spot !== 'simmer' || !draft.start) return 'Nothing is cooking down.';
	const before = draft.dips.at(-1) ?? draft.start;
	if (event.at <= before.at) return 'Two dips in one moment: the first is kept.';
	if (event.mm >= draft.start.mm)
		return `It began at ${draft.start.mm} mm and only sinks: read it off the boil, from the floor.`;
	if (event.mm > before.mm + 3)
		return `It stood at ${before.mm} mm before. Stir, and read it again from the floor, off the boil.`;
	draft.dips.push({ at: event.at, mm: event.mm });
	return undefined;
}

function cooled(plan: CookPlan, draft: Draft, C: number, at: number): string | undefined {
	if (draft.spot !== 'cool') return 'It is not cooling.';
	const { cooling } = subjectOf(plan);
	const late = (within_s: number) => at > draft.since + within_s * 1000;
	const next = cooling[draft.met];
	if (next && C <= next.value && late(next.within_s))
		return 'It was measured after its time: whether it was cold enough by then nobody knows. Bring it to a boil and cool it anew, or throw it out.';
	draft.last_C = C;
	for (let mark = next; mark && C <= mark.value && !late(mark.within_s); mark = cooling[draft.met]) draft.met++;
	// Past its first mark in time it may go on: the freezer is colder than any fridge.
	if (draft.met >= cooling.length) {
		draft.spot = 'cold';
		draft.since = at;
	}
	return undefined;
}

/** The forecast by the pan, the burner and the dips; null before it cooks down. */
export function forecast(plan: CookPlan, state: Pick<CookState, 'start' | 'dips'>): BoilDown | null {
	const { fraction, thin_kg_L } = subjectOf(plan);
	if (!state.start || fraction === null) return null;
	const { start } = state;
	return boilDown({
		pot: plan.pan,
		start_m: start.mm / 1000,
		fraction,
		burner: plan.pan.burner,
		start_C: Math.min(plan.boil_C, 85),
		boil_C: plan.boil_C,
		density_kg_L: thin_kg_L,
		dips: state.dips
			.filter((d, i, all) => d.mm < start.mm && (i === 0 || d.at > (all[i - 1]?.at ?? 0)))
			.map((d) => ({ t_s: (d.at - start.at) / 1000, depth_m: d.mm / 1000 }))
	});
}

/** What of the volume is left by the last dip, 0 to 1. */
export function leftShare(plan: CookPlan, state: Pick<CookState, 'start' | 'dips'>): number | null {
	const last = state.dips.at(-1);
	if (!state.start || !last) return null;
	return potVolume_L(plan.pan, last.mm / 1000) / potVolume_L(plan.pan, state.start.mm / 1000);
}

/** Read off the stick again after so long, s: the last third is looked at more often. */
export const dipEvery_s = 1_200;

function timersOf(plan: CookPlan, state: Own): Timer[] {
	const subject = subjectOf(plan);
	const base = { food: subject.food.name, unit: null, since: state.since };
	if (state.spot === 'soften') return [{ ...base, key: 'soften', label: 'softening', due: null, latest: null }];
	if (state.spot === 'simmer') {
		const found = forecast(plan, state);
		const due = found && state.start ? state.start.at + found.boil_s * 1000 : null;
		return [{ ...base, key: 'simmer', label: 'cooking down, to the mark', due, latest: null }];
	}
	if (state.spot === 'cool') {
		const end = { by: 'reading', quantity: 'temperature', marks: subject.cooling } as const;
		return [{ ...base, key: 'cool', label: 'cooling', ...ringsOf(end, state.since, state.met) }];
	}
	return [];
}
