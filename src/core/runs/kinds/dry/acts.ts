import { sayCount, sayTemperature, sayWeight } from '../../../quantities/format';
import { about, key, mark, still, type Around, type DryAct } from './act';
import { weightShare as shareAt } from '../../../drying/page-curve';
import { freeSlots, lookAt, shut, tally, waiting, type DryState, type DrySubjectState } from './fold';
import { doneAt, forecastOf, nextWeighing, type TrayForecast } from './forecast';
import { slotsOf, subjectOf, type DryPlan } from './plan';
import { coolFor_s } from './rules';
import { hoursOn, wet_g, type Tray } from './tray';

/**
 * All that could be done now, most urgent first: what nobody may pass over, the printed heat, trays in, what is due to be
 * felt, what is off and wants a jar. What runs by itself comes last.
 */
export function acts(plan: DryPlan, state: DryState, now: number): DryAct[] {
	if (state.phase !== 'working') return [];
	const around = { plan, state, now };
	const list: DryAct[] = [];
	if (!state.power.on && state.trays.some((t) => t.spot === 'in')) list.push(powerOn(around));
	for (const known of state.subjects) list.push(...before(around, known));
	list.push(...loading(around));
	for (const tray of state.trays) {
		if (tray.spot === 'in') list.push(...drying(around, tray));
		else if (tray.spot === 'cooling') list.push(...cooling(around, tray));
	}
	list.push(...turning(around), ...packing(around), ...over(around));
	return list.sort((a, b) => a.urgency - b.urgency || (a.due ?? Infinity) - (b.due ?? Infinity));
}

function powerOn({ plan, state }: Around): DryAct {
	return {
		...still,
		key: 'power',
		kind: 'power',
		...about(plan, null),
		subject: null,
		sentence: 'The dryer is off.',
		hint: 'Food that is neither wet nor dry spoils in a day at room warmth. Off for more than a few hours: feel and smell each tray; slimy or sour goes out. Meat that stood below its heat for 2 hours goes out.',
		since: state.power.since,
		clock: true,
		button: { label: 'It is on again', tap: { type: 'power', on: true } },
		task: 'wash',
		urgency: 3
	};
}

/** Before the trays: who identified it, whether it was heated through, the knife, the printed heat. */
function before({ plan, state, now }: Around, known: DrySubjectState): DryAct[] {
	const subject = subjectOf(plan, known.n);
	if (!subject) return [];
	const base = { ...still, ...about(plan, subject), subject: subject.n, since: state.startedAt };
	const at = subject.n / 100;
	const gate = subject.gates.find((g) => (g.id === 'identified' ? known.identified : known.heated_C) === null);
	const knife: DryAct[] = known.weighed
		? []
		: [
				{
					...base,
					key: key(plan, subject.n, 'weigh'),
					kind: 'weigh',
					sentence: subject.prepare,
					hint: `${subject.pretreat} Weigh what is ready: trays follow from it.`,
					asks: 'weight',
					button: { label: 'Weighed', tap: { type: 'weigh', ...mark(plan, subject.n), grams: subject.load_g } },
					task: 'knife',
					urgency: 5 + at
				}
			];
	if (gate?.id === 'identified')
		return [
			{
				...base,
				key: key(plan, subject.n, 'identified'),
				kind: 'identified',
				sentence: `Who identified ${subject.food.name.toLowerCase()}, and by what?`,
				hint: gate.words,
				asks: 'words',
				button: { label: 'Identified', tap: { type: 'identified', ...mark(plan, subject.n), words: '' } },
				others: [
					{ label: 'Not sure: stop here', tap: { type: 'stop', reason: `${subject.food.name}: not identified for certain` } }
				],
				task: 'heat',
				urgency: 3.8 + at
			}
		]; // prettier-ignore
	if (gate?.id === 'heated')
		return [
			...knife,
			{
				...base,
				key: key(plan, subject.n, 'heated'),
				kind: 'heated',
				sentence: `Heat it through: at least ${sayTemperature(gate.least_C, plan.units)} at its centre.`,
				hint: gate.words,
				asks: 'temperature',
				button: {
					label: 'Measured',
					tap: { type: 'heated', ...mark(plan, subject.n), dC: Math.ceil(gate.least_C * 10) }
				},
				task: 'heat',
				urgency: 6 + at
			}
		];
	if (knife.length > 0 || !subject.first || known.heat.done || waiting(plan, state, subject.n).length === 0)
		return knife;
	const { least_s, most_s, method, dip } = subject.first;
	const { since, potfuls } = known.heat;
	const where = method === 'steam' ? 'steam' : 'boiling water';
	if (since === null)
		return [
			{
				...base,
				key: key(plan, subject.n, `first-${potfuls}`),
				kind: 'first',
				sentence: dip
					? `Into the ${where}, to crack the skins.`
					: potfuls === 0
						? `First into the ${where}.`
						: `The next potful into the ${where}.`,
				hint: subject.pretreat,
				button: { label: 'It is in', tap: { type: 'first', ...mark(plan, subject.n), on: true } },
				others: [
					{
						label: potfuls > 0 ? 'That was all of it' : 'Without it, raw',
						tap: { type: 'first', ...mark(plan, subject.n), on: false, last: true }
					}
				],
				task: 'heat',
				urgency: 6 + at
			}
		]; // prettier-ignore
	const due = since + least_s * 1000;
	const latest = most_s > least_s ? since + most_s * 1000 : null;
	const late = latest !== null && now > latest;
	return [
		{
			...base,
			key: key(plan, subject.n, `first-out-${potfuls}`),
			kind: 'first-out',
			sentence: now >= due ? 'Out, into cold water, then dry it off.' : `In the ${where}.`,
			hint: dip ? 'The skins show fine cracks. Cold water at once, pat dry.' : 'Cold at once, drained and patted dry: wet pieces dry slowly.',
			due,
			latest,
			since,
			clock: true,
			over: late,
			ready: now >= due,
			button: { label: 'Out: the last of it', tap: { type: 'first', ...mark(plan, subject.n), on: false, last: true } },
			others: [{ label: 'Out, and another potful', tap: { type: 'first', ...mark(plan, subject.n), on: false } }],
			task: 'heat',
			urgency: now >= due ? 1 : 70
		}
	]; // prettier-ignore
}

const open = (plan: DryPlan, known: DrySubjectState): boolean => {
	const subject = subjectOf(plan, known.n);
	return known.weighed && shut(plan, known) === undefined && (subject?.first === null || known.heat.done);
};

/** The next tray of each food that is ready, while there is a place for it. */
function loading({ plan, state, now }: Around): DryAct[] {
	const slots = freeSlots(plan, state.trays, slotsOf(plan.dryer));
	const next = state.trays.reduce((most, t) => Math.max(most, t.tray), 0) + 1;
	let taken = 0;
	return state.subjects.flatMap((known, i): DryAct[] => {
		const subject = subjectOf(plan, known.n);
		const [grams, ...more] = subject && open(plan, known) ? waiting(plan, state, known.n) : [];
		if (!subject || grams === undefined) return [];
		const slot = slots[taken];
		const base = {
			...still,
			...about(plan, subject),
			subject: subject.n,
			since: state.startedAt,
			task: 'wash' as const
		};
		if (slot === undefined) {
			const freed = Math.min(...state.trays.filter((t) => t.spot === 'in' && t.from !== null).map((t) => lookAt(plan, state, t))); // prettier-ignore
			return [
				{
					...base,
					key: key(plan, subject.n, 'second'),
					kind: 'later',
					sentence: `${sayCount(more.length + 1, 'tray')} wait for a place: a second load.`,
					hint: 'Covered, in the fridge, a day at the most.',
					due: Number.isFinite(freed) ? freed : null,
					clock: Number.isFinite(freed),
					ready: now >= freed,
					button: null,
					urgency: 76
				}
			];
		}
		taken++;
		return [
			{
				...base,
				key: key(plan, subject.n, `load-${next}`),
				kind: 'load',
				sentence: `${plan.subjects.length > 1 ? `${subject.food.name}: a` : 'A'} tray into place ${slot}.`,
				hint: `One layer, nothing over another. ${more.length > 0 ? `${sayCount(more.length, 'more tray')} after it.` : 'The last of it.'} Weighed without the tray, or in cups.${few(plan)}`,
				asks: 'load',
				unit: null,
				button: { label: 'In', tap: { type: 'load', ...mark(plan, subject.n), tray: next + taken - 1, slot, grams } },
				urgency: 6.4 + i / 100
			}
		];
	});
}

/** A dryer that does not dry well half empty. */
const few = (plan: DryPlan): string => {
	const planned = plan.subjects.reduce((sum, s) => sum + s.trays, 0);
	return planned < plan.dryer.leastTrays
		? ` Your dryer wants ${plan.dryer.leastTrays} trays at the least: spread it thinner over more.`
		: '';
};

/** A food's first tray is the one that is weighed: the others follow from it. */
const told = (state: DryState, tray: Tray): boolean =>
	state.trays.find((t) => t.subject === tray.subject && t.spot === 'in') === tray;

function drying({ plan, state, now }: Around, tray: Tray): DryAct[] {
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
				button: { label: 'Weighed', tap: { type: 'scale', tray: tray.tray, grams: expectedNow(plan, tray, forecast, now) } },
				ready: true,
				urgency: now >= weigh ? 6.8 : 72
			}); // prettier-ignore
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
			...(slot === undefined ? [] : [{ label: `To place ${slot}`, tap: { type: 'swap' as const, tray: tray.tray, slot } }])
		],
		// Whoever feels it early may pull it early: the hand is the test.
		ready: now >= due,
		urgency: now >= due ? 6.6 : 73
	}); // prettier-ignore
	return list;
}

/** What it should weigh by now, for the field: the forecast's own curve, g. */
function expectedNow(plan: DryPlan, tray: Tray, { done_h, power }: TrayForecast, now: number): number {
	const subject = subjectOf(plan, tray.subject);
	const wet = wet_g(plan, tray) ?? 0;
	if (!subject) return wet;
	const { moistureIn, moistureOut } = subject.forecast;
	const share = shareAt({ t_h: hoursOn(tray, now), end_h: done_h, moistureIn, moistureOut, power });
	return Math.max(1, Math.round(wet * share));
}

function cooling({ plan, state, now }: Around, tray: Tray): DryAct[] {
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
			button: slot === undefined ? null : { label: 'Not dry after all: in again', tap: { type: 'back', tray: tray.tray, slot } },
			task: 'wash',
			urgency: 74
		}
	]; // prettier-ignore
}

function turning({ plan, state, now }: Around): DryAct[] {
	if (state.turnedAt === null || !state.power.on) return [];
	const inside = state.trays.filter((t) => t.spot === 'in');
	if (inside.length < 2 && plan.dryer.heater !== 'back') return [];
	if (inside.length === 0) return [];
	const due = state.turnedAt + plan.turn_h * 3_600_000;
	const words =
		plan.dryer.heater === 'back' ? 'Turn each tray round.' : 'Swap the trays, top and bottom, and turn them.';
	return [
		{
			...still,
			...about(plan, null),
			key: `turn-${state.turnedAt}`,
			kind: 'turn',
			subject: null,
			sentence: now >= due ? words : 'Trays are turned next.',
			hint: plan.dryer.heater === 'back' ? 'What lies next to the fan dries first.' : `What lies next to the heater, at the ${plan.dryer.heater}, dries first.`,
			due,
			then: 'turn the trays',
			since: state.turnedAt,
			clock: true,
			ready: now >= due,
			button: { label: 'Turned', tap: { type: 'turned' } },
			task: 'wash',
			urgency: now >= due ? 7 : 75
		}
	]; // prettier-ignore
}

/** Foods of which all that is off has cooled: into jars, while the rest dries on. */
function packing({ plan, state, now }: Around): DryAct[] {
	return plan.subjects.flatMap((subject): DryAct[] => {
		const sums = tally(plan, state, subject.n);
		const cool = state.trays.filter((t) => t.subject === subject.n && t.spot === 'cooling');
		if (cool.length === 0 || cool.some((t) => now < t.since + coolFor_s * 1000)) return [];
		const packed = state.packed.filter((p) => p.subject === subject.n);
		const lastOff = Math.max(...cool.map((t) => t.since));
		const more = sums.in_g > 0 || waiting(plan, state, subject.n).length > 0;
		if (packed.some((p) => p.at >= lastOff) && (more || !allAway(plan, state))) return [];
		return [
			{
				...still,
				...about(plan, subject),
				key: key(plan, subject.n, 'pack'),
				kind: 'pack',
				subject: subject.n,
				sentence: subject.cold ? 'Bag it, label it, into the cold.' : 'Into jars, two thirds full.',
				hint: subject.cold
					? 'Dried meat keeps its months in the freezer alone; taken out it keeps two weeks in the fridge, and never on a shelf.'
					: subject.condition_days
						? `Loosely, closed: shaken every day for ${subject.condition_days[0]} to ${subject.condition_days[1]} days, so that what is damp shows itself.`
						: 'Closed, dark, dry. Look at it after a week: no drops on the glass.',
				since: lastOff,
				asks: 'packs',
				button: null,
				task: 'label',
				urgency: packed.length > 0 ? 8.5 : 8
			}
		];
	});
}

/** Whether nothing dries, waits or lies out any more. */
export function allAway(plan: DryPlan, state: DryState): boolean {
	if (state.trays.some((t) => t.spot === 'in')) return false;
	return plan.subjects.every((s) => {
		if (waiting(plan, state, s.n).length > 0) return false;
		const off = state.trays.filter((t) => t.subject === s.n && t.spot === 'cooling');
		const lastOff = Math.max(0, ...off.map((t) => t.since));
		return off.length === 0 || state.packed.some((p) => p.subject === s.n && p.at >= lastOff);
	});
}

function over({ plan, state }: Around): DryAct[] {
	if (state.trays.length === 0 || state.packed.length > 0 || !allAway(plan, state)) return [];
	return [
		{
			...still,
			...about(plan, null),
			key: 'over',
			kind: 'over',
			subject: null,
			sentence: 'None of it is left to be put away.',
			hint: 'Close the run to write it into the book.',
			since: state.startedAt,
			button: { label: 'Close the run', tap: { type: 'finish' } },
			task: 'label',
			urgency: 9
		}
	];
}
