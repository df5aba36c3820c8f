import { sayWeight } from '../../../quantities/format';
import type { Act, TapOf } from '../../engine/kind';
import type { FreezeEvent, Spot } from './events';
import type { FreezeState, Potful } from './fold';
import { type FreezePlan, type Subject } from './plan';
import { freezerFor } from './room';
import { unitName } from './words';

export type FreezeTap = TapOf<FreezeEvent>;
export type FreezeAct = Act<FreezeTap>;

/** What every act is worked out from. */
export interface Around {
	readonly plan: FreezePlan;
	readonly state: FreezeState;
	readonly now: number;
}

/** Where there is but one food its number is not said. */
export const mark = (plan: FreezePlan, n: number): { subject?: number } =>
	plan.subjects.length > 1 ? { subject: n } : {};
/** Of an act: by its food, where there are several. */
export const key = (plan: FreezePlan, n: number, rest: string): string =>
	plan.subjects.length > 1 ? `${n}.${rest}` : rest;

/** What an act is about, whole and in the fewest words. */
export function about(
	{ plan, state }: Around,
	subject: Subject | null,
	potful: Potful | null
): { about: string; short: string } {
	if (!subject) {
		const all = plan.subjects.map((s) => s.food.name).join(', ');
		return { about: all, short: all };
	}
	const name = `${subject.food.name}, ${subject.cut.name} · ${subject.way.name}`;
	if (!potful) return { about: name, short: subject.food.name };
	const of = state.potfuls.filter((p) => p.subject === subject.n).length;
	const unit = `${unitName(subject)} ${potful.n}`;
	return {
		about: `${name} · ${unit} of ${of}, ${sayWeight(potful.grams, plan.units)}`,
		short: `${subject.food.name}${of > 1 ? `, ${unit}` : ''}`
	};
}

/** An act without a clock. */
export const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true } as const;

export const to = (plan: FreezePlan, potful: Potful, spot: Exclude<Spot, 'waiting'>): FreezeTap => ({
	type: 'move',
	...mark(plan, potful.subject),
	potful: potful.n,
	to: spot
});

/** Where there are several freezers: the one that still takes something today, by what it freezes in a day. */
export function whichFreezer({ plan, state, now }: Around): string {
	if (plan.freezers.length < 2) return '';
	const at = freezerFor(plan, state, now);
	return at ? ` Into: ${at.name}.` : '';
}
