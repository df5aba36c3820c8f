import type { Stamped } from './order';

/** What every event of a run carries. */
export interface Base extends Stamped {
	/** Said again after it was asked about: an unlikely figure that is right. */
	readonly sure?: true;
}

/** Something else that came off on the way and can be used: pods, cobs, peel, bones. It goes into the Basket by weight. */
export interface ByProduct {
	/** A food of the tables and one of its forms. */
	readonly food: string;
	readonly form: string;
	readonly grams: number;
	readonly placeId: string;
}

/** Events that every kind of run knows. `subject` counts from 1 and is left out where there is but one. */
export type CommonEvent = Base &
	(
		| { readonly type: 'weigh'; readonly subject?: number; readonly grams: number }
		| { readonly type: 'hold'; readonly on: boolean }
		| { readonly type: 'note'; readonly text: string }
		| {
				readonly type: 'pack';
				readonly subject?: number;
				readonly packs: number;
				readonly pack_g: number;
				readonly containerId: string | null;
				readonly placeId: string;
		  }
		| ({ readonly type: 'by-product'; readonly subject?: number } & ByProduct)
		/** Would you do it again, and what would you change? */
		| { readonly type: 'again'; readonly would: Would; readonly change: string }
		| { readonly type: 'finish' }
		| { readonly type: 'stop'; readonly reason: string }
		| { readonly type: 'undo'; readonly target: string }
	);

export const woulds = ['yes', 'changed', 'no'] as const;
export type Would = (typeof woulds)[number];

/** Events that count after a run was closed too: what is in the freezer is there, whoever closed the run first. */
export const afterTheEnd: readonly string[] = ['pack', 'by-product', 'note', 'again'];

/** How a field of an event is checked at the door: a whole number in a range, one of some words, a line, an id of something. */
export type Field =
	| { readonly as: 'whole'; readonly min: number; readonly max: number; readonly label: string; readonly needed?: true }
	| { readonly as: 'word'; readonly of: readonly string[]; readonly label: string; readonly needed?: true }
	| { readonly as: 'line'; readonly max: number; readonly label: string; readonly empty?: true; readonly needed?: true }
	| { readonly as: 'yes-no'; readonly label: string; readonly needed?: true }
	| { readonly as: 'id'; readonly of: 'event' | 'place' | 'container' | 'lot'; readonly label: string; readonly needed?: true; readonly orNull?: true }
	| { readonly as: 'list'; readonly of: Field; readonly most: number; readonly label: string; readonly needed?: true }; // prettier-ignore

export type Fields = Readonly<Record<string, Field>>;

const subject = { as: 'whole', min: 1, max: 60, label: 'The food of this run' } as const;

/** What the common events hold. */
export const commonFields: Readonly<Record<CommonEvent['type'], Fields>> = {
	weigh: { subject, grams: { as: 'whole', min: 1, max: 1_000_000, label: 'The weight in grams', needed: true } },
	hold: { on: { as: 'yes-no', label: 'On or off', needed: true } },
	note: { text: { as: 'line', max: 500, label: 'The note', needed: true } },
	pack: {
		subject,
		packs: { as: 'whole', min: 1, max: 2000, label: 'The number of packs', needed: true },
		pack_g: { as: 'whole', min: 1, max: 50_000, label: 'The weight of a pack in grams', needed: true },
		containerId: { as: 'id', of: 'container', label: 'The container', needed: true, orNull: true },
		placeId: { as: 'id', of: 'place', label: 'The freezer', needed: true }
	},
	'by-product': {
		subject,
		food: { as: 'line', max: 60, label: 'What it is', needed: true },
		form: { as: 'line', max: 60, label: 'Its form', needed: true },
		grams: { as: 'whole', min: 1, max: 1_000_000, label: 'Its weight in grams', needed: true },
		placeId: { as: 'id', of: 'place', label: 'Where it stands', needed: true }
	},
	again: {
		would: { as: 'word', of: woulds, label: 'Whether you would do it again', needed: true },
		change: { as: 'line', max: 300, label: 'What you would change', empty: true, needed: true }
	},
	finish: {},
	stop: { reason: { as: 'line', max: 300, label: 'The reason', empty: true, needed: true } },
	undo: { target: { as: 'id', of: 'event', label: 'The step', needed: true } }
};
