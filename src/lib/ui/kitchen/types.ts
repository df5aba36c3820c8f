import type { GearChange } from '$core/ways/gear-changes';
import type { GearKind } from '$core/ways/equipment-fields';

export interface GearItem {
	readonly kind: GearKind;
	readonly id: string;
	readonly name: string;
	readonly words: string;
	readonly change: GearChange;
	readonly drops: 'gear' | 'pot' | 'person';
	/** As its form shows them. */
	readonly values: Readonly<Record<string, string>>;
}
export interface GearGroup {
	readonly id: string;
	readonly title: string;
	readonly items: readonly GearItem[];
	readonly adds: readonly { readonly kind: GearKind; readonly name: string; readonly values: Readonly<Record<string, string>> }[];
} // prettier-ignore
