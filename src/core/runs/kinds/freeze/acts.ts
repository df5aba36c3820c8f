import { blanchRules } from '../../../../reference/rules';
import { packedBefore } from '../../../packing/pack-style';
import { sayClock, sayTemperature, sayVolume, sayWeight } from '../../../quantities/format';
import type { Act, TapOf } from '../../engine/kind';
import { ringsOf } from '../../engine/stage';
import type { FreezeEvent, Spot } from './events';
import { isIn, stageOf, sumOf, tally, type FreezeState, type Potful } from './fold';
import { subjectOf, type FreezePlan, type StagePlan, type Subject } from './plan';
import { freezerFor, noRoom } from './room';
import { firstWords, sayMark, stageWords, unitName } from './words';

export type FreezeTap = TapOf<FreezeEvent>;
export type FreezeAct = Act<FreezeTap>;

/** Later than this the boil is said to be late; over a minute is too much in the water already. */
const lateBoil_s = 120;

/** Water that is gone is topped up from a tenth of the pot on (common practice). */
const topUpFrom = 0.1;

interface Around {
	readonly plan: FreezePlan;
	readonly state: FreezeState;
	readonly now: number;
}

/**
 * All that could be done now, most urgent first.
 *
 * Hands go to what spoils soonest: lifting out of the water, then out of the ice, then the next potful in, then the tray,
 * then looking. A countdown that nobody needs to act on is shown when nothing else wants hands.
 */
export function acts(plan: FreezePlan, state: FreezeState, now: number): FreezeAct[] {
	if (state.phase !== 'working') return [];
	const around = { plan, state, now };
	const list: FreezeAct[] = [];
	plan.pots.forEach((_, pot) => list.push(...kettleActs(around, pot)));
	for (const { n, weighed } of state.subjects) {
		const subject = subjectOf(plan, n);
		if (subject && !weighed && !begun(state, n)) list.push(weigh(around, subject));
	}
	for (const potful of state.potfuls) {
		const subject = subjectOf(plan, potful.subject);
		const stage = stageOf(subject, potful.spot);
		if (subject && potful.spot === 'fridge') list.push(outOfTheFridge(around, subject, potful));
		else if (subject && stage) list.push(leave(around, subject, potful, stage));
	}
	list.push(...goIns(around), ...packing(around));
	const sums = tally(state);
	if (sums.supper_g > 0 && sums.firm_g + sums.waiting_g + sums.under_g === 0) list.push(over(around));
	return list.sort((a, b) => a.urgency - b.urgency || (a.due ?? Infinity) - (b.due ?? Infinity));
}

const begun = (state: FreezeState, n: number): boolean =>
	state.potfuls.some((p) => p.subject === n && p.spot !== 'waiting');

/** Where there is but one food its number is not said. */
const mark = (plan: FreezePlan, n: number): { subject?: number } => (plan.subjects.length > 1 ? { subject: n } : {});
const key = (plan: FreezePlan, n: number, rest: string): string => (plan.subjects.length > 1 ? `${n}.${rest}` : rest);

function about(
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

const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true } as const;

function kettleActs(around: Around, pot: number): FreezeAct[] {
	const { plan, state, now } = around;
	const kettle = state.kettles[pot];
	const water = plan.pots[pot];
	if (!kettle || !water) return [];
	const which = pot > 0 ? { pot } : {};
	const named = plan.pots.length > 1 ? `${water.name}: ` : '';
	if (
		!state.potfuls.some(
			(p) => subjectOf(plan, p.subject)?.pot === pot && (p.spot === 'waiting' || isIn(plan, p, 'pot'))
		)
	)
		return [];
	if (kettle.state === 'cold')
		return [
			{
				...still, key: `heat-${pot}`, kind: 'heat', ...about(around, null, null), subject: null, task: 'heat',
				sentence: `${named}Put ${sayVolume(water.water_L, plan.units)} of water on, lid on, full heat.`,
				hint: 'First of all, while you wash and cut: the pot takes longest.',
				since: state.startedAt, button: { label: 'The pot is on', tap: { type: 'heat-on', ...which } }, urgency: 10
			}
		]; // prettier-ignore
	if (kettle.state === 'heating') {
		const due = kettle.since + water.toBoil_s * 1000;
		return [
			{
				...still, key: `boil-${pot}`, kind: 'boil', ...about(around, null, null), subject: null, task: 'heat',
				sentence: `${named}Waiting for the boil.`,
				hint: `Water boils at ${sayTemperature(Math.round(water.boil_C * 10) / 10, plan.units)} up here. Tap when it rolls, sooner or later than the clock.`,
				due, since: kettle.since, clock: true, button: { label: 'It boils', tap: { type: 'boiling', ...which } },
				ready: now >= kettle.since + (due - kettle.since) * 0.5, urgency: now >= due ? 25 : 60
			}
		]; // prettier-ignore
	}
	const free = !state.potfuls.some((p) => isIn(plan, p, 'pot') && subjectOf(plan, p.subject)?.pot === pot);
	if (!free || kettle.gone_L < water.water_L * topUpFrom) return [];
	const litres = Math.round(kettle.gone_L * 10) / 10;
	return [
		{
			...still, key: `water-${pot}`, kind: 'water', ...about(around, null, null), subject: null, task: 'heat',
			sentence: `${named}Top up ${sayVolume(litres, plan.units)} of water.`,
			hint: 'Boiling from the kettle where you can: cold water only takes longer. The next potful waits for the boil.',
			since: kettle.since, button: { label: 'Topped up', tap: { type: 'water', ...which, mL: Math.max(1, Math.round(kettle.gone_L * 1000)) } },
			urgency: 3.8
		}
	]; // prettier-ignore
}

function weigh(around: Around, subject: Subject): FreezeAct {
	const { plan, state } = around;
	const at = state.order.indexOf(subject.n);
	return {
		...still, key: key(plan, subject.n, 'weigh'), kind: 'weigh', ...about(around, subject, null), subject: subject.n, task: 'knife',
		sentence: subject.prepare,
		hint: 'Weigh what is ready: potfuls and packs follow from it.',
		since: state.startedAt, asks: 'weight',
		button: { label: 'Weighed', tap: { type: 'weigh', ...mark(plan, subject.n), grams: subject.load_g } },
		// What is next in the pot is made ready first; the others while the pot works.
		urgency: 20 + at / 100
	}; // prettier-ignore
}

function leave(around: Around, subject: Subject, potful: Potful, stage: StagePlan): FreezeAct {
	const { plan, state, now } = around;
	const index = subject.stages.indexOf(stage);
	const next = subject.stages[index + 1]?.id ?? 'firm';
	const { due, latest } = ringsOf(stage.end, potful.since, potful.met);
	const isDue = due !== null && now >= due;
	const words = stageWords(subject, stage, plan.units);
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
		key: key(plan, subject.n, `${potful.n}-${stage.id}`), kind: 'stage', ...about(around, subject, potful), subject: subject.n,
		sentence: isDue ? (stage.id === 'blanch' && subject.heat !== 'cook' ? 'Lift it into the ice.' : `${words.leave}.`) : words.doing,
		hint: words.hint, due, latest, since: potful.since, clock: true, over: past, unit: `${subject.n}.${potful.n}`,
		button: { label: words.leave, tap: to(plan, potful, next) },
		ready: due === null || isDue, urgency, task: stage.resource === 'pot' ? 'heat' : stage.id === 'freeze' ? 'label' : 'wash'
	}; // prettier-ignore
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

const to = (plan: FreezePlan, potful: Potful, spot: Exclude<Spot, 'waiting'>): FreezeTap => ({
	type: 'move',
	...mark(plan, potful.subject),
	potful: potful.n,
	to: spot
});

/** Where there are several freezers: the one that still takes something today, by what it freezes in a day. */
function whichFreezer({ plan, state, now }: Around): string {
	if (plan.freezers.length < 2) return '';
	const at = freezerFor(plan, state, now);
	return at ? ` Into: ${at.name}.` : '';
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

function outOfTheFridge(around: Around, subject: Subject, potful: Potful): FreezeAct {
	const { plan, state, now } = around;
	const full = noRoom(plan, state, potful, now);
	const freeze = subject.stages.find((s) => s.id === 'freeze');
	const words = freeze ? firstWords(subject, freeze, potful.n, 2, plan.units) : (['', '', ''] as const);
	// A day in the fridge is its longest.
	const last = potful.since + 86_400_000;
	const due = full ? Math.min(full.until ?? last, last) : now;
	return {
		...still, key: key(plan, subject.n, `${potful.n}-fridge`), kind: 'fridge', ...about(around, subject, potful), subject: subject.n,
		sentence: full ? 'In the fridge, until there is room.' : words[0],
		hint: full ? (full.why === 'trays' ? 'A second round, when a tray is free.' : 'Tomorrow’s load: the freezer takes only so much in a day.') : words[1],
		due: full ? due : null, since: potful.since, clock: full !== null, unit: `${subject.n}.${potful.n}`,
		button: { label: words[2], tap: to(plan, potful, 'freeze') }, ready: !full || now >= due, task: 'wash', urgency: full ? 75 : 6.5
	}; // prettier-ignore
}

/** It was measured, and is cold. */
const filled = { sentence: 'Cold. Fill the portions, into the freezer.', due: null, clock: false, ready: true, urgency: 6 } as const; // prettier-ignore

/** The clock of a stage that ends by a reading: what it must have come to, by when. */
function measured({ plan, now }: Around, act: FreezeAct, potful: Potful, stage: StagePlan): FreezeAct {
	if (stage.end.by !== 'reading') return act;
	const mark_C = stage.end.marks[potful.met];
	if (!mark_C) return act;
	const late = act.due !== null && now > act.due;
	const last = potful.last_C === null ? '' : ` Last measured: ${sayTemperature(potful.last_C, plan.units)}.`;
	const wanted = sayMark(mark_C.value, plan.units);
	return {
		...act,
		sentence: late ? `It should be at ${wanted} by now. How warm is it at its centre?` : act.sentence,
		hint: late
			? `Still warmer: bring it to a boil at once, and cool it anew in shallow pans, ice around. Long past its time, or unsure: throw it out.`
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
			...(potful.met > 0 && act.button ? [act.button] : [])
		],
		ready: true,
		urgency: late ? 0.5 : 72
	};
}

/** The next potful of each pot, and of what needs none. */
function goIns(around: Around): FreezeAct[] {
	const { plan, state } = around;
	if (state.held) return [];
	const list: FreezeAct[] = [];
	const taken = new Set<number | string>();
	for (const n of state.order) {
		const subject = subjectOf(plan, n);
		const first = subject?.stages[0];
		const next = state.potfuls.find((p) => p.subject === n && p.spot === 'waiting');
		if (!subject || !first || !next) continue;
		// Foods of one pot go in one after the other; what needs none has a line of its own.
		const line = subject.pot ?? `none-${n}`;
		if (taken.has(line)) continue;
		taken.add(line);
		const full = first.resource === 'freezer' && known(state, n) ? noRoom(plan, state, next, around.now) : null;
		if (full) list.push(laterRound(around, subject, next, full));
		if (!mayGoIn(around, subject, first, next)) continue;
		list.push(...short(around, subject, next), goIn(around, subject, first, next));
	}
	return list;
}

/** Whether a potful may go into the pot, or onto the trays where there is no pot. */
function mayGoIn({ plan, state, now }: Around, subject: Subject, first: StagePlan, next: Potful): boolean {
	if (!known(state, subject.n)) return false;
	if (first.resource === 'freezer') return noRoom(plan, state, next, now) === null;
	if (subject.pot !== null && state.kettles[subject.pot]?.state !== 'boiling') return false;
	if (
		first.resource === 'pot' &&
		state.potfuls.some((p) => isIn(plan, p, 'pot') && (subjectOf(plan, p.subject)?.pot ?? null) === subject.pot)
	)
		return false;
	// The basins must have room when this one comes out of the water.
	const heat_s = subject.stages
		.filter((s) => s.resource === 'pot')
		.reduce((sum, { end }) => sum + (end.by === 'clock' ? end.least_s : 0), 0);
	const stillIn = state.potfuls.filter((p) => {
		if (p.spot !== 'chill') return false;
		const end = stageOf(subjectOf(plan, p.subject), 'chill')?.end;
		return end?.by !== 'clock' || p.since + end.least_s * 1000 > now + heat_s * 1000;
	});
	return stillIn.length < plan.basins;
}

/** A food is known once it was weighed, or begun all the same. */
const known = (state: FreezeState, n: number): boolean =>
	state.subjects.some((s) => s.n === n && s.weighed) || begun(state, n);

/** What finds no tray or no cold today: a round of its own, later; where it waits it stays cold. */
function laterRound(
	around: Around,
	subject: Subject,
	potful: Potful,
	full: NonNullable<ReturnType<typeof noRoom>>
): FreezeAct {
	const { plan, state } = around;
	const freeze = subject.stages.find((s) => s.id === 'freeze');
	const [, , label] = freeze
		? firstWords(subject, freeze, potful.n, 2, plan.units)
		: (['', '', 'In the freezer'] as const);
	return {
		...still, key: key(plan, subject.n, `${potful.n}-later`), kind: 'later', ...about(around, subject, potful), subject: subject.n,
		sentence: full.why === 'trays' ? 'A second round, when a tray is free.' : `Tomorrow: the freezer has its ${sayWeight(plan.day_kg * 1000, plan.units)} for today.`,
		hint: full.why === 'trays' ? 'Cold it waits: in the fridge, covered.' : 'More at once freezes slowly and thaws what lies beside it. It waits in the fridge; or another freezer takes it.',
		due: full.until, since: state.startedAt, clock: full.until !== null, unit: `${subject.n}.${potful.n}`,
		button: { label, tap: to(plan, potful, 'freeze') }, ready: false, task: 'wash', urgency: 76
	}; // prettier-ignore
}

/** Ice runs short before the next potful: asked for in time, never after. */
function short(around: Around, subject: Subject, next: Potful): FreezeAct[] {
	const { plan, state } = around;
	if (state.ice_kg === null || subject.ice_kg_per_kg <= 0) return [];
	const left = plan.subjects.reduce(
		(sum, s) => sum + (sumOf(state.potfuls, (p) => p.subject === s.n && p.spot === 'waiting') / 1000) * s.ice_kg_per_kg,
		0
	);
	const wants = (next.grams / 1000) * subject.ice_kg_per_kg;
	if (state.ice_kg >= wants - 0.005) return [];
	return [
		{
			...still, key: 'ice', kind: 'ice', ...about(around, null, null), subject: null, task: 'wash', asks: 'ice',
			sentence: 'More ice, before the next potful.',
			hint: `About ${sayWeight(state.ice_kg * 1000, plan.units)} is left; the next one wants ${sayWeight(wants * 1000, plan.units)}, all that is to come ${sayWeight(left * 1000, plan.units)}. Cold running water at 15 °C (60 °F) or below, changed often, does it too.`,
			since: state.startedAt,
			button: { label: 'So much is there now', tap: { type: 'ice', grams: Math.ceil(left * 10) * 100 } },
			others: [{ label: 'Hold the next potful', tap: { type: 'hold', on: true } }],
			urgency: 3.9
		}
	]; // prettier-ignore
}

/** Into the pot, the cold, or the freezer: what the first stage of a potful asks for. */
function goIn(around: Around, subject: Subject, first: StagePlan, potful: Potful): FreezeAct {
	const { plan, state } = around;
	const of = state.potfuls.filter((p) => p.subject === subject.n).length;
	const [sentence, hint, label] = firstWords(subject, first, potful.n, of, plan.units);
	const several = plan.subjects.length > 1;
	return {
		...still, key: key(plan, subject.n, `${potful.n}-in`), kind: 'in', ...about(around, subject, potful), subject: subject.n,
		sentence: several && first.resource === 'pot' ? `${subject.food.name}: ${sentence.charAt(0).toLowerCase()}${sentence.slice(1)}` : sentence,
		hint: first.resource === 'freezer' ? `${hint}${whichFreezer(around)}` : hint, since: (subject.pot === null ? undefined : state.kettles[subject.pot]?.since) ?? state.startedAt,
		unit: `${subject.n}.${potful.n}`, button: { label, tap: to(plan, potful, first.id) },
		task: first.resource === 'pot' ? 'heat' : 'wash', urgency: first.resource === 'pot' || !several ? 4 : 6.2
	}; // prettier-ignore
}

/** Foods of which all is firm and not yet packed; the only one that is left, or one of many. */
function packing(around: Around): FreezeAct[] {
	const { plan, state } = around;
	const rest = tally(state);
	const done = rest.waiting_g + rest.under_g === 0;
	return plan.subjects.flatMap((subject): FreezeAct[] => {
		const sums = tally(state, subject.n);
		if (sums.firm_g === 0 || sums.waiting_g + sums.under_g > 0) return [];
		const packed = state.packed.some((p) => p.subject === subject.n);
		// Packed already: it stays while it is the only thing to do, so that the run can be closed.
		if (packed && !done) return [];
		const all = plan.subjects.every(
			(s) => state.packed.some((p) => p.subject === s.n) || tally(state, s.n).firm_g === 0
		);
		if (packed && !all) return [];
		const first = packedBefore(subject.style) !== undefined;
		return [
			{
				...still, key: key(plan, subject.n, 'pack'), kind: 'pack', ...about(around, subject, null), subject: subject.n, task: 'label',
				sentence: first ? 'Count the packs, put them away.' : 'Bag, press out the air, label.',
				hint: first
					? 'Stack them now that they are hard, the oldest in front.'
					: 'Work quickly, so that nothing thaws. Labels first: nothing sticks to a frozen pack.',
				since: state.startedAt, asks: 'packs', button: null, urgency: packed ? 8.5 : 8
			}
		]; // prettier-ignore
	});
}

function over(around: Around): FreezeAct {
	return {
		...still, key: 'over', kind: 'over', ...about(around, null, null), subject: null, task: 'label',
		sentence: 'All of it went to supper.',
		hint: 'Close the run to write it into the book.',
		since: around.state.startedAt,
		button: { label: 'Close the run', tap: { type: 'finish' } }, urgency: 9
	}; // prettier-ignore
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
