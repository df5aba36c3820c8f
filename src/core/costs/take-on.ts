import { mustBeWithin } from '../errors';

/** What a kitchen has until a date, and what a kilo of a way takes of it. */
export interface Resource {
	readonly id: string;
	/** "hands", "ice", "freezer room". */
	readonly name: string;
	readonly unit: string;
	/** What is there, in its unit. */
	readonly have: number;
	/** A kilo as it comes in takes so much; 0 where it takes none. */
	readonly perKg: number;
}
export interface TakeOn {
	/** Whole kilos that can still be taken on; 0 where something has run out. */
	readonly kg: number;
	/** What ends it first; undefined where nothing is used. */
	readonly binds?: Resource;
	/** Each resource with the kilos it would stand, the scarcest first. */
	readonly by: readonly { readonly resource: Resource; readonly kg: number }[];
}

/**
 * How much more can be taken on: the least of what each resource stands.
 *
 *     kg = min over resources of have/perKg
 *
 * Plain sums for one food in one way; sharing a kitchen between several is the solver's.
 *
 * @throws {DomainError} OUT_OF_RANGE: a resource that is negative or not a number
 */
export function takeOn(resources: readonly Resource[]): TakeOn {
	for (const r of resources) {
		mustBeWithin(r.have, 0, 1e9, `${r.id}.have`);
		mustBeWithin(r.perKg, 0, 1e9, `${r.id}.perKg`);
	}
	const by = resources
		.filter((r) => r.perKg > 0)
		.map((resource) => ({ resource, kg: resource.have / resource.perKg }))
		.sort((a, b) => a.kg - b.kg);
	const [first] = by;
	return { kg: first ? Math.floor(first.kg + 1e-9) : 0, ...(first ? { binds: first.resource } : {}), by };
}
