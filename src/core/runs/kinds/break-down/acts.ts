import { sayDuration, sayTemperature, sayWeight } from '../../../quantities/format';
import type { Act, TapOf, Trouble } from '../../engine/kind';
import type { BreakDownEvent } from './events';
import { backBy, balanceOf, hour_ms, outFor, weighedOf, type BreakDownState } from './fold';
import type { BreakDownPlan } from './plan';

export type BreakDownTap = TapOf<BreakDownEvent>;
export type BreakDownAct = Act<BreakDownTap>;

const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true, subject: null, task: 'knife' } as const; // prettier-ignore

/** A quarter of an hour before its time a box is called back (common practice). */
export const callBefore_ms = 15 * 60_000;

/** All that could be done now: first what is out of the cold, then the next onto the table, then the scale. */
export function acts(plan: BreakDownPlan, state: BreakDownState, now: number): BreakDownAct[] {
	if (state.phase !== 'working') return [];
	const list = [...boxActs(plan, state, now), ...partActs(plan, state)];
	if (allWeighed(plan, state))
		list.push({
			...still,
			key: 'close',
			kind: 'over',
			about: plan.species.name,
			short: plan.species.name,
			sentence: 'All of it is weighed and in the cold.',
			hint: 'Close the run: every part stands in the Basket under its own name, and goes on from there: packs, jars, the dryer, the pan.',
			since: state.startedAt,
			button: { label: 'Close the run', tap: { type: 'finish' } },
			urgency: state.boxes.some((b) => b.outAt !== null) ? 9 : 3
		});
	return list.sort((a, b) => a.urgency - b.urgency);
}

export const allWeighed = (plan: BreakDownPlan, state: BreakDownState): boolean =>
	plan.parts.filter((p) => p.food !== null).every((p) => state.done.includes(p.n)) &&
	state.boxes.every((b) => b.outAt === null);

function boxActs(plan: BreakDownPlan, state: BreakDownState, now: number): BreakDownAct[] {
	const list: BreakDownAct[] = [];
	const limit = sayDuration(plan.out_h * 3600);
	for (const box of state.boxes) {
		const name = plan.boxes.find((b) => b.n === box.n)?.name ?? '';
		const due = backBy(plan, box);
		if (due === null || box.outAt === null) continue;
		const over = now >= due;
		const soon = now >= due - callBefore_ms;
		list.push({
			...still,
			key: `back-${box.n}`,
			kind: 'box-back',
			about: box.before_ms > 0 ? `out ${sayDuration(box.before_ms / 1000)} before` : 'out of the cold',
			short: `${name}, back into the cold`,
			sentence: over ? `${capital(name)} has been out too long.` : `${capital(name)} back into the cold.`,
			hint: over
				? `More than ${limit} out of the cold in all: cook it through now, or it goes out. It is neither packed nor frozen raw.`
				: `${capital(limit)} out of the cold at most, all its times together. What is cut goes back first.`,
			since: box.outAt,
			due,
			latest: due,
			clock: true,
			over,
			button: { label: 'It is back', tap: { type: 'box-back', box: box.n } },
			others: [{ label: 'Nothing is left of it', tap: { type: 'box-empty', box: box.n } }],
			then: `${name} back into the cold`,
			urgency: over ? 0.3 : soon ? 1 : 5.5 + box.n * 0.001
		});
	}
	// One on the table at a time is what two hands can do; the one that has been out longest comes last.
	const waiting = state.boxes.filter((b) => !b.empty && b.outAt === null && outFor(b, now) < plan.out_h * hour_ms);
	const next = [...waiting].sort((a, b) => a.before_ms - b.before_ms || a.n - b.n)[0];
	const open = plan.parts.some((p) => p.food !== null && !state.done.includes(p.n));
	if (next && open && !state.boxes.some((b) => b.outAt !== null)) {
		const box = plan.boxes.find((b) => b.n === next.n);
		const left = plan.out_h * hour_ms - next.before_ms;
		list.push({
			...still,
			key: `out-${next.n}-${next.before_ms}`,
			kind: 'box-out',
			about: `${box?.name ?? ''}${box ? ` · about ${sayWeight(box.grams, plan.units)}` : ''}`,
			short: `${box?.name ?? ''} onto the table`,
			sentence: `${capital(box?.name ?? '')} onto the table.`,
			hint: `${next.before_ms > 0 ? `It has ${sayDuration(left / 1000)} left of its ${limit}. ` : ''}The others stay in the cold. Bags, labels and the scale lie ready; knives sharp, hands and boards clean.`,
			since: state.startedAt,
			button: { label: 'It is out', tap: { type: 'box-out', box: next.n } },
			urgency: 4
		});
	}
	return list;
}

function partActs(plan: BreakDownPlan, state: BreakDownState): BreakDownAct[] {
	const { cold } = plan;
	if (!cold) return [];
	const { expected } = balanceOf(plan, state);
	return plan.parts.flatMap((part, i): BreakDownAct[] => {
		if (part.food === null || state.done.includes(part.n)) return [];
		const have = weighedOf(state, part.n);
		const grams = Math.max(1, (expected[i] ?? 0) - have);
		return [
			{
				...still,
				key: `part-${part.n}-${have}`,
				kind: 'part',
				about: `${part.title} · ${sayWeight(expected[i] ?? 0, plan.units)} expected${have > 0 ? `, ${sayWeight(have, plan.units)} weighed` : ''}`,
				short: part.name,
				drawn: true,
				sentence: `${capital(part.name)}: what is on the scale?`,
				hint: `${part.style ? `${capital(part.style)}. ` : ''}Into ${cold.name} with it, covered.`,
				since: state.startedAt,
				subject: part.n,
				asks: 'weight',
				button: { label: 'Weighed, and into the cold', tap: { type: 'part', part: part.n, grams, placeId: cold.id } },
				others: [{ label: 'That is all of it', tap: { type: 'part-done', part: part.n } }],
				urgency: 6 + part.n * 0.01
			}
		];
	});
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What can go wrong at the table. */
export function troubles(plan: BreakDownPlan, state: BreakDownState): Trouble<BreakDownTap>[] {
	const out = state.boxes.filter((b) => b.outAt !== null);
	return [
		{
			id: 'warm',
			title: 'It has got warm',
			advice: [
				`Above ${sayTemperature(4, plan.units)} for more than ${sayDuration(plan.out_h * 3600)} in all: cooked through now, or out. Nobody smells what grows on it.`,
				'Below that: back into the cold at once, spread out.'
			],
			choices: out.map((b) => ({
				label: `${capital(plan.boxes.find((x) => x.n === b.n)?.name ?? '')} is back`,
				tap: { type: 'box-back', box: b.n } as const
			}))
		},
		{
			id: 'taint',
			title: 'It smells, is slimy, or the gut was cut',
			advice: [
				'What smells or is slimy goes out. Where the gut was cut: the soiled meat is cut away with a margin, knife and board are washed hot.',
				'Sick-looking organs, lumps, pus: stop, and ask a vet or your meat inspection before anything is eaten.'
			],
			choices: [{ label: 'Note it', tap: { type: 'note', text: 'Something was cut away as spoiled.' } }]
		},
		{
			id: 'away',
			title: 'Called away',
			advice: ['Everything back into the cold first: the clock of each box stands still there.'],
			choices: out.map((b) => ({
				label: `${capital(plan.boxes.find((x) => x.n === b.n)?.name ?? '')} is back`,
				tap: { type: 'box-back', box: b.n } as const
			}))
		}
	];
}
