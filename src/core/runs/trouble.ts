import { sayWeight } from '../quantities/format';
import type { RunState } from './fold';
import { isIn } from './fold';
import type { RunPlan } from './plan';
import type { Tap } from './next';

export interface Trouble {
	readonly id: string;
	readonly title: string;
	readonly advice: readonly string[];
	readonly choices: readonly { readonly label: string; readonly tap: Tap }[];
}

/** What can have gone wrong at this moment, with what to do. Advice without a number of its own; taps change the run. */
export function troubles(plan: RunPlan, state: RunState): Trouble[] {
	const list: Trouble[] = [];
	const inPot = state.potfuls.find((p) => isIn(plan, p.spot, 'pot'));
	const inIce = state.potfuls.filter((p) => p.spot === 'chill');
	const water = plan.stages.some((s) => s.id === 'return');
	const late = inPot ?? inIce.at(-1);
	if (plan.stages.some((s) => s.id === 'blanch')) {
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
						{ label: `Potful ${late.n} is for supper`, tap: { type: 'move', potful: late.n, to: 'supper' } },
						{
							label: 'Note it: use first',
							tap: { type: 'note', text: `Potful ${late.n} was too long in the water: use first.` }
						}
					]
				: []
		});
	}
	if (water) {
		const smaller = Math.min(plan.pot?.minutePotful_g ?? state.potful_g, Math.round(state.potful_g / 2));
		list.push({
			id: 'no-boil',
			title: 'The boil won’t come back',
			advice: [
				'Lid on, highest heat, and wait: the blanch counts only from the boil.',
				'Over a minute means that too much is in for this pot. Take the next potfuls smaller.'
			],
			choices:
				smaller >= 50
					? [
							{
								label: `Smaller potfuls: ${sayWeight(smaller, plan.units)}`,
								tap: { type: 'resize', potful_g: smaller }
							}
						]
					: []
		});
	}
	if (plan.stages.some((s) => s.id === 'chill')) {
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
				: [{ label: 'Hold the next potful', tap: { type: 'hold', on: true } }]
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
