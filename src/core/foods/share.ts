import type { CutRow } from '../../reference/tables';
import type { Thing } from '../things/thing';

/**
 * Share of a thing, by weight, that is left when it is cut so. What was cut before it came, and whatever is no longer as it
 * came in, has been trimmed already.
 */
export function shareLeft({ form, state, food }: Pick<Thing, 'form' | 'state' | 'food'>, cut: CutRow): number {
	if (state === 'frozen' || state === 'thawed') return 1;
	// Whole, and made ready whole: of what came in whole it is hulled, topped, stemmed first, as its row says.
	if (form === cut.id && state !== 'fresh') return 1;
	const known = cut.yields[form];
	if (known) return known.value;
	if (form === cut.id) return 1;
	if (state === 'prepared' && !food.forms.some((f) => f.id === form)) return 1;
	return Object.values(cut.yields)[0]?.value ?? 1;
}
