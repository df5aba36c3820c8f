import { refitDrying, type Refit } from '../../../drying/drying-refit';
import { dryingModel } from '../../../../reference/model-rules';
import { again, weighAt } from './rules';
import { hoursOn, wet_g, type Tray } from './tray';
import { subjectOf, type DryPlan, type DrySubject } from './plan';

/** When a tray is dry, in hours of the dryer's work on it. */
export interface TrayForecast {
	readonly done_h: number;
	readonly interval_h: readonly [number, number];
	/** Standard deviation of its logarithm. */
	readonly doubt: number;
	/** What it is to weigh then, g; null where it is not known by weight. */
	readonly target_g: number | null;
	/** Page's power, most likely: the bend of its curve. */
	readonly power: number;
	/** A weighing that fits no drying: at so many hours. */
	readonly odd_h: number | null;
}

interface Prior {
	readonly hours: number;
	readonly doubt: number;
}

/** Trays are folded anew with every event, but each stays the same object until something becomes of it. */
const kept = new WeakMap<Tray, Map<string, TrayForecast>>();

/**
 * The forecast of a tray: the plan's, refit by its own weighings, and by what the other trays of its food have shown.
 *
 * Trays of one food share what is not known of it; between them a little is left, by place and by hand.
 */
export function forecastOf(plan: DryPlan, trays: readonly Tray[], tray: Tray): TrayForecast {
	const subject = subjectOf(plan, tray.subject);
	if (!subject) throw new Error(`The plan has no food ${tray.subject}.`);
	const own: Prior = subject.forecast;
	if (subject.forecast.asPrinted) return fromPrior(own, null);
	const siblings = trays.filter((t) => t !== tray && t.subject === tray.subject);
	return fit(plan, subject, tray, pooled(plan, subject, siblings));
}

const between = dryingModel.betweenTrays.value;

/** The prior of a tray by what its siblings have shown: normal in the logarithm, each sibling worth what it knows. */
function pooled(plan: DryPlan, subject: DrySubject, siblings: readonly Tray[]): Prior {
	const { hours, doubt } = subject.forecast;
	const m0 = Math.log(hours);
	// Of the plan's doubt, what the trays share.
	const shared = Math.sqrt(Math.max(doubt ** 2 - between ** 2, 1e-4));
	let precision = 1 / shared ** 2;
	let mean = m0 * precision;
	for (const tray of siblings) {
		const shown = shownBy(plan, subject, tray);
		if (!shown) continue;
		const weight = 1 / (shown.doubt ** 2 + between ** 2);
		precision += weight;
		mean += weight * Math.log(shown.hours);
	}
	return { hours: Math.exp(mean / precision), doubt: Math.min(doubt, Math.sqrt(1 / precision + between ** 2)) };
}

/** What a tray has shown by itself: pulled by the hand, or by its weighings; undefined where it has shown nothing. */
function shownBy(plan: DryPlan, subject: DrySubject, tray: Tray): Prior | undefined {
	if (tray.spot === 'cooling' && tray.hours > 0) return { hours: tray.hours, doubt: dryingModel.handDoubt.value };
	if (tray.weights.length === 0) return undefined;
	const { hours, doubt } = subject.forecast;
	const post = fit(plan, subject, tray, { hours, doubt });
	const info = 1 / post.doubt ** 2 - 1 / doubt ** 2;
	if (!(info > 1e-6)) return undefined;
	// What the weighings say alone: the posterior with the prior taken out of it.
	const log = (Math.log(post.done_h) / post.doubt ** 2 - Math.log(hours) / doubt ** 2) / info;
	return { hours: Math.exp(log), doubt: 1 / Math.sqrt(info) };
}

function fit(plan: DryPlan, subject: DrySubject, tray: Tray, prior: Prior): TrayForecast {
	const wet = wet_g(plan, tray);
	if (wet === null) return fromPrior(prior, null);
	// No weighing gives the forecast back.
	if (tray.weights.length === 0)
		return fromPrior(prior, Math.round((wet * (1 - subject.forecast.moistureIn)) / (1 - subject.forecast.moistureOut)));
	const key = `${prior.hours.toPrecision(9)} ${prior.doubt.toPrecision(9)}`;
	const of = kept.get(tray) ?? new Map<string, TrayForecast>();
	kept.set(tray, of);
	const known = of.get(key);
	if (known) return known;
	const { moistureIn, moistureOut } = subject.forecast;
	const refit = refitDrying({
		wet_kg: wet / 1000,
		moistureIn,
		moistureOut,
		prior,
		weighIns: tray.weights.map((w) => ({ t_h: w.hours, kg: w.grams / 1000 })),
		// Measured by the cup, the start itself is in doubt.
		...(tray.grams === null ? { noise_kg: Math.max(0.004, (wet / 1000) * 0.05) } : {})
	});
	const found = fromRefit(refit);
	of.set(key, found);
	return found;
}

const fromPrior = ({ hours, doubt }: Prior, target_g: number | null): TrayForecast => ({
	done_h: hours,
	interval_h: [hours * Math.exp(-1.645 * doubt), hours * Math.exp(1.645 * doubt)],
	doubt,
	target_g,
	power: 1,
	odd_h: null
});

const fromRefit = ({ done_h, interval_h, target_kg, power, odd }: Refit): TrayForecast => ({
	done_h,
	interval_h,
	doubt: Math.log(interval_h[1] / interval_h[0]) / (2 * 1.645),
	target_g: Math.round(target_kg * 1000),
	power,
	odd_h: odd?.t_h ?? null
});

/** At how many hours of work a tray is felt next: first where one of twenty is dry, then by how it felt. A reminder, never an end. */
export function nextLook(tray: Tray, { done_h, interval_h }: TrayForecast): number {
	if (!tray.felt) return interval_h[0];
	const step = Math.max(again.least_h, done_h * again.share) * (tray.felt.found === 'nearly' ? again.nearly : 1);
	// What was wet at its look is not looked at again before the forecast sees a chance.
	return Math.max(
		tray.felt.hours + step,
		tray.felt.found === 'wet' ? Math.min(interval_h[0], tray.felt.hours + 4 * step) : 0
	);
}

/** So long after its time a weighing is still asked for, h. */
const stillAsked_h = 1.5;

/**
 * When a tray is to be weighed next, ms; undefined where weighing it tells nothing (no weight at its start, printed hours,
 * the dryer off, or its times are over).
 */
export function nextWeighing(plan: DryPlan, tray: Tray, { done_h }: TrayForecast, now: number): number | undefined {
	if (tray.from === null || wet_g(plan, tray) === null || subjectOf(plan, tray.subject)?.forecast.asPrinted !== false)
		return undefined;
	const hours = hoursOn(tray, now);
	const share = weighAt.find((s, i) => i >= tray.weights.length && s * done_h > hours - stillAsked_h);
	return share === undefined ? undefined : tray.from + Math.max(0, share * done_h - tray.hours) * 3_600_000;
}

/** When it is dry, by the clock on the wall, ms: middle, and where nine of ten are; null while the dryer is off. */
export function doneAt(tray: Tray, { done_h, interval_h }: TrayForecast, now: number) {
	if (tray.from === null) return null;
	const at = (h: number) => now + Math.max(0, h - hoursOn(tray, now)) * 3_600_000;
	return { middle: at(done_h), from: at(interval_h[0]), to: at(interval_h[1]) };
}
