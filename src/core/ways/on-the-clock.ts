import type { CannerLoads } from '../canning/canner-loads';
import type { WorkStep, WorkStation } from './work';

/** Who or what is busy: each a line of its own on the clock. */
export type Lane = 'hands' | Exclude<WorkStation, 'table'>;
export interface Span {
	readonly lane: Lane;
	readonly words: string;
	/** s from the start. */
	readonly from_s: number;
	readonly to_s: number;
}
export interface OnTheClock {
	readonly spans: readonly Span[];
	readonly end_s: number;
	/** The longest stretch that hands have nothing to do before the end, s. */
	readonly free: { readonly from_s: number; readonly to_s: number } | null;
}

const words: Readonly<Record<WorkStep['id'], string>> = {
	prepare: 'wash, cut',
	boil: 'to the boil',
	line: 'blanch, ice',
	cook: 'cook, cool',
	simmer: 'simmers',
	cool: 'cools',
	tray: 'trays',
	freeze: 'freezes',
	dry: 'dries',
	turn: 'turn',
	fill: 'fill',
	process: 'process',
	pack: 'pack'
};

/**
 * A way's typed steps on the clock: one after the other, but that the pot comes to the boil while hands prepare; turning in
 * the dryer falls into its hours. Jars go by their loads.
 */
export function onTheClock(work: readonly WorkStep[], loads?: CannerLoads): OnTheClock {
	const spans: Span[] = [];
	const add = (lane: Lane, said: string, from_s: number, seconds: number) => {
		if (seconds > 0) spans.push({ lane, words: said, from_s, to_s: from_s + seconds });
	};
	const prepare_s = work.find((s) => s.id === 'prepare')?.seconds ?? 0;
	const before_s = prepare_s + (work.find((s) => s.id === 'simmer')?.seconds ?? 0);
	let at = 0;
	for (const step of work) {
		if (step.id === 'turn') continue;
		if (loads && (step.id === 'fill' || step.id === 'process')) continue;
		const said = words[step.id];
		if (step.id === 'boil') {
			add('pot', said, 0, step.seconds);
			at = Math.max(prepare_s, step.seconds);
			continue;
		}
		if (step.attended) add('hands', said, at, step.seconds);
		if (step.station !== 'table')
			add(step.station, step.attended && step.station === 'pot' ? 'at work' : said, at, step.seconds);
		at += step.seconds;
	}
	if (loads) {
		for (const load of loads.loads) {
			let t = before_s + load.from_s;
			for (const step of load.steps) {
				if (step.attended) add('hands', step.name, t, step.seconds);
				t += step.seconds;
			}
			add(
				'canner',
				`${load.jars} ${load.jars === 1 ? 'jar' : 'jars'}`,
				before_s + load.from_s,
				load.to_s - load.from_s
			);
		}
		at = before_s + loads.elapsed_s;
	}
	return { spans: joined(spans), end_s: at, free: longestFree(spans, at) };
}

/** Steps of one lane that follow one another under one name are one. */
function joined(spans: readonly Span[]): Span[] {
	const list: Span[] = [];
	for (const span of spans) {
		const at = list.findLastIndex((s) => s.lane === span.lane);
		const before = list[at];
		if (before && before.words === span.words && Math.abs(before.to_s - span.from_s) < 1)
			list[at] = { ...before, to_s: span.to_s };
		else list.push(span);
	}
	return list;
}

function longestFree(spans: readonly Span[], end_s: number): OnTheClock['free'] {
	const hands = spans.filter((s) => s.lane === 'hands').sort((a, b) => a.from_s - b.from_s);
	let until = 0;
	let best: OnTheClock['free'] = null;
	const gap = (from_s: number, to_s: number) => {
		if (to_s - from_s >= 900 && to_s - from_s > (best ? best.to_s - best.from_s : 0)) best = { from_s, to_s };
	};
	for (const span of hands) {
		gap(until, span.from_s);
		until = Math.max(until, span.to_s);
	}
	gap(until, end_s);
	return best;
}
