import type { SourceId } from './sources';

/** 'read': from open data in an installed package; 'from memory': published, recalled, not looked up; 'practice': no source. */
export type Confidence = 'read' | 'from memory' | 'practice';

/** What a reader needs to doubt a number. */
export interface Provenance {
	readonly source: SourceId;
	readonly confidence: Confidence;
	readonly note?: string;
}

/** One number, with everything needed to doubt it. */
export interface Row<Unit extends string = string> extends Provenance {
	readonly value: number;
	readonly unit: Unit;
	/** Conditions, in words. */
	readonly at?: string;
}
