import { dayLimit_kg } from '$core/freezing/freezer-week';
import type { FreezerPlan, Subject } from '$core/runs/kinds/freeze/plan';
import { make, transformsOf } from '$core/things/transform';
import type { Thing } from '$core/things/thing';
import type { FreezeWay } from '$core/ways/freeze-ways';
import type { Stores } from './stores';

/** Below this a by-product is not worth a line, g. */
const least_g = 50;

/** What can be used of what comes off a thing when it is made ready for a way: the rows of its transforms say. */
export function byProductsOf(thing: Thing, way: FreezeWay, grams: number): Subject['byproducts'] {
	const row = transformsOf(thing).find((r) => r.to.form === way.cut.id && (r.by ?? []).some((b) => b.kept));
	if (!row) return [];
	return make(row, thing, grams)
		.by.filter((b) => b.kept && b.grams >= least_g)
		.map((b) => ({ food: b.thing.food.id, form: b.thing.form, name: b.thing.called, grams: Math.round(b.grams) }));
}

/** The freezers of a household, with what each freezes in a day: by its plate, else by the published load. */
export async function freezersOf(stores: Stores): Promise<FreezerPlan[]> {
	const places = await stores.home.places();
	return places
		.filter((p) => p.kind === 'freezer')
		.map(({ id, name, dayKg, litres }) => ({ id, name, day_kg: dayKg ?? (litres ? dayLimit_kg(litres) : null) }));
}
