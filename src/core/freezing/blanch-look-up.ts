import { blanchRules } from '../../reference/rules';
import type { Confidence } from '../../reference/row';
import { sources } from '../../reference/sources';
import type { BlanchRow, CutRow, FoodRow } from '../../reference/tables';
import { DomainError, type Refusal } from '../errors';
import { foldName } from '../foods/fold-name';
import { boilingPoint_C } from '../heat/boiling-point';
import { blanchTime_s } from '../heat/blanch-line';
import { chillTime_s } from '../heat/chill-time';
import { advise } from '../safety/advise';
import { gate } from '../safety/gate';
import type { Thing } from '../things/thing';
import type { Caution } from '../safety/cautions';
import { blanchRowsOf, usualCut } from '../safety/freeze';

export interface BlanchQuestion {
	readonly thing: Thing;
	/** A cut's id or name, or a size of the table ("small", "ears-medium"). */
	readonly cut?: string;
	readonly method?: 'water' | 'steam';
	readonly altitude_m?: number;
}

export interface BlanchAnswer {
	readonly kind: 'blanch';
	readonly cut: CutRow;
	/** The cut was not named, and this is the food's usual one. */
	readonly usual: boolean;
	readonly method: 'water' | 'steam' | 'none';
	/** With the altitude minute where the altitude is known; 0 where nothing is blanched. */
	readonly minutes: readonly [number, number];
	/** A printed row, the published rule for steam, or nothing to blanch. */
	readonly basis: 'table' | 'rule' | 'none';
	/** 1 from 5,000 ft, else 0; null while the altitude is not known. */
	readonly altitudeMinute: 0 | 1 | null;
	readonly chill_min: number;
	readonly chillPublished_min: number;
	readonly row?: BlanchRow;
	/** The list has a time, and raw does as well: peppers for the salad. */
	readonly optional: boolean;
	/** Every size of the cut. */
	readonly sizes: readonly BlanchRow[];
	/** Why nothing is blanched, or what to mind. */
	readonly why: string;
	readonly source: string;
	readonly confidence: Confidence;
	readonly cautions: readonly Caution[];
}

/** A published rule of thumb for steam where no steam time is printed. @source NCHFP, Blanching Vegetables (from memory) */
const steamFactor = 1.5;

const suffix = (row: BlanchRow) => row.id.split('/')[1] ?? '';
/** Whether a folded word or phrase stands in a text, whole. */
const says = (text: string, key: string) => ` ${foldName(text)} `.includes(` ${key} `);

/** Every word that answers for a cut or size of a food. */
export const cutNames = (food: FoodRow): string[] => [
	...new Set(food.cuts.flatMap((c) => [c.id, ...blanchRowsOf(c).map(suffix)]))
];

function meantCut(food: FoodRow, wanted: string): { cut: CutRow; row?: BlanchRow } | undefined {
	const key = foldName(wanted);
	const byId = food.cuts.find((c) => foldName(c.id) === key || foldName(c.name) === key);
	if (byId) return { cut: byId };
	for (const cut of food.cuts) {
		const rows = blanchRowsOf(cut);
		const row = rows.find((r) => foldName(suffix(r)) === key) ?? rows.find((r) => says(r.cut, key));
		if (row) return { cut, row };
	}
	const byWord = food.cuts.find((c) => says(c.name, key));
	return byWord ? { cut: byWord } : undefined;
}

/**
 * How long a food is blanched, by the published table; nothing is made up where it prints none.
 *
 * @throws {DomainError} UNKNOWN_CUT: names the cuts that are known
 * @source NCHFP, Blanching Vegetables (from memory); chill through the core's own conduction series
 */
export function lookUpBlanch(question: BlanchQuestion): BlanchAnswer | Refusal {
	const { thing, altitude_m } = question;
	const { food } = thing;
	const stopped = gate({ thing, way: 'freeze-blanched' });
	if (stopped) return stopped;
	const meant = question.cut === undefined ? undefined : meantCut(food, question.cut);
	if (question.cut !== undefined && !meant) {
		throw new DomainError(
			'UNKNOWN_CUT',
			'cut',
			`${food.name} are not cut as "${question.cut}". Known: ${cutNames(food).join(', ')}.`
		);
	}
	// The usual cut is the first of the food; where that one is neither blanched nor frozen raw, the first that is.
	const first = food.cuts[0];
	const usable =
		first && (first.blanch?.length || first.raw.kind !== 'refused' || first.cookFirst?.untimed === undefined);
	const cut = meant?.cut ?? (usable ? first : usualCut(food, 'freeze-blanched'));
	if (!cut) throw new DomainError('UNKNOWN_CUT', 'cut', `No cut of ${food.name} is known.`);
	const usual = meant === undefined;
	const rows = blanchRowsOf(cut);
	if (rows.length === 0) return unblanched(thing, cut, usual);
	const advice = advise(thing, 'freeze-blanched', { cut: cut.id });
	if (advice.kind === 'refused') return advice;

	const wanted = question.method;
	const exact = (list: readonly BlanchRow[]) => list.find((r) => !wanted || r.method === wanted);
	const named = meant?.row && (!wanted || meant.row.method === wanted) ? meant.row : undefined;
	const row = named ?? exact(rows);
	const byWater = meant?.row ?? rows.find((r) => r.method === 'water');
	const altitudeMinute = altitude_m === undefined ? null : altitude_m >= blanchRules.altitudeFrom_m.value ? 1 : 0;
	const base = row ?? (wanted === 'steam' && byWater?.method === 'water' && !byWater.dip ? byWater : undefined);
	if (!base) {
		const printed = rows[0];
		return {
			kind: 'refused',
			reason: `No ${wanted ?? 'blanching'} time is published for ${food.name}, ${cut.name}, and none is made up.`,
			source: sources.nchfpBlanching.title,
			instead: [
				`Blanch in ${printed?.method ?? 'water'}, by the table`,
				...(cut.cookFirst ? ['Cook it first, then freeze it'] : [])
			]
		};
	}
	const { seconds, extra_s } = blanchTime_s(base, altitude_m ?? 0);
	const factor = row ? 1 : steamFactor;
	const minutes = seconds.map((s) => ((s - extra_s) * factor + extra_s) / 60) as [number, number];
	const chill = base.dip ? Math.max(1, minutes[1]) : chillOf(base, cut, minutes[1], altitude_m ?? 0);
	return {
		kind: 'blanch',
		cut,
		usual,
		method: row?.method ?? 'steam',
		minutes,
		basis: row ? 'table' : 'rule',
		altitudeMinute: base.dip ? 0 : altitudeMinute,
		chill_min: chill,
		chillPublished_min: minutes[1],
		row: base,
		optional: cut.raw.kind === 'fine',
		sizes: rows,
		why: row
			? [base.endPoint, base.note, base.chillNote].filter(Boolean).join(' ')
			: 'No steam time is printed for it: the published rule is about one and a half times the time in water.',
		source: sources[base.source].title,
		confidence: base.confidence,
		cautions: advice.cautions
	};
}

/** Minutes in ice water until the centre is cold, never less than the published chill; to the next half minute. */
function chillOf(row: BlanchRow, cut: CutRow, blanch_min: number, altitude_m: number): number {
	const piece = row.blanchedAs ?? cut.piece;
	const seconds = chillTime_s({
		shape: piece.shape,
		size_m: piece.size_mm / 1000,
		start_C: 20,
		boil_C: boilingPoint_C(altitude_m),
		blanch_s: blanch_min * 60,
		bath_C: 4,
		target_C: blanchRules.chillTarget_C.value
	});
	const half = Math.ceil(seconds / 30 - 1e-6) / 2;
	return Math.max(blanch_min, half);
}

function unblanched(thing: Thing, cut: CutRow, usual: boolean): BlanchAnswer | Refusal {
	const { food } = thing;
	const raw = advise(thing, 'freeze-raw', { cut: cut.id });
	const cook = cut.cookFirst;
	if (raw.kind === 'refused' && (!cook || cook.untimed)) {
		return {
			...raw,
			reason: `${raw.reason} No blanching time is published for it, and none is made up.`,
			instead: cook ? [cook.words.replace(/\.$/, ''), ...raw.instead] : raw.instead
		};
	}
	// Refused raw leaves the cooking, which the lines above made sure of; allowed raw has its own row.
	const from = cut.raw.kind === 'refused' ? cook : cut.raw;
	if (!from) throw new Error(`${food.id}/${cut.id}: neither raw nor cooked`);
	const cookAdvice = cook ? advise(thing, 'freeze-cooked', { cut: cut.id }) : raw;
	const allowed = raw.kind === 'allowed' ? raw : cookAdvice;
	if (allowed.kind === 'refused') return allowed;
	return {
		kind: 'blanch',
		cut,
		usual,
		method: 'none',
		minutes: [0, 0],
		basis: 'none',
		altitudeMinute: 0,
		chill_min: 0,
		chillPublished_min: 0,
		optional: false,
		sizes: [],
		why: 'words' in from ? `Not blanched but cooked instead. ${from.words}` : from.why,
		source: sources[from.source].title,
		confidence: from.confidence,
		cautions: allowed.cautions
	};
}
