import type { Base, CommonEvent, Fields } from '../../engine/event';

export type StoreEvent =
	| CommonEvent
	| (Base &
			/** The flawed ones: into the Basket, to be eaten first. */
			(
				| { readonly type: 'set-aside'; readonly grams: number; readonly placeId: string }
				/** Spread out to cure, and judged to be cured. */
				| { readonly type: 'curing' }
				| { readonly type: 'cured' }
				/** In its place; said again it is more of it. */
				| { readonly type: 'stored'; readonly grams: number; readonly placeId: string }
			));

const grams = { as: 'whole', min: 1, max: 1_000_000, label: 'The weight in grams', needed: true } as const;
const placeId = { as: 'id', of: 'place', label: 'Where it stands', needed: true } as const;

export const fields: Readonly<Record<Exclude<StoreEvent['type'], CommonEvent['type']>, Fields>> = {
	'set-aside': { grams, placeId },
	curing: {},
	cured: {},
	stored: { grams, placeId }
};
