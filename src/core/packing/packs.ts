import { freezingRules } from '../../reference/rules';
import type { PackKind } from '../../reference/tables';
import { sayVolume, sayWeight, type Units } from '../quantities/format';
import { DomainError, mustBePositive } from '../errors';

export interface Container {
	readonly id: string;
	readonly name: string;
	readonly kind: 'bag' | 'box' | 'jar';
	readonly volume_mL: number;
	/** In the drawer, empty. */
	readonly count: number;
}

export interface PacksInput {
	readonly food_g: number;
	readonly portion_g: number;
	/** Packs alike, near this portion, instead of packs of just it and a rest. */
	readonly equal?: boolean;
	/** Bagged, kg to the L. */
	readonly bulk_kg_per_L: number;
	readonly pack: PackKind;
	readonly containers: readonly Container[];
	/** The household's own choice; else the smallest that fits. */
	readonly containerId?: string;
	/** In which what is missing is said; metric without it. */
	readonly units?: Units;
}

export interface Packs {
	readonly count: number;
	readonly portion_g: number;
	/** Too little for another pack: a small pack, or supper. */
	readonly remainder_g: number;
	readonly container?: Container;
	/** Containers missing from the drawer: known before work starts. */
	readonly short: number;
	readonly volume_L: number;
	readonly headspace: string;
	/** Why no container was found. */
	readonly problem?: string;
}

/** What is frozen in glass: what pours. Nothing is pressed, wrapped or poured loose into a jar. */
const jarred: ReadonlySet<PackKind> = new Set<PackKind>(['liquid', 'dry']);

const headspace: Record<PacksInput['pack'], string> = {
	loose: 'no headspace: pieces frozen one by one stay loose',
	flat: 'pressed flat and thin, ½ in of headspace',
	balls: 'pressed in balls or pucks, ½ in of headspace',
	wrap: 'wrapped tight or bagged, no headspace',
	dry: 'dry pack: ½ in of headspace',
	liquid: 'liquid pack, wide mouth: ½ in of headspace to a pint, 1 in to a quart'
};

/**
 * Packs of a portion from an amount, the container for them and what is left over.
 *
 * Equal packs are as many as the portion goes into the food, to the nearest, and one at least: a small haul makes one small
 * pack. Packs of a portion that was said are just that, and the rest is told.
 *
 * A container fits when the portion, bagged, fills at most nine tenths of it. Balance: count·portion + remainder = food.
 *
 * @throws {DomainError} NOT_POSITIVE: food, portion or bulk density
 * @throws {DomainError} OUT_OF_RANGE: a portion under 10 g
 * @source headspace from NCHFP, Headspace to Allow Between Packed Food and Closure (from memory)
 */
export function packs(input: PacksInput): Packs {
	mustBePositive(input.food_g, 'food_g');
	mustBePositive(input.portion_g, 'portion_g');
	mustBePositive(input.bulk_kg_per_L, 'bulk_kg_per_L');
	if (input.portion_g < 10) throw new DomainError('OUT_OF_RANGE', 'portion_g', 'A portion is at least 10 g.');
	const food_g = Math.round(input.food_g);
	// Less than a portion makes one pack of what there is, never none.
	const equal = input.equal === true || food_g < input.portion_g;
	const count = equal ? Math.max(1, Math.round(food_g / input.portion_g)) : Math.floor(food_g / input.portion_g);
	const portion_g = equal ? food_g / count : input.portion_g;
	const remainder_g = equal ? 0 : food_g - count * portion_g;
	const each_mL = portion_g / input.bulk_kg_per_L;
	const fits = (c: Container) => c.volume_mL * 0.9 >= each_mL;
	const fitting = input.containers
		.filter((c) => fits(c) && (c.kind !== 'jar' || jarred.has(input.pack)))
		// Jars are for the canner and the dryer: what a bag or a box holds too goes into that.
		.sort((a, b) => Number(a.kind === 'jar') - Number(b.kind === 'jar') || a.volume_mL - b.volume_mL);
	const chosen = input.containerId ? input.containers.find((c) => c.id === input.containerId) : undefined;
	const needed = count + (remainder_g >= 10 ? 1 : 0);
	const container = chosen ?? fitting.find((c) => c.count >= needed) ?? fitting[0];
	const units = input.units ?? 'metric';
	const each = `${sayWeight(portion_g, units)} (about ${sayVolume(each_mL / 1000, units)})`;
	const problem =
		chosen && !fits(chosen)
			? `${chosen.name} is too small for ${each}.`
			: container
				? undefined
				: `Nothing in the drawer holds ${each}. Add a container in the Kitchen, or choose a smaller portion.`;
	return {
		count,
		portion_g,
		remainder_g,
		...(container ? { container } : {}),
		short: container ? Math.max(0, needed - container.count) : needed,
		volume_L: ((food_g / 1000) * freezingRules.packSlack.value) / input.bulk_kg_per_L,
		headspace: headspace[input.pack],
		...(problem ? { problem } : {})
	};
}
