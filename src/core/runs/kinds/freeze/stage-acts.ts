import { blanchRules } from '../../../../reference/rules';
import { sayClock, sayTemperature, sayWeight } from '../../../quantities/format';
import { ringsOf } from '../../engine/stage';
import { about, key, mark, still, to, whichFreezer, type Around, type FreezeAct, type FreezeTap } from './act';
import type { FreezeState, Potful } from './fold';
import { subjectOf, type FreezePlan, type StagePlan, type Subject } from './plan';
import { noRoom } from './room';
import { firstWords, sayMark, stageWords } from './words';

/** Later than this the boil is said to be late; over a minute is too much in the water already. */
const lateBoil_s = 120;

/** What a potful asks for where it is: lifted, measured, moved on, or waited for. */
export function leave(around: Around, subject: Subject, potful: Potful, stage: StagePlan): FreezeAct {
	const { plan, state, now } = around;
	const index = subject.stages.indexOf(stage);
	const next = subject.stages[index + 1]?.id ?? 'firm';
	const { due, latest } = ringsOf(stage.end, potful.since, potful.met);
	const isDue = due !== null && now >= due;
	const words = stageWords(subject, stage, plan.units, state.running);
	const rank: Record<StagePlan['id'], number> = { blanch: 0, chill: 2, return: 3, drain: 6, freeze: 7 };
	const left_s = due === null ? 0 : (due - now) / 1000;
	const past = latest !== null && now > latest;
	// A blanch about to end keeps the hands free for it; what is past its published longest comes before all.
	const urgency = past
		? -1
		: stage.id === 'return'
			? 3
			: due === null
				? 5
				: isDue
					? rank[stage.id]
					: stage.id === 'blanch'
						? left_s < 25
							? 1
							: 50
						: 70 + rank[stage.id];
	const act: FreezeAct = {
		key: key(plan, subject.n, `${potful.n}-${stage.id}`),
		kind: 'stage',
		...about(around, subject, potful),
		subject: subject.n,
		sentence: isDue
			? stage.id === 'blanch' && stage.end.by === 'clock'
				? `Lift it into the ${state.running ? 'cold water' : 'ice'}.`
				: `${words.leave}.`
			: words.doing,
		hint: words.hint,
		due,
		latest,
		since: potful.since,
		clock: true,
		over: past,
		unit: `${subject.n}.${potful.n}`,
		button: { label: words.leave, tap: to(plan, potful, next) },
		ready: due === null || isDue,
		urgency,
		task: stage.resource === 'pot' ? 'heat' : stage.id === 'freeze' ? 'label' : 'wash'
	};
	const cold = stage.end.by !== 'reading' || potful.met >= stage.end.marks.length;
	if (!cold) return measured(around, act, potful, stage);
	if (stage.id === 'return' && now - potful.since > lateBoil_s * 1000)
		return { ...act, ...boilLate(around, subject, potful) };
	const there = stage.end.by === 'reading' ? { ...act, ...filled } : act;
	if (next !== 'freeze') return there;
	const full = noRoom(plan, state, potful, now);
	return full
		? { ...there, ...waits(around, potful, full, isDue) }
		: { ...there, hint: `${there.hint}${whichFreezer(around)}` };
}

/** The boil is not back: said while it is waited for, and what the next potful may weigh. */
function boilLate({ plan, now }: Around, subject: Subject, potful: Potful): Partial<FreezeAct> {
	const s = Math.round((now - potful.since) / 1000);
	const next_g = Math.max(50, Math.round((potful.grams * blanchRules.reboil_s.value) / s / 10) * 10);
	return {
		sentence: 'The boil is not back in two minutes.',
		hint: `Lid on, highest heat, and wait: the blanching time counts from the boil, as published. ${sayWeight(potful.grams, plan.units)} is too much for this pot: take the next potfuls smaller.`,
		others: [
			{
				label: `Next ones ${sayWeight(next_g, plan.units)}`,
				tap: { type: 'replan', ...mark(plan, subject.n), next_g, reboil_s: s, potful_g: potful.grams }
			}
		]
	};
}

/** The trays or the day's load are full: into the fridge, until there is room. */
function waits(
	{ plan }: Around,
	potful: Potful,
	full: NonNullable<ReturnType<typeof noRoom>>,
	isDue: boolean
): Partial<FreezeAct> {
	const why =
		full.why === 'trays'
			? 'The trays are full'
			: `The freezer has its ${sayWeight(plan.day_kg * 1000, plan.units)} for today`;
	return {
		...(isDue ? { sentence: `${why}: covered, into the fridge.` } : {}),
		hint:
			full.why === 'trays'
				? 'Drained and cold it waits there up to a day. The next tray is free when what lies on it is firm: a second round.'
				: 'More at once freezes slowly and thaws what lies beside it. Drained and cold it waits up to a day; or another freezer takes it.',
		button: { label: 'Into the fridge', tap: to(plan, potful, 'fridge') },
		others: [
			{
				label: full.why === 'trays' ? 'There is a tray' : 'Into the freezer all the same',
				tap: to(plan, potful, 'freeze')
			}
		]
	};
}

/** What waits in the fridge, until there is room. */
export function outOfTheFridge(around: Around, subject: Subject, potful: Potful): FreezeAct {
	const { plan, state, now } = around;
	const full = noRoom(plan, state, potful, now);
	const freeze = subject.stages.find((s) => s.id === 'freeze');
	const words = freeze ? firstWords(subject, freeze, potful.n, 2, plan.units, potful.grams) : (['', '', ''] as const);
	// A day in the fridge is its longest.
	const last = potful.since + 86_400_000;
	const due = full ? Math.min(full.until ?? last, last) : now;
	return {
		...still,
		key: key(plan, subject.n, `${potful.n}-fridge`),
		kind: 'fridge',
		...about(around, subject, potful),
		subject: subject.n,
		sentence: full ? 'In the fridge, until there is room.' : words[0],
		hint: full
			? full.why === 'trays'
				? 'A second round, when a tray is free.'
				: 'Tomorrow’s load: the freezer takes only so much in a day.'
			: words[1],
		due: full ? due : null,
		since: potful.since,
		clock: full !== null,
		unit: `${subject.n}.${potful.n}`,
		button: { label: words[2], tap: to(plan, potful, 'freeze') },
		ready: !full || now >= due,
		task: 'wash',
		urgency: full ? 75 : 6.5
	};
}

/** It was measured, and is cold. */
const filled = {
	sentence: 'Cold. Fill the portions, into the freezer.',
	due: null,
	clock: false,
	ready: true,
	urgency: 6
} as const;

/** The clock of a stage that ends by a reading: what it must have come to, by when. */
function measured({ plan, now }: Around, act: FreezeAct, potful: Potful, stage: StagePlan): FreezeAct {
	if (stage.end.by !== 'reading') return act;
	const mark_C = stage.end.marks[potful.met];
	if (!mark_C) return act;
	const late = act.latest !== null && now > act.latest;
	const soon = !late && act.due !== null && now >= act.due;
	const last = potful.last_C === null ? '' : ` Last measured: ${sayTemperature(potful.last_C, plan.units)}.`;
	const wanted = sayMark(mark_C.value, plan.units);
	return {
		...act,
		sentence: late
			? `It had to be at ${wanted} by now.`
			: soon
				? `How warm is it at its centre? At most ${wanted}.`
				: act.sentence,
		hint: late
			? `Measured in time? Say so with “Tapping late”. Else bring it to a boil at once, and cool it anew in shallow pans, ice around. Long past its time, or unsure: throw it out, and stop here.`
			: `${act.hint}${last}`,
		asks: 'temperature',
		over: late,
		button: {
			label: 'Measured',
			tap: { type: 'reading', ...mark(plan, potful.subject), potful: potful.n, dC: Math.round(mark_C.value * 10) }
		},
		others: [
			...(late ? [{ label: 'It boiled again: its time from now', tap: to(plan, potful, stage.id) }] : []),
			// At its first mark in time it may go on: the freezer is colder than any fridge.
			...(potful.met > 0 && !late && act.button ? [act.button] : [])
		],
		ready: true,
		urgency: late ? 0.5 : soon ? 2.5 : 72
	};
}

/** What the boil that came back late says, and the potful that would be back in time. */
export function slowBoil(
	plan: FreezePlan,
	state: FreezeState,
	n: number
): { readonly words: string; readonly tap: FreezeTap } | null {
	const subject = subjectOf(plan, n);
	const known = state.subjects.find((s) => s.n === n);
	if (!subject || !known?.reboil || known.reboil.s <= lateBoil_s) return null;
	const { s, grams } = known.reboil;
	// Heat taken up goes with the weight: the potful that would boil again within the published minute.
	const next_g = Math.max(50, Math.round((grams * blanchRules.reboil_s.value) / s / 10) * 10);
	if (known.potful_g <= next_g) return null;
	return {
		words: `The boil took ${sayClock(s)} to come back with ${sayWeight(grams, plan.units)} in: too much for this pot. ${sayWeight(next_g, plan.units)} would be back within the minute. The blanching time stays as published.`,
		tap: { type: 'replan', ...mark(plan, n), next_g, reboil_s: s, potful_g: grams }
	};
}
