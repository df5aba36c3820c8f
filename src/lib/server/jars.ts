import { sayHeadspace, sayPressure, saySpoons, type Units } from '$core/quantities/format';
import type { TestedProcess, JarAcid } from '$core/canning/find-process';
import type { CanWay } from '$core/ways/can-ways';
import { recipeOf, sayIngredient } from '$core/canning/recipe-of';
import { sources } from '$reference/sources';

/** One choice of canner for a jar, in words. */
const heat = (p: TestedProcess, units: Units) => ({
	minutes: p.minutes,
	where:
		p.method === 'boiling-water'
			? `in boiling water${p.steamCanner ? ' or a steam canner' : ''}`
			: `at ${sayPressure(p.psi ?? 0, p.kPa ?? 0, units)}, ${p.gauge} gauge`
});

const acidWords = (acid: JarAcid, units: Units): string =>
	[
		`${saySpoons(acid.lemonJuice_tbsp, 'tbsp', units)} bottled lemon juice`,
		acid.citricAcid_tsp === undefined ? '' : `or ${saySpoons(acid.citricAcid_tsp, 'tsp', units)} citric acid`,
		acid.vinegar_tbsp === undefined ? '' : `or ${saySpoons(acid.vinegar_tbsp, 'tbsp', units)} vinegar (5 %)`
	]
		.filter(Boolean)
		.join(', ');

const spanOf = ([low, high]: readonly number[]) =>
	high === undefined || low === high ? `${low}` : `${low} to ${high}`;

/** A tested product in one style and jar, in words. */
export function shownJar(way: CanWay, food: string, units: Units) {
	const [first] = way.processes;
	if (!first) throw new Error(`${way.id} has no process`);
	const made = recipeOf(way.product, food);
	return {
		id: way.id,
		name: way.product.name,
		styles: way.style as string,
		jar: way.jar,
		recipe: way.product.recipe ?? false,
		heats: way.processes.map((p) => heat(p, units)),
		headspace: sayHeadspace(first.headspace_in, units),
		acid: first.acid ? acidWords(first.acid, units) : null,
		sterile: first.sterileJars,
		jars: way.jars ?? null,
		load_s: way.load_s,
		keepsUntil: way.keepsUntil,
		noCanner: way.noCanner,
		testedJar: first.testedJar === way.jar ? null : first.testedJar,
		prepare: way.product.prepare,
		ingredients: made ? made.ingredients.map((i) => sayIngredient(i, units)) : [],
		makes: made?.makes ? `${spanOf(made.makes.jars)} ${made.makes.size} jars` : null,
		keep: made?.keep ?? [],
		mind: way.product.mind ?? [],
		source: `${sources[first.source].short}, ${way.product.locator}`,
		confidence: first.confidence,
		once: way.processes.some((p) => p.row.recalls === 'once')
	};
}
