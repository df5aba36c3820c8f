import type { Base, CommonEvent, Fields } from '../../engine/event';

export const ends = ['mark', 'spoon', 'weight'] as const;

export type CookEvent =
	| CommonEvent
	| (Base &
			/** It is on, with its inch of water where it is softened. */
			(
				| { readonly type: 'pan-on' }
				/** Soft through. */
				| { readonly type: 'soft' }
				/** Through the mill or the cloth: what is left of it weighs so much. */
				| { readonly type: 'milled'; readonly grams: number }
				/** So deep in the pan, on a stick, mm: the first is where it starts, the others are dips. */
				| { readonly type: 'depth'; readonly mm: number }
				/** As thick as it is to be: at the mark, by the spoon, by weight. */
				| { readonly type: 'thick'; readonly by: (typeof ends)[number] }
				/** How warm it is at its centre while it cools, tenths of a °C. */
				| { readonly type: 'cooled'; readonly dC: number }
				/** Brought to a boil again: its two stages begin anew. */
				| { readonly type: 'boil-again' }
				/** It caught, or went sour: none of it is kept. */
				| { readonly type: 'lost'; readonly grams: number }
			));

export const fields: Readonly<Record<Exclude<CookEvent['type'], CommonEvent['type']>, Fields>> = {
	'pan-on': {},
	soft: {},
	milled: { grams: { as: 'whole', min: 1, max: 200_000, label: 'The weight in grams', needed: true } },
	depth: { mm: { as: 'whole', min: 1, max: 1000, label: 'The depth in millimetres', needed: true } },
	thick: { by: { as: 'word', of: ends, label: 'What said so', needed: true } },
	cooled: { dC: { as: 'whole', min: -400, max: 1200, label: 'The temperature in tenths', needed: true } },
	'boil-again': {},
	lost: { grams: { as: 'whole', min: 1, max: 200_000, label: 'The weight in grams', needed: true } }
};
