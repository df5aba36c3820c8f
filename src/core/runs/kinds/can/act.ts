import type { Act, TapOf } from '../../engine/kind';
import type { CanEvent } from './events';
import type { CanPlan } from './plan';

export type CanTap = TapOf<CanEvent>;
export type CanAct = Act<CanTap>;

export const still = {
	unit: null,
	due: null,
	latest: null,
	clock: false,
	over: false,
	ready: true,
	subject: null,
	task: 'pressure'
} as const;

/** What every act of a load in the canner has alike. */
export type Base = Omit<typeof still, 'unit'> & {
	readonly about: string;
	readonly short: string;
	readonly since: number;
	readonly unit: string;
};

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
export const min = (seconds: number) => (seconds < 60 ? 'less than a minute' : `${Math.round(seconds / 60)} min`);

export const titleOf = (plan: CanPlan): string => plan.subjects.map((s) => s.food.name).join(', ');
