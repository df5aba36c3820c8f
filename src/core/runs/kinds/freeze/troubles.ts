import { sayWeight } from '../../../quantities/format';
import type { Trouble } from '../../engine/kind';
import type { FreezeTap } from './act';
import { slowBoil } from './stage-acts';
import { isIn, type FreezeState } from './fold';
import { subjectOf, type FreezePlan } from './plan';

/** What can have gone wrong at this moment, with what to do. Advice without a number of its own; taps change the run. */
export function troubles(plan: FreezePlan, state: FreezeState): Trouble<FreezeTap>[] {
	const list: Trouble<FreezeTap>[] = [];
	const inPot = state.potfuls.find((p) => isIn(plan, p, 'pot'));
	const late = inPot ?? state.potfuls.filter((p) => p.spot === 'chill').at(-1);
	const several = plan.subjects.length > 1;
	const mark = (n: number) => (several ? { subject: n } : {});
	const stages = plan.subjects.flatMap((s) => s.stages.map((stage) => stage.id));
	if (stages.includes('blanch')) {
		const of = late && subjectOf(plan, late.subject);
		const name = late ? `${several && of ? `${of.food.name}, potful` : 'Potful'} ${late.n}` : '';
		list.push({
			id: 'too-long',
			title: 'Too long in the water',
			advice: [
				'Lift it into the ice now; every second cooks on.',
				'A little over: freeze it and use it first, it will be softer.',
				'Soft all through: it is cooked. Have it for supper, or cool it and keep it in the fridge 3 to 4 days.'
			],
			choices: late
				? [
						{
							label: `${name} is for supper`,
							tap: { type: 'move', ...mark(late.subject), potful: late.n, to: 'supper' }
						},
						{
							label: 'Note it: use first',
							tap: { type: 'note', text: `${name} was too long in the water: use first.` }
						}
					]
				: []
		});
	}
	if (stages.includes('return')) list.push(noBoil(plan, state, inPot?.subject, mark));
	if (plan.subjects.some((s) => s.ice_kg_per_kg > 0 || s.heat === 'cook' || s.heat === 'dip' || s.heat === 'soak')) {
		list.push({
			id: 'ice-gone',
			title: 'The ice is gone',
			advice: [
				'Cold running water at 15 °C (60 °F) or below does it too: change it often, stir, stay until the centre is cold.',
				'Hold the next potful until the basin is cold again. What lies warm goes on cooking.',
				'Frozen water bottles or gel packs, washed, serve as ice.'
			],
			choices: state.held
				? [{ label: 'The basin is cold again: go on', tap: { type: 'hold', on: false } }]
				: [
						state.running
							? { label: 'There is ice again', tap: { type: 'running', on: false } }
							: { label: 'Cold running water from now on', tap: { type: 'running', on: true } },
						{ label: 'Hold the next potful', tap: { type: 'hold', on: true } }
					]
		});
	}
	list.push({
		id: 'freezer-slow',
		title: 'Not firm when it rang',
		advice: [
			'Leave it in and look again in half an hour; pieces that touch or a full freezer take longer.',
			'Do not bag soft pieces: they freeze to one block.'
		],
		choices: []
	});
	list.push({
		id: 'called-away',
		title: 'Called away',
		advice: [
			'Gas and burners off if nobody stays. The clocks run on by themselves, here and on any other phone.',
			'Chilled, drained food waits in the fridge for up to a day; then on to the trays.'
		],
		choices: [{ label: 'Hold the next potful', tap: { type: 'hold', on: true } }]
	});
	return list;
}

function noBoil(
	plan: FreezePlan,
	state: FreezeState,
	at: number | undefined,
	mark: (n: number) => { subject?: number }
): Trouble<FreezeTap> {
	const wet = plan.subjects.filter((s) => s.stages.some((stage) => stage.id === 'return'));
	const subject = wet.find((s) => s.n === at) ?? wet[0];
	const known = state.subjects.find((s) => s.n === subject?.n);
	const slow = subject ? slowBoil(plan, state, subject.n) : null;
	const smaller = Math.min(subject?.minutePotful_g ?? Infinity, Math.round((known?.potful_g ?? 0) / 2));
	return {
		id: 'no-boil',
		title: 'The boil won’t come back',
		advice: [
			'Lid on, highest heat, and wait: the blanch counts only from the boil.',
			'Over a minute means that too much is in for this pot. Take the next potfuls smaller.',
			...(slow ? [slow.words] : [])
		],
		choices:
			slow?.tap.type === 'replan'
				? [{ label: `Smaller potfuls: ${sayWeight(slow.tap.next_g, plan.units)}`, tap: slow.tap }]
				: subject && smaller >= 50
					? [
							{
								label: `Smaller potfuls: ${sayWeight(smaller, plan.units)}`,
								tap: { type: 'resize', ...mark(subject.n), potful_g: smaller }
							}
						]
					: []
	};
}
