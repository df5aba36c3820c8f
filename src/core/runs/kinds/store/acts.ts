import { sayRange, sayTemperature, sayWeight } from '../../../quantities/format';
import type { Act, TapOf, Trouble } from '../../engine/kind';
import type { StoreEvent } from './events';
import { day_ms, type StoreState } from './fold';
import type { StorePlan } from './plan';

export type StoreTap = TapOf<StoreEvent>;
export type StoreAct = Act<StoreTap>;

const still = {
	unit: null,
	due: null,
	latest: null,
	clock: false,
	over: false,
	ready: true,
	subject: null,
	task: 'wash'
} as const;

/** A kilo of two hundred is the scale's play; less is no pile of its own. */
const asideShare = 0.005;

/** All that could be done now: sorted, set aside, spread to cure, judged, put away. */
export function acts(plan: StorePlan, state: StoreState, now: number): StoreAct[] {
	if (state.phase !== 'working') return [];
	const base = { ...still, about: plan.food.name, short: plan.food.name, since: state.startedAt };
	const say = (grams: number) => sayWeight(grams, plan.units);
	const list: StoreAct[] = [];
	const sound = state.sound_g ?? plan.raw_g;
	if (state.sound_g === null && state.stored_g === 0)
		list.push({
			...base,
			key: 'sort',
			kind: 'weigh',
			sentence: 'Sorted: what do the sound ones weigh?',
			hint: 'Firm, whole, dry. Bruised, cut, soft or sprouting ones do not keep and take their neighbours along: they are eaten first.',
			asks: 'weight',
			button: { label: 'The sound ones', tap: { type: 'weigh', grams: plan.raw_g } },
			urgency: 4
		});
	const left = plan.raw_g - sound - state.aside_g;
	if (state.sound_g !== null && plan.aside && state.aside_g === 0 && left > plan.raw_g * asideShare)
		list.push({
			...base,
			key: 'aside',
			kind: 'set-aside',
			sentence: `${say(left)} to eat first: into the Basket?`,
			hint: `They stand in ${plan.aside.name}. What is rotten is not weighed: it goes out.`,
			asks: 'weight',
			button: { label: 'Set aside', tap: { type: 'set-aside', grams: Math.round(left), placeId: plan.aside.id } },
			urgency: 6.5
		});
	if (state.sound_g !== null || state.stored_g > 0) list.push(...onward(plan, state, now, sound));
	return list.sort((a, b) => a.urgency - b.urgency);
}

function onward(plan: StorePlan, state: StoreState, now: number, sound_g: number): StoreAct[] {
	const base = { ...still, about: plan.food.name, short: plan.food.name, since: state.startedAt };
	const { cure, place } = plan;
	if (cure && state.curingAt === null && state.stored_g === 0)
		return [
			{
				...base,
				key: 'curing',
				kind: 'curing',
				sentence: `Spread out to cure: ${cure.where}.`,
				hint: `${cure.days[0]} to ${cure.days[1]} days at ${sayTemperature(cure.C[0], plan.units)} to ${sayTemperature(cure.C[1], plan.units)}, ${sayRange(cure.rh)} % of humidity. ${cure.look}`,
				button: { label: 'They lie there', tap: { type: 'curing' } },
				urgency: 5
			}
		];
	if (cure && state.curingAt !== null && state.curedAt === null && state.stored_g === 0) {
		const due = state.curingAt + cure.days[0] * day_ms;
		const late = now > state.curingAt + cure.days[1] * day_ms;
		return [
			{
				...base,
				key: 'cured',
				kind: 'cured',
				about: `${plan.food.name} · curing`,
				short: `${plan.food.name}, cured?`,
				sentence: now >= due ? 'Are they cured?' : 'They cure.',
				hint: `${cure.look}${late ? ` ${cure.days[1]} days are over: what is not cured by now is eaten first.` : ` ${cure.days[0]} to ${cure.days[1]} days are printed; the look decides.`}`,
				since: state.curingAt,
				due,
				latest: state.curingAt + cure.days[1] * day_ms,
				clock: true,
				ready: now >= due,
				button: { label: 'They are cured', tap: { type: 'cured' } },
				then: `look whether ${plan.food.name} are cured`,
				urgency: now >= due ? 3 : 8
			}
		];
	}
	const grams = Math.max(1, Math.round(sound_g - state.stored_g));
	const away = state.stored_g > 0;
	return [
		{
			...base,
			key: `store-${state.stored_g}`,
			kind: 'stored',
			sentence: away ? 'All of it is in its place.' : `Into ${place.name}: what do they weigh now?`,
			hint: away
				? 'Close the run. They are looked over every two weeks; a soft one is eaten next.'
				: `${plan.how.charAt(0).toUpperCase()}${plan.how.slice(1)}. There they keep about ${sayRange(plan.keeps_days)} days.`,
			...(away ? {} : { asks: 'weight' as const }),
			button: away
				? { label: 'Close the run', tap: { type: 'finish' } }
				: { label: 'They stand there', tap: { type: 'stored', grams, placeId: place.id } },
			urgency: away ? 3 : 5
		}
	];
}

/** What can go wrong before they stand in their place. */
export function troubles(): Trouble<StoreTap>[] {
	return [
		{
			id: 'rot',
			title: 'Some rot while they cure',
			advice: ['Out with them, and with what they touched if it is wet; the others further apart, more air.'],
			choices: [{ label: 'Note it', tap: { type: 'note', text: 'Some rotted while they cured.' } }]
		},
		{
			id: 'frost',
			title: 'They got frost',
			advice: [
				'What has frozen through does not keep: cooked, frozen or dried today, once it has thawed and is still firm.',
				'Squash that stood below 10 °C (50 °F) for days rots from its cold spots: those first.'
			],
			choices: [{ label: 'Note it', tap: { type: 'note', text: 'They got frost.' } }]
		},
		{
			id: 'damp',
			title: 'Rain, no dry place',
			advice: ['A fan over one layer under a roof does what a breeze does. Never in a heap, never under plastic.'],
			choices: []
		}
	];
}
