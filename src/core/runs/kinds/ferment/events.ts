import type { Base, CommonEvent, Fields } from '../../engine/event';

export type FermentEvent =
	| CommonEvent
	| (Base &
			/** So much salt, weighed, in all: said again, it is the last that counts. */
			(
				| { readonly type: 'salted'; readonly grams: number }
				/** Packed, and under its brine. */
				| { readonly type: 'under' }
			));

export const fields: Readonly<Record<Exclude<FermentEvent['type'], CommonEvent['type']>, Fields>> = {
	salted: { grams: { as: 'whole', min: 1, max: 100_000, label: 'The salt in grams', needed: true } },
	under: {}
};
