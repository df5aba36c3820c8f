import type { Base, CommonEvent, Fields } from '../../engine/event';

export const tests = ['sheet', 'cold-plate', 'thermometer', 'spoon', 'look'] as const;
export const grades = ['set', 'not-yet'] as const;
/** More sets than these are nobody's day. */
export const mostSets = 40;

export type RatioEvent =
	| CommonEvent
	| (Base &
			/** The main thing, ready, measured or weighed: the sets follow from it. */
			(
				| { readonly type: 'measured'; readonly mL?: number; readonly grams?: number }
				/** The so-many-th measure of an item is in: said twice, it counts once. */
				| { readonly type: 'added'; readonly set: number; readonly item: number; readonly scoop: number }
				/** A step of a set is done. */
				| { readonly type: 'set-step'; readonly set: number; readonly step: number }
				| {
						readonly type: 'set-test';
						readonly set: number;
						readonly how: (typeof tests)[number];
						readonly grade: (typeof grades)[number];
				  }
				/** All jars have stood, and were looked at. */
				| { readonly type: 'rested'; readonly grade: (typeof grades)[number] }
			));

const set = { as: 'whole', min: 1, max: mostSets, label: 'The set', needed: true } as const;

export const fields: Readonly<Record<Exclude<RatioEvent['type'], CommonEvent['type']>, Fields>> = {
	measured: {
		mL: { as: 'whole', min: 1, max: 500_000, label: 'The volume in millilitres' },
		grams: { as: 'whole', min: 1, max: 500_000, label: 'The weight in grams' }
	},
	added: {
		set,
		item: { as: 'whole', min: 1, max: 30, label: 'The ingredient', needed: true },
		scoop: { as: 'whole', min: 1, max: 30, label: 'The measure', needed: true }
	},
	'set-step': { set, step: { as: 'whole', min: 1, max: 20, label: 'The step', needed: true } },
	'set-test': {
		set,
		how: { as: 'word', of: tests, label: 'The test', needed: true },
		grade: { as: 'word', of: grades, label: 'What it said', needed: true }
	},
	rested: { grade: { as: 'word', of: grades, label: 'What it looked like', needed: true } }
};
