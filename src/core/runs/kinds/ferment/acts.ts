import { sayWeight } from '../../../quantities/format';
import type { Act, TapOf, Trouble } from '../../engine/kind';
import type { FermentEvent } from './events';
import { brineFor, cutOf, endOf, isSalted, leastSalt, subjectOf, type FermentState } from './fold';
import type { FermentPlan } from './plan';

export type FermentTap = TapOf<FermentEvent>;
export type FermentAct = Act<FermentTap>;

const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true, subject: 1, task: 'wash' } as const; // prettier-ignore

/** All that could be done now: cut, weighed, salted, under, away. */
export function acts(plan: FermentPlan, state: FermentState): FermentAct[] {
	if (state.phase !== 'working') return [];
	const subject = subjectOf(plan);
	const cut_g = cutOf(plan, state);
	const { water_g, salt_g } = brineFor(plan, cut_g);
	const say = (grams: number) => sayWeight(grams, plan.units);
	const base = { ...still, about: subject.food.name, short: subject.food.name, since: state.startedAt };
	if (state.cut_g === null)
		return [
			{
				...base,
				key: 'weigh',
				kind: 'weigh',
				sentence: 'Cut: what does it weigh?',
				hint: `${capital(subject.cut)}; cores, stalks and outer leaves away. All the salt goes by this weight.`,
				asks: 'weight',
				button: { label: 'Weighed', tap: { type: 'weigh', grams: subject.load_g } },
				urgency: 4
			}
		];
	const short = state.salt_g !== null && !isSalted(plan, state);
	if (state.salt_g === null || short)
		return [
			{
				...base,
				key: `salt-${state.salt_g ?? 0}`,
				kind: 'salted',
				sentence: `${say(salt_g)} of salt${subject.way === 'brine' ? ` in ${say(water_g)} of water` : ''}.`,
				hint: `${short ? `${say(state.salt_g ?? 0)} are too little: at least ${say(leastSalt(plan, cut_g))} in all. ` : ''}Weighed, not spooned: canning or sea salt without iodine, none of it reduced or replaced. ${subject.way === 'dry' ? 'Rubbed in until juice runs.' : `${subject.percent} % of the brine; ${endOf(plan, cut_g, salt_g).toFixed(1)} % of all of it in the end. Water boiled and cooled, or filtered.`}`,
				asks: 'weight',
				button: { label: 'Salted', tap: { type: 'salted', grams: salt_g } },
				urgency: short ? 1 : 4
			}
		];
	if (state.underAt === null)
		return [
			{
				...base,
				key: 'under',
				kind: 'under',
				sentence: `Pressed down, ${subject.over} under its brine.`,
				hint: 'Clean crock or jars of glass or food-safe stone; a weight keeps everything under. What its own juice does not cover gets a little brine, boiled and cooled. Lid loose: it gives off gas.',
				button: { label: 'It is under', tap: { type: 'under' } },
				urgency: 4
			}
		];
	return [
		{
			...base,
			key: 'pack',
			kind: 'pack',
			sentence: state.packed.length > 0 ? 'It stands in its place.' : `Into ${plan.place.name}, out of the light.`,
			hint: `${dayWords(plan)} Looked at two or three times a week: brine over it, scum skimmed. Ready: ${subject.ready} Then into the fridge.`,
			asks: 'packs',
			button: null,
			urgency: state.packed.length > 0 ? 8.5 : 5
		}
	];
}

/** "21 to 28 days at 21 °C". */
export const dayWords = (plan: FermentPlan): string => {
	const { days, between } = subjectOf(plan);
	return `${days[0]} to ${days[1]} days there${between ? ', nothing is printed for just that warmth: the taste says' : ''}.`;
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What can go wrong before it is away; what is found later belongs to its looks. */
export function troubles(): Trouble<FermentTap>[] {
	return [
		{
			id: 'dry',
			title: 'It gives too little juice',
			advice: [
				'Press it again after an hour or two, a plate and a weight on it.',
				'Not covered by the next day: brine over it, 1 1/2 tbsp (25 g) of canning salt to a quart (0.95 l) of boiled, cooled water.'
			],
			choices: []
		},
		{
			id: 'salt',
			title: 'The salt was spooned, or is of another kind',
			advice: [
				'A spoon of coarse salt can weigh half of what a spoon of fine salt does: weigh it, and salt it again by weight.',
				'Reduced-sodium salt is not for ferments.'
			],
			choices: []
		}
	];
}
