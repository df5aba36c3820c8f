import type { RunKind } from '../../engine/kind';
import { acts } from './acts';
import { book } from './book';
import { fields, type FreezeEvent } from './events';
import { fold, type FreezeState } from './fold';
import { allAway, packables, queue, sums } from './packing';
import { titleOf, type FreezePlan } from './plan';
import { stations } from './stations';
import { surprise } from './surprise';
import { troubles } from './troubles';
import { upgrade } from './upgrade';
import { say } from './words';

/**
 * Freezing: several foods in one run, each with its heat or none, sharing pot, ice, trays and freezers, in any of the pack
 * styles.
 */
export const freeze: RunKind<FreezePlan, FreezeState, FreezeEvent> = {
	id: 'freeze',
	version: 2,
	fields,
	upgrade,
	fold,
	acts,
	troubles,
	wrongTurns: 'Too soft, boil gone, ice gone, called away.',
	worktop: 'On the worktop',
	surprise,
	book,
	stations,
	queue,
	packables,
	allAway,
	sums,
	placesFor: () => ['freezer'],
	say,
	head: ({ subjects }) => ({
		food: subjects.map((s) => s.food.name).join(', '),
		way: [...new Set(subjects.map((s) => s.way.name))].join(', '),
		raw_g: subjects.reduce((sum, s) => sum + s.raw_g, 0)
	}),
	outputs: ({ subjects }) =>
		subjects.map((subject) => ({
			n: subject.n,
			title: titleOf(subject),
			portion_g: subject.portion_g,
			prepared_g: subject.prepared_g,
			...(subject.portionWords ? { portionWords: subject.portionWords } : {}),
			use: subject.use,
			keeps: { months: subject.months[1] }
		})),
	byproducts: ({ subjects }) => subjects.flatMap((s) => s.byproducts),
	lots: ({ subjects }) => subjects.map(({ lotId, raw_g }) => ({ lotId, raw_g }))
};
