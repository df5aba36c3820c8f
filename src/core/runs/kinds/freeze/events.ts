import type { Base, CommonEvent, Fields } from '../../engine/event';
import type { StageId } from './plan';

/** Where a potful can be: before, in a stage, in the fridge until there is room, or out at the far end. */
export type Spot = 'waiting' | StageId | 'fridge' | 'firm' | 'supper';

/** What a change of the plan on the way was worked out from. */
export interface Basis {
	/** How long the boil took to come back, s, with how much in, g. */
	readonly reboil_s: number;
	readonly potful_g: number;
}

export type FreezeEvent =
	| CommonEvent
	| (Base &
			(
				| { readonly type: 'heat-on'; readonly pot?: number }
				| { readonly type: 'boiling'; readonly pot?: number }
				| {
						readonly type: 'move';
						readonly subject?: number;
						readonly potful: number;
						readonly to: Exclude<Spot, 'waiting'>;
				  }
				/** Potfuls of another size, from the next one on; `of` says what it was worked out from. */
				| { readonly type: 'resize'; readonly subject?: number; readonly potful_g: number }
				| ({ readonly type: 'replan'; readonly subject?: number; readonly next_g: number } & Basis)
				/** Ice that is there now. */
				| { readonly type: 'ice'; readonly grams: number }
				/** Chilled in cold running water from now on, or in ice again. */
				| { readonly type: 'running'; readonly on: boolean }
				/** Boiling water or cold, into the pot again. */
				| { readonly type: 'water'; readonly pot?: number; readonly mL: number }
				/** Another order of the foods: their numbers. */
				| { readonly type: 'order'; readonly subjects: readonly number[] }
				/** How warm it is at its centre, tenths of a °C. */
				| { readonly type: 'reading'; readonly subject?: number; readonly potful: number; readonly dC: number }
			));

export const spots = ['return', 'blanch', 'chill', 'drain', 'fridge', 'freeze', 'firm', 'supper'] as const;

const subject = { as: 'whole', min: 1, max: 60, label: 'The food of this run' } as const;
const potful = { as: 'whole', min: 1, max: 5000, label: 'The potful', needed: true } as const;
const pot = { as: 'whole', min: 0, max: 20, label: 'The pot' } as const;
const grams = (label: string) => ({ as: 'whole', min: 20, max: 100_000, label, needed: true }) as const;

/** What the kind's own events hold. */
export const fields: Readonly<Record<Exclude<FreezeEvent['type'], CommonEvent['type']>, Fields>> = {
	'heat-on': { pot },
	boiling: { pot },
	move: { subject, potful, to: { as: 'word', of: spots, label: 'Where it goes', needed: true } },
	resize: { subject, potful_g: grams('The potful in grams') },
	replan: {
		subject,
		next_g: grams('The next potful in grams'),
		reboil_s: { as: 'whole', min: 0, max: 36_000, label: 'How long the boil took', needed: true },
		potful_g: { as: 'whole', min: 1, max: 1_000_000, label: 'What was in it, in grams', needed: true }
	},
	ice: { grams: { as: 'whole', min: 0, max: 200_000, label: 'The ice in grams', needed: true } },
	running: { on: { as: 'yes-no', label: 'Running water or not', needed: true } },
	water: { pot, mL: { as: 'whole', min: 1, max: 100_000, label: 'The water in millilitres', needed: true } },
	order: {
		subjects: {
			as: 'list',
			of: { as: 'whole', min: 1, max: 60, label: 'A food of this run' },
			most: 60,
			label: 'The order',
			needed: true
		}
	},
	reading: {
		subject,
		potful,
		dC: { as: 'whole', min: -400, max: 1200, label: 'The temperature in tenths', needed: true }
	}
};
