import type { Act, TapOf } from '../../engine/kind';
import type { DryEvent } from './events';
import type { DryState } from './fold';
import type { DryPlan, DrySubject } from './plan';
import type { Tray } from './tray';

export type DryTap = TapOf<DryEvent>;
export type DryAct = Act<DryTap>;

/** What every act is worked out from. */
export interface Around {
	readonly plan: DryPlan;
	readonly state: DryState;
	readonly now: number;
}

/** Where there is but one food its number is not said. */
export const mark = (plan: DryPlan, n: number): { subject?: number } =>
	plan.subjects.length > 1 ? { subject: n } : {};
export const key = (plan: DryPlan, n: number, rest: string): string =>
	plan.subjects.length > 1 ? `${n}.${rest}` : rest;

/** An act without a clock. */
export const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true } as const;

export function about(plan: DryPlan, subject: DrySubject | null, tray?: Tray): { about: string; short: string } {
	if (!subject) {
		const all = plan.subjects.map((s) => s.food.name).join(', ');
		return { about: `${plan.dryer.name} · ${all}`, short: all };
	}
	const piece = subject.thickness_mm === null ? subject.piece : `${subject.piece}, ${round(subject.thickness_mm)} mm`;
	return {
		about: `${subject.food.name}, ${piece}`,
		short: tray ? `${subject.food.name}, tray ${tray.slot}` : subject.food.name
	};
}

const round = (mm: number) => Math.round(mm * 10) / 10;
