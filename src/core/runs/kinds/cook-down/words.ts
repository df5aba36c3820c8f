import { sayLength, sayTemperature, sayVolume, sayWeight, type Units } from '../../../quantities/format';
import type { Station, Trouble } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ringsOf } from '../../engine/stage';
import type { CookTap } from './acts';
import type { CookEvent } from './events';
import { forecast, leftShare, type CookState } from './fold';
import { subjectOf, titleOf, type CookPlan } from './plan';

/** A tap in a few words, for "Last:". */
export function say(event: CookEvent, units: Units): string {
	switch (event.type) {
		case 'pan-on':
			return 'on the heat';
		case 'soft':
			return 'soft through';
		case 'milled':
			return `milled, ${sayWeight(event.grams, units)}`;
		case 'depth':
			return `${sayLength(event.mm / 1000, units)} deep`;
		case 'thick':
			return event.by === 'mark' ? 'at the mark' : event.by === 'spoon' ? 'thick by the spoon' : 'down to its weight';
		case 'cooled':
			return `${sayTemperature(event.dC / 10, units)} at its centre`;
		case 'boil-again':
			return 'boiled again';
		case 'lost':
			return `${sayWeight(event.grams, units)} thrown out`;
		default:
			return sayCommon(event, units);
	}
}

/** The worktop: pan with its depth, what cools, what is packed. */
export function stations(plan: CookPlan, state: CookState): Station[] {
	const subject = subjectOf(plan);
	const unit = { key: 'pan', n: '1', food: subject.food.name, subject: 1, due: null };
	const found = forecast(plan, state);
	const left = leftShare(plan, state);
	const inPan = ['soften', 'pan', 'simmer'].includes(state.spot);
	const end = { by: 'reading', quantity: 'temperature', marks: subject.cooling } as const;
	const depth = state.dips.at(-1) ?? state.start;
	return [
		{
			id: 'board',
			draw: 'bin',
			name: 'Board',
			figure: { words: sayWeight(state.load_g, plan.units) },
			words: state.weighed ? 'weighed' : 'to be made ready',
			foot: state.milled_g === null ? '' : `${sayWeight(state.milled_g, plan.units)} through the mill`,
			warns: false,
			units: state.spot === 'board' || state.spot === 'mill' ? [unit] : [],
			more: 0
		},
		{
			id: 'pan',
			draw: 'pot',
			name: plan.pan.name,
			figure:
				found && state.start
					? { since: state.start.at, due: state.start.at + found.boil_s * 1000 }
					: inPan
						? { since: state.since, due: null }
						: { words: 'free' },
			words: depth && inPan ? `${sayLength(depth.mm / 1000, plan.units)} deep` : inPan ? 'on the heat' : '',
			foot: found
				? `mark at ${sayLength(found.mark_m, plan.units)}, ${sayVolume(found.end_L, plan.units)} left then`
				: '',
			warns: left !== null && subject.fraction !== null && left < subject.fraction,
			units: inPan ? [unit] : [],
			more: 0
		},
		{
			id: 'cool',
			draw: 'basin',
			name: 'Cold',
			figure:
				state.spot === 'cool'
					? { since: state.since, due: ringsOf(end, state.since, state.met).due }
					: { words: state.spot === 'cold' ? 'cold' : 'free' },
			words: state.last_C === null ? '' : sayTemperature(state.last_C, plan.units),
			foot: state.met > 0 ? 'past its first mark' : '',
			warns: false,
			units: state.spot === 'cool' || state.spot === 'cold' ? [unit] : [],
			more: 0
		},
		{
			id: 'packs',
			draw: 'bags',
			name: 'Packs',
			figure: { words: `${state.packed.reduce((n, p) => n + p.packs, 0)}` },
			words: '',
			foot: titleOf(subject),
			warns: false,
			units: [],
			more: 0
		}
	];
}

/** What can have gone wrong at the pan. */
export function troubles(plan: CookPlan, state: CookState): Trouble<CookTap>[] {
	const subject = subjectOf(plan);
	const all = Math.max(1, state.milled_g ?? state.load_g);
	return [
		{
			id: 'caught',
			title: 'It has caught',
			advice: [
				'Off the heat at once. Pour it into another pan without scraping; what is stuck stays behind.',
				'Taste it: smoky all through, it is lost. Else go on lower, and stir.'
			],
			choices: [{ label: 'All of it is lost', tap: { type: 'lost', grams: all } }]
		},
		{
			id: 'thin',
			title: 'At the mark, and still thin',
			advice: ['Juicy fruit wants more. Go on; mark the stick lower, and keep what it took for next time.'],
			choices: [
				{ label: 'Note it', tap: { type: 'note', text: 'Still thin at the mark: less is to be left next time.' } }
			]
		},
		{
			id: 'away',
			title: 'Called away',
			advice: [
				'Heat off: a pan that cooks down alone burns. Hot it may stand for 2 hours at the most, then it goes on to boil, or cools by its two stages.',
				...(subject.acid === 'low' ? ['It is low in acid: what stood warm for longer goes out.'] : [])
			],
			choices: []
		}
	];
}
