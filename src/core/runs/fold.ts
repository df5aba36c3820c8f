import { inOrder, undoneAmong } from './engine/order';
import type { RunEvent, Spot } from './events';
import type { Resource, RunPlan, StageId, StagePlan } from './plan';

export interface Potful {
	readonly n: number;
	readonly grams: number;
	readonly spot: Spot;
	/** When it came to this spot, ms; the run's start for what waits. */
	readonly since: number;
	readonly path: readonly { readonly spot: Spot; readonly at: number }[];
}

export interface Timer {
	readonly key: string;
	readonly potful: number | null;
	readonly resource: Resource;
	readonly stage: StageId | 'heat';
	readonly label: string;
	readonly since: number;
	/** ms; null where the clock only counts up. */
	readonly due: number | null;
	/** Longest published, ms. */
	readonly latest: number | null;
}

export interface PackedLine {
	readonly eventId: string;
	readonly packs: number;
	readonly pack_g: number;
	readonly containerId: string | null;
	readonly placeId: string;
	readonly at: number;
}

export interface RunState {
	readonly phase: 'working' | 'finished' | 'stopped';
	readonly startedAt: number;
	readonly kettle: { readonly state: 'none' | 'cold' | 'heating' | 'boiling'; readonly since: number };
	/** What is known to go through, g: weighed, or expected. */
	readonly load_g: number;
	readonly weighed: boolean;
	readonly potful_g: number;
	readonly held: boolean;
	readonly potfuls: readonly Potful[];
	readonly timers: readonly Timer[];
	readonly packed: readonly PackedLine[];
	readonly notes: readonly { readonly at: number; readonly text: string }[];
	readonly endedAt: number | null;
	readonly stopReason: string | null;
	/** The last step that can be undone. */
	readonly last: RunEvent | null;
	/** Every finish and stop that has not been taken back: the run opens again when all of them are. */
	readonly ends: readonly string[];
	/** Taps that could not count, with the reason: a second device was faster, or the order was wrong. */
	readonly ignored: readonly { readonly id: string; readonly why: string }[];
	readonly usedIce_kg: number;
}

interface Draft {
	kettle: RunState['kettle'];
	load_g: number;
	weighed: boolean;
	potful_g: number;
	held: boolean;
	potfuls: Potful[];
	packed: PackedLine[];
	notes: { at: number; text: string }[];
	phase: RunState['phase'];
	endedAt: number | null;
	stopReason: string | null;
}

/** Splits an amount into equal potfuls no larger than the limit. Whole grams; the sum is exact. */
export function splitPotfuls(grams: number, most_g: number): number[] {
	if (grams <= 0) return [];
	const count = Math.max(1, Math.ceil(grams / Math.max(1, most_g) - 1e-9));
	const base = Math.floor(grams / count);
	return Array.from({ length: count }, (_, i) => base + (i < grams - base * count ? 1 : 0));
}

/** More units of work than this are nobody's evening; the rest is laid into larger ones. */
export const mostPotfuls = 500;

/**
 * The state of a run: a pure fold of its plan and events, in the engine's order, so that a tap made offline takes its
 * place when it arrives; undone events are as if never made; what cannot count is kept in `ignored`. Timers are derived,
 * never stored. Packs and notes count after the end too: they are in the freezer, whoever closed the run first.
 */
export function foldRun(plan: RunPlan, begunAt: number, events: readonly RunEvent[]): RunState {
	const ordered = inOrder(events);
	const undone = undoneAmong(ordered);
	// A server whose clock stood ahead when it began does not put the work before the run.
	const startedAt = events.reduce(
		(least, e) => (undone.has(e.id) || e.type === 'undo' ? least : Math.min(least, e.at)),
		begunAt
	);
	const draft: Draft = {
		kettle: { state: plan.pot ? 'cold' : 'none', since: startedAt },
		load_g: plan.load_g,
		weighed: false,
		potful_g: plan.potful_g,
		held: false,
		potfuls: [],
		packed: [],
		notes: [],
		phase: 'working',
		endedAt: null,
		stopReason: null
	};
	layOut(draft, startedAt);
	const ignored: { id: string; why: string }[] = [];
	let last: RunEvent | null = null;
	for (const event of ordered) {
		if (event.type === 'undo' || undone.has(event.id)) continue;
		const why = apply(plan, draft, event, startedAt);
		if (why) ignored.push({ id: event.id, why });
		else last = event;
	}
	const chilled = draft.potfuls.filter((p) => p.path.some((s) => s.spot === 'chill')).length;
	return {
		...draft,
		startedAt,
		timers: draft.phase === 'working' ? timersOf(plan, draft) : [],
		last,
		ends: ordered.filter((e) => (e.type === 'finish' || e.type === 'stop') && !undone.has(e.id)).map((e) => e.id),
		ignored,
		usedIce_kg: chilled * plan.icePerPotful_kg
	};
}

/** Lays what has not been in the pot yet into potfuls; what is under way keeps its number and weight. */
function layOut(draft: Draft, at: number): void {
	const begun = draft.potfuls.filter((p) => p.spot !== 'waiting');
	const rest = Math.max(0, draft.load_g - begun.reduce((sum, p) => sum + p.grams, 0));
	let n = begun.reduce((max, p) => Math.max(max, p.n), 0);
	draft.potfuls = [
		...begun,
		...splitPotfuls(rest, Math.max(draft.potful_g, Math.ceil(rest / Math.max(1, mostPotfuls - begun.length)))).map(
			(grams): Potful => ({
				n: ++n,
				grams,
				spot: 'waiting',
				since: at,
				path: []
			})
		)
	];
}

const orderOf = (plan: RunPlan, spot: Spot): number => {
	if (spot === 'waiting') return -1;
	if (spot === 'firm' || spot === 'supper') return plan.stages.length;
	return plan.stages.findIndex((s) => s.id === spot);
};

const draftEnd = { finished: 'finish', stopped: 'stop' } as const;

/** Applies one event; returns why it does not count, or undefined. */
function apply(plan: RunPlan, draft: Draft, event: RunEvent, startedAt: number): string | undefined {
	if (draft.phase !== 'working' && event.type !== 'pack' && event.type !== 'note') {
		return event.type === draftEnd[draft.phase] ? 'It was closed already.' : 'The run was over by then.';
	}
	switch (event.type) {
		case 'heat-on':
			if (draft.kettle.state !== 'cold') return 'The pot was on already.';
			draft.kettle = { state: 'heating', since: event.at };
			return undefined;
		case 'boiling':
			if (draft.kettle.state === 'none' || draft.kettle.state === 'boiling') return 'The pot was boiling already.';
			draft.kettle = { state: 'boiling', since: event.at };
			return undefined;
		case 'weigh': {
			const begun = draft.potfuls.filter((p) => p.spot !== 'waiting').reduce((sum, p) => sum + p.grams, 0);
			if (event.grams < begun) return `That is less than what has been in the pot already (${begun} g).`;
			draft.load_g = event.grams;
			draft.weighed = true;
			layOut(draft, startedAt);
			return undefined;
		}
		case 'resize':
			draft.potful_g = event.potful_g;
			layOut(draft, startedAt);
			return undefined;
		case 'hold':
			draft.held = event.on;
			return undefined;
		case 'note':
			draft.notes.push({ at: event.at, text: event.text });
			return undefined;
		case 'move':
			return move(plan, draft, event);
		case 'pack':
			draft.packed.push({
				eventId: event.id,
				packs: event.packs,
				pack_g: event.pack_g,
				containerId: event.containerId,
				placeId: event.placeId,
				at: event.at
			});
			return undefined;
		case 'finish':
			draft.phase = 'finished';
			draft.endedAt = Math.max(event.at, startedAt);
			return undefined;
		case 'stop':
			draft.phase = 'stopped';
			draft.endedAt = Math.max(event.at, startedAt);
			draft.stopReason = event.reason;
			return undefined;
		case 'undo':
			return undefined;
	}
}

function move(plan: RunPlan, draft: Draft, event: Extract<RunEvent, { type: 'move' }>): string | undefined {
	const index = draft.potfuls.findIndex((p) => p.n === event.potful);
	const potful = draft.potfuls[index];
	if (!potful) return `There is no potful ${event.potful}.`;
	const from = orderOf(plan, potful.spot);
	const to = orderOf(plan, event.to);
	if (to < 0 || (event.to !== 'supper' && to <= from) || potful.spot === 'supper' || potful.spot === 'firm') {
		return `Potful ${potful.n} was there already.`;
	}
	if (event.to !== 'supper' && to > from + 1) return `Potful ${potful.n} has not come that far.`;
	if (plan.stages[to]?.resource === 'pot') {
		const busy = draft.potfuls.some((p) => p !== potful && isIn(plan, p.spot, 'pot'));
		if (busy) return 'The pot was full.';
		if (plan.pot && draft.kettle.state !== 'boiling') draft.kettle = { state: 'boiling', since: event.at };
	}
	// It cannot have left before it came, whatever was said: a stage never lasts less than nothing.
	const at = potful.path.length > 0 ? Math.max(event.at, potful.since) : event.at;
	draft.potfuls[index] = { ...potful, spot: event.to, since: at, path: [...potful.path, { spot: event.to, at }] };
	return undefined;
}

export const stageOf = (plan: RunPlan, spot: Spot): StagePlan | undefined => plan.stages.find((s) => s.id === spot);
export const isIn = (plan: RunPlan, spot: Spot, resource: Resource): boolean =>
	stageOf(plan, spot)?.resource === resource;

const stageWords: Record<StageId, string> = {
	return: 'back to the boil',
	blanch: 'blanching',
	chill: 'in the ice',
	drain: 'draining',
	freeze: 'in the freezer'
};

function timersOf(plan: RunPlan, draft: Draft): Timer[] {
	const timers: Timer[] = [];
	if (plan.pot && draft.kettle.state === 'heating') {
		timers.push({
			key: 'heat',
			potful: null,
			resource: 'pot',
			stage: 'heat',
			label: 'pot to the boil',
			since: draft.kettle.since,
			due: draft.kettle.since + plan.pot.toBoil_s * 1000,
			latest: null
		});
	}
	for (const potful of draft.potfuls) {
		const stage = stageOf(plan, potful.spot);
		if (!stage) continue;
		timers.push({
			key: `${potful.n}-${stage.id}`,
			potful: potful.n,
			resource: stage.resource,
			stage: stage.id,
			label: stageWords[stage.id],
			since: potful.since,
			due: stage.least_s === null ? null : potful.since + stage.least_s * 1000,
			latest: stage.most_s ? potful.since + stage.most_s * 1000 : null
		});
	}
	return timers.sort((a, b) => (a.due ?? Infinity) - (b.due ?? Infinity) || a.since - b.since);
}

/** Grams that have come out firm, gone to supper, and are still on the way. */
export function tally(state: RunState): {
	firm_g: number;
	supper_g: number;
	under_g: number;
	waiting_g: number;
	packed_g: number;
} {
	const sum = (test: (p: Potful) => boolean) => state.potfuls.filter(test).reduce((total, p) => total + p.grams, 0);
	return {
		firm_g: sum((p) => p.spot === 'firm'),
		supper_g: sum((p) => p.spot === 'supper'),
		waiting_g: sum((p) => p.spot === 'waiting'),
		under_g: sum((p) => !['waiting', 'firm', 'supper'].includes(p.spot)),
		packed_g: state.packed.reduce((total, p) => total + p.packs * p.pack_g, 0)
	};
}
