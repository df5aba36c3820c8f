import { amountText, sayAmount, sayMeasure } from '../../../quantities/amount';
import { sayCount, sayTemperature } from '../../../quantities/format';
import type { Act, TapOf, Trouble } from '../../engine/kind';
import type { RatioEvent } from './events';
import { allDone, isDone, restedBy, setCount, setsFor, setsOf, subjectOf, type OneSet, type RatioState } from './fold';
import type { Item, RatioPlan, RatioSubject } from './plan';

export type RatioTap = TapOf<RatioEvent>;
export type RatioAct = Act<RatioTap>;

const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true, subject: 1 } as const;

/** "4 cups", "¾ cup", "1 box", as the recipe prints it: the measure that stands on the table. */
export const itemAmount = (item: Item, units: RatioPlan['units']): string =>
	amountText(sayAmount(item.amount, item.unit, units));

/** "cup 3 of 4"; the last may be a part of one. */
export function scoopWords({ amount: [least], unit, scoops }: Item, nth: number): string {
	const part = least - Math.floor(least + 1e-6);
	return nth === scoops && part > 1e-3
		? `the last ${sayMeasure(part)} ${unit}`
		: `${unit} ${nth} of ${Math.floor(least + 1e-6)}`;
}

/** All that could be done now: measured, then set by set measured out, stirred, tested; all jars stood. */
export function acts(plan: RatioPlan, state: RatioState, now: number): RatioAct[] {
	if (state.phase !== 'working') return [];
	const subject = subjectOf(plan);
	const list: RatioAct[] = [];
	const since = state.startedAt;
	if (state.have === null && state.sets.length === 0) {
		const main = subject.items.find((i) => i.main);
		const byVolume = subject.unit_mL !== null;
		list.push({
			...still,
			key: 'measure',
			kind: 'measured',
			about: `${subject.food.name} · ${subject.recipe.name}`,
			short: subject.food.name,
			sentence: `${capital(main?.what ?? subject.food.name)}: how much is there, ready?`,
			hint: `A set takes ${main ? itemAmount(main, plan.units) : ''}. Whole sets alone: what is over goes its own way.${byVolume ? ' By the cup it is exact; weighed it is turned into cups by what a cup of it weighs.' : ''}`,
			since,
			asks: byVolume ? 'load' : 'weight',
			button: { label: byVolume ? 'So much' : 'Weighed', tap: { type: 'measured', grams: subject.load_g } },
			task: 'knife',
			urgency: 5
		});
	} else {
		const open = setsOf(plan, state).find(({ set }) => !isDone(subject, set) && stands(subject, set, now) !== 'waits');
		for (const { n, set } of setsOf(plan, state)) {
			const act = isDone(subject, set) ? null : setAct(plan, state, n, set, now);
			// A set that only stands does not hold up the next; of those that want hands one after the other.
			if (act && (n === open?.n || stands(subject, set, now) === 'waits')) list.push(act);
		}
	}
	list.push(...restActs(plan, state, now));
	return list.sort((a, b) => a.urgency - b.urgency);
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** The item of a set that comes next; undefined where all are in. Those that are only if wanted may be passed over by the first step. */
const nextItem = (subject: RatioSubject, set: OneSet | undefined): number =>
	subject.items.findIndex(
		(item, i) => (set?.scoops[i] ?? 0) < item.scoops && !(item.optional && (set?.steps ?? 0) > 0)
	);

/** Whether a set only stands by its clock now. */
function stands(subject: RatioSubject, set: OneSet | undefined, now: number): 'waits' | 'hands' {
	const step = set ? subject.steps[set.steps] : undefined;
	if (!set || !step || step.wait_s === null) return 'hands';
	if (subject.items.some((item, i) => (set.scoops[i] ?? 0) < item.scoops && !item.optional)) return 'hands';
	return now < set.since + step.wait_s * 1000 ? 'waits' : 'hands';
}

function setAct(plan: RatioPlan, state: RatioState, n: number, set: OneSet | undefined, now: number): RatioAct {
	const subject = subjectOf(plan);
	const count = setCount(plan, state);
	const base = {
		...still,
		about: `${subject.recipe.name} · set ${n} of ${count}`,
		short: `${subject.recipe.name}, set ${n}`,
		since: set?.since ?? state.startedAt,
		task: 'heat' as const
	};
	const at = nextItem(subject, set);
	const item = subject.items[at];
	if (item && (set?.steps ?? 0) === 0) {
		const have = set?.scoops[at] ?? 0;
		const all = {
			label: item.scoops > 1 ? 'All of it is in' : 'It is in',
			tap: { type: 'added', set: n, item: at + 1, scoop: item.scoops }
		} as const;
		const firstStep = { label: 'Without it', tap: { type: 'set-step', set: n, step: 1 } } as const;
		const counted = item.scoops > 1;
		return {
			...base,
			key: `add-${n}-${at}-${have}`,
			kind: 'added',
			sentence: counted
				? `${capital(item.what)}: ${scoopWords(item, have + 1)}.`
				: `${capital(item.what)}: ${itemAmount(item, plan.units)}.`,
			hint: `${counted ? `${have} of ${item.scoops} are in, ${itemAmount(item, plan.units)} in all. ` : ''}Each into a bowl of its own before it begins: counted here, whoever comes in.${item.main && item.amount[1] > item.amount[0] ? ` A set takes ${itemAmount(item, plan.units)}.` : ''}`,
			button: counted
				? { label: 'That one is in', tap: { type: 'added', set: n, item: at + 1, scoop: have + 1 } }
				: all,
			...(counted ? { others: [all] } : item.optional ? { others: [firstStep] } : {}),
			urgency: 6 + n * 0.01
		};
	}
	const step = subject.steps[set?.steps ?? 0];
	const nth = (set?.steps ?? 0) + 1;
	if (step?.test) {
		const last = set?.tests.at(-1);
		return {
			...base,
			key: `test-${n}-${set?.tests.length ?? 0}`,
			kind: 'set-test',
			sentence: step.words,
			hint: testWords(plan, last !== undefined),
			clock: true,
			button: {
				label: 'It is set',
				tap: { type: 'set-test', set: n, how: subject.gel_C === null ? 'spoon' : 'sheet', grade: 'set' }
			},
			others: [
				{
					label: 'Not yet',
					tap: { type: 'set-test', set: n, how: subject.gel_C === null ? 'spoon' : 'sheet', grade: 'not-yet' }
				}
			],
			urgency: 5.5 + n * 0.01
		};
	}
	const due = step && set && step.wait_s !== null ? set.since + step.wait_s * 1000 : null;
	const waits = due !== null && now < due;
	return {
		...base,
		key: `step-${n}-${nth}`,
		kind: 'set-step',
		sentence: step?.words ?? '',
		hint: `Step ${nth} of ${subject.steps.length}. One set at a time: a double set does not set, and pickles go out of their proportion.`,
		due,
		clock: due !== null,
		ready: !waits,
		button: { label: 'Done', tap: { type: 'set-step', set: n, step: nth } },
		urgency: waits ? 72 : 5.5 + n * 0.01
	};
}

/** How a set is tested. @source USDA Complete Guide, Guide 7 (from memory): sheet, refrigerator and temperature tests */
function testWords(plan: RatioPlan, again: boolean): string {
	const { gel_C } = subjectOf(plan);
	if (gel_C === null) return 'A spoonful heaped and held away from the steam stays heaped for two minutes.';
	const mark = sayTemperature(gel_C, plan.units);
	return `${again ? 'Boil on, and test again. ' : ''}Off the heat while you test. Two drops run together and hang from a cold spoon; or a little on a cold plate, some minutes in the freezer, wrinkles; or ${mark} by a thermometer, which is 8 °F above the boil of water in this kitchen.`;
}

function restActs(plan: RatioPlan, state: RatioState, now: number): RatioAct[] {
	const subject = subjectOf(plan);
	const done = allDone(plan, state);
	if (!done && state.packed.length === 0) return [];
	const base = { ...still, about: subject.recipe.name, short: subject.recipe.name, task: 'label' as const };
	const due = restedBy(plan, state);
	const list: RatioAct[] = [];
	const stood = due === null || state.rested?.grade === 'set';
	if (done && due !== null && !stood)
		list.push({
			...base,
			key: 'rest',
			kind: 'rested',
			sentence: now < due ? 'Filled, lids on: it stands until it is set.' : 'Is it set?',
			hint: `${subject.headspace} free in each jar, none larger than a pint. At room temperature, not longer than it says; then the freezer, or the fridge.`,
			since: state.filledAt ?? state.startedAt,
			due,
			clock: true,
			ready: now >= due,
			button: { label: 'It is set', tap: { type: 'rested', grade: 'set' } },
			others: now >= due ? [{ label: 'Still runny', tap: { type: 'rested', grade: 'not-yet' } }] : [],
			urgency: now >= due ? 6 : 73
		});
	if (stood || state.packed.length > 0)
		list.push({
			...base,
			key: 'pack',
			kind: 'pack',
			sentence: `Label them: ${plan.ends.map((e) => e.words).join(', or ')}.`,
			hint: `${subject.headspace} free in each jar. ${subject.shelf}`,
			since: state.startedAt,
			asks: 'packs',
			button: null,
			urgency: state.packed.length > 0 ? 8.5 : 6.5
		});
	return list;
}

/** What of the main thing is over after whole sets, in words; empty where nothing is. */
export function overWords(plan: RatioPlan, state: RatioState): string {
	const subject = subjectOf(plan);
	if (state.have === null) return '';
	const { over } = setsFor(subject, state.have);
	const main = subject.items.find((i) => i.main);
	// A twentieth of its unit sticks to the bowl.
	return main && over >= 0.05 ? `${sayMeasure(over)} ${over > 1 ? `${main.unit}s` : main.unit} over` : '';
}

/** What can have gone wrong with a set. */
export function troubles(plan: RatioPlan, state: RatioState): Trouble<RatioTap>[] {
	const subject = subjectOf(plan);
	const jam = subject.recipe.kind !== 'pickle';
	const sets = setCount(plan, state);
	return [
		{
			id: 'count',
			title: 'Lost count',
			advice: [
				'What is tapped here is what is in. A measure that is doubtful: weigh the bowl, a level cup of sugar is about 200 g.',
				'Still in doubt: begin that set again with new bowls. In jam too much sugar only runs; in pickles too little vinegar is dangerous, so never guess the vinegar.'
			],
			choices: []
		},
		...(jam
			? [
					{
						id: 'runny',
						title: 'It does not set',
						advice: [
							'Give it the whole time; some jams take a day.',
							'Still runny: it is a syrup, and good as one. To make it over, once, a set at a time by the leaflet of your pectin.'
						],
						choices: [{ label: 'Note it', tap: { type: 'note', text: 'It did not set: kept as syrup.' } as const }]
					}
				]
			: []),
		{
			id: 'away',
			title: 'Called away',
			advice: [
				`${sayCount(sets, 'set')}, and every measure that is in stand here: whoever comes back goes on from there.`,
				'Heat off. Fruit with its sugar may stand an hour; a half-cooked jam is brought to the boil again before it goes on.'
			],
			choices: []
		}
	];
}
