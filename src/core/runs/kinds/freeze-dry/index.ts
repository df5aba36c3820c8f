import { sayWeight, type Units } from '../../../quantities/format';
import type { RunKind, Station } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import { acts, hoursWords, troubles, type FreezeDryTap } from './acts';
import { allAway, book, packables, sums, titleOf } from './book';
import { fields, type FreezeDryEvent } from './events';
import { fold, isDry, weighAt, type FreezeDryState } from './fold';
import type { FreezeDryPlan } from './plan';

/** Why a figure is asked about before it is kept. */
function surprise(plan: FreezeDryPlan, tap: FreezeDryTap, state?: FreezeDryState): string | undefined {
	const say = (grams: number) => sayWeight(grams, plan.units);
	const of = (n: number) => plan.subjects.find((s) => s.n === n);
	if (tap.type === 'tray-filled') {
		const subject = plan.subjects.find((s) => s.trays.includes(tap.tray));
		return subject && tap.grams > plan.machine.load_kg * 1000 * 1.5
			? `${say(tap.grams)} on one tray, where the whole ${plan.machine.name} takes ${say(plan.machine.load_kg * 1000)}. Is that right?`
			: undefined;
	}
	if (tap.type === 'tray-weighed') {
		const tray = state?.trays.find((t) => t.tray === tap.tray);
		const subject = tray && of(tray.subject);
		if (!tray || !subject) return undefined;
		const likely = (tray.wet_g * subject.dry_g) / Math.max(1, subject.load_g);
		return tap.grams * 3 < likely
			? `${say(tap.grams)}, where about ${say(likely)} is to be left. Is that right?`
			: undefined;
	}
	if (tap.type === 'by-product') {
		const raw = plan.subjects.reduce((sum, s) => sum + s.raw_g, 0);
		return tap.grams > raw * 1.2 ? `${say(tap.grams)} came off ${say(raw)}. Is that right?` : undefined;
	}
	if (tap.type !== 'pack') return undefined;
	const subject = of(tap.subject ?? 1);
	const total = tap.packs * tap.pack_g;
	return subject && total >= subject.dry_g * 5
		? `${say(total)} packed, where about ${say(subject.dry_g)} was to come. Is that right?`
		: undefined;
}

/** A tap in a few words, for "Last:". */
function say(event: FreezeDryEvent, units: Units, plan: FreezeDryPlan | null): string {
	switch (event.type) {
		case 'tray-filled':
			return `tray ${event.tray} filled, ${sayWeight(event.grams, units)}`;
		case 'trays-frozen':
			return 'frozen hard';
		case 'chamber-on':
			return 'the machine is on';
		case 'tray-weighed':
			return `tray ${event.tray} weighs ${sayWeight(event.grams, units)}`;
		case 'chamber-more':
			return `${event.hours} h more`;
		case 'trays-warm':
			return 'warm and dry';
		case 'tray-lost':
			return `tray ${event.tray} is lost`;
		default: {
			const several = plan !== null && plan.subjects.length > 1 && 'subject' in event;
			const food = several ? plan.subjects.find((s) => s.n === event.subject)?.food.name : undefined;
			return sayCommon(event, units, food ? `${food}, ` : '');
		}
	}
}

/** The chamber: each tray with its weight, wet and now. */
function stations(plan: FreezeDryPlan, state: FreezeDryState): Station[] {
	const packs = state.packed.reduce((n, p) => n + p.packs, 0);
	return [
		...plan.subjects.flatMap((subject) =>
			subject.trays.map((n): Station => {
				const tray = state.trays.find((t) => t.tray === n);
				const last = tray?.weights.at(-1);
				const dry = tray !== undefined && isDry(plan, tray);
				const figure = tray ? sayWeight(last?.grams ?? tray.wet_g, plan.units) : 'empty';
				return {
					id: `tray-${n}`,
					draw: 'rack',
					name: `Tray ${n}`,
					figure: { words: tray?.lost ? 'lost' : figure },
					words: subject.food.name,
					foot: tray ? (dry ? 'weighed the same twice' : last ? `of ${sayWeight(tray.wet_g, plan.units)}` : '') : '',
					warns: tray?.lost === true,
					units:
						tray && !tray.lost && state.onAt !== null && !dry
							? [
									{
										key: `tray-${n}`,
										n: `${n}`,
										food: subject.food.name,
										subject: subject.n,
										due: weighAt(plan, state, tray)
									}
								]
							: [],
					more: 0
				};
			})
		),
		{
			id: 'packs',
			draw: 'bags',
			name: 'Packs',
			figure: { words: `${packs}` },
			words: '',
			foot: '',
			warns: false,
			units: [],
			more: 0
		}
	];
}

/** Freeze-drying: trays frozen hard, mixed in one chamber; dry by two weighings that agree, warm to the touch, bagged at once. */
export const freezeDry: RunKind<FreezeDryPlan, FreezeDryState, FreezeDryEvent> = {
	id: 'freeze-dry',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<FreezeDryPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'A cold core, the power went, a tray foamed over.',
	worktop: 'In the chamber',
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: (plan, n) =>
		plan.subjects.find((s) => s.n === n)?.cold ? ['freezer', 'fridge'] : ['pantry', 'cool', 'cellar', 'freezer'],
	say,
	head: (plan) => ({
		food: plan.subjects.map((s) => s.food.name).join(', '),
		way: hoursWords(plan),
		raw_g: plan.subjects.reduce((sum, s) => sum + s.raw_g, 0)
	}),
	outputs: ({ subjects }) =>
		subjects.map((s) => ({
			n: s.n,
			title: titleOf(s),
			portion_g: s.portion_g,
			prepared_g: s.dry_g,
			use: s.use,
			keeps: { months: s.months[1] }
		})),
	byproducts: ({ subjects }) => subjects.flatMap((s) => s.byproducts),
	lots: ({ subjects }) => subjects.map(({ lotId, raw_g }) => ({ lotId, raw_g }))
};
