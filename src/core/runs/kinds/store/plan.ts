import type { PlaceKindId } from '../../../storing/stand-in';
import type { Stay } from '../../../things/clock';
import type { AnyPlan } from '../../engine/kind';

/** Frozen when the run starts. */
export interface StorePlan extends AnyPlan {
	readonly kind: 'store';
	readonly version: 1;
	readonly lotId: string;
	readonly raw_g: number;
	readonly food: { readonly id: string; readonly name: string };
	readonly foodKind: string | null;
	readonly form: string;
	/** Where it stood until now: what is not cured first is no younger for being put away. */
	readonly before: readonly Stay[];
	/** Days and conditions before it is stored; null where it wants none. */
	readonly cure: null | {
		readonly days: readonly [number, number];
		readonly C: readonly [number, number];
		readonly rh: readonly [number, number];
		readonly where: string;
		readonly look: string;
	};
	readonly place: { readonly id: string; readonly name: string; readonly kind: PlaceKindId; readonly C: number };
	/** What it wants: °C and % of humidity. */
	readonly want: { readonly C: readonly [number, number]; readonly rh: readonly [number, number] };
	readonly how: string;
	/** There, days. */
	readonly keeps_days: readonly [number, number];
	/** Where those stand that are eaten first; null without such a place. */
	readonly aside: null | { readonly id: string; readonly name: string };
	readonly hands_s: number;
	readonly source: string;
	readonly cautions: readonly string[];
}
