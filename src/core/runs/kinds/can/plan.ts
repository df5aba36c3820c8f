import type { JarAcid } from '../../../canning/find-process';
import type { CannerHolds } from '../../../canning/canner-loads';
import type { JarSize } from '../../../../reference/canning-rules';
import type { PackStyle } from '../../../../reference/canning';
import type { State } from '../../../things/thing';
import type { Keeps } from '../../../freezing/keep';
import type { AnyPlan, PackPlace, PlannedFood } from '../../engine/kind';

/** One tested product of a lot, in jars of one size. */
export interface CanSubject extends PlannedFood {
	readonly product: { readonly id: string; readonly name: string };
	readonly style: PackStyle;
	readonly jar: JarSize;
	/** Its own cell of the table. A load with another product takes the longer of both. */
	readonly minutes: number;
	readonly headspace_in: number;
	/** Into every jar, where it is part of the process. */
	readonly acid: JarAcid | null;
	/** Its process is too short to sterilise the jar. */
	readonly sterile: boolean;
	readonly prepare: string;
	/** As they are printed with it, for one making; none where it is the food alone. */
	readonly ingredients: readonly string[];
	/** What must not be changed of it. */
	readonly keep: readonly string[];
	readonly mind: readonly string[];
	/** Filled jars that the prepared weight is expected to give. */
	readonly jars: number;
	/** Prepared food to a jar, g: what is weighed gives so many jars. */
	readonly need_g: number;
	/** The same as the mass of a jar has it: no more than a jar holds; the rest is liquid. */
	readonly perJar_g: number;
	readonly lowAcid: boolean;
}

/** Where jars of a subject may end, with a code of its own for each. */
export interface CanEnd {
	readonly n: number;
	/** From 1. */
	readonly subject: number;
	/** Only what had its full process stands on a shelf. */
	readonly processed: boolean;
	readonly places: readonly PackPlace[];
	readonly state: State;
	readonly was?: State;
	readonly keeps: Keeps;
	readonly words: string;
}

export type Heat = 'boiling-water' | 'steam' | 'pressure';

/** The canner as it was when the run began: altitude, gauge and pressure are frozen with it. */
export interface PlannedCanner {
	readonly name: string;
	readonly holds: CannerHolds;
	readonly gauge: 'dial' | 'weighted' | null;
	/** `yyyy-MM-dd`; of a dial alone. */
	readonly dialTested: string | null;
}

/** Frozen when the run starts: no minute and no pound in it but those of the tables' cells. */
export interface CanPlan extends AnyPlan {
	readonly kind: 'can';
	readonly version: 1;
	readonly altitude_m: number;
	readonly boil_C: number;
	readonly heat: Heat;
	readonly canner: PlannedCanner;
	/** The cell's gauge pressure; null where the water boils in the open. */
	readonly psi: number | null;
	readonly subjects: readonly CanSubject[];
	readonly ends: readonly CanEnd[];
	/** As they are planned: jars of each subject, by number from 1, in each load. */
	readonly loads: readonly (readonly { readonly subject: number; readonly jars: number }[])[];
	/** The instrument that reads its gauge; null where a person does. */
	readonly instrument: { readonly id: string; readonly name: string } | null;
	/** What the heat takes of one load, kWh: estimated. */
	readonly load_kWh: number;
	/** "USDA Complete Guide, Guide 3 (from memory)". */
	readonly table: string;
}

/** Pascals in a pound to the square inch. @source NIST SP 811 (2008), Appendix B.8 */
export const Pa_psi = 6894.757293168;

/** The mark in whole Pa: a reading of exactly as many psi is at it. */
export const mark_Pa = (plan: Pick<CanPlan, 'psi'>): number => Math.round((plan.psi ?? 0) * Pa_psi);

export const subjectOf = (plan: CanPlan, n: number): CanSubject => {
	const found = plan.subjects.find((s) => s.n === n);
	if (!found) throw new Error(`There is no subject ${n} in this canner.`);
	return found;
};
