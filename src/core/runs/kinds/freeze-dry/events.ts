import type { Base, CommonEvent, Fields } from '../../engine/event';

export type FreezeDryEvent =
	| CommonEvent
	| (Base &
			/** What lies on a tray, weighed without it. */
			(
				| { readonly type: 'tray-filled'; readonly tray: number; readonly grams: number }
				/** All trays are frozen hard. */
				| { readonly type: 'trays-frozen' }
				/** The trays are in, the pump draws. */
				| { readonly type: 'chamber-on' }
				/** A tray as it weighs now, without itself. */
				| { readonly type: 'tray-weighed'; readonly tray: number; readonly grams: number }
				/** So many hours more. */
				| { readonly type: 'chamber-more'; readonly hours: number }
				/** Warm to the touch, the thickest piece broken: no cold, no dark core. */
				| { readonly type: 'trays-warm' }
				/** A tray that is lost: it melted, foamed over, went bad. */
				| { readonly type: 'tray-lost'; readonly tray: number }
			));

/** No machine of a kitchen has more trays. */
export const mostTrays = 40;
const tray = { as: 'whole', min: 1, max: mostTrays, label: 'The tray', needed: true } as const;
const grams = { as: 'whole', min: 1, max: 50_000, label: 'The weight in grams', needed: true } as const;

export const fields: Readonly<Record<Exclude<FreezeDryEvent['type'], CommonEvent['type']>, Fields>> = {
	'tray-filled': { tray, grams },
	'trays-frozen': {},
	'chamber-on': {},
	'tray-weighed': { tray, grams },
	'chamber-more': { hours: { as: 'whole', min: 1, max: 48, label: 'The hours', needed: true } },
	'trays-warm': {},
	'tray-lost': { tray }
};
