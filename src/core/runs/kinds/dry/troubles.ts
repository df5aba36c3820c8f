import type { Trouble } from '../../engine/kind';
import type { DryTap } from './act';
import type { DryState } from './fold';
import { subjectOf, type DryPlan } from './plan';

/** What can have gone wrong at the dryer, with what to do. */
export function troubles(plan: DryPlan, state: DryState): Trouble<DryTap>[] {
	const inside = state.trays.filter((t) => t.spot === 'in');
	const meat = plan.subjects.some((s) => s.cold);
	const list: Trouble<DryTap>[] = [
		{
			id: 'slow',
			title: 'It dries too slowly',
			advice: [
				'One layer, nothing over another; thin pieces; the lid or door shut, its vents open.',
				'Damp room air takes up little: a dry room, a window open on a dry day, or a dehumidifier.',
				'Hotter is no help: the outside hardens and the inside stays wet.'
			],
			choices: []
		},
		{
			id: 'hard-outside',
			title: 'Hard outside, wet inside',
			advice: [
				'Too hot at first. Lower the heat to what its row says and dry on: hours count, not heat.',
				'What stays moist in its middle goes to the freezer or is eaten this week; in a jar it turns mouldy.'
			],
			choices: []
		},
		{
			id: 'power',
			title: 'The power is gone',
			advice: [
				'Doors shut; the clocks stand still with it.',
				'A few hours: go on when it is back. Half wet overnight in a warm room: feel and smell every tray; slimy, sour or mouldy goes out.',
				...(meat ? ['Meat that lay between 4 and 60 °C (40 and 140 °F) for more than 2 hours goes out.'] : [])
			],
			choices: state.power.on
				? [{ label: 'The dryer is off', tap: { type: 'power', on: false } }]
				: [{ label: 'It is on again', tap: { type: 'power', on: true } }]
		}
	];
	for (const tray of inside.slice(0, 12)) {
		const food = subjectOf(plan, tray.subject)?.food.name ?? '';
		list.push({
			id: `gone-${tray.tray}`,
			title: `Tray ${tray.slot}, ${food.toLowerCase()}: eaten, dropped or spoiled`,
			advice: ['It leaves the count; what it was is written into the book.'],
			choices: [
				{ label: 'Eaten', tap: { type: 'out', tray: tray.tray, why: 'eaten' } },
				{ label: 'Thrown out', tap: { type: 'out', tray: tray.tray, why: 'spoiled' } }
			]
		});
	}
	list.push({
		id: 'called-away',
		title: 'Called away, or to bed',
		advice: [
			'A dryer may run through the night on a clear table. What nears its end: take it off half an hour early, or turn it off and go on in the morning.',
			'An oven is never left alone.'
		],
		choices: state.power.on ? [{ label: 'Off for the night', tap: { type: 'power', on: false } }] : []
	});
	return list;
}
