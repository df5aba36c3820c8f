import { governing, thingsIn } from '../things/mixture';
import type { Thing } from '../things/thing';
import { adviseCanning } from './can';
import { adviseDrying } from './dry';
import { adviseFreezing } from './freeze';
import { gate } from './gate';
import { adviseKeeping } from './keep';
import type { Advice, Query, Terms, WayId } from './question';
import { refuse } from './refuse';
import { waysOn } from './ways-on';

/**
 * What may be advised: the one place that decides it, for every way of every thing.
 *
 * Nothing is computed here. What is allowed comes with the rows of the published tables that say how; what is not comes
 * as a refusal with its reason in one sentence, its source, and at least one safe way on. What was not said is never
 * taken for safe: no altitude, no canning time; not identified, nothing at all.
 *
 * @param thing resolved at the door, with its state, condition and age
 * @returns `allowed` or `refused`; never throws for what a person may ask
 */
export function advise(thing: Thing, way: WayId, terms: Terms = {}): Advice {
	const advice = decide(thing, way, terms);
	if (advice.kind !== 'refused') return advice;
	// A way on must be open to this very thing: what is frozen, thawed or unsound is not sent to the ways of the sound, fresh food.
	const all = gate({ thing, way: 'freeze-raw' });
	const jars = gate({ thing, way: 'can' });
	const stopped = all?.rule === 'kept-only' ? jars : (all ?? jars);
	if (!stopped) return advice;
	const [fresh, freshJars] = [waysOn(thing.food, false), waysOn(thing.food, true)];
	const closed = stopped === jars ? freshJars.filter((words) => !fresh.includes(words)) : [...fresh, ...freshJars];
	const open = advice.instead.filter((words) => !closed.includes(words));
	return { ...advice, instead: open.length > 0 ? open : stopped.instead };
}

/**
 * A mixture obeys its most dangerous part: what is refused to one of its foods is refused to all of it, and no jar is
 * tested for it.
 */
function adviseMixture(thing: Thing, way: WayId, terms: Terms): Advice {
	const parts = thingsIn(thing);
	for (const part of parts) {
		const advice = decide(part, way, terms);
		if (advice.kind === 'refused')
			return {
				...advice,
				reason: `${thing.called.charAt(0).toUpperCase()}${thing.called.slice(1)} holds ${part.food.name}. ${advice.reason}`,
				// What is open to that part by itself is no way for all of it.
				instead: [...new Set(['Keep its parts as lots of their own, each by its own way', ...advice.instead])]
			};
	}
	if (way === 'can') return refuse('own-recipe', { called: thing.called });
	const worst = governing(thing.madeOf ?? []).row;
	return decide(parts.find((p) => p.food === worst) ?? thing, way, terms);
}

function decide(thing: Thing, way: WayId, terms: Terms): Advice {
	const query: Query = { ...terms, way, thing };
	if (thing.madeOf !== undefined && thing.madeOf.length > 1) return adviseMixture(thing, way, terms);
	// What is poisonous, unknown, too old or in a state that no table knows is refused before any way is looked at.
	const stopped = gate(query);
	if (stopped?.asks) {
		// A question is worth asking only where an answer opens the way: morels are never canned, whoever has seen them.
		const after = advise({ ...thing, identified: true }, way, terms);
		return after.kind === 'refused' ? after : stopped;
	}
	if (stopped) return stopped;
	switch (way) {
		case 'can':
			// 95 °F, above which the guide lets no sealed jar stand.
			if (terms.place_C !== undefined && terms.place_C > 35) return refuse('jars-warm', { food: thing.food });
			return adviseCanning(query);
		case 'freeze-raw':
		case 'freeze-blanched':
		case 'freeze-cooked':
			return adviseFreezing(query);
		case 'dry':
			return adviseDrying(query);
		default:
			return adviseKeeping(query);
	}
}
