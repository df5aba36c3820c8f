import type { Base, CommonEvent, Fields } from '../../engine/event';

export type KitEvent =
	| CommonEvent
	| (Base &
			/** A part is made ready, for all of them, and weighs so much. */
			{ readonly type: 'part-ready'; readonly part: number; readonly grams: number });

export const fields: Readonly<Record<Exclude<KitEvent['type'], CommonEvent['type']>, Fields>> = {
	'part-ready': {
		part: { as: 'whole', min: 1, max: 20, label: 'The part of the kit', needed: true },
		grams: { as: 'whole', min: 1, max: 1_000_000, label: 'The weight in grams', needed: true }
	}
};
