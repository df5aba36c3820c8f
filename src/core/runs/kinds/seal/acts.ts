import { sayCount, sayDuration, sayLength, sayWeight } from '../../../quantities/format';
import type { Act, TapOf, Trouble } from '../../engine/kind';
import { allAway } from './book';
import type { SealEvent } from './events';
import { backBy, hour_ms, isOpen, isOut, outFor, subjectOf, type SealState } from './fold';
import type { SealPlan } from './plan';

export type SealTap = TapOf<SealEvent>;
export type SealAct = Act<SealTap>;

const still = {
	unit: null,
	due: null,
	latest: null,
	clock: false,
	over: false,
	ready: true,
	subject: 1,
	task: 'seal'
} as const;

/** A quarter of an hour before its time what is out is called back (common practice). */
const callBefore_ms = 15 * 60_000;

/** All that could be done now: bags, firm, out, filled, sealed, away; and back where its time runs out. */
export function acts(plan: SealPlan, state: SealState, now: number): SealAct[] {
	if (state.phase !== 'working') return [];
	const subject = subjectOf(plan);
	const base = { ...still, about: subject.food.name, short: subject.food.name, since: state.startedAt };
	const bag = (n: number) => sayCount(n, subject.into);
	const list: SealAct[] = clockActs(plan, state, now);
	if (state.bagsAt === null)
		list.push({
			...base,
			key: 'bags',
			kind: 'bags-ready',
			sentence: `${bag(subject.packs)} ready, labelled${subject.into === 'bag' ? ', mouths cuffed' : ''}.`,
			hint: bagWords(plan),
			button: { label: 'They lie ready', tap: { type: 'bags-ready' } },
			urgency: 3.5
		});
	if (subject.first && state.firmAt === null) {
		const begun = state.bagsAt ?? state.startedAt;
		list.push({
			...base,
			key: 'firm',
			kind: 'frozen-first',
			sentence: `Frozen first: ${subject.first.how}.`,
			hint: `${subject.first.hours[0]} to ${subject.first.hours[1]} h are usual. Juice that reaches the seal makes it leak.${subject.prepare ? ` ${subject.prepare}` : ''}`,
			since: begun,
			due: state.bagsAt === null ? null : begun + subject.first.hours[0] * hour_ms,
			then: `feel whether ${subject.food.name} are hard`,
			button: { label: 'It is hard', tap: { type: 'frozen-first' } },
			urgency: state.bagsAt === null ? 60 : 6
		});
	}
	const ready = state.bagsAt !== null && (!subject.first || state.firmAt !== null);
	if (ready) list.push(...roundActs(plan, state));
	if (allAway(plan, state))
		list.push({
			...base,
			key: 'close',
			kind: 'over',
			sentence: 'All of it is sealed and in its place.',
			hint: 'Close the run. In two days each is looked at: one that has gone loose is sealed anew, or eaten first.',
			button: { label: 'All away: close the run', tap: { type: 'finish' } },
			urgency: 3
		});
	return list.sort((a, b) => a.urgency - b.urgency);
}

function bagWords(plan: SealPlan): string {
	const { cut, into, packs, portion_g } = subjectOf(plan);
	const each = `${sayWeight(portion_g, plan.units)} in each. `;
	if (into === 'jar')
		return `${each}Dry jars, an inch of room under the lid. It is no canning: what is moist stays out of them.`;
	const roll = cut
		? `${sayLength(cut.length_m, plan.units)} off the roll${cut.roll ? ` (${cut.roll})` : ''} for each, ${sayLength(cut.length_m * packs, plan.units)} in all: its length, its height and three inches. `
		: '';
	return `${each}${roll}The mouth folded back while it is filled: grease or a crumb in the seal lets air in. Sharp bones wrapped.`;
}

function clockActs(plan: SealPlan, state: SealState, now: number): SealAct[] {
	if (plan.out_h === null) return [];
	const limit = sayDuration(plan.out_h * 3600);
	const before = plan.warm_ms > 0 ? ` ${sayDuration(plan.warm_ms / 1000)} of it were gone before the run.` : '';
	return state.rounds.flatMap((round): SealAct[] => {
		const due = backBy(plan, round);
		if (due === null) return [];
		const over = now >= due;
		const name = nameOf(plan, round.n);
		return [
			{
				...still,
				key: `back-${round.n}`,
				kind: 'round-back',
				about: `${subjectOf(plan).food.name} · out of the cold`,
				short: `${name} back into the cold`,
				sentence: over ? `${capital(name)} has been out too long.` : `${capital(name)} back into the cold.`,
				hint: over
					? `More than ${limit} in all: cooked through now, or out. It is neither sealed nor frozen raw.`
					: `${capital(limit)} out of the cold at most, all its times together.${before}`,
				since: now - outFor(round, now) - plan.warm_ms,
				due,
				latest: due,
				clock: true,
				over,
				button: { label: 'It is back', tap: { type: 'round-back', round: round.n } },
				then: `${name} back into the cold`,
				urgency: over ? 0.3 : now >= due - callBefore_ms ? 1 : 8 + round.n * 0.001
			}
		];
	});
}

const nameOf = (plan: SealPlan, n: number): string => (plan.rounds.length > 1 ? `lot ${n}` : subjectOf(plan).food.name);
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** The first round with something left to do: everything filled, then everything sealed, then away. */
function roundActs(plan: SealPlan, state: SealState): SealAct[] {
	const subject = subjectOf(plan);
	const round = state.rounds.find((r) => isOpen(plan, r));
	const planned = plan.rounds.find((r) => r.n === round?.n);
	if (!round || !planned) return [];
	const bag = (n: number) => sayCount(n, subject.into);
	const of = plan.rounds.length > 1 ? `Lot ${round.n} of ${plan.rounds.length}: ` : '';
	const base = {
		...still,
		about: `${subject.food.name}${of ? ` · lot ${round.n} of ${plan.rounds.length}` : ''}`,
		short: nameOf(plan, round.n),
		since: state.startedAt,
		urgency: 5
	};
	if (plan.out_h !== null && !isOut(round) && round.sealed === 0)
		return [
			{
				...base,
				key: `out-${round.n}-${round.spells.length}`,
				kind: 'round-out',
				sentence: `${of}${sayWeight(planned.packs * subject.portion_g, plan.units)} onto the table.`,
				hint: `For ${bag(planned.packs)}. ${plan.rounds.length > 1 ? 'The others stay in the cold.' : ''}`,
				button: { label: 'It is out', tap: { type: 'round-out', round: round.n } }
			}
		];
	if (round.filled === 0)
		return [
			{
				...base,
				key: `fill-${round.n}`,
				kind: 'round-filled',
				sentence: `${of}fill all ${bag(planned.packs)} first.`,
				hint: `${sayWeight(subject.portion_g, plan.units)} in each, flat, air stroked out. None is sealed before all are full.`,
				button: { label: 'All are filled', tap: { type: 'round-filled', round: round.n, bags: planned.packs } }
			}
		];
	if (round.sealed === 0)
		return [
			{
				...base,
				key: `seal-${round.n}`,
				kind: 'round-sealed',
				sentence: `${of}seal all ${bag(round.filled)} in one go.`,
				hint: 'Mouths uncuffed, dry and smooth. A bag that goes loose, wrinkles or takes juice is opened and sealed again; the bar cools between.',
				button: { label: 'All of them hold', tap: { type: 'round-sealed', round: round.n, bags: round.filled } },
				others: [1, 2]
					.filter((n) => n < round.filled)
					.map((n) => ({
						label: `${n} would not hold`,
						tap: { type: 'round-sealed', round: round.n, bags: round.filled - n } as const
					}))
			}
		];
	return [
		{
			...base,
			key: `pack-${round.n}`,
			kind: 'pack',
			sentence: `${of}${bag(round.sealed - round.away)} into the ${subject.place === 'freezer' ? 'freezer' : 'pantry'}.`,
			hint:
				subject.place === 'freezer'
					? 'One beside the other until they are hard. Looked at again in two days: a loose one is opened, or eaten first.'
					: 'Dark and cool. Looked at again in two days.',
			asks: 'packs',
			button: null,
			urgency: 4
		}
	];
}

/** What can go wrong at the sealer. */
export function troubles(plan: SealPlan): Trouble<SealTap>[] {
	return [
		{
			id: 'loose',
			title: 'Bags go loose',
			advice: [
				'Grease, a wrinkle or a drop in the seal: cut it off, wipe the mouth dry inside, seal it anew an inch lower; a second seal beside the first.',
				'A sharp bone: wrap it in paper, take a new bag.'
			],
			choices: [{ label: 'Note it', tap: { type: 'note', text: 'Some bags had to be sealed again.' } }]
		},
		{
			id: 'juice',
			title: 'Juice is drawn into the seal',
			advice: ['Freeze it first until its edges are stiff, or lay a folded paper towel under the mouth.'],
			choices: []
		},
		{
			id: 'warm',
			title: 'It has got warm',
			advice: [
				plan.out_h === null
					? 'What is dry can wait.'
					: `More than ${sayDuration(plan.out_h * 3600)} out of the cold in all: cooked through now, or out. Less: back into the cold.`
			],
			choices: []
		}
	];
}
