import { sayCount, sayWeight, type Units } from '../../../quantities/format';
import type { RunKind, Station, Trouble } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import type { CanTap } from './act';
import { acts } from './acts';
import { allAway, book, endTitle, packables, sums } from './book';
import { fields, type CanEvent } from './events';
import { fold, inCanner, jarsIn, loadAt, type CanLoad, type CanState } from './fold';
import { subjectOf, type CanPlan } from './plan';
import { rehearsal } from './rehearse';
import { acidNames, loadWords, markWords, sayGauge } from './say';

/** Why a figure is asked about before it is kept. */
function surprise(plan: CanPlan, tap: CanTap): string | undefined {
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.type === 'weigh') {
		const load_g = plan.subjects.find((s) => s.n === (tap.subject ?? 1))?.load_g ?? tap.grams;
		if (tap.grams >= load_g * 3 || tap.grams * 5 <= load_g)
			return `${say(tap.grams)} prepared, where about ${say(load_g)} was to come. Is that right?`;
		return undefined;
	}
	if (tap.type === 'by-product') {
		const raw_g = plan.subjects.reduce((sum, s) => sum + s.raw_g, 0);
		return tap.grams > raw_g * 1.2 ? `${say(tap.grams)} left over of ${say(raw_g)}. Is that right?` : undefined;
	}
	if (tap.type !== 'pack') return undefined;
	const end = plan.ends.find((e) => e.n === (tap.subject ?? 1));
	const subject = end && subjectOf(plan, end.subject);
	if (!subject) return undefined;
	if (tap.packs > Math.max(12, subject.jars * 3))
		return `${sayCount(tap.packs, 'jar')}, where about ${subject.jars} were to come. Is that right?`;
	// A jar holds what it holds.
	return tap.pack_g > subject.portion_g * 2 || tap.pack_g * 5 < subject.portion_g
		? `${say(tap.pack_g)} in a ${subject.jar}. Is that right?`
		: undefined;
}

/** A tap in a few words, for "Last:". */
function say(event: CanEvent, units: Units, plan: CanPlan | null): string {
	const named = (n: number) => plan?.subjects.find((s) => s.n === n)?.product.name ?? 'a product';
	switch (event.type) {
		case 'all-there':
			return 'all is there';
		case 'as-printed':
			return `${named(event.product)}: ${event.word === 'yes' ? 'as printed' : 'something else is in it'}`;
		case 'filled':
			return `load ${event.load}: ${sayCount(event.jars, 'jar')} filled${event.acid ? `, ${acidNames[event.acid]} in each` : ''}`;
		case 'lid-on':
			return `load ${event.load}: lid on`;
		case 'venting':
			return `load ${event.load}: steady steam`;
		case 'weight-on':
			return `load ${event.load}: vent closed`;
		case 'full-boil':
			return `load ${event.load}: at a full boil`;
		case 'gauge':
			return event.weight ? `load ${event.load}: weight ${event.weight}` : `load ${event.load}: ${sayGauge(event.Pa ?? 0, units)}`;
		case 'fell':
			return `load ${event.load}: it was lost`;
		case 'watched':
			return event.word === 'yes' ? 'watched the whole time' : 'not watched the whole time';
		case 'heat-off':
			return `load ${event.load}: heat off`;
		case 'heat-again':
			return `load ${event.load}: heat on again`;
		case 'give-up':
			return `load ${event.load}: given up`;
		case 'at-zero':
			return `load ${event.load}: at 0, lid to follow`;
		case 'jars-out':
			return `load ${event.load}: jars out`;
		case 'broken':
			return `load ${event.load}: ${sayCount(event.jars, 'jar')} broken`;
		case 'handed':
			return `${event.to} stays with it`;
		case 'kitchen-changed':
			return `the ${event.what} of the Kitchen was changed`;
		case 'plan-is-right':
			return 'the run’s own is right';
		default:
			return sayCommon(event, units, '', 'jar');
	}
} // prettier-ignore

/** The canner and what stands beside it. */
function stations(plan: CanPlan, state: CanState): Station[] {
	const load = loadAt(state, inCanner);
	const filling = loadAt(state, ['fill']);
	const unit = (l: CanLoad) => ({ key: `load-${l.n}`, n: `${l.n}`, food: loadWords(plan, l.filled), subject: 1, due: null });
	const timer = state.timers.find((t) => t.key !== `load-${load?.n}-read`);
	const jars = state.packed.reduce((sum, p) => sum + p.packs, 0);
	const out = state.loads.filter((l) => l.spot === 'out' || l.spot === 'lost');
	return [
		{
			id: 'board', draw: 'bin', name: 'Filling',
			figure: { words: filling ? sayCount(jarsIn(filling), 'jar') : 'none' },
			words: filling ? `load ${filling.n}` : '', foot: '', warns: false, units: filling ? [unit(filling)] : [], more: 0
		},
		{
			id: 'canner', draw: 'pot', name: plan.canner.name,
			figure: load && timer ? { since: timer.since, due: timer.due } : { words: 'free' },
			words: load ? (timer?.label ?? '') : '', foot: markWords(plan), warns: false, units: load ? [unit(load)] : [], more: 0
		},
		{
			id: 'towel', draw: 'cloth', name: 'Out', figure: { words: sayCount(out.reduce((sum, l) => sum + jarsIn(l), 0), 'jar') },
			words: '', foot: jars > 0 ? `${jars} put away` : '', warns: false, units: out.map(unit), more: 0
		}
	];
} // prettier-ignore

/** What can have gone wrong at a canner. */
function troubles(plan: CanPlan, state: CanState): Trouble<CanTap>[] {
	const load = loadAt(state, inCanner);
	const pressure = plan.heat === 'pressure';
	const giveUp = load ? [{ label: `Give load ${load.n} up`, tap: { type: 'give-up', load: load.n } as const }] : [];
	const fell = load?.spot === 'hold' ? [{ label: pressure ? 'It fell below' : 'It stopped boiling', tap: { type: 'fell', load: load.n } as const }] : []; // prettier-ignore
	return [
		{
			id: 'fell',
			title: pressure ? 'The pressure fell' : 'It stopped boiling',
			advice: [
				pressure
					? `Below ${markWords(plan)}, for however short a time: heat up, back to the mark, and the full time again from there. Never shortened by what it had before.`
					: 'Heat up, back to a full boil, and the full time again from there. Top up with boiling water alone.',
				'Done twice it is softer, and safe.'
			],
			choices: fell
		},
		{
			id: 'away',
			title: 'Called away',
			advice: [
				pressure
					? 'A canner under pressure is never left. Somebody who may do it takes over: say who, under the canner. Nobody there: heat off, and it comes down by itself; later the full time again.'
					: 'Somebody takes over, or heat off: later the full time again.',
				'Back again, and nobody was with it: say that it fell. What nobody saw counts for nothing.'
			],
			choices: fell
		},
		{
			id: 'forced',
			title: 'Cooled with water, opened, or the weight lifted too early',
			advice: [
				'Stand back; let it come to nothing by itself. Then the jars have not had their process: the coming down belongs to it.',
				'Within two hours into the fridge or the freezer; or again from the beginning with new lids, all of the time.'
			],
			choices: giveUp
		},
		{
			id: 'steam',
			title: 'No steam, much steam, a hiss',
			advice: pressure
				? ['Steam at the rim: heat off, wait for 0, look at the gasket and the lugs. The vent blocked: heat off, wait for 0. The safety plug blown: heat off, nobody near, all of it is given up.']
				: ['The water too low: boiling water from the kettle until the lids are covered again.'],
			choices: giveUp
		},
		{
			id: 'siphon',
			title: 'Liquid lost, a jar broken',
			advice: [
				'Liquid lost: a sealed jar with at least half of it is safe, and used first. Opened to be filled up it would have to be done again.',
				'A broken jar goes out with what was in it; the others go on.'
			],
			choices: (load?.filled ?? []).filter((f) => f.jars > f.broken).map((f) => ({
				label: `One broke: ${subjectOf(plan, f.subject).product.name}`,
				tap: { type: 'broken', load: load?.n ?? 1, product: f.subject, jars: 1 } as const
			}))
		}
	];
} // prettier-ignore

/** Jars of tested products: filled, brought to their heat, held for the whole of their minutes, and only then a shelf's. */
export const can: RunKind<CanPlan, CanState, CanEvent> = {
	id: 'can',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<CanPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'It fell, called away, cooled by force, a jar broken.',
	worktop: 'At the canner',
	// Minutes that nobody recorded are not counted afterwards.
	onTime: ['venting', 'full-boil', 'gauge'],
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	rehearsal,
	placesFor: (plan, n) => plan.ends.find((e) => e.n === n)?.places ?? ['fridge'],
	say,
	head: (plan) => ({
		food: plan.subjects.map((s) => s.food.name).join(', '),
		way: plan.subjects.map((s) => s.product.name).join(', '),
		raw_g: plan.subjects.reduce((sum, s) => sum + s.raw_g, 0)
	}),
	outputs: (plan) =>
		plan.ends.map((end) => {
			const subject = subjectOf(plan, end.subject);
			return {
				n: end.n,
				title: endTitle(subject, end),
				portion_g: subject.portion_g,
				...(subject.portionWords ? { portionWords: subject.portionWords } : {}),
				prepared_g: Math.max(1, subject.jars) * subject.portion_g,
				use: end.processed ? subject.use : 'Not canned: heated through before it is eaten.',
				keeps: end.keeps,
				...(end.processed ? {} : { aside: true as const })
			};
		}),
	byproducts: () => [],
	lots: (plan) => plan.subjects.map(({ lotId, raw_g }) => ({ lotId, raw_g }))
};
