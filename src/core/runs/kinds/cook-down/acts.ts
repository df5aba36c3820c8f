import { sayDuration, sayLength, sayTemperature, sayWeight } from '../../../quantities/format';
import type { Act, TapOf } from '../../engine/kind';
import { ringsOf } from '../../engine/stage';
import { allLost } from './book';
import type { CookEvent } from './events';
import { dipEvery_s, forecast, leftShare, type CookState } from './fold';
import { subjectOf, type CookPlan, type CookSubject } from './plan';

export type CookTap = TapOf<CookEvent>;
export type CookAct = Act<CookTap>;

const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true } as const;

/** All that could be done now. */
export function acts(plan: CookPlan, state: CookState, now: number): CookAct[] {
	if (state.phase !== 'working') return [];
	const subject = subjectOf(plan);
	const about = {
		about: `${subject.food.name}, ${subject.to.name}`,
		short: subject.food.name,
		subject: 1,
		since: state.since
	};
	const list: CookAct[] = [];
	if (allLost(state))
		return [
			{
				...still,
				...about,
				key: 'lost',
				kind: 'over',
				sentence: 'None of it is left to be kept.',
				hint: 'Close the run: what it cost stands in the book, and what to do otherwise.',
				button: { label: 'Close the run', tap: { type: 'finish' } },
				task: 'label',
				urgency: 1
			}
		];
	if (!state.weighed && state.milled_g === null)
		list.push({
			...still,
			...about,
			key: 'weigh',
			kind: 'weigh',
			sentence: subject.milledOut > 0 ? 'Wash, cut out what is bad, quarter.' : 'Make it ready for the pan.',
			hint: 'Weigh what goes in: what comes out is told by it.',
			asks: 'weight',
			button: { label: 'Weighed', tap: { type: 'weigh', grams: subject.load_g } },
			task: 'knife',
			urgency: 5
		});
	switch (state.spot) {
		case 'board':
			if (state.weighed) list.push(panOn(plan, subject, about));
			break;
		case 'soften':
			list.push({
				...still,
				...about,
				key: 'soft',
				kind: 'soft',
				sentence: 'Lid on, until it is soft through.',
				hint: 'Stir from the floor: with so little water it catches at once when it is gone.',
				clock: true,
				button: { label: 'It is soft', tap: { type: 'soft' } },
				task: 'heat',
				urgency: 6
			});
			break;
		case 'mill':
			list.push({
				...still,
				...about,
				key: 'mill',
				kind: 'mill',
				sentence: 'Hot through the mill. Weigh what comes through.',
				hint: `A screen fine enough for its seeds. About ${Math.round(subject.milledOut * 100)} % stays behind: ${subject.milledWords}.`,
				asks: 'weight',
				button: { label: 'Milled', tap: { type: 'milled', grams: Math.round(state.load_g * (1 - subject.milledOut)) } },
				task: 'wash',
				urgency: 6
			});
			break;
		case 'pan':
			list.push({
				...still,
				...about,
				key: 'start',
				kind: 'depth',
				sentence: 'How deep does it stand in the pan?',
				hint: `A wooden stick, straight down to the floor, off the boil.${subject.added ? ` With it goes: ${subject.added.what}, ${sayWeight(Math.round((state.milled_g ?? state.load_g) * subject.added.share), plan.units)} in all.` : ''}`,
				asks: 'depth',
				button: { label: 'So deep', tap: { type: 'depth', mm: 0 } },
				task: 'heat',
				urgency: 6
			});
			break;
		case 'simmer':
			list.push(...simmering(plan, state, subject, about, now));
			break;
		case 'cool':
		case 'cold':
			list.push(...cooling(plan, state, subject, about, now));
			break;
	}
	return list.sort((a, b) => a.urgency - b.urgency);
}

type About = Pick<CookAct, 'about' | 'short' | 'subject' | 'since'>;

const panOn = (plan: CookPlan, subject: CookSubject, about: About): CookAct => ({
	...still,
	...about,
	key: 'pan-on',
	kind: 'pan-on',
	sentence: subject.soften
		? `Into the ${plan.pan.name}, with an inch of water.`
		: `Into the ${plan.pan.name}, and the heat on.`,
	hint: subject.soften ? 'Lid on, medium heat.' : 'Wide and shallow cooks down soonest.',
	button: { label: 'It is on', tap: { type: 'pan-on' } },
	task: 'heat',
	urgency: 6
});

function simmering(plan: CookPlan, state: CookState, subject: CookSubject, about: About, now: number): CookAct[] {
	const found = forecast(plan, state);
	if (!found || !state.start) return [];
	const done = state.start.at + found.boil_s * 1000;
	const [low, high] = found.interval_s.map((s) => state.start!.at + s * 1000);
	const left = leftShare(plan, state);
	const thick = left !== null && subject.fraction !== null && left < subject.fraction + (1 - subject.fraction) * 0.34;
	const last = state.dips.at(-1)?.at ?? state.start.at;
	const every_s = thick ? dipEvery_s / 2 : dipEvery_s;
	const dip = Math.min(last + every_s * 1000, Math.max(last + 60_000, low ?? done));
	const mark = sayLength(found.mark_m, plan.units);
	const scorch = thick
		? subject.catches
			? ' It is thick now and catches: low heat, stir without a break, or into a wide oven pan.'
			: ' It is thick now: low heat, stir every few minutes.'
		: '';
	const span = `nine times in ten in ${sayDuration(Math.max(0, ((low ?? done) - now) / 1000))} to ${sayDuration(Math.max(0, ((high ?? done) - now) / 1000))}`;
	return [
		{
			...still,
			...about,
			key: `dip-${state.dips.length}`,
			kind: 'depth',
			sentence: now >= dip ? 'Read it off the stick.' : `Done at ${mark} on the stick.`,
			hint: `The mark decides, not the clock: mark the stick ${mark} from its foot. ${found.learned ? 'By your own dips' : 'By the burner'}, ${span}.${scorch}`,
			due: now >= dip ? dip : done,
			since: state.start.at,
			clock: true,
			asks: 'depth',
			then: 'read the stick',
			button: { label: 'So deep now', tap: { type: 'depth', mm: Math.round(found.mark_m * 1000) } },
			others: [
				{ label: 'It is at the mark', tap: { type: 'thick', by: 'mark' } },
				{ label: 'Thick by the spoon', tap: { type: 'thick', by: 'spoon' } }
			],
			ready: true,
			task: 'heat',
			urgency: now >= done ? 3.2 : now >= dip ? 6.2 : 70
		}
	];
}

function cooling(plan: CookPlan, state: CookState, subject: CookSubject, about: About, now: number): CookAct[] {
	const list: CookAct[] = [];
	const packed = state.packed.length > 0;
	const end = { by: 'reading', quantity: 'temperature', marks: subject.cooling } as const;
	const mark = state.spot === 'cool' ? subject.cooling[state.met] : undefined;
	if (mark && !packed) {
		const { due, latest } = ringsOf(end, state.since, state.met);
		const late = latest !== null && now > latest;
		const soon = due !== null && now >= due;
		const wanted = sayTemperature(plan.units === 'metric' ? Math.floor(mark.value) : mark.value, plan.units);
		list.push({
			...still,
			...about,
			key: `cool-${state.met}`,
			kind: 'cooled',
			sentence: late
				? `It had to be at ${wanted} by now.`
				: soon
					? `How warm is it at its centre? At most ${wanted}.`
					: 'Pour it shallow, ice water around, stir.',
			hint: late
				? 'Measured in time? Say so with “Tapping late”. Else bring it to a boil at once and cool it anew. Long past its time, or unsure: throw it out.'
				: 'Two inches deep at the most. From 57 to 21 °C (135 to 70 °F) within 2 hours, to 5 °C (41 °F) within 4 more.',
			due,
			latest,
			clock: true,
			over: late,
			asks: 'temperature',
			button: { label: 'Measured', tap: { type: 'cooled', dC: Math.round(mark.value * 10) } },
			others: late ? [{ label: 'It boiled again: its time from now', tap: { type: 'boil-again' } }] : [],
			task: 'wash',
			urgency: late ? 0.5 : soon ? 2.5 : 72
		});
	}
	// At its first mark in time it may go on: the freezer is colder than any fridge.
	if (state.met > 0 || state.spot === 'cold')
		list.push({
			...still,
			...about,
			key: 'pack',
			kind: 'pack',
			sentence: 'Fill it, label it, into the freezer.',
			hint: `${subject.headspace}. Into jars goes a tested recipe alone, by its own run.`,
			asks: 'packs',
			button: null,
			task: 'label',
			urgency: packed ? 8.5 : 6.5
		});
	return list;
}
