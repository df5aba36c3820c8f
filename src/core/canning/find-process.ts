import { convert } from 'convert';
import {
	acidPerQuart,
	canningRules,
	jarSizes,
	jarVolume_L,
	type AcidRow,
	type Gauge,
	type JarSize
} from '../../reference/canning-rules';
import type { CanningProduct, PackStyle, ProcessRow } from '../../reference/canning';
import type { Confidence } from '../../reference/row';
import { sources, type SourceId } from '../../reference/sources';
import { mustBeWithin } from '../errors';
import { pressureAt, waterColumn } from './bands';

export interface ProcessQuery {
	readonly product: CanningProduct;
	/** m above the sea, not rounded. */
	readonly altitude_m: number;
	readonly style?: PackStyle;
	readonly jar?: JarSize;
	readonly gauge?: Gauge;
}

/** A row of the tables, read off for one jar at one altitude. */
export interface TestedProcess {
	readonly product: CanningProduct;
	readonly row: ProcessRow;
	readonly style: PackStyle;
	readonly jar: JarSize;
	/** The jar that the row was tested in, where a smaller one is asked for. */
	readonly testedJar: JarSize;
	readonly method: 'boiling-water' | 'pressure';
	readonly gauge?: Gauge;
	readonly minutes: number;
	readonly psi?: number;
	readonly kPa?: number;
	readonly headspace_m: number;
	readonly headspace_in: number;
	readonly acid: JarAcid | null;
	/** The process is too short to sterilise the jar, so it is boiled first. */
	readonly sterileJars: boolean;
	/** An atmospheric steam canner does as well: acid food, no longer than 45 minutes. */
	readonly steamCanner: boolean;
	readonly source: SourceId;
	readonly sourceTitle: string;
	readonly confidence: Confidence;
}

export interface JarAcid {
	readonly lemonJuice_tbsp: number;
	readonly citricAcid_tsp?: number;
	readonly vinegar_tbsp?: number;
	readonly words: string;
}

/** psi to kPa, to the tenth. */
export const kPaOf = (psi: number): number => Number((psi * Number(convert(1, 'psi').to('kPa'))).toFixed(1));

/** The acid of one jar, in proportion to its volume. */
export function acidFor(acid: AcidRow, jar: JarSize): JarAcid {
	const share = jarVolume_L[jar] / jarVolume_L.quart;
	return {
		lemonJuice_tbsp: acid.lemonJuice_tbsp * share,
		...(acid.citricAcid_tsp === undefined ? {} : { citricAcid_tsp: acid.citricAcid_tsp * share }),
		...(acid.vinegar_tbsp === undefined ? {} : { vinegar_tbsp: acid.vinegar_tbsp * share }),
		words: acid.words
	};
}

/**
 * The jar in which a product's row was tested that serves a wanted jar: the same, or the smallest listed when the
 * wanted one is smaller still (the time is never shortened). Undefined for a jar larger than any listed.
 */
function testedJar(product: CanningProduct, row: ProcessRow, jar: JarSize): JarSize | undefined {
	if (row.jars.includes(jar)) return jar;
	const rank = (j: JarSize) => jarSizes.indexOf(j);
	// Another row for just this jar, in the same style and method, comes first.
	const alike = product.processes.filter((p) => p.style === row.style && p.method === row.method);
	if (alike.some((p) => p.jars.includes(jar))) return undefined;
	const listed = alike.flatMap((p) => p.jars).sort((a, b) => rank(a) - rank(b));
	const smallest = listed[0];
	if (smallest === undefined || rank(jar) > rank(smallest) || !row.jars.includes(smallest)) return undefined;
	return smallest;
}

/**
 * Reads a product's tested processes off the tables. It only looks up: whether the food may be canned at all is
 * decided by the safety module, which calls this.
 *
 * @param query.altitude_m −430 m (the lowest land) to 10,000 ft
 * @returns every row that fits, boiling water first; empty when none does
 * @throws {DomainError} OUT_OF_RANGE: the altitude is missing, not a number, or outside the range
 * @source the row's own
 */
export function findProcesses(query: ProcessQuery): TestedProcess[] {
	const { product, altitude_m } = query;
	mustBeWithin(altitude_m, -430, canningRules.highest_m.value + 1e-6, 'altitude_m');
	const found: TestedProcess[] = [];
	for (const row of product.processes) {
		if (query.style && row.style !== query.style) continue;
		for (const jar of query.jar ? [query.jar] : row.jars) {
			const tested = testedJar(product, row, jar);
			if (tested) found.push(...readings(product, row, jar, tested, query));
		}
	}
	return found;
}

function readings(
	product: CanningProduct,
	row: ProcessRow,
	jar: JarSize,
	tested: JarSize,
	{ altitude_m, gauge }: ProcessQuery
): TestedProcess[] {
	const acid = product.acid ? acidFor(acidPerQuart[product.acid], jar) : null;
	const common = {
		product,
		row,
		style: row.style,
		jar,
		testedJar: tested,
		headspace_in: row.headspace_in,
		headspace_m: row.headspace_in * 0.0254,
		acid,
		source: row.source,
		sourceTitle: `${sources[row.source].title}, ${product.locator}`,
		confidence: row.confidence
	};
	if (row.method === 'water') {
		// A pressure gauge asked for does not hide the boiling-water row: it needs none.
		const minutes = typeof row.minutes === 'number' ? undefined : row.minutes[waterColumn(altitude_m)];
		if (minutes === undefined) return [];
		return [
			{
				...common,
				method: 'boiling-water',
				minutes,
				sterileJars: minutes < canningRules.sterileBelow_min.value,
				steamCanner: minutes <= canningRules.steamCanner_min.value
			}
		];
	}
	if (typeof row.minutes !== 'number') return [];
	const list: TestedProcess[] = [];
	for (const each of gauge ? [gauge] : (['weighted', 'dial'] as const)) {
		const psi = pressureAt(row.method, each, altitude_m);
		if (psi === undefined) continue;
		list.push({
			...common,
			method: 'pressure',
			gauge: each,
			minutes: row.minutes,
			psi,
			kPa: kPaOf(psi),
			sterileJars: false,
			steamCanner: false
		});
	}
	return list;
}
