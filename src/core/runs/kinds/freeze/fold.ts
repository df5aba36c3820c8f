import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import { equalParts, mostUnits } from '../../engine/lay-out';
import { ringsOf, type Mark, type Timer } from '../../engine/stage';
import type { FreezeEvent, Spot } from './events';
import { subjectOf, type FreezePlan, type Resource, type StageId, type StagePlan, type Subject } from './plan';

export interface Potful {
	/** Which food of the run, and the how many-eth of it. */
	readonly subject: number;
	readonly n: number;
	readonly grams: number;
	readonly spot: Spot;
	/** When it came to this spot, ms; the run's start for what waits. */
	readonly since: number;
	readonly path: readonly { readonly spot: Spot; readonly at: number }[];
	/** Where its stage ends by a reading: how many marks are met, and the last one, °C. */
	readonly met: number;
	readonly last_C: number | null;
}

export interface Kettle {
	readonly state: 'cold' | 'heating' | 'boiling';
	readonly since: number;
	/** Carried off by food and steam since it was last topped up, L. */
	readonly gone_L: number;
}

/** What is known of one food of the run. */
export interface SubjectState {
	readonly n: number;
	/** What is known to go through, g: weighed, or expected. */
	readonly load_g: number;
	readonly weighed: boolean;
	readonly potful_g: number;
	/** The last boil that came back, s, and with how much in, g. */
	readonly reboil: { readonly s: number; readonly grams: number } | null;
}

interface Own {
	kettles: Kettle[];
	subjects: SubjectState[];
	potfuls: Potful[];
	/** The foods in the order in which they go in. */
	order: number[];
	/** Ice that is still there, kg, by what was said last and what has gone since; null where nobody said. */
	ice_kg: number | null;
	usedIce_kg: number;
	/** Chilled in cold running water, no ice is wanted. */
	running: boolean;
}

export type FreezeState = Readonly<Own> & CommonState<FreezeEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

/** The state of a run: a pure fold of its plan and events. Timers are derived, never stored. */
export function fold(plan: FreezePlan, begunAt: number, events: readonly FreezeEvent[]): FreezeState {
	const state = foldEvents<FreezeEvent, Own>(
		begunAt,
		events,
		(startedAt) => begin(plan, startedAt),
		(draft, event, startedAt) => apply(plan, draft, event, startedAt)
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

function begin(plan: FreezePlan, at: number): Own {
	const draft: Own = {
		kettles: plan.pots.map(() => ({ state: 'cold', since: at, gone_L: 0 })),
		subjects: plan.subjects.map(({ n, load_g, potful_g }) => ({ n, load_g, potful_g, weighed: false, reboil: null })),
		potfuls: [],
		order: plan.subjects.map((s) => s.n),
		ice_kg: plan.iceReady_kg,
		usedIce_kg: 0,
		running: false
	};
	for (const { n } of plan.subjects) layOut(draft, n, at);
	return draft;
}

/** Lays what of a food has not been begun into potfuls; what is under way keeps its number and weight. */
function layOut(draft: Own, subject: number, at: number): void {
	const known = draft.subjects.find((s) => s.n === subject);
	if (!known) return;
	const others = draft.potfuls.filter((p) => p.subject !== subject);
	const begun = draft.potfuls.filter((p) => p.subject === subject && p.spot !== 'waiting');
	const rest = Math.max(0, known.load_g - begun.reduce((sum, p) => sum + p.grams, 0));
	let n = begun.reduce((max, p) => Math.max(max, p.n), 0);
	const fewest_g = Math.ceil(rest / Math.max(1, mostUnits - begun.length));
	draft.potfuls = [
		...others,
		...begun,
		...equalParts(rest, Math.max(known.potful_g, fewest_g)).map((grams): Potful => ({
			subject,
			n: ++n,
			grams,
			spot: 'waiting',
			since: at,
			path: [],
			met: 0,
			last_C: null
		}))
	].sort((a, b) => a.subject - b.subject || a.n - b.n);
}

export const stageOf = (subject: Subject | undefined, spot: Spot): StagePlan | undefined =>
	subject?.stages.find((s) => s.id === spot);

/** Whether a potful is at such a station now. */
export function isIn(plan: FreezePlan, potful: Potful, resource: Resource): boolean {
	return stageOf(subjectOf(plan, potful.subject), potful.spot)?.resource === resource;
}

/** Whether it keeps a pot of the run busy: what is cooked on another burner does not. */
const inPot = (plan: FreezePlan, potful: Potful, pot: number | null): boolean =>
	isIn(plan, potful, 'pot') && (subjectOf(plan, potful.subject)?.pot ?? null) === pot;

const orderOf = (subject: Subject, spot: Spot): number => {
	if (spot === 'waiting') return -1;
	if (spot === 'firm' || spot === 'supper') return subject.stages.length;
	const freeze = subject.stages.findIndex((s) => s.id === 'freeze');
	// The fridge stands between the cloth and the freezer, and may be passed by.
	if (spot === 'fridge') return freeze - 0.5;
	return subject.stages.findIndex((s) => s.id === spot);
};

/** Applies one event of the kind's own; returns why it does not count, or undefined. */
function apply(plan: FreezePlan, draft: Draft, event: FreezeEvent, startedAt: number): string | undefined {
	switch (event.type) {
		case 'heat-on': {
			const [kettle, set] = kettleOf(draft, event.pot);
			if (kettle?.state !== 'cold') return 'The pot was on already.';
			set({ ...kettle, state: 'heating', since: event.at });
			return undefined;
		}
		case 'boiling': {
			const [kettle, set] = kettleOf(draft, event.pot);
			if (!kettle || kettle.state === 'boiling') return 'The pot was boiling already.';
			set({ ...kettle, state: 'boiling', since: event.at });
			return undefined;
		}
		case 'water': {
			const [kettle, set] = kettleOf(draft, event.pot);
			if (!kettle) return 'There is no such pot.';
			set({ ...kettle, gone_L: Math.max(0, kettle.gone_L - event.mL / 1000) });
			return undefined;
		}
		case 'weigh': {
			const n = event.subject ?? 1;
			const begun = sumOf(draft.potfuls, (p) => p.subject === n && p.spot !== 'waiting');
			if (event.grams < begun) return `That is less than what has been in the pot already (${begun} g).`;
			return change(draft, n, startedAt, { load_g: event.grams, weighed: true });
		}
		case 'resize':
			return change(draft, event.subject ?? 1, startedAt, { potful_g: event.potful_g });
		case 'replan':
			return change(draft, event.subject ?? 1, startedAt, { potful_g: event.next_g });
		case 'ice':
			draft.ice_kg = event.grams / 1000;
			if (event.grams > 0) draft.running = false;
			return undefined;
		case 'running':
			if (draft.running === event.on)
				return event.on ? 'The water was running already.' : 'It was chilled in ice already.';
			draft.running = event.on;
			return undefined;
		case 'order': {
			const said = event.subjects.filter((n, i) => draft.order.includes(n) && event.subjects.indexOf(n) === i);
			if (said.length === 0) return 'None of these foods is in this run.';
			draft.order = [...said, ...draft.order.filter((n) => !said.includes(n))];
			return undefined;
		}
		case 'reading':
			return reading(plan, draft, event);
		case 'move':
			return move(plan, draft, event);
		default:
			return undefined;
	}
}

function kettleOf(draft: Draft, pot = 0): readonly [Kettle | undefined, (to: Kettle) => void] {
	return [draft.kettles[pot], (to) => (draft.kettles = draft.kettles.map((k, i) => (i === pot ? to : k)))];
}

function change(draft: Draft, n: number, at: number, to: Partial<SubjectState>): string | undefined {
	if (!draft.subjects.some((s) => s.n === n)) return `There is no food ${n} in this run.`;
	draft.subjects = draft.subjects.map((s) => (s.n === n ? { ...s, ...to } : s));
	layOut(draft, n, at);
	return undefined;
}

function reading(plan: FreezePlan, draft: Draft, event: Extract<FreezeEvent, { type: 'reading' }>): string | undefined {
	const at = draft.potfuls.findIndex((p) => p.subject === (event.subject ?? 1) && p.n === event.potful);
	const potful = draft.potfuls[at];
	const end = potful && stageOf(subjectOf(plan, potful.subject), potful.spot)?.end;
	if (!potful || end?.by !== 'reading') return 'There is nothing to be measured there.';
	const C = event.dC / 10;
	// A mark is met by a reading at it, in order: what is at 5 °C has been at 21 °C too.
	let { met } = potful;
	const cold = (mark: Mark | undefined): mark is Mark => mark !== undefined && C <= mark.value;
	const late = (mark: Mark) => event.at > potful.since + mark.within_s * 1000;
	const next = end.marks[met];
	if (cold(next) && late(next))
		return 'It was measured after its time: whether it was cold enough by then nobody knows. Bring it to a boil and cool it anew, or throw it out.';
	for (let mark = next; cold(mark) && !late(mark); mark = end.marks[met]) met++;
	draft.potfuls = draft.potfuls.map((p, i) => (i === at ? { ...potful, met, last_C: C } : p));
	return undefined;
}

function move(plan: FreezePlan, draft: Draft, event: Extract<FreezeEvent, { type: 'move' }>): string | undefined {
	const n = event.subject ?? 1;
	const subject = subjectOf(plan, n);
	const index = draft.potfuls.findIndex((p) => p.subject === n && p.n === event.potful);
	const potful = draft.potfuls[index];
	if (!potful || !subject) return `There is no potful ${event.potful}.`;
	// What cools too slowly is heated through and cooled anew: its two stages begin again.
	if (event.to === potful.spot && stageOf(subject, potful.spot)?.end.by === 'reading') {
		const at = Math.max(event.at, potful.since);
		draft.potfuls[index] = {
			...potful,
			since: at,
			path: [...potful.path, { spot: event.to, at }],
			met: 0,
			last_C: null
		};
		return undefined;
	}
	const from = orderOf(subject, potful.spot);
	const to = orderOf(subject, event.to);
	const stay = potful.spot === 'supper' || potful.spot === 'firm';
	if (to < 0 || (event.to !== 'supper' && to <= from) || stay) return `Potful ${potful.n} was there already.`;
	if (event.to !== 'supper' && to > from + 1) return `Potful ${potful.n} has not come that far.`;
	// A gate: what is cooked does not go on before it was measured at its first mark.
	const { end } = stageOf(subject, potful.spot) ?? {};
	if (event.to !== 'supper' && end?.by === 'reading' && potful.met < Math.min(1, end.marks.length))
		return 'It was not measured yet: how warm is it at its centre?';
	const mark = end?.by === 'reading' ? end.marks[potful.met] : undefined;
	if (event.to !== 'supper' && mark && event.at > potful.since + mark.within_s * 1000)
		return 'Its time to be cold is over, and nobody measured it: bring it to a boil and cool it anew, or throw it out.';
	if (subject.stages[to]?.resource === 'pot' && event.to !== 'supper') {
		if (draft.potfuls.some((p) => p !== potful && inPot(plan, p, subject.pot))) return 'The pot was full.';
		const kettle = subject.pot === null ? undefined : draft.kettles[subject.pot];
		if (kettle && kettle.state !== 'boiling')
			draft.kettles = draft.kettles.map((k) => (k === kettle ? { ...k, state: 'boiling', since: event.at } : k));
	}
	// It cannot have left before it came, whatever was said: a stage never lasts less than nothing.
	const at = potful.path.length > 0 ? Math.max(event.at, potful.since) : event.at;
	if (potful.spot === 'return' && event.to === 'blanch') {
		const reboil = { s: Math.round((at - potful.since) / 1000), grams: potful.grams };
		draft.subjects = draft.subjects.map((s) => (s.n === n ? { ...s, reboil } : s));
	}
	if (event.to === 'chill' && !potful.path.some((s) => s.spot === 'chill')) spend(draft, subject, potful);
	const path = [...potful.path, { spot: event.to, at }];
	draft.potfuls[index] = { ...potful, spot: event.to, since: at, path, met: 0, last_C: null };
	return undefined;
}

/** A potful into the ice: what it melts, and what it took out of the pot. */
function spend(draft: Draft, subject: Subject, potful: Potful): void {
	const kg = potful.grams / 1000;
	const ice = draft.running ? 0 : kg * subject.ice_kg_per_kg;
	draft.usedIce_kg += ice;
	if (draft.ice_kg !== null) draft.ice_kg = Math.max(0, draft.ice_kg - ice);
	if (subject.pot !== null)
		draft.kettles = draft.kettles.map((k, i) =>
			i === subject.pot ? { ...k, gone_L: k.gone_L + kg * subject.topUp_L_per_kg } : k
		);
}

const stageWords: Record<StageId, string> = {
	return: 'back to the boil',
	blanch: 'blanching',
	chill: 'in the ice',
	drain: 'draining',
	freeze: 'in the freezer'
};
const stageWord = (subject: Subject, id: StageId): string =>
	id === 'blanch' && (subject.heat === 'cook' || subject.heat === 'soak')
		? subject.heat === 'cook'
			? 'cooking'
			: 'off the heat'
		: subject.heat === 'none' && id === 'chill'
			? 'cooling'
			: stageWords[id];

function timersOf(plan: FreezePlan, draft: Own): Timer[] {
	const timers: Timer[] = [];
	const several = plan.subjects.length > 1;
	const all = plan.subjects.map((s) => s.food.name).join(', ');
	draft.kettles.forEach((kettle, i) => {
		const pot = plan.pots[i];
		if (!pot || kettle.state !== 'heating') return;
		const due = kettle.since + pot.toBoil_s * 1000;
		timers.push({
			key: `heat-${i}`,
			label: 'pot to the boil',
			food: all,
			unit: null,
			since: kettle.since,
			due,
			latest: null
		});
	});
	for (const potful of draft.potfuls) {
		const subject = subjectOf(plan, potful.subject);
		const stage = stageOf(subject, potful.spot);
		if (!subject || !stage) continue;
		timers.push({
			key: `${several ? `${potful.subject}.` : ''}${potful.n}-${stage.id}`,
			label: stageWord(subject, stage.id),
			food: subject.food.name,
			unit: `potful ${potful.n}`,
			since: potful.since,
			...ringsOf(stage.end, potful.since, potful.met)
		});
	}
	return timers.sort((a, b) => (a.due ?? Infinity) - (b.due ?? Infinity) || a.since - b.since);
}

export const sumOf = (potfuls: readonly Potful[], test: (p: Potful) => boolean): number =>
	potfuls.filter(test).reduce((total, p) => total + p.grams, 0);

export interface Tally {
	readonly firm_g: number;
	readonly supper_g: number;
	readonly under_g: number;
	readonly waiting_g: number;
	readonly packed_g: number;
}

/** Grams that have come out firm, gone to supper, are still on the way, and are packed: of one food, or of all. */
export function tally(state: FreezeState, subject?: number): Tally {
	const mine = (p: { readonly subject: number }) => subject === undefined || p.subject === subject;
	const sum = (test: (p: Potful) => boolean) => sumOf(state.potfuls, (p) => mine(p) && test(p));
	return {
		firm_g: sum((p) => p.spot === 'firm'),
		supper_g: sum((p) => p.spot === 'supper'),
		waiting_g: sum((p) => p.spot === 'waiting'),
		under_g: sum((p) => !['waiting', 'firm', 'supper'].includes(p.spot)),
		packed_g: state.packed.filter(mine).reduce((total, p) => total + p.packs * p.pack_g, 0)
	};
}
