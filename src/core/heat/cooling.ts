import { coolingModel, surfaces } from '../../reference/model-rules';
import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import { stepOf } from '../safety/dry';
import { cFromF } from '../quantities/units';
import { plantConductivity_W_mK, plantDiffusivity_m2_s } from './food-heat';
import { waterHeat_J_kgK } from './constants';
import { steamHeat_J_kg } from './boil-down';
import { centreLeft } from './transient';
import { saturation_Pa } from './vapour';

export type CoolPlace = 'ice-water' | 'tap-water' | 'fridge' | 'freezer' | 'room';
/** 'stirred' and 'still': thin as stock; 'thick': stew, mash, a piece of meat, where only conduction carries heat. */
export type Body = 'stirred' | 'still' | 'thick';

export interface CoolingInput {
	/** Round pot by its diameter, pan by length and width; filled to a depth. m, 1 cm to 1 m. */
	readonly vessel:
		| { readonly kind: 'pot'; readonly diameter_m: number; readonly depth_m: number }
		| { readonly kind: 'pan'; readonly length_m: number; readonly width_m: number; readonly depth_m: number };
	readonly body: Body;
	/** 60 to 100 °C. */
	readonly start_C: number;
	readonly place: CoolPlace;
	/** Lid off: steam carries heat away. Counted for thin food in air; without it the lid is on. */
	readonly open?: boolean;
	/** Of the water or air, −30 to 40 °C. */
	readonly medium_C: number;
}

export interface CoolingForecast {
	/** From the start to 135, 70 and 41 °F, s; Infinity where it never gets there. */
	readonly to135_s: number;
	readonly to70_s: number;
	readonly to41_s: number;
	/** From 135 °F on. */
	readonly first_s: number;
	readonly whole_s: number;
	readonly verdict: 'in time' | 'tight' | 'too slow';
	/** Which stage fails, where one does. */
	readonly fails: 'first' | 'second' | null;
	/** At a time, °C: the middle, which is the warmest. */
	readonly at: (seconds: number) => number;
}
export interface CoolingChange {
	readonly words: string;
	readonly forecast: CoolingForecast;
}

/** The published two stages, °C and s. @source FDA Food Code 2022, 3-501.14 (rows of the heat steps) */
export const coolingRule = (() => {
	const first = stepOf('cool-first');
	const second = stepOf('cool-second');
	return {
		from_C: cFromF(135),
		first_C: cFromF(first.F ?? Number.NaN),
		second_C: cFromF(second.F ?? Number.NaN),
		first_s: (first.minutes ?? Number.NaN) * 60,
		whole_s: ((first.minutes ?? Number.NaN) + (second.minutes ?? Number.NaN)) * 60,
		source: first.source
	};
})();

const outside: Record<CoolPlace, keyof typeof surfaces> = {
	'ice-water': 'ice-water',
	'tap-water': 'tap-water',
	fridge: 'still-air',
	freezer: 'still-air',
	room: 'still-air'
};

/** What each place can be, °C: ice water is no colder than ice melts, and no warmer than it has ice. */
const mediumOf: Readonly<Record<CoolingInput['place'], readonly [number, number]>> = {
	'ice-water': [-1, 5],
	'tap-water': [1, 35],
	fridge: [-2, 10],
	freezer: [-40, -5],
	room: [2, 40]
};

/**
 * How fast hot food gets through the two published stages, and whether that is soon enough.
 *
 * Thin food is one temperature throughout, its resistance at the wall:
 *
 *     T(t) = T_m + (T_0 − T_m)·exp(−U·A·t/(ρ·V·c)),  1/U = 1/h_inside + 1/h_outside
 *
 * Thick food goes by conduction, the product of the series of a slab and a cylinder (pot) or of three slabs (pan). In a water
 * bath the surface on top counts as insulated, so that the depth is a half thickness; in air both faces cool.
 *
 * Steam off the open top of thin food in air, by Lewis' relation between heat and vapour, stepped in time:
 *
 *     q = h_air · (0.622·L/(c_air·p)) · (p_s(T) − φ·p_s(T_m)),  c_air 1006 J/(kg K), p 101 kPa
 *
 * For thick food and in a bath none is counted: there the forecast is on the slow side.
 *
 * It is a forecast. The published times are the rule, and a thermometer in the middle says whether they were kept.
 *
 * @throws {DomainError} OUT_OF_RANGE, NOT_POSITIVE
 * @source energy balance; series as in `transient.ts`; limits FDA Food Code 2022, 3-501.14 (from memory)
 */
export function coolHotFood(input: CoolingInput): CoolingForecast {
	mustBeWithin(input.start_C, 60, 100, 'start_C');
	const [coldest, warmest] = mediumOf[input.place];
	mustBeWithin(input.medium_C, coldest, warmest, 'medium_C');
	for (const [name, value] of Object.entries(input.vessel))
		if (typeof value === 'number') {
			mustBePositive(value, name);
			mustBeWithin(value, 0.01, 1, name);
		}
	const at = input.body === 'thick' ? conducted(input) : mixed(input);
	const reach = (target_C: number): number => {
		if (input.medium_C >= target_C) return Infinity;
		let high = 60;
		while (at(high) > target_C) {
			high *= 2;
			if (high > 30 * 86_400) return Infinity;
		}
		let low = 0;
		for (let i = 0; i < 60; i++) {
			const middle = (low + high) / 2;
			if (at(middle) > target_C) low = middle;
			else high = middle;
		}
		return high;
	};
	const { from_C, first_C, second_C, first_s: most1, whole_s: most2 } = coolingRule;
	const to135_s = input.start_C <= from_C ? 0 : reach(from_C);
	const to70_s = reach(first_C);
	const to41_s = reach(second_C);
	const first_s = to70_s - to135_s;
	const whole_s = to41_s - to135_s;
	const fails = !(first_s <= most1) ? 'first' : !(whole_s <= most2) ? 'second' : null;
	const tight = coolingModel.tight.value;
	const verdict = fails ? 'too slow' : first_s * tight > most1 || whole_s * tight > most2 ? 'tight' : 'in time';
	return { to135_s, to70_s, to41_s, first_s, whole_s, verdict, fails, at };
}

/** Floor and walls in touch with what cools, m², and the volume, m³. */
function sizeOf({ vessel }: CoolingInput): { walls_m2: number; top_m2: number; volume_m3: number } {
	const top_m2 = vessel.kind === 'pot' ? (Math.PI * vessel.diameter_m ** 2) / 4 : vessel.length_m * vessel.width_m;
	const round = vessel.kind === 'pot' ? Math.PI * vessel.diameter_m : 2 * (vessel.length_m + vessel.width_m);
	return { walls_m2: top_m2 + round * vessel.depth_m, top_m2, volume_m3: top_m2 * vessel.depth_m };
}

function mixed(input: CoolingInput): (seconds: number) => number {
	const { walls_m2, top_m2, volume_m3 } = sizeOf(input);
	const inside = coolingModel[input.body === 'stirred' ? 'stirred_W_m2K' : 'still_W_m2K'].value;
	const wall = 1 / (1 / inside + 1 / surfaces[outside[input.place]].value);
	const air = 1 / (1 / inside + 1 / surfaces['still-air'].value);
	const wet = input.place === 'ice-water' || input.place === 'tap-water';
	// Over a bath the top faces a warm room: nothing is counted for it.
	const UA = wall * walls_m2 + (wet ? 0 : air * top_m2);
	const heat_J_K = volume_m3 * 1000 * waterHeat_J_kgK;
	if (input.open && !wet) return steaming(input, UA, top_m2, heat_J_K);
	const perSecond = UA / heat_J_K;
	return (seconds) => input.medium_C + (input.start_C - input.medium_C) * Math.exp(-perSecond * seconds);
}

const step_s = 20;
const longest_s = 48 * 3600;

/** With steam off the top: stepped by Heun's method, read between the steps. */
function steaming(input: CoolingInput, UA: number, top_m2: number, heat_J_K: number): (seconds: number) => number {
	const lewis = (0.622 * steamHeat_J_kg) / (1006 * 101_325);
	const air_Pa = coolingModel.airHumidity.value * saturation_Pa(input.medium_C);
	const rate = (T: number) =>
		-(
			UA * (T - input.medium_C) +
			coolingModel.open_W_m2K.value * top_m2 * lewis * Math.max(0, saturation_Pa(Math.min(100, T)) - air_Pa)
		) / heat_J_K;
	const path = [input.start_C];
	for (let T = input.start_C, t = 0; t < longest_s; t += step_s) {
		const first = rate(T);
		// Never below what the air is: the wet bulb under it is left out.
		T = Math.max(input.medium_C, T + (step_s * (first + rate(T + step_s * first))) / 2);
		path.push(T);
	}
	return (seconds) => {
		const i = Math.min(path.length - 2, Math.floor(seconds / step_s));
		const [from = input.medium_C, to = input.medium_C] = path.slice(i, i + 2);
		return from + (to - from) * Math.min(1, seconds / step_s - i);
	};
}

function conducted(input: CoolingInput): (seconds: number) => number {
	const { vessel } = input;
	const h = surfaces[outside[input.place]].value;
	const wet = input.place === 'ice-water' || input.place === 'tap-water';
	const up = wet ? vessel.depth_m : vessel.depth_m / 2;
	const sides: (readonly ['slab' | 'cylinder', number])[] =
		vessel.kind === 'pot'
			? [['slab', up], ['cylinder', vessel.diameter_m / 2]]
			: [['slab', up], ['slab', vessel.length_m / 2], ['slab', vessel.width_m / 2]]; // prettier-ignore
	return (seconds) =>
		input.medium_C +
		(input.start_C - input.medium_C) *
			sides.reduce(
				(left, [shape, half]) =>
					left * centreLeft(shape, (h * half) / plantConductivity_W_mK, (plantDiffusivity_m2_s * seconds) / half ** 2),
				1
			);
}

/**
 * What makes it soon enough, the least change first; only changes that are in time are offered, or the best where none is.
 *
 * @throws {DomainError} as `coolHotFood`
 */
export function coolingChanges(input: CoolingInput): readonly CoolingChange[] {
	const { volume_m3 } = sizeOf(input);
	const pan_m2 = 0.3 * 0.2;
	const shallow_m = Math.min(coolingModel.shallow_m.value, input.vessel.depth_m);
	const pans = Math.max(1, Math.ceil(volume_m3 / (pan_m2 * shallow_m)));
	const shallow = { kind: 'pan', length_m: 0.3, width_m: 0.2, depth_m: shallow_m } as const;
	const panWords = `${pans} ${pans === 1 ? 'pan' : 'pans'} of 20 by 30 cm, 5 cm (2 in) deep at most`;
	const thin_m = Math.min(0.038, input.vessel.depth_m);
	const thinPans = Math.max(1, Math.ceil(volume_m3 / (pan_m2 * thin_m)));
	const bath = { place: 'ice-water', medium_C: 1 } as const;
	const split = (parts: number): CoolingInput['vessel'] =>
		input.vessel.kind === 'pot'
			? { ...input.vessel, diameter_m: input.vessel.diameter_m / Math.cbrt(parts), depth_m: Math.max(0.01, input.vessel.depth_m / Math.cbrt(parts)) }
			: { ...input.vessel, depth_m: Math.max(0.01, input.vessel.depth_m / parts) }; // prettier-ignore
	const ideas: readonly (readonly [string, Partial<CoolingInput>])[] = [
		...(input.body === 'still' ? ([['Stir it every few minutes', { body: 'stirred' }]] as const) : []),
		['Stand it in ice water up to the level of the food', bath],
		...(input.body === 'still' ? ([['Stand it in ice water and stir', { ...bath, body: 'stirred' }]] as const) : []),
		['Split it into three vessels, in ice water', { ...bath, vessel: split(3) }],
		[
			`Into ${thinPans} pans of 20 by 30 cm, 4 cm (1½ in) deep at most, uncovered in the fridge, not touching`,
			{ vessel: { ...shallow, depth_m: thin_m }, place: 'fridge', medium_C: 3, open: true }
		],
		[`Into ${panWords}, standing in ice water`, { ...bath, vessel: shallow }]
	];
	const worked = ideas
		.map(([words, more]) => ({ words, forecast: coolHotFood({ ...input, ...more }) }))
		.filter(({ forecast }) => Number.isFinite(forecast.whole_s));
	const good = worked.filter(({ forecast }) => forecast.verdict === 'in time');
	if (good.length > 0) return good;
	const [best] = [...worked].sort((a, b) => a.forecast.whole_s - b.forecast.whole_s);
	if (!best) throw new DomainError('NOT_CONVERGED', 'vessel', 'No change was found that cools it.');
	return [best];
}
