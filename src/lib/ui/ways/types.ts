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
