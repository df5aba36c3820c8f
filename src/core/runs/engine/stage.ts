/**
 * How a stage ends: by a published clock, by a person's look, by a reading, by a mark, by a date. Only a clock is a time;
 * a look reminds, and never says that something is done.
 */
export type StageEnd =
	| {
			readonly by: 'clock';
			/** Shortest published, s. */
			readonly least_s: number;
			/** Longest published, where a range is printed, s. */
			readonly most_s?: number;
	  }
	| {
			readonly by: 'look';
			/** When to look first, s; without it the clock only counts up. */
			readonly first_s?: number;
	  }
	| {
			readonly by: 'reading';
			readonly quantity: 'temperature' | 'mass' | 'pressure';
			/** In order: the mark, in SI, whether it is come to from above, and within how many s of the start. */
			readonly marks: readonly Mark[];
	  }
	| { readonly by: 'mark'; readonly words: string }
	| {
			readonly by: 'date';
			/** Days from its start. */
			readonly days: number;
	  };

export interface Mark {
	readonly value: number;
	readonly falling: boolean;
	readonly within_s: number;
}

/** So long before the end of its time a reading is asked for (common practice). */
const lead_s = 900;

/** When a stage that began then rings, and the longest that is published; ms. Null where nothing rings. */
export function ringsOf(
	end: StageEnd,
	since: number,
	met = 0
): { readonly due: number | null; readonly latest: number | null } {
	switch (end.by) {
		case 'clock':
			return { due: since + end.least_s * 1000, latest: end.most_s ? since + end.most_s * 1000 : null };
		case 'look':
			return { due: end.first_s === undefined ? null : since + end.first_s * 1000, latest: null };
		case 'reading': {
			const mark = end.marks[met];
			if (!mark) return { due: null, latest: null };
			const latest = since + mark.within_s * 1000;
			// Measured before its time is out: after it nobody can know any more.
			return { due: latest - lead_s * 1000, latest };
		}
		case 'date':
			return { due: since + end.days * 86_400_000, latest: null };
		case 'mark':
			return { due: null, latest: null };
	}
}

/** A clock that runs at a station, for the rail of every place. */
export interface Timer {
	readonly key: string;
	/** What goes on: "in the ice". */
	readonly label: string;
	/** Of which food of the run, and of which part of it: "potful 3". */
	readonly food: string;
	readonly unit: string | null;
	readonly since: number;
	/** ms; null where the clock only counts up. */
	readonly due: number | null;
	/** Longest published, ms. */
	readonly latest: number | null;
}
