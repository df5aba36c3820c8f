import { weightShare } from '../../../drying/page-curve';
import { sayWeight } from '../../../quantities/format';
import { about, still, type Around, type DryAct } from './act';
import { freeSlots, lookAt, type DryState } from './fold';
import { doneAt, forecastOf, nextWeighing, type TrayForecast } from './forecast';
import { slotsOf, subjectOf, type DryPlan } from './plan';
import { coolFor_s } from './rules';
import { hoursOn, wet_g, type Tray } from './tray';

/** A food's first tray is the one that is weighed: the others follow from it. */
const told = (state: DryState, tray: Tray): boolean =>
	state.trays.find((t) => t.subject === tray.subject && t.spot === 'in') === tray;

export function drying({ plan, state, now }: Around, tray: Tray): DryAct[] {
	const subject = subjectOf(plan, tray.subject);
	if (!subject || tray.from === null) return [];
	const forecast = forecastOf(plan, state.trays, tray);
	const done = doneAt(tray, forecast, now);
	const due = lookAt(plan, state, tray);
	const list: DryAct[] = [];
	const base = {
		...still,
		...about(plan, subject, tray),
		subject: subject.n,
		unit: `t${tray.tray}`,
		since: tray.loadedAt,
		clock: true,
		task: 'wash' as const
	};
	const wet = wet_g(plan, tray);
	const weigh = told(state, tray) ? nextWeighing(plan, tray, forecast, now) : undefined;
	if (wet !== null && weigh !== undefined) {
		// A weighing after the first look says nothing that the hand does not.
		if (weigh < due)
			list.push({
				...base,
				key: `scale-${tray.tray}-${tray.weights.length}`,
				kind: 'scale',
				sentence: now >= weigh ? `Weigh tray ${tray.slot}.` : `Tray ${tray.slot} dries.`,
				hint: `Without the tray. It went in at ${sayWeight(wet, plan.units)}${forecast.target_g === null ? '' : `, dry at about ${sayWeight(forecast.target_g, plan.units)}`}. Each weighing narrows the forecast.`,
				due: weigh,
				then: `weigh tray ${tray.slot}`,
				drawn: now < weigh,
				asks: 'weight',
				button: {
					label: 'Weighed',
					tap: { type: 'scale', tray: tray.tray, grams: expectedNow(plan, tray, forecast, now) }
				},
				ready: true,
				urgency: now >= weigh ? 6.8 : 72
			});
	}
	const [slot] = freeSlots(plan, state.trays, slotsOf(plan.dryer));
	list.push({
		...base,
		key: `feel-${tray.tray}-${tray.felt?.hours ?? 0}`,
		kind: 'feel',
		sentence: now >= due ? `Feel tray ${tray.slot}: ${subject.test}?` : `Tray ${tray.slot} dries.`,
		hint: `The hand decides, not the clock: let a piece cool, then ${subject.test}.${done && now < done.to ? '' : ' Longer than nine of ten take: thicker pieces, damp air or a full tray.'}`,
		due,
		then: `feel tray ${tray.slot}`,
		drawn: now < due,
		asks: 'dry',
		button: {
			label: 'Dry: off it comes',
			tap: { type: 'pull', tray: tray.tray, ...(forecast.target_g === null ? {} : { grams: forecast.target_g }) }
		},
		others: [
			{ label: 'Nearly', tap: { type: 'felt', tray: tray.tray, found: 'nearly' } },
			{ label: 'Still wet', tap: { type: 'felt', tray: tray.tray, found: 'wet' } },
			...(slot === undefined
				? []
				: [{ label: `To place ${slot}`, tap: { type: 'swap' as const, tray: tray.tray, slot } }])
		],
		// Whoever feels it early may pull it early: the hand is the test.
		ready: now >= due,
		urgency: now >= due ? 6.6 : 73
	});
	return list;
}

/** What it should weigh by now, for the field: the forecast's own curve, g. */
function expectedNow(plan: DryPlan, tray: Tray, { done_h, power }: TrayForecast, now: number): number {
	const subject = subjectOf(plan, tray.subject);
	const wet = wet_g(plan, tray) ?? 0;
	if (!subject) return wet;
	const { moistureIn, moistureOut } = subject.forecast;
	const share = weightShare({ t_h: hoursOn(tray, now), end_h: done_h, moistureIn, moistureOut, power });
	return Math.max(1, Math.round(wet * share));
}

export function cooling({ plan, state, now }: Around, tray: Tray): DryAct[] {
	const subject = subjectOf(plan, tray.subject);
	if (!subject || state.packed.some((p) => p.subject === tray.subject && p.at >= tray.since)) return [];
	const due = tray.since + coolFor_s * 1000;
	if (now >= due) return [];
	const [slot] = freeSlots(plan, state.trays, slotsOf(plan.dryer));
	return [
		{
			...still,
			...about(plan, subject, tray),
			key: `cool-${tray.tray}`,
			kind: 'cool',
			subject: subject.n,
			unit: `t${tray.tray}`,
			sentence: 'It cools, loosely covered.',
			hint: 'Warm in a closed jar it sweats and goes mouldy; open for long it draws damp again.',
			due,
			then: `tray ${tray.slot} is cool`,
			drawn: true,
			since: tray.since,
			clock: true,
			ready: false,
			button:
				slot === undefined
					? null
					: { label: 'Not dry after all: in again', tap: { type: 'back', tray: tray.tray, slot } },
			task: 'wash',
			urgency: 74
		}
	];
}
