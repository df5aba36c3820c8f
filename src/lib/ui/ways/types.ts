import type { GlanceNote, GlanceRefused, GlanceWay } from '$core/ways/glance';
import type { CurveAsk, FreezerAsk } from '../../../workers/protocol';

/** One tested product in one style and jar, as the page shows it. */
export interface JarWay {
	readonly id: string;
	readonly name: string;
	/** "hot", "raw", or "hot or raw" where the numbers are the same. */
	readonly styles: string;
	readonly jar: string;
	readonly recipe: boolean;
	readonly heats: readonly { readonly minutes: number; readonly where: string }[];
	readonly headspace: string;
	readonly acid: string | null;
	readonly sterile: boolean;
	readonly jars: {
		readonly count: number;
		readonly loads: number;
		readonly perJar_g: number;
		readonly note?: string;
	} | null;
	readonly load_s: number;
	readonly keepsUntil: string;
	readonly noCanner: boolean;
	readonly testedJar: string | null;
	readonly prepare: string;
	/** Of a tested recipe, in the household's units; its time is for just this. */
	readonly ingredients: readonly string[];
	readonly makes: string | null;
	readonly keep: readonly string[];
	readonly mind: readonly string[];
	readonly source: string;
	readonly confidence: string;
	readonly once: boolean;
}

export interface JarWays {
	readonly steps: { readonly water: readonly string[]; readonly pressure: readonly string[] };
	readonly refused: {
		readonly rule?: string;
		readonly reason: string;
		readonly source: string;
		readonly instead: readonly string[];
	} | null;
	readonly plain: readonly JarWay[];
	readonly recipes: readonly JarWay[];
	readonly cautions: readonly { readonly id: string; readonly text: string; readonly source: string | null }[];
}

interface Refused {
	readonly reason: string;
	readonly source: string;
	readonly instead: readonly string[];
}

/** A line of the list of all ways: as the core has it, the loads with what the page needs of them. */
export type GlanceRow =
	GlanceRefused | GlanceNote | (Omit<GlanceWay, 'loads' | 'work' | 'demands'> & { readonly loads: JarLoads | null });

/** Canner loads on the clock. */
export interface JarLoads {
	readonly method: 'boiling-water' | 'pressure';
	readonly perLoad: number;
	readonly lids: number;
	readonly loads: readonly {
		readonly jars: number;
		readonly seconds: number;
		readonly steps: readonly {
			readonly name: string;
			readonly seconds: number;
			readonly kind: 'published' | 'estimate';
			readonly attended: boolean;
			readonly words: string;
		}[];
	}[];
}

export type DryShown =
	| ({ readonly kind: 'refused' } & Refused)
	| {
			readonly kind: 'way';
			readonly rows: readonly { readonly id: string; readonly cut: string }[];
			readonly row: {
				readonly id: string;
				readonly cut: string;
				readonly pretreat: string;
				readonly test: string;
				readonly thickness_in: readonly [number, number] | null;
				readonly blanches: boolean;
			};
			readonly skins: readonly string[];
			readonly hours: number;
			readonly interval_h: readonly [number, number];
			readonly printed_h: readonly [number, number];
			readonly asPrinted: boolean;
			readonly air_C: number;
			readonly humidity: number;
			readonly why: string;
			readonly blanch: {
				readonly method: 'water' | 'steam';
				readonly minutes: readonly [number, number];
				readonly dip: boolean;
			} | null;
			readonly dryer: { readonly trays: number; readonly leastTrays?: number };
			readonly usualDryer: boolean;
			readonly trays: { readonly needed: number; readonly perTray_kg: number; readonly loads: number };
			readonly jars: { readonly quarts: number; readonly litres: number };
			readonly dry_kg: number;
			readonly water_kg: number;
			readonly byproduct_kg: number;
			readonly trayDry_kg: number;
			readonly keeps: {
				readonly time: readonly [number, number];
				readonly unit: string;
				readonly at: string | null;
			} | null;
			readonly odour: string | null;
			readonly heat: readonly string[];
			readonly cautions: readonly { readonly id: string; readonly text: string; readonly source: string | null }[];
			readonly source: string;
			readonly confidence: string;
			/** Null where no curve is drawn: meat. */
			readonly curve: null | {
				readonly target: number;
				readonly middle: readonly (readonly [number, number])[];
				readonly band: readonly (readonly [number, number, number])[];
			};
	  };

export interface FreezerAsks {
	readonly curves: { readonly asks: readonly CurveAsk[]; readonly names: readonly string[] };
	readonly freezer: FreezerAsk | null;
	readonly pack_mm: number | null;
	readonly loose: boolean;
	readonly way: string;
}

/** Why nothing at all is to be made of an item, as the page shows it. */
export interface ShownStop {
	readonly stop: 'flagged' | 'out' | 'identify' | 'state';
	readonly reason: string;
	readonly source: string;
	readonly instead: readonly string[];
	readonly asks: {
		readonly question: string;
		readonly choices: readonly { readonly label: string; readonly text: string }[];
	} | null;
}
