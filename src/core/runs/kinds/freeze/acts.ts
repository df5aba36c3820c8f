import { packedBefore } from '../../../packing/pack-style';
import { sayWeight } from '../../../quantities/format';
import { about, key, mark, still, to, whichFreezer, type Around, type FreezeAct } from './act';
import { isIn, stageOf, sumOf, tally, type FreezeState, type Potful } from './fold';
import { kettleActs } from './kettle-acts';
import { subjectOf, type FreezePlan, type StagePlan, type Subject } from './plan';
import { noRoom } from './room';
import { leave, outOfTheFridge } from './stage-acts';
import { firstWords } from './words';

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

function weigh(around: Around, subject: Subject): FreezeAct {
	const { plan, state } = around;
	const at = state.order.indexOf(subject.n);
	return {
		...still,
		key: key(plan, subject.n, 'weigh'),
		kind: 'weigh',
		...about(around, subject, null),
		subject: subject.n,
		task: 'knife',
		sentence: subject.prepare,
		hint: 'Weigh what is ready: potfuls and packs follow from it.',
		since: state.startedAt,
		asks: 'weight',
		button: { label: 'Weighed', tap: { type: 'weigh', ...mark(plan, subject.n), grams: subject.load_g } },
		// What is next in the pot is made ready first; the others while the pot works.
		urgency: 20 + at / 100
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
		? firstWords(subject, freeze, potful.n, 2, plan.units, potful.grams)
		: (['', '', 'In the freezer'] as const);
	return {
		...still,
		key: key(plan, subject.n, `${potful.n}-later`),
		kind: 'later',
		...about(around, subject, potful),
		subject: subject.n,
		sentence:
			full.why === 'trays'
				? 'A second round, when a tray is free.'
				: `Tomorrow: the freezer has its ${sayWeight(plan.day_kg * 1000, plan.units)} for today.`,
		hint:
			full.why === 'trays'
				? 'Cold it waits: in the fridge, covered.'
				: 'More at once freezes slowly and thaws what lies beside it. It waits in the fridge; or another freezer takes it.',
		due: full.until,
		since: state.startedAt,
		clock: full.until !== null,
		unit: `${subject.n}.${potful.n}`,
		button: { label, tap: to(plan, potful, 'freeze') },
		ready: false,
		task: 'wash',
		urgency: 76
	};
}

/** Ice runs short before the next potful: asked for in time, never after. */
function short(around: Around, subject: Subject, next: Potful): FreezeAct[] {
	const { plan, state } = around;
	if (state.running || state.ice_kg === null || subject.ice_kg_per_kg <= 0) return [];
	const left = plan.subjects.reduce(
		(sum, s) => sum + (sumOf(state.potfuls, (p) => p.subject === s.n && p.spot === 'waiting') / 1000) * s.ice_kg_per_kg,
		0
	);
	const wants = (next.grams / 1000) * subject.ice_kg_per_kg;
	if (state.ice_kg >= wants - 0.005) return [];
	return [
		{
			...still,
			key: 'ice',
			kind: 'ice',
			...about(around, null, null),
			subject: null,
			task: 'wash',
			asks: 'ice',
			sentence: 'More ice, before the next potful.',
			hint: `About ${sayWeight(state.ice_kg * 1000, plan.units)} is left; the next one wants ${sayWeight(wants * 1000, plan.units)}, all that is to come ${sayWeight(left * 1000, plan.units)}. Cold running water at 15 °C (60 °F) or below, changed often, does it too.`,
			since: state.startedAt,
			button: { label: 'So much is there now', tap: { type: 'ice', grams: Math.ceil(left * 10) * 100 } },
			others: [
				{ label: 'Cold running water instead', tap: { type: 'running', on: true } },
				{ label: 'Hold the next potful', tap: { type: 'hold', on: true } }
			],
			urgency: 3.9
		}
	];
}

/** Into the pot, the cold, or the freezer: what the first stage of a potful asks for. */
function goIn(around: Around, subject: Subject, first: StagePlan, potful: Potful): FreezeAct {
	const { plan, state } = around;
	const of = state.potfuls.filter((p) => p.subject === subject.n).length;
	const [sentence, hint, label] = firstWords(subject, first, potful.n, of, plan.units, potful.grams);
	const several = plan.subjects.length > 1;
	return {
		...still,
		key: key(plan, subject.n, `${potful.n}-in`),
		kind: 'in',
		...about(around, subject, potful),
		subject: subject.n,
		sentence:
			several && first.resource === 'pot'
				? `${subject.food.name}: ${sentence.charAt(0).toLowerCase()}${sentence.slice(1)}`
				: sentence,
		hint: first.resource === 'freezer' ? `${hint}${whichFreezer(around)}` : hint,
		since: (subject.pot === null ? undefined : state.kettles[subject.pot]?.since) ?? state.startedAt,
		unit: `${subject.n}.${potful.n}`,
		button: { label, tap: to(plan, potful, first.id) },
		task: first.resource === 'pot' ? 'heat' : 'wash',
		urgency: first.resource === 'pot' || !several ? 4 : 6.2
	};
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
				...still,
				key: key(plan, subject.n, 'pack'),
				kind: 'pack',
				...about(around, subject, null),
				subject: subject.n,
				task: 'label',
				sentence: first ? 'Count the packs, put them away.' : 'Bag, press out the air, label.',
				hint: first
					? 'Stack them now that they are hard, the oldest in front.'
					: 'Work quickly, so that nothing thaws. Labels first: nothing sticks to a frozen pack.',
				since: state.startedAt,
				asks: 'packs',
				button: null,
				urgency: packed ? 8.5 : 8
			}
		];
	});
}

function over(around: Around): FreezeAct {
	return {
		...still,
		key: 'over',
		kind: 'over',
		...about(around, null, null),
		subject: null,
		task: 'label',
		sentence: 'All of it went to supper.',
		hint: 'Close the run to write it into the book.',
		since: around.state.startedAt,
		button: { label: 'Close the run', tap: { type: 'finish' } },
		urgency: 9
	};
}
