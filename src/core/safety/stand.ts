import type { StandingPlace } from '../things/keeping';
import { keepsAt } from '../things/clock';
import type { State, Thing } from '../things/thing';
import type { Refusal } from '../errors';
import { isMeat } from './dry';
import { refuse } from './refuse';

export interface Standing {
	readonly place: StandingPlace;
	/** Of the place, °C. */
	readonly place_C: number;
	readonly name: string;
	/** Not in packs. */
	readonly loose: boolean;
}

/** It may stand there, as what it is then: out of the freezer it is thawed. */
export interface MayStand {
	readonly kind: 'may';
	readonly state: State;
	/** What to mind about this place. */
	readonly warning?: string;
}

/** 40 °F, the published fridge, with the play of a thermometer. */
const fridge_C = 5;
const frozen_C = -12;

/** Ways on that are the same wherever it should stand: by a way of freezing, with its portions and its months. */
const unfrozen = new Set<State>(['fresh', 'prepared', 'cooked', 'soaked', 'opened', 'mixed', 'coated', 'vacuumed']);

/**
 * Where what may stand: asked by everything that puts a thing anywhere.
 *
 * @param how `move`: someone carries it there; `said`: a person says that it stands there already, which is recorded as
 * it is unless it is dangerous
 */
export function mayStand(thing: Thing, at: Standing, how: 'move' | 'said' = 'move'): MayStand | Refusal {
	const { food, state } = thing;
	const cold = at.place_C <= fridge_C;
	const blanks = { food, called: thing.called };
	if (at.place === 'freezer' && at.place_C > frozen_C) return refuse('freezer-warm', blanks);
	if (state === 'frozen') {
		if (at.place === 'freezer') return { kind: 'may', state };
		if (!cold) return refuse('counter-thaw', blanks);
		return { kind: 'may', state: 'thawed' };
	}
	if (at.place === 'freezer') return intoFreezer(thing, at, how);
	if (state === 'thawed' && !cold && food.perishable) return refuse('counter-thaw', blanks);
	if (state === 'in-oil' && !cold) return refuse('oil-shelf', blanks);
	if (state === 'dried' && isMeat(food) && !cold) return refuse('meat-shelf', blanks);
	if (state === 'vacuumed' && !cold && !['pantry', 'nut', 'grain'].includes(food.group))
		return refuse('vacuum-room', blanks);
	if (state === 'opened' && thing.was !== 'dried' && !cold) return refuse('opened-warm', blanks);
	if (at.place === 'ground' && !(food.want && food.want.weeks[1] >= 8) && state === 'fresh')
		return refuse('ground-unfit', blanks);
	const { warning } = keepsAt(thing, at.place, at.place_C);
	return { kind: 'may', state, ...(warning ? { warning } : {}) };
}

function intoFreezer(thing: Thing, at: Standing, how: 'move' | 'said'): MayStand | Refusal {
	const { food, state } = thing;
	const blanks = { food, called: thing.called };
	if (state === 'canned') return refuse('jar-freezes', blanks);
	// What a person finds in the freezer is frozen, whatever its words were.
	if (how === 'said') return { kind: 'may', state: unfrozen.has(state) || state === 'thawed' ? 'frozen' : state };
	if (state === 'thawed') return refuse('refreeze', blanks);
	if (unfrozen.has(state)) return refuse('freezing-is-a-run', { ...blanks, first: [`Open ${thing.called} in Ways`] });
	return { kind: 'may', state };
}

/** The places of a household that keep a thing longer than where it stands: the best first, each with its days. */
export function betterPlaces(
	thing: Thing,
	here: Standing,
	others: readonly Standing[]
): { readonly at: Standing; readonly days: number }[] {
	if (thing.state === 'frozen') return [];
	const days = (at: Standing) => keepsAt(thing, at.place, at.place_C).days[0];
	const now = days(here);
	return others
		.filter((o) => o.place !== 'freezer' && mayStand(thing, o).kind === 'may')
		.map((at) => ({ at, days: days(at) }))
		.filter((o) => o.days > now * 1.3 && o.days - now >= 2)
		.sort((a, b) => b.days - a.days);
}
