import type { RunKind } from '../../engine/kind';
import { ofVersion } from '../../engine/version';
import { acts } from './acts';
import { book } from './book';
import { fields, type DryEvent } from './events';
import { fold, type DryState } from './fold';
import { allAway, packables, placesFor, sums } from './packing';
import { titleOf, type DryPlan } from './plan';
import { surprise } from './surprise';
import { troubles } from './troubles';
import { say } from './words';

/**
 * Drying: trays of one food or of several that suit one another, felt and weighed until the hand says that they are dry, then
 * cooled and into jars. The clock reminds; it never ends a tray.
 */
export const dry: RunKind<DryPlan, DryState, DryEvent> = {
	id: 'dry',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<DryPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'Too slow, hard outside, power gone, eaten from the tray.',
	worktop: 'In the dryer, top to bottom',
	surprise,
	book,
	packables,
	allAway,
	sums,
	placesFor,
	say,
	head: ({ subjects }) => ({
		food: subjects.map((s) => s.food.name).join(', '),
		way: 'dried',
		raw_g: subjects.reduce((sum, s) => sum + s.raw_g, 0)
	}),
	outputs: ({ subjects }) =>
		subjects.map((subject) => ({
			n: subject.n,
			title: titleOf(subject),
			portion_g: subject.portion_g,
			prepared_g: subject.dry_g,
			...(subject.portionWords ? { portionWords: subject.portionWords } : {}),
			use: subject.use,
			keeps: { months: subject.months[1] }
		})),
	byproducts: ({ subjects }) => subjects.flatMap((s) => s.byproducts),
	lots: ({ subjects }) => subjects.map(({ lotId, raw_g }) => ({ lotId, raw_g }))
};
