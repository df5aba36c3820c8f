import type { Refusal } from '$core/errors';
import { gate } from '$core/safety/gate';
import { refuse } from '$core/safety/refuse';
import type { Reread } from '$core/things/reread';
import type { Thing } from '$core/things/thing';

/** What stops every way of a lot: one answer instead of a list of ways. */
export interface Stop extends Refusal {
	readonly stop: 'flagged' | 'out' | 'identify' | 'state';
}

/** Ways of keeping that Ways shows. */
const keeping = ['freeze-raw', 'freeze-cooked', 'dry', 'can'] as const;

const stops: Readonly<Record<string, Stop['stop']>> = {
	'age-out': 'out',
	unidentified: 'identify',
	'not-identified': 'out',
	'wild-mushroom-unknown': 'out',
	'state-frozen': 'state',
	'state-thawed': 'state',
	'state-unknown': 'state',
	'kept-only': 'state'
};

/**
 * Why nothing at all is to be made of a lot; undefined where some way may be open.
 *
 * @param reread what its own words say when they are read again, where that is another thing
 */
export function stopOf(thing: Thing, reread: Reread | undefined): Stop | undefined {
	if (reread?.flagged) return { ...refuse('flagged', { called: reread.words }), stop: 'flagged' };
	const refusal = gate({ thing, way: 'freeze-raw' });
	const stop = refusal?.rule === undefined ? undefined : stops[refusal.rule];
	if (!refusal || !stop) return undefined;
	// One way that is open to its state is enough: the others say for themselves why they are not.
	const open = () => keeping.some((way) => gate({ thing, way, heatStep: 'before' }) === undefined);
	if (refusal.rule?.startsWith('state-') && open()) return undefined;
	// Thawed tomatoes still make juice, sauce and ketchup: the canning room has rows for that.
	const cold = thing.state === 'frozen' || thing.state === 'thawed';
	return cold && thing.food.id === 'tomatoes' ? undefined : { ...refusal, stop };
}
