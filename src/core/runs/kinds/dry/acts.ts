import { sayCount } from '../../../quantities/format';
import { about, key, mark, still, type Around, type DryAct } from './act';
import { before } from './before-acts';
import { freeSlots, lookAt, shut, tally, waiting, type DryState, type DrySubjectState } from './fold';
import { slotsOf, subjectOf, type DryPlan } from './plan';
import { coolFor_s } from './rules';
import { cooling, drying } from './tray-acts';

/**
 * All that could be done now, most urgent first: what nobody may pass over, the printed heat, trays in, what is due to be
 * felt, what is off and wants a jar. What runs by itself comes last.
 */
export function acts(plan: DryPlan, state: DryState, now: number): DryAct[] {
	if (state.phase !== 'working') return [];
	const around = { plan, state, now };
	const list: DryAct[] = [];
	if (!state.power.on && state.trays.some((t) => t.spot === 'in')) list.push(powerOn(around));
	for (const known of state.subjects) list.push(...before(around, known));
	list.push(...loading(around));
	for (const tray of state.trays) {
		if (tray.spot === 'in') list.push(...drying(around, tray));
		else if (tray.spot === 'cooling') list.push(...cooling(around, tray));
	}
	list.push(...turning(around), ...packing(around), ...over(around));
	return list.sort((a, b) => a.urgency - b.urgency || (a.due ?? Infinity) - (b.due ?? Infinity));
}

function powerOn({ plan, state }: Around): DryAct {
	return {
		...still,
		key: 'power',
		kind: 'power',
		...about(plan, null),
		subject: null,
		sentence: 'The dryer is off.',
		hint: 'Food that is neither wet nor dry spoils in a day at room warmth. Off for more than a few hours: feel and smell each tray; slimy or sour goes out. Meat that stood below its heat for 2 hours goes out.',
		since: state.power.since,
		clock: true,
		button: { label: 'It is on again', tap: { type: 'power', on: true } },
		task: 'wash',
		urgency: 3
	};
}

const open = (plan: DryPlan, known: DrySubjectState): boolean => {
	const subject = subjectOf(plan, known.n);
	return known.weighed && shut(plan, known) === undefined && (subject?.first === null || known.heat.done);
};

/** The next tray of each food that is ready, while there is a place for it. */
function loading({ plan, state, now }: Around): DryAct[] {
	const slots = freeSlots(plan, state.trays, slotsOf(plan.dryer));
	const next = state.trays.reduce((most, t) => Math.max(most, t.tray), 0) + 1;
	let taken = 0;
	return state.subjects.flatMap((known, i): DryAct[] => {
		const subject = subjectOf(plan, known.n);
		const [grams, ...more] = subject && open(plan, known) ? waiting(plan, state, known.n) : [];
		if (!subject || grams === undefined) return [];
		const slot = slots[taken];
		const base = {
			...still,
			...about(plan, subject),
			subject: subject.n,
			since: state.startedAt,
			task: 'wash' as const
		};
		if (slot === undefined) {
			const drying = state.trays.filter((t) => t.spot === 'in' && t.from !== null);
			const freed = Math.min(...drying.map((t) => lookAt(plan, state, t)));
			return [
				{
					...base,
					key: key(plan, subject.n, 'second'),
					kind: 'later',
					sentence: `${sayCount(more.length + 1, 'tray')} wait for a place: a second load.`,
					hint: 'Covered, in the fridge, a day at the most.',
					due: Number.isFinite(freed) ? freed : null,
					clock: Number.isFinite(freed),
					ready: now >= freed,
					button: null,
					urgency: 76
				}
			];
		}
		taken++;
		return [
			{
				...base,
				key: key(plan, subject.n, `load-${next}`),
				kind: 'load',
				sentence: `${plan.subjects.length > 1 ? `${subject.food.name}: a` : 'A'} tray into place ${slot}.`,
				hint: `One layer, nothing over another. ${more.length > 0 ? `${sayCount(more.length, 'more tray')} after it.` : 'The last of it.'} Weighed without the tray, or in cups.${few(plan)}`,
				asks: 'load',
				unit: null,
				button: { label: 'In', tap: { type: 'load', ...mark(plan, subject.n), tray: next + taken - 1, slot, grams } },
				urgency: 6.4 + i / 100
			}
		];
	});
}

/** A dryer that does not dry well half empty. */
const few = (plan: DryPlan): string => {
	const planned = plan.subjects.reduce((sum, s) => sum + s.trays, 0);
	return planned < plan.dryer.leastTrays
		? ` Your dryer wants ${plan.dryer.leastTrays} trays at the least: spread it thinner over more.`
		: '';
};

function turning({ plan, state, now }: Around): DryAct[] {
	if (state.turnedAt === null || !state.power.on) return [];
	const inside = state.trays.filter((t) => t.spot === 'in');
	if (inside.length < 2 && plan.dryer.heater !== 'back') return [];
	if (inside.length === 0) return [];
	const due = state.turnedAt + plan.turn_h * 3_600_000;
	const words =
		plan.dryer.heater === 'back' ? 'Turn each tray round.' : 'Swap the trays, top and bottom, and turn them.';
	return [
		{
			...still,
			...about(plan, null),
			key: `turn-${state.turnedAt}`,
			kind: 'turn',
			subject: null,
			sentence: now >= due ? words : 'Trays are turned next.',
			hint:
				plan.dryer.heater === 'back'
					? 'What lies next to the fan dries first.'
					: `What lies next to the heater, at the ${plan.dryer.heater}, dries first.`,
			due,
			then: 'turn the trays',
			since: state.turnedAt,
			clock: true,
			ready: now >= due,
			button: { label: 'Turned', tap: { type: 'turned' } },
			task: 'wash',
			urgency: now >= due ? 7 : 75
		}
	];
}

/** Foods of which all that is off has cooled: into jars, while the rest dries on. */
function packing({ plan, state, now }: Around): DryAct[] {
	return plan.subjects.flatMap((subject): DryAct[] => {
		const sums = tally(plan, state, subject.n);
		const cool = state.trays.filter((t) => t.subject === subject.n && t.spot === 'cooling');
		if (cool.length === 0 || cool.some((t) => now < t.since + coolFor_s * 1000)) return [];
		const packed = state.packed.filter((p) => p.subject === subject.n);
		const lastOff = Math.max(...cool.map((t) => t.since));
		const more = sums.in_g > 0 || waiting(plan, state, subject.n).length > 0;
		if (packed.some((p) => p.at >= lastOff) && (more || !allAway(plan, state))) return [];
		return [
			{
				...still,
				...about(plan, subject),
				key: key(plan, subject.n, 'pack'),
				kind: 'pack',
				subject: subject.n,
				sentence: subject.cold
					? 'Bag it, label it, into the freezer.'
					: subject.condition_days
						? 'Into jars, two thirds full.'
						: 'Into jars, closed.',
				hint: subject.cold
					? 'Dried meat keeps its months in the freezer alone; taken out it keeps two weeks in the fridge, and never on a shelf.'
					: subject.condition_days
						? `Loosely, closed: shaken every day for ${subject.condition_days[0]} to ${subject.condition_days[1]} days, so that what is damp shows itself.`
						: 'Closed, dark, dry. Look at it after a week: no drops on the glass.',
				since: lastOff,
				asks: 'packs',
				button: null,
				task: 'label',
				urgency: packed.length > 0 ? 8.5 : 8
			}
		];
	});
}

/** Whether nothing dries, waits or lies out any more. */
export function allAway(plan: DryPlan, state: DryState): boolean {
	if (state.trays.some((t) => t.spot === 'in')) return false;
	return plan.subjects.every((s) => {
		if (waiting(plan, state, s.n).length > 0) return false;
		const off = state.trays.filter((t) => t.subject === s.n && t.spot === 'cooling');
		const lastOff = Math.max(0, ...off.map((t) => t.since));
		return off.length === 0 || state.packed.some((p) => p.subject === s.n && p.at >= lastOff);
	});
}

function over({ plan, state }: Around): DryAct[] {
	if (state.trays.length === 0 || state.packed.length > 0 || !allAway(plan, state)) return [];
	return [
		{
			...still,
			...about(plan, null),
			key: 'over',
			kind: 'over',
			subject: null,
			sentence: 'None of it is left to be put away.',
			hint: 'Close the run to write it into the book.',
			since: state.startedAt,
			button: { label: 'Close the run', tap: { type: 'finish' } },
			task: 'label',
			urgency: 9
		}
	];
}
