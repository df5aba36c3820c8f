import { subjectOf, type DryPlan } from './plan';

/** A weighing, by the hours that the dryer had worked on it by then. */
export interface TrayWeight {
	readonly at: number;
	readonly hours: number;
	readonly grams: number;
}

export interface Tray {
	/** Its number, whatever slot it is in. */
	readonly tray: number;
	readonly subject: number;
	readonly slot: number;
	/** On it at the start, without the tray; null where it was measured and not weighed. */
	readonly grams: number | null;
	readonly mL: number | null;
	readonly spot: 'in' | 'cooling' | 'out';
	/** What became of it where it did not go into a jar. */
	readonly why: 'eaten' | 'spoiled' | null;
	readonly loadedAt: number;
	/** When it came to this spot, ms. */
	readonly since: number;
	/** Worked on until `from`, h; null while nothing works on it. */
	readonly hours: number;
	readonly from: number | null;
	readonly weights: readonly TrayWeight[];
	/** The last time it was felt: at how many hours, and how it was. */
	readonly felt: { readonly hours: number; readonly found: 'wet' | 'nearly' } | null;
	/** When it was off: by weight and by measure. */
	readonly dry_g: number | null;
	readonly dry_mL: number | null;
}

/** Hours that the dryer has worked on a tray by now: while it was in, and the dryer on. */
export const hoursOn = (tray: Tray, at: number): number =>
	tray.hours + (tray.from === null ? 0 : Math.max(0, at - tray.from) / 3_600_000);

/** What was on the trays of a food at their start, g; of measured ones by what a cup of it weighs. */
export const loaded_g = (plan: DryPlan, trays: readonly Tray[], n: number): number =>
	trays.filter((t) => t.subject === n).reduce((sum, t) => sum + (wet_g(plan, t) ?? 0), 0);

/** What a tray weighed at its start, g: said, or by its measure; null where neither tells. */
export function wet_g(plan: DryPlan, tray: Tray): number | null {
	if (tray.grams !== null) return tray.grams;
	const kg_L = subjectOf(plan, tray.subject)?.wet_kg_L ?? null;
	return kg_L === null || tray.mL === null ? null : Math.round(tray.mL * kg_L);
}
