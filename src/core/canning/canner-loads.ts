import { canningRules, type JarSize } from '../../reference/canning-rules';
import { cannerModel } from '../../reference/model-rules';
import { sources } from '../../reference/sources';
import { mustBeWithin, type Refusal } from '../errors';
import { waterHeat_J_kgK } from '../heat/constants';
import { usefulPower_W, type Burner } from '../heat/pot-heating';
import type { TestedProcess } from './find-process';

/** A step of a load on the clock. Only 'published' ones are rules; an 'estimate' is for planning the day. */
export interface LoadStep {
	readonly name: string;
	readonly seconds: number;
	readonly kind: 'published' | 'estimate';
	/** Someone stays by it. */
	readonly attended: boolean;
	readonly words: string;
}
export interface CannerLoad {
	readonly jars: number;
	/** From the first jar filled to the last lifted out, s since the first load began. */
	readonly from_s: number;
	readonly to_s: number;
	readonly steps: readonly LoadStep[];
	/** When the seals are checked, s since the first load began: 12 to 24 h after it came out. */
	readonly check_s: readonly [number, number];
}
export interface CannerLoads {
	readonly kind: 'loads';
	/** Which process it is of. */
	readonly method: TestedProcess['method'];
	readonly perLoad: number;
	readonly loads: readonly CannerLoad[];
	readonly elapsed_s: number;
	readonly hands_s: number;
	/** One a jar, and a tenth over. */
	readonly lids: number;
	readonly energy_J: number;
}

/** A usual canner's load of a jar. @source USDA Complete Guide, 2015 (rows of `canningRules`) */
export const usualCapacity = (jar: JarSize): number =>
	jar === 'quart' || jar === 'half-gallon' ? canningRules.loadQuarts.value : canningRules.loadPints.value;

/** Jars in a load, as somebody counted them; null where nobody did. */
export interface CannerHolds {
	readonly quarts: number;
	readonly pints: number | null;
	readonly halfPints: number | null;
}

/**
 * Jars that fit a canner: as they were counted, else a usual load in the share of its quarts; half-pints as many as pints at
 * least. One number for every page and plan.
 */
export function cannerCapacity(holds: CannerHolds, jar: JarSize): number {
	const share = Math.max(1, Math.round((usualCapacity(jar) * holds.quarts) / usualCapacity('quart')));
	if (jar === 'quart' || jar === 'half-gallon') return share;
	const pints = holds.pints ?? share;
	return jar === 'half-pint' ? (holds.halfPints ?? pints) : pints;
}

export interface CannerLoadsInput {
	readonly process: TestedProcess;
	readonly jars: number;
	/** Jars that fit; a usual canner's without it. 1 to 40. */
	readonly capacity?: number;
	readonly burner: Burner;
	readonly tap_C: number;
	readonly boil_C: number;
}

/**
 * Jars to canner loads on the clock. The process time and the waits are those of the table; what a stove and a canner add is
 * estimated and said to be: heating, coming up, coming down.
 *
 * @throws {DomainError} OUT_OF_RANGE, NOT_POSITIVE
 * @source waits USDA Complete Guide to Home Canning, 2015; estimates by `cannerModel` (common practice)
 */
export function cannerLoads(input: CannerLoadsInput): CannerLoads {
	const { process, burner } = input;
	mustBeWithin(input.jars, 1, 10_000, 'jars');
	const perLoad = input.capacity ?? usualCapacity(process.jar);
	mustBeWithin(perLoad, 1, 40, 'capacity');
	const jars = Math.floor(input.jars);
	const power_W = usefulPower_W(burner);
	const pressure = process.method === 'pressure';
	const water_L = (pressure ? cannerModel.waterPressure_L : cannerModel.water_L).value;
	const loadAt_C = (process.style === 'hot' ? canningRules.loadHot_C : canningRules.loadRaw_C).value;
	const heat_s = (water_L * waterHeat_J_kgK * Math.max(0, loadAt_C - input.tap_C)) / power_W;
	const loads: CannerLoad[] = [];
	let from_s = 0;
	let energy_J = 0;
	for (let done = 0; done < jars; done += perLoad) {
		const count = Math.min(perLoad, jars - done);
		const fill_s = count * cannerModel.fill_s.value;
		// The water heats while jars are filled; later loads find it hot.
		const ready_s = done === 0 ? Math.max(fill_s, heat_s) : fill_s;
		const steps = stepsOf(process, ready_s, input.boil_C);
		const to_s = from_s + steps.reduce((sum, s) => sum + s.seconds, 0);
		const cool = [canningRules.coolLeast_h.value, canningRules.coolMost_h.value].map((h) => to_s + h * 3600);
		loads.push({ jars: count, from_s, to_s, steps, check_s: [cool[0] ?? to_s, cool[1] ?? to_s] });
		// Up to the boil at full power, then half of it to hold.
		energy_J += (done === 0 ? heat_s : 0) * power_W + 0.5 * power_W * (to_s - from_s - ready_s);
		from_s = to_s + cannerModel.turn_s.value;
	}
	const last = loads.at(-1);
	return {
		kind: 'loads',
		method: process.method,
		perLoad,
		loads,
		elapsed_s: last?.to_s ?? 0,
		hands_s: loads.reduce((sum, l) => sum + l.steps.reduce((s, step) => s + (step.attended ? step.seconds : 0), 0), 0),
		lids: jars + Math.ceil(jars * cannerModel.spareLids.value),
		energy_J
	};
}

function stepsOf(process: TestedProcess, ready_s: number, boil_C: number): LoadStep[] {
	const step = (name: string, seconds: number, kind: LoadStep['kind'], words: string, attended = true): LoadStep => ({
		name, seconds, kind, attended, words
	}); // prettier-ignore
	const published = 'published' as const;
	const estimate = 'estimate' as const;
	const fill = step('fill', ready_s, estimate, 'Jars hot, filled, wiped, lids on, while the water heats.');
	if (process.method === 'boiling-water')
		return [
			fill,
			step('back to the boil', cannerModel.returnBoil_s.value, estimate, `Water over the lids, at a full boil (${boil_C.toFixed(0)} °C here) before the clock starts.`),
			step('process', process.minutes * 60, published, `${process.minutes} min at a full boil; boil lost: the whole time again.`),
			step('wait', canningRules.restWater_s.value, published, 'Heat off, lid off, five minutes.')
		]; // prettier-ignore
	return [
		fill,
		step('vent', canningRules.vent_s.value, published, 'Ten minutes of steady steam from the open vent.'),
		step('come up', cannerModel.comeUp_s.value, estimate, `Weight on, up to ${process.psi} psi.`),
		step('process', process.minutes * 60, published, `${process.minutes} min at ${process.psi} psi; below it: the whole time again.`),
		step('come down', cannerModel.comeDown_s.value, estimate, 'Heat off; it falls by itself, never hurried.', false),
		step('wait', canningRules.restPressure_s.value, published, 'At no pressure, weight off, ten minutes before the lid.')
	]; // prettier-ignore
}

export interface MixedCannerLoad {
	readonly kind: 'mixed';
	readonly minutes: number;
	/** The product whose time it is. */
	readonly longest: TestedProcess;
	readonly words: string;
	/** Nothing is published for a mixed load. */
	readonly confidence: 'practice';
}

/**
 * A load topped off with a second product: the longest time among them, where canner, pressure and style are the same.
 *
 * Every product is processed at least as long as its own row says; none is shortened. That much is common practice, and said.
 *
 * @returns the load, or a refusal
 * @throws {DomainError} OUT_OF_RANGE: fewer than two products
 */
export function mixedCannerLoad(processes: readonly TestedProcess[]): MixedCannerLoad | Refusal {
	mustBeWithin(processes.length, 2, 8, 'processes');
	const [longest, ...rest] = [...processes].sort((a, b) => b.minutes - a.minutes);
	const refused = (reason: string): Refusal => ({
		kind: 'refused',
		reason,
		source: sources.usdaCanning2015.title,
		instead: ['Process them one after the other, each in a load of its own', 'Keep the smaller lot cold for a load of its own']
	}); // prettier-ignore
	if (!longest) return refused('There is nothing in the load.');
	if (rest.some((p) => p.method !== longest.method))
		return refused(
			'One of them needs pressure and the other boiling water: low-acid food is never done in boiling water.'
		);
	if (rest.some((p) => p.psi !== longest.psi || p.gauge !== longest.gauge))
		return refused('They were tested at different pressures, and a load has one.');
	if (rest.some((p) => p.style !== longest.style))
		return refused('Hot and raw packs go into water of different heat: cold jars crack in the hotter.');
	return {
		kind: 'mixed',
		minutes: longest.minutes,
		longest,
		words: `All of it ${longest.minutes} min, the time of ${longest.product.name} in ${longest.jar}s. Softer food gets softer.`,
		confidence: 'practice'
	};
}
