import type { Base, CommonEvent, Fields } from '../../engine/event';

export const founds = ['wet', 'nearly'] as const;

export type DryEvent =
	| CommonEvent
	| (Base &
			/** Who identified it, by what. */
			(
				| { readonly type: 'identified'; readonly subject?: number; readonly words: string }
				/** How warm it came to be at its centre before drying, tenths of a °C. */
				| { readonly type: 'heated'; readonly subject?: number; readonly dC: number }
				/** Into the printed heat and out of it; `last` where no more potfuls follow. */
				| { readonly type: 'first'; readonly subject?: number; readonly on: boolean; readonly last?: boolean }
				/** A tray into a slot of the dryer: its weight, or how much of it in a measure. */
				| {
						readonly type: 'load';
						readonly subject?: number;
						readonly tray: number;
						readonly slot: number;
						readonly grams?: number;
						readonly mL?: number;
				  }
				/** What is on a tray weighs so much now, without the tray. */
				| { readonly type: 'scale'; readonly tray: number; readonly grams: number }
				/** Felt, and not dry yet. */
				| { readonly type: 'felt'; readonly tray: number; readonly found: (typeof founds)[number] }
				/** Into another slot; what is there comes into this one's. */
				| { readonly type: 'swap'; readonly tray: number; readonly slot: number }
				/** All turned and swapped, as the heater wants it. */
				| { readonly type: 'turned' }
				/** Dry by the hand's test, and off: what is left of it, by weight and by measure. */
				| { readonly type: 'pull'; readonly tray: number; readonly grams?: number; readonly mL?: number }
				/** Not dry after all: in again. */
				| { readonly type: 'back'; readonly tray: number; readonly slot: number }
				/** Off it and not into a jar. */
				| { readonly type: 'out'; readonly tray: number; readonly why: (typeof outs)[number] }
				/** The dryer off, or on again. */
				| { readonly type: 'power'; readonly on: boolean }
			));

export const outs = ['eaten', 'spoiled'] as const;

const subject = { as: 'whole', min: 1, max: 60, label: 'The food of this run' } as const;
const tray = { as: 'whole', min: 1, max: 500, label: 'The tray', needed: true } as const;
const slot = { as: 'whole', min: 1, max: 60, label: 'The place in the dryer', needed: true } as const;
const grams = { as: 'whole', min: 1, max: 100_000, label: 'The weight in grams' } as const;
const mL = { as: 'whole', min: 1, max: 100_000, label: 'The measure in millilitres' } as const;

/** What the kind's own events hold. */
export const fields: Readonly<Record<Exclude<DryEvent['type'], CommonEvent['type']>, Fields>> = {
	identified: { subject, words: { as: 'line', max: 200, label: 'Who identified it, by what', needed: true } },
	heated: { subject, dC: { as: 'whole', min: -400, max: 2500, label: 'The temperature in tenths', needed: true } },
	first: {
		subject,
		on: { as: 'yes-no', label: 'In or out', needed: true },
		last: { as: 'yes-no', label: 'Whether it was the last' }
	},
	load: { subject, tray, slot, grams, mL },
	scale: { tray, grams: { ...grams, needed: true } },
	felt: { tray, found: { as: 'word', of: founds, label: 'How it felt', needed: true } },
	swap: { tray, slot },
	turned: {},
	pull: { tray, grams, mL },
	back: { tray, slot },
	out: { tray, why: { as: 'word', of: outs, label: 'What became of it', needed: true } },
	power: { on: { as: 'yes-no', label: 'On or off', needed: true } }
};
