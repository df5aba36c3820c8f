import type { FoodRow } from '../../reference/tables';
import type { Refusal } from '../errors';
import { mustBeIdentified, type State } from '../things/thing';
import type { Query, WayId } from './question';
import { refuse } from './refuse';

/** Ways that only handle or hold what is there: they have their own rules for what is not fresh. */
const handling = new Set<WayId>(['fridge', 'room', 'thaw', 'serve-raw', 'vacuum', 'absorber', 'hold-packed']);
/** Ways of eating: a thing that may not be kept may still be asked about. */
const keepsNothing = new Set<WayId>(['fridge', 'room', 'thaw', 'serve-raw']);

/** Dried in a jar with a pump or an absorber, frozen in a bag: what those ways are for. */
const suits: Readonly<Partial<Record<State, readonly WayId[]>>> = {
	soaked: ['can', 'freeze-cooked'],
	// Cooked through, what was thawed may be frozen once more.
	thawed: ['freeze-cooked'],
	frozen: ['freeze-dry'],
	// What a cooked dish may become stands in its own rows.
	cooked: []
};

const plants = new Set<FoodRow['group']>(['vegetable', 'fruit', 'mushroom', 'herb', 'flower']);

/** What stops a thing itself names its food, and offers none of the ways that the food would have if it were sound and fresh. */
const stop = (rule: string, food: FoodRow): Refusal => refuse(rule, { called: food.name });

function ofState({ thing, way, product }: Query): Refusal | undefined {
	const { food, state } = thing;
	if (state === 'fresh' || state === 'prepared' || handling.has(way)) return undefined;
	if (suits[state]?.includes(way) && (state !== 'soaked' || food.id === 'dry-beans')) return undefined;
	// Frozen vegetables and fruit go onto the trays as they are: they were blanched before they were frozen.
	if (state === 'frozen' && way === 'dry' && plants.has(food.group)) return undefined;
	// A jar that clumped goes back onto the trays; dried meat that drew damp does not.
	if (state === 'dried' && way === 'dry' && plants.has(food.group)) return undefined;
	// What was in a jar may be frozen once it is open: the jar itself may not.
	if (state === 'opened' && thing.was === 'canned' && (way === 'freeze-raw' || way === 'dry') && plants.has(food.group))
		return undefined;
	if (state === 'frozen' || state === 'thawed') {
		// Juice, sauce and ketchup of thawed tomatoes have a row of their own: the canning room decides.
		if (way === 'can' && food.id === 'tomatoes' && product !== undefined) return undefined;
		if (way === 'can' && food.id === 'tomatoes') return stop('thawed-tomatoes', food);
		return stop(state === 'frozen' ? 'state-frozen' : 'state-thawed', food);
	}
	if (state === 'dried' && way === 'can') return food.id === 'dry-beans' ? undefined : stop('dry-in-soup', food);
	// A dish is cooked by nature: its rows are for that state.
	if (state === 'cooked' && (food.group === 'dish' || food.group === 'stock')) return undefined;
	return stop('state-unknown', food);
}

/** A jar of food that is not sour, of which nobody knows how it was made: for no way, and not for the table. */
function ofProcess({ thing }: Query): Refusal | undefined {
	const { food, state, was, process } = thing;
	const jar =
		state === 'canned' || state === 'pickled' || (state === 'opened' && (was === 'canned' || was === 'pickled'));
	return jar && process === 'unknown' && food.acid.class !== 'high' ? stop('jar-process', food) : undefined;
}

function ofAge({ thing, way }: Query): Refusal | undefined {
	const { age, food } = thing;
	if (age?.past !== 'end') return undefined;
	if (age.limit === 'safety') return stop('age-out', food);
	return way === 'can' ? stop('age-past', food) : undefined;
}

/** Who has seen it: unsaid is asked, and until it is answered nothing opens. */
function ofIdentity({ thing, part }: Query): Refusal | undefined {
	const { food } = thing;
	const elder = food.marks?.includes('elder') === true;
	if (elder && (part === 'stems' || part === 'leaves')) return stop('elder-green', food);
	if (food.marks?.includes('rhubarb-leaves') && part === 'leaves') return stop('rhubarb-leaves', food);
	if (!mustBeIdentified(thing) || thing.identified === true) return undefined;
	const mushroom = food.group === 'mushroom';
	if (thing.identified === false) return stop(mushroom ? 'wild-mushroom-unknown' : 'not-identified', food);
	return {
		...stop('unidentified', food),
		asks: {
			question: elder
				? 'Is it black elder for certain, ripe, and stripped of every green stem?'
				: `${thing.called}: has someone who knows them for certain seen every one?`,
			choices: [
				{ label: 'Yes, every one', text: 'yes' },
				{ label: 'No, or not sure', text: 'no' }
			]
		}
	};
}

/**
 * What stops a thing before any way of it is looked at: what it is, its age, its state, what is known of its food.
 *
 * @returns the refusal, with its question where an answer would open the way; undefined where nothing stops it
 */
export function gate(query: Query): Refusal | undefined {
	const { thing, way } = query;
	const { food, kind } = thing;
	const stopped = ofProcess(query) ?? ofAge(query) ?? ofIdentity(query);
	if (stopped) return stopped;
	if (way === 'can' && thing.condition === 'unsound') return refuse('damaged', { food });
	const state = ofState(query);
	if (state) return state;
	const never = way === 'can' ? kind?.never?.can : undefined;
	if (never) return refuse(never, { food, called: thing.called });
	if (food.keepOnly && way !== 'can' && !keepsNothing.has(way)) {
		if (handling.has(way)) return undefined;
		const { words } = food.keepOnly;
		return refuse('kept-only', { food, first: [words] });
	}
	return undefined;
}
