import type { Provenance } from '../../reference/row';
import type { PlaceKind, Range } from '../../reference/tables';
import type { Age } from './thing';

export type StandingPlace = PlaceKind | 'freezer' | 'pantry' | 'ground' | 'crock';

/** How long a thing keeps in one place, from its first hour there. */
export interface Keeping extends Provenance {
	readonly days: Range;
	/** Whether the end is one of safety, or of quality. */
	readonly limit: Age['limit'];
	/** What to mind about this place. */
	readonly warning?: string;
}
