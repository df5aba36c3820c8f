import { weightShare } from '../../../drying/page-curve';
import { lookAt, type DryState } from './fold';
import { doneAt, forecastOf, nextWeighing } from './forecast';
import { subjectOf, type DryPlan, type DrySubject } from './plan';
import { hoursOn, wet_g, type Tray } from './tray';

/** A place of the dryer, from above. */
export interface Slot {
	readonly slot: number;
	readonly tray: Tray | null;
	readonly subject: DrySubject | null;
	/** What is next with it, and when, ms; `done` where it is to be felt now. */
	readonly next: 'look' | 'weigh' | 'feel' | null;
	readonly at: number | null;
}

/** The dryer from above, place by place. */
export function slots(plan: DryPlan, state: DryState, now: number): Slot[] {
	return Array.from({ length: plan.dryer.trays }, (_, i): Slot => {
		const slot = i + 1;
		const tray = state.trays.find((t) => t.spot === 'in' && t.slot === slot) ?? null;
		const subject = tray ? (subjectOf(plan, tray.subject) ?? null) : null;
		if (!tray || tray.from === null) return { slot, tray, subject, next: null, at: null };
		const look = lookAt(plan, state, tray);
		const told = state.trays.find((t) => t.subject === tray.subject && t.spot === 'in') === tray;
		const weigh = (told ? nextWeighing(plan, tray, forecastOf(plan, state.trays, tray), now) : undefined) ?? Infinity;
		return weigh < look
			? { slot, tray, subject, next: 'weigh', at: weigh }
			: { slot, tray, subject, next: now >= look ? 'feel' : 'look', at: look };
	});
}

/** A forecast as it stood after so many weighings: h of the dryer's work. */
export interface Stood {
	/** After which weighing, ms; null for the plan's. */
	readonly at: number | null;
	readonly done_h: number;
	readonly interval_h: readonly [number, number];
}

/** A tray opened: its curve, its band, what it has weighed, and how the forecast has narrowed. */
export interface TrayView {
	readonly tray: Tray;
	readonly subject: DrySubject;
	readonly hours: number;
	readonly wet_g: number | null;
	readonly target_g: number | null;
	readonly odd: boolean;
	/** ms; null while the dryer is off. */
	readonly done: ReturnType<typeof doneAt>;
	/** h of work and g: the middle, and between which nine of ten lie; empty where no weight is known or no curve holds. */
	readonly curve: readonly (readonly [h: number, middle: number, low: number, high: number])[];
	readonly stood: readonly Stood[];
}

const points = 32;

export function trayView(plan: DryPlan, state: DryState, tray: Tray, now: number): TrayView | null {
	const subject = subjectOf(plan, tray.subject);
	if (!subject) return null;
	const forecast = forecastOf(plan, state.trays, tray);
	const wet = wet_g(plan, tray);
	const { moistureIn, moistureOut, asPrinted } = subject.forecast;
	const last = forecast.interval_h[1] * 1.08;
	const at = (t_h: number, end_h: number) =>
		(wet ?? 0) * weightShare({ t_h, end_h, moistureIn, moistureOut, power: forecast.power });
	const others = state.trays.filter((t) => t !== tray);
	return {
		tray,
		subject,
		hours: hoursOn(tray, now),
		wet_g: wet,
		target_g: forecast.target_g,
		odd: forecast.odd_h !== null,
		done: doneAt(tray, forecast, now),
		curve:
			wet === null || asPrinted
				? []
				: Array.from({ length: points + 1 }, (_, i) => {
						const h = (i / points) * last;
						return [h, at(h, forecast.done_h), at(h, forecast.interval_h[0]), at(h, forecast.interval_h[1])] as const;
					}),
		stood: [null, ...tray.weights].map((w, i) => {
			const then = i === tray.weights.length ? tray : { ...tray, weights: tray.weights.slice(0, i) };
			const { done_h, interval_h } = forecastOf(plan, [...others, then], then);
			return { at: w?.at ?? null, done_h, interval_h };
		})
	};
}
