import { sayCount, sayPressure, saySpoons, type Units } from '../../../quantities/format';
import { kPaOf, type JarAcid } from '../../../canning/find-process';
import { acids, type AcidKind } from './events';
import { jarsOf, type CanLoad, type Filled } from './fold';
import { Pa_psi, subjectOf, type CanPlan, type CanSubject } from './plan';

export const acidNames: Readonly<Record<AcidKind, string>> = {
	'lemon-juice': 'bottled lemon juice',
	'citric-acid': 'citric acid',
	vinegar: '5 % vinegar'
};

/** So much of an acid into one jar; undefined where no amount of it is published. */
export function acidOf(acid: JarAcid, kind: AcidKind, units: Units): string | undefined {
	const { lemonJuice_tbsp, citricAcid_tsp, vinegar_tbsp } = acid;
	if (kind === 'lemon-juice') return saySpoons(lemonJuice_tbsp, 'tbsp', units);
	if (kind === 'citric-acid') return citricAcid_tsp === undefined ? undefined : saySpoons(citricAcid_tsp, 'tsp', units);
	return vinegar_tbsp === undefined ? undefined : saySpoons(vinegar_tbsp, 'tbsp', units);
}

/** Acids that an amount is published of. */
export const acidsOf = (acid: JarAcid): readonly AcidKind[] =>
	acids.filter((kind) => acidOf(acid, kind, 'us') !== undefined);

/** "11 psi (76 kPa)": the cell, in the gauge's own unit; in metric the other beside it. */
export const markWords = (plan: CanPlan): string =>
	plan.psi === null ? '' : sayPressure(plan.psi, kPaOf(plan.psi), plan.units);

/** What a gauge showed, in psi and in metric the kPa beside: "11.3 psi (78 kPa)". */
export function sayGauge(Pa: number, units: Units): string {
	const psi = Math.floor((Pa / Pa_psi) * 10 + 0.05) / 10;
	return units === 'us' ? `${psi} psi` : `${psi} psi (${Math.floor(Pa / 1000 + 0.05)} kPa)`;
}

export const jarWords = (subject: CanSubject, jars: number): string => sayCount(jars, subject.jar);

/** "7 quarts of tomatoes, crushed and 2 pints of …". */
export const loadWords = (plan: CanPlan, filled: readonly Pick<Filled, 'subject' | 'jars'>[]): string =>
	filled
		.filter((f) => f.jars > 0)
		.map((f) => {
			const subject = subjectOf(plan, f.subject);
			return `${jarWords(subject, f.jars)} of ${subject.product.name}`;
		})
		.join(' and ');

/** What of a load is whole, in words. */
export const wholeWords = (plan: CanPlan, load: CanLoad): string =>
	loadWords(
		plan,
		load.filled.map((f) => ({ subject: f.subject, jars: jarsOf(load, f.subject) }))
	);
