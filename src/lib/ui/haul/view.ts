import type { HaulInput } from '$core/haul/from-ways';
import type { Share } from '$core/ways/shares';

/** What the page of the whole haul is told: what its programme is made of, and what stands beside it. */
export interface HaulView {
	readonly lots: HaulInput['lots'];
	readonly kitchen: HaulInput['kitchen'];
	/** Lots that are stopped, with the reason: nothing becomes of them. */
	readonly apart: readonly { readonly id: string; readonly name: string; readonly why: string }[];
	/** How lots are shared out already. */
	readonly shares: Readonly<Record<string, readonly Share[]>>;
	/** Lots beyond those that are looked at. */
	readonly more: number;
}
