import type { Base, CommonEvent, Fields } from '../../engine/event';

export const acids = ['lemon-juice', 'citric-acid', 'vinegar'] as const;
export type AcidKind = (typeof acids)[number];
export const words = ['yes', 'no', 'not-sure'] as const;
export const weights = ['moves', 'still'] as const;
/** What of the kitchen a process hangs on. */
export const frozen = ['altitude', 'gauge'] as const;
/** More loads than these are nobody's day. */
export const mostLoads = 30;

export type CanEvent =
	| CommonEvent
	| (Base &
			/** All that it takes lies ready: jars, new lids, rings, acid, salt. */
			(
				| { readonly type: 'all-there' }
				/** Made as its recipe prints it, with nothing else in it; or not. */
				| { readonly type: 'as-printed'; readonly product: number; readonly word: 'yes' | 'no' }
				/** So many jars of a product are filled in this load, in all: said twice, it counts once. */
				| {
						readonly type: 'filled';
						readonly load: number;
						readonly product: number;
						readonly jars: number;
						readonly acid?: AcidKind;
				  }
				/** Jars in, water as deep as it must be, lid on. */
				| { readonly type: 'lid-on'; readonly load: number }
				/** Steady steam from the open vent. */
				| { readonly type: 'venting'; readonly load: number }
				/** Vented: weight on, petcock closed. */
				| { readonly type: 'weight-on'; readonly load: number }
				/** At a full boil, or, said again, still. */
				| { readonly type: 'full-boil'; readonly load: number }
				/** The gauge read, Pa; of an instrument's minute its least too. Or how the weight moves. */
				| {
						readonly type: 'gauge';
						readonly load: number;
						readonly Pa?: number;
						readonly least_Pa?: number;
						readonly weight?: (typeof weights)[number];
				  }
				/** Below the mark, off the boil. */
				| { readonly type: 'fell'; readonly load: number }
				/** Whether somebody watched it the whole time before that reading. */
				| {
						readonly type: 'watched';
						readonly load: number;
						readonly reading: string;
						readonly word: (typeof words)[number];
				  }
				| { readonly type: 'heat-off'; readonly load: number }
				| { readonly type: 'heat-again'; readonly load: number }
				/** It does not get its process: cooled by force, opened early, or given up. */
				| { readonly type: 'give-up'; readonly load: number }
				/** At no pressure by itself; of boiling water the lid is off. */
				| { readonly type: 'at-zero'; readonly load: number }
				| { readonly type: 'jars-out'; readonly load: number }
				| { readonly type: 'broken'; readonly load: number; readonly product: number; readonly jars: number }
				/** Who stays with it from now on. */
				| { readonly type: 'handed'; readonly to: string }
				/** The Kitchen's altitude or gauge is no longer the plan's: told by the Kitchen itself. */
				| { readonly type: 'kitchen-changed'; readonly what: (typeof frozen)[number] }
				/** A person's word that what the plan has is right. */
				| { readonly type: 'plan-is-right' }
			));

const load = { as: 'whole', min: 1, max: mostLoads, label: 'The load', needed: true } as const;
const product = { as: 'whole', min: 1, max: 8, label: 'The product', needed: true } as const;
const jars = { as: 'whole', min: 1, max: 60, label: 'The number of jars', needed: true } as const;

export const fields: Readonly<Record<Exclude<CanEvent['type'], CommonEvent['type']>, Fields>> = {
	'all-there': {},
	'as-printed': { product, word: { as: 'word', of: ['yes', 'no'], label: 'Whether it is as printed', needed: true } },
	filled: { load, product, jars, acid: { as: 'word', of: acids, label: 'The acid' } },
	'lid-on': { load },
	venting: { load },
	'weight-on': { load },
	'full-boil': { load },
	gauge: {
		load,
		Pa: { as: 'whole', min: 0, max: 400_000, label: 'The pressure in pascals' },
		least_Pa: { as: 'whole', min: 0, max: 400_000, label: 'The least pressure in pascals' },
		weight: { as: 'word', of: weights, label: 'How the weight moves' }
	},
	fell: { load },
	watched: {
		load,
		reading: { as: 'id', of: 'event', label: 'The reading', needed: true },
		word: { as: 'word', of: words, label: 'Whether somebody watched', needed: true }
	},
	'heat-off': { load },
	'heat-again': { load },
	'give-up': { load },
	'at-zero': { load },
	'jars-out': { load },
	broken: { load, product, jars },
	handed: { to: { as: 'line', max: 80, label: 'Who stays with it', needed: true } },
	'kitchen-changed': { what: { as: 'word', of: frozen, label: 'What was changed', needed: true } },
	'plan-is-right': {}
};
