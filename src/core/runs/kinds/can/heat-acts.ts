import { canningRules } from '../../../../reference/canning-rules';
import { sayDuration, sayTemperature } from '../../../quantities/format';
import { capital, min, still, type Base, type CanAct, type CanTap } from './act';
import {
	askEvery_ms,
	fullAt,
	heldBetween_ms,
	inCanner,
	loadAt,
	minutesOf,
	restOf_s,
	type CanLoad,
	type CanState
} from './fold';
import type { CanPlan } from './plan';
import { loadWords, markWords } from './say';
import { waterWords } from './fill-acts';

const stay = 'Somebody stays with it: under pressure it is never left, nor opened.';

export function canActs(plan: CanPlan, state: CanState, now: number): CanAct[] {
	const load = loadAt(state, inCanner);
	if (!load) return [];
	const { n } = load;
	const pressure = plan.heat === 'pressure';
	const minutes = minutesOf(plan, load);
	const base = {
		...still,
		about: `load ${n} · ${loadWords(plan, load.filled)}`,
		short: `load ${n}`,
		since: load.since,
		unit: `load-${n}`
	} as const;
	switch (load.spot) {
		case 'heat':
			return [pressure ? ventAct(plan, load, base) : boilAct(plan, load, base)];
		case 'vent': {
			const since = load.ventFrom ?? load.since;
			const due = since + canningRules.vent_s.value * 1000;
			return [
				{
					...base,
					key: `vent-${n}-${since}`,
					kind: 'weight-on',
					sentence: now < due ? 'Let it vent.' : plan.canner.gauge === 'weighted' ? 'Weight on.' : 'Close the petcock.',
					hint: `${sayDuration(canningRules.vent_s.value)} of steady steam in an unbroken stream: air left inside makes it colder than the gauge says.${load.restarts.at(-1)?.why === 'vent' ? ' It was closed too early: ten minutes anew.' : ''} ${stay}`,
					since,
					due,
					clock: true,
					ready: now >= due,
					button: {
						label: plan.canner.gauge === 'weighted' ? 'Weight on' : 'Closed',
						tap: { type: 'weight-on', load: n }
					},
					urgency: now >= due ? 1.5 : 5
				}
			];
		}
		case 'up':
			return [
				{
					...base,
					...reading(plan, load),
					key: `up-${n}-${load.restarts.length}`,
					sentence: `Up to ${markWords(plan)}.`,
					hint: `${again(load)}The ${minutes} minutes begin when it is there, not before. Had it come down to 0 meanwhile: vent it anew. ${stay}`,
					others: [
						...(plan.canner.gauge === 'weighted'
							? [{ label: 'It is still', tap: { type: 'gauge', load: n, weight: 'still' } as const }]
							: []),
						...(load.restarts.some((r) => r.why !== 'vent')
							? [{ label: 'Vent anew', tap: { type: 'venting', load: n } as const }]
							: [])
					],
					clock: true,
					urgency: 2.5
				},
				...gapActs(plan, load)
			];
		case 'hold':
			return [...holdActs(plan, load, base, now), ...gapActs(plan, load)];
		case 'short':
			return [
				...gapActs(plan, load),
				{
					...base,
					key: `short-${n}`,
					kind: 'heat-again',
					sentence: `The heat went off before ${minutes} minutes were full.`,
					hint: `It is no process yet. Bring it back ${pressure ? `to ${markWords(plan)}` : 'to the full boil'} and give it all ${minutes} minutes again, from the beginning. Or give it up: the jars go into the fridge or the freezer.`,
					button: { label: 'Heat on again', tap: { type: 'heat-again', load: n } },
					others: [{ label: 'Give it up', tap: { type: 'give-up', load: n } }],
					urgency: 1.2
				}
			];
		case 'down':
			return [
				{
					...base,
					key: `down-${n}`,
					kind: 'at-zero',
					sentence: 'Heat off. It comes down by itself.',
					hint: 'Not moved, not cooled with water, the weight not lifted: the food goes on heating, and jars break. When the gauge is at 0 (a weight no longer hisses), say so.',
					clock: true,
					button: { label: 'At 0', tap: { type: 'at-zero', load: n } },
					urgency: 6
				}
			];
		case 'rest': {
			const due = load.since + restOf_s(plan) * 1000;
			return [
				{
					...base,
					key: `rest-${n}`,
					kind: 'jars-out',
					sentence: now < due ? `${pressure ? 'Weight off, and wait' : 'Lid off, and wait'}.` : 'Jars out.',
					hint: `${pressure ? 'The lid away from you: steam burns. ' : ''}Jars straight up onto a towel, an inch apart, no draught, rings not tightened. ${canningRules.coolLeast_h.value} to ${canningRules.coolMost_h.value} hours undisturbed.`,
					due,
					clock: now < due,
					ready: now >= due,
					button: { label: 'Jars out', tap: { type: 'jars-out', load: n } },
					urgency: now >= due ? 3 : 6
				}
			];
		}
		default:
			return [];
	}
}

const again = (load: CanLoad): string => {
	const last = load.restarts.at(-1);
	if (!last || last.why === 'vent') return '';
	return last.why === 'changed'
		? 'The Kitchen was changed: the full time again. '
		: `It was lost after ${min(last.lost_s)}: the full time again. `;
};

const ventAct = (plan: CanPlan, load: CanLoad, base: Base): CanAct => ({
	...base,
	key: `steam-${load.n}`,
	kind: 'venting',
	sentence: 'Heat high, until steam comes in a steady stream.',
	hint: `${capital(waterWords(plan, load))}, lid locked, vent open. The ten minutes of venting count from the steady stream. ${stay}`,
	clock: true,
	button: { label: 'Steady steam', tap: { type: 'venting', load: load.n } },
	urgency: 4
}); // prettier-ignore

const boilAct = (plan: CanPlan, load: CanLoad, base: Base): CanAct => ({
	...base,
	key: `boil-${load.n}-${load.restarts.length}`,
	kind: 'full-boil',
	sentence: plan.heat === 'steam' ? 'Until a full column of steam stands at its vents.' : 'Back to a full, rolling boil.',
	hint: `${again(load)}${plan.heat === 'steam' ? 'Eight to ten inches of steady steam, or its sensor at the boil of this kitchen' : `${capital(waterWords(plan, load))}; ${sayTemperature(Math.round(plan.boil_C), plan.units)} is the boil in this kitchen`}. The ${minutesOf(plan, load)} minutes begin then.`,
	clock: true,
	button: { label: plan.heat === 'steam' ? 'Full steam' : 'Full boil', tap: { type: 'full-boil', load: load.n } },
	urgency: 2.5
}); // prettier-ignore

/** How the gauge is read: a dial by its figure, a weight by how it moves. */
function reading(plan: CanPlan, load: CanLoad): Pick<CanAct, 'kind' | 'button' | 'others' | 'asks'> {
	if (plan.canner.gauge === 'weighted')
		return {
			kind: 'gauge',
			button: { label: 'It moves as it should', tap: { type: 'gauge', load: load.n, weight: 'moves' } },
			others: [{ label: 'It is still', tap: { type: 'gauge', load: load.n, weight: 'still' } }]
		};
	return {
		kind: 'gauge',
		asks: 'pressure',
		button: { label: 'It shows so much', tap: { type: 'gauge', load: load.n } }
	};
}

function holdActs(plan: CanPlan, load: CanLoad, base: Base, now: number): CanAct[] {
	const { n } = load;
	const pressure = plan.heat === 'pressure';
	const due = fullAt(plan, load) ?? now;
	const ready = now >= due;
	const list: CanAct[] = [
		{
			...base,
			key: `hold-${n}-${load.heldFrom ?? 0}`,
			kind: 'heat-off',
			since: load.heldFrom ?? load.since,
			due,
			clock: true,
			ready,
			sentence: ready ? 'Heat off.' : pressure ? `Keep it at ${markWords(plan)}.` : plan.heat === 'steam' ? 'Keep it at full steam.' : 'Keep it at a full boil.',
			hint: ready
				? pressure ? 'It had its full time. Now it comes down by itself.' : 'It had its full time. Lid off, five minutes, then out.'
				: `${again(load)}${minutesOf(plan, load)} minutes in all, by the table; not one less. ${pressure ? `Below the mark for a moment: the full time again. ${stay}` : 'If it stops boiling: back to the boil, and the full time again. Boiling water from a kettle keeps the lids covered.'}`,
			button: { label: 'Heat off', tap: { type: 'heat-off', load: n } },
			others: [{ label: pressure ? 'It fell below' : 'It stopped boiling', tap: { type: 'fell', load: n } }],
			urgency: ready ? 1 : 3.6
		}
	]; // prettier-ignore
	if (!pressure || load.seen === null) return list;
	const ask = load.seen + askEvery_ms;
	const late = load.seen + heldBetween_ms;
	list.push({
		...base,
		...reading(plan, load),
		key: `read-${n}-${load.seen}`,
		sentence: plan.canner.gauge === 'weighted' ? 'Does the weight move as its maker says?' : 'What does the dial show?',
		hint: `Readings no more than ten minutes apart count as held between them (common practice). ${markWords(plan)} at least.`,
		since: load.seen,
		due: ask,
		latest: late,
		clock: now >= ask,
		over: now > late,
		ready: true,
		drawn: now < ask,
		then: plan.canner.gauge === 'weighted' ? 'look at the weight' : 'read the dial',
		urgency: now >= ask && !ready ? 1.8 : 9
	});
	return list;
}

/** A longer gap: was somebody with it the whole time? */
function gapActs(plan: CanPlan, load: CanLoad): CanAct[] {
	const { gap } = load;
	if (!gap) return [];
	const answer = (word: 'yes' | 'no' | 'not-sure'): CanTap => ({
		type: 'watched',
		load: load.n,
		reading: gap.reading,
		word
	}); // prettier-ignore
	return [
		{
			...still,
			key: `gap-${load.n}-${gap.to}`,
			kind: 'watched',
			about: `load ${load.n} · ${min((gap.to - gap.from) / 1000)} without a reading`,
			short: `load ${load.n}, a gap`,
			sentence: 'Did somebody watch it the whole time?',
			hint: `Between the readings lie ${min((gap.to - gap.from) / 1000)}. If somebody saw it at ${markWords(plan)} or above all the while, that word is kept, and the minutes go on. Nobody, or not sure: the full time again.`,
			since: gap.to,
			unit: `load-${load.n}`,
			button: { label: 'Nobody, or not sure', tap: answer('not-sure') },
			others: [{ label: 'Yes, I watched it', tap: answer('yes') }],
			urgency: 1.1
		}
	];
}
