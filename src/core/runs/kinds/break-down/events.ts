import type { Base, CommonEvent, Fields } from '../../engine/event';

/** More boxes than these are a butcher's day. */
export const mostBoxes = 40;
export const mostParts = 30;

export type BreakDownEvent =
	| CommonEvent
	| (Base &
			/** Out of the cold, onto the table. */
			(
				| { readonly type: 'box-out'; readonly box: number }
				/** Back into the cold, with what is left in it; or nothing is. */
				| { readonly type: 'box-back'; readonly box: number }
				| { readonly type: 'box-empty'; readonly box: number }
				/** So much of a part on the scale, and into the cold: a lot of its own. */
				| { readonly type: 'part'; readonly part: number; readonly grams: number; readonly placeId: string }
				/** Nothing more comes of it. */
				| { readonly type: 'part-done'; readonly part: number }
			));

const box = { as: 'whole', min: 1, max: mostBoxes, label: 'The box', needed: true } as const;
const part = { as: 'whole', min: 1, max: mostParts, label: 'The part', needed: true } as const;

export const fields: Readonly<Record<Exclude<BreakDownEvent['type'], CommonEvent['type']>, Fields>> = {
	'box-out': { box },
	'box-back': { box },
	'box-empty': { box },
	part: {
		part,
		grams: { as: 'whole', min: 1, max: 1_000_000, label: 'The weight in grams', needed: true },
		placeId: { as: 'id', of: 'place', label: 'Where it stands', needed: true }
	},
	'part-done': { part }
};
