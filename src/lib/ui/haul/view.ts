import type { HaulInput } from '$core/haul/from-ways';
import type { Share } from '$core/ways/shares';

/** A food of the haul, and what of it is wanted. */
export interface FoodWanted {
	readonly food: string;
	readonly name: string;
	/** Helpings in a week as they were said; null where nothing was. */
	readonly perWeek: number | null;
	/** What a year takes as it comes in, and what of that stands on the shelves, kg. */
	readonly year_kg: number;
	readonly have_kg: number;
}

/** What the page of the whole haul is told: what its programme is made of, and what stands beside it. */
export interface HaulView {
	readonly lots: HaulInput['lots'];
	readonly kitchen: HaulInput['kitchen'];
	readonly rooms: HaulInput['rooms'];
	/** Foods of the lots with what a year of them takes: said by the household, or worked out. */
	readonly wants: readonly FoodWanted[];
	/** Lots that are stopped, with the reason: nothing becomes of them. */
	readonly apart: readonly { readonly id: string; readonly name: string; readonly why: string }[];
	/** How lots are shared out already. */
	readonly shares: Readonly<Record<string, readonly Share[]>>;
	/** Lots beyond those that are looked at. */
	readonly more: number;
}
