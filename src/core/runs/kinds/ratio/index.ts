import { sayWeight, type Units } from '../../../quantities/format';
import { amountText, sayAmount } from '../../../quantities/amount';
import type { RunKind, Station } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import { acts, overWords, troubles, type RatioTap } from './acts';
import { allAway, book, endTitle, packables, sums } from './book';
import { fields, type RatioEvent } from './events';
import { fold, haveOf, isDone, restedBy, setsOf, subjectOf, type RatioState } from './fold';
import type { RatioPlan } from './plan';

/** Why a figure is asked about before it is kept. */
function surprise(plan: RatioPlan, tap: RatioTap): string | undefined {
	const subject = subjectOf(plan);
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.type === 'measured' || tap.type === 'weigh') {
		const have = haveOf(subject, tap);
		const main = subject.items.find((i) => i.main);
		if (have === undefined || !main) return undefined;
		const likely = subject.unit_g === null ? subject.sets * main.amount[0] : subject.load_g / subject.unit_g;
		return have >= likely * 3 || have * 5 <= likely
			? `${amountText(sayAmount(have, main.unit, plan.units))} of ${main.what}, where about ${amountText(sayAmount(likely, main.unit, plan.units))} was to come. Is that right?`
			: undefined;
	}
	if (tap.type === 'by-product' && tap.grams > subject.raw_g * 1.2)
		return `${say(tap.grams)} left over of ${say(subject.raw_g)}. Is that right?`;
	if (tap.type !== 'pack') return undefined;
	const total = tap.packs * tap.pack_g;
	const likely = Math.max(subject.set_g, subject.sets * subject.set_g);
	return total >= likely * 5
		? `${say(total)} in jars, where about ${say(likely)} was to come. Is that right?`
		: undefined;
}

/** A tap in a few words, for "Last:". */
function say(event: RatioEvent, units: Units, plan: RatioPlan | null): string {
	const item = (n: number) => plan?.subjects[0].items[n - 1];
	switch (event.type) {
		case 'measured':
			return event.mL !== undefined ? `measured, ${event.mL} ml` : `measured, ${sayWeight(event.grams ?? 0, units)}`;
		case 'added': {
			const what = item(event.item);
			const count = what && what.scoops > 1 ? `, ${event.scoop} of ${what.scoops}` : '';
			return `set ${event.set}: ${what?.what ?? 'something'} in${count}`;
		}
		case 'set-step':
			return `set ${event.set}: step ${event.step} done`;
		case 'set-test':
			return `set ${event.set}: ${event.grade === 'set' ? 'set' : 'not set yet'}`;
		case 'rested':
			return event.grade === 'set' ? 'set' : 'still runny';
		default:
			return sayCommon(event, units, '', 'jar');
	}
}

/** The table: each set with what of it is in, and the jars. */
function stations(plan: RatioPlan, state: RatioState): Station[] {
	const subject = subjectOf(plan);
	const all = subject.items.reduce((sum, i) => sum + i.scoops, 0);
	const jars = state.packed.reduce((n, p) => n + p.packs, 0);
	const due = restedBy(plan, state);
	return [
		...setsOf(plan, state)
			.slice(0, 6)
			.map(({ n, set }): Station => {
				const have = set?.scoops.reduce((sum, s) => sum + s, 0) ?? 0;
				const done = isDone(subject, set);
				const step = set ? subject.steps[set.steps] : undefined;
				const wait = set && step && step.wait_s !== null && have >= all ? set.since + step.wait_s * 1000 : null;
				return {
					id: `set-${n}`,
					draw: 'pot',
					name: `Set ${n}`,
					figure:
						wait !== null && set && !done
							? { since: set.since, due: wait }
							: { words: done ? 'done' : `${have} of ${all}` },
					words: done ? 'in jars' : have < all ? 'measures in' : `step ${(set?.steps ?? 0) + 1}`,
					foot: '',
					warns: false,
					units: done ? [] : [{ key: `set-${n}`, n: `${n}`, food: subject.food.name, subject: 1, due: wait }],
					more: 0
				};
			}),
		{
			id: 'jars',
			draw: 'bags',
			name: 'Jars',
			figure:
				due !== null && state.filledAt !== null && state.rested?.grade !== 'set'
					? { since: state.filledAt, due }
					: { words: `${jars}` },
			words: subject.makes,
			foot: overWords(plan, state),
			warns: false,
			units: [],
			more: 0
		}
	];
}

/** Jams, freezer jams, pickles: whole sets of a recipe that is not to be changed, each counted in, measure by measure. */
export const ratio: RunKind<RatioPlan, RatioState, RatioEvent> = {
	id: 'ratio',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<RatioPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'Lost count, it does not set, called away.',
	worktop: 'On the table',
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: (plan, n) => [plan.ends.find((e) => e.n === n)?.place ?? 'freezer'],
	say,
	head: (plan) => {
		const { food, recipe, raw_g } = subjectOf(plan);
		return { food: food.name, way: recipe.name, raw_g };
	},
	outputs: (plan) => {
		const { portion_g, set_g, sets, use } = subjectOf(plan);
		return plan.ends.map((end) => ({
			n: end.n,
			title: endTitle(plan, end),
			portion_g,
			prepared_g: Math.max(set_g, set_g * sets),
			use,
			keeps: end.keeps
		}));
	},
	byproducts: (plan) => subjectOf(plan).byproducts,
	lots: (plan) => {
		const { lotId, raw_g } = subjectOf(plan);
		return [{ lotId, raw_g }];
	}
};
