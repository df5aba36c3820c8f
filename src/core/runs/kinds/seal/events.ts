import type { Base, CommonEvent, Fields } from '../../engine/event';

export type SealEvent =
	| CommonEvent
	| (Base &
			/** Cut, cuffed and labelled. */
			(
				| { readonly type: 'bags-ready' }
				/** Hard enough that no juice runs. */
				| { readonly type: 'frozen-first' }
				/** Out of the cold, and back into it. */
				| { readonly type: 'round-out'; readonly round: number }
				| { readonly type: 'round-back'; readonly round: number }
				| { readonly type: 'round-filled'; readonly round: number; readonly bags: number }
				/** So many hold; what did not is opened and sealed again before it is counted. */
				| { readonly type: 'round-sealed'; readonly round: number; readonly bags: number }
			));

/** As many rounds as a run may have. */
export const mostRounds = 40;
const round = { as: 'whole', min: 1, max: mostRounds, label: 'The round', needed: true } as const;
const bags = { as: 'whole', min: 1, max: 2000, label: 'The bags', needed: true } as const;

export const fields: Readonly<Record<Exclude<SealEvent['type'], CommonEvent['type']>, Fields>> = {
	'bags-ready': {},
	'frozen-first': {},
	'round-out': { round },
	'round-back': { round },
	'round-filled': { round, bags },
	'round-sealed': { round, bags }
};
