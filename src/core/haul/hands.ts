import type { Task } from '../ways/equipment';
import { tasks } from '../ways/equipment';
import type { Kitchen } from '../ways/kitchen';
import type { GlanceWay } from '../ways/glance';
import type { WorkStep } from '../ways/work';
import type { Take } from './haul';

/** People of a kitchen with the same tasks, as one: their hours on a usual day are counted each by each. */
interface Crew {
	readonly names: readonly string[];
	readonly hours: readonly number[];
	readonly may: readonly Task[];
}

/** What everybody's hands do together; and what only those can do who may do one of some tasks. */
export interface HandsLimit {
	readonly id: string;
	readonly name: string;
	readonly of: readonly Task[];
	/** On a usual day, and of today's work what is left of it, h. */
	readonly have_h: number;
	readonly today_h: number;
}

export const allHands = 'hands';
/** Beyond so many kinds of helpers the least of them are not told apart: each one doubles the rows. */
const mostCrews = 5;

function crewsOf({ helpers }: Kitchen): Crew[] {
	const byTasks = new Map<string, Crew>();
	for (const { name, hours, may } of helpers) {
		if (hours <= 0 || may.length === 0) continue;
		const own = tasks.filter((t) => may.includes(t));
		const known = byTasks.get(own.join(' ')) ?? { names: [], hours: [], may: own };
		byTasks.set(own.join(' '), { ...known, names: [...known.names, name], hours: [...known.hours, hours] });
	}
	return [...byTasks.values()];
}

/**
 * Hands by person: whose hours a task can be done in. A day's work can be given out to its people exactly where, for every
 * set of tasks, those who may do one of them have the hours that it takes (Hall's theorem for a transport problem, from
 * memory); of sets that the same people may do the largest says it all.
 *
 * @param left_h hours until the evening: nobody has more today
 */
export function handsLimits(kitchen: Kitchen, left_h: number): HandsLimit[] {
	const crews = crewsOf(kitchen);
	const limited = crews.filter((c) => c.may.length < tasks.length).sort((a, b) => sum(b.hours) - sum(a.hours));
	const others = crews.filter((c) => c.may.length === tasks.length);
	const told = limited.slice(0, mostCrews);
	const today = (hours: readonly number[]) => hours.reduce((s, h) => s + Math.min(h, left_h), 0);
	const bySet = new Map<string, HandsLimit>();
	for (let without = 0; without < 2 ** told.length; without++) {
		const away = told.filter((_, i) => (without >> i) % 2 === 1);
		const of = tasks.filter((t) => !away.some((c) => c.may.includes(t)));
		const key = of.join('+');
		if (of.length === 0) continue;
		const able = [...others, ...limited.filter((c) => c.may.some((t) => of.includes(t)))].flatMap((c) => c.hours);
		const out = limited.filter((c) => !c.may.some((t) => of.includes(t))).flatMap((c) => c.names);
		if (away.length > 0 && out.length === 0) continue;
		bySet.set(key, {
			id: away.length === 0 ? allHands : `${allHands}:${key}`,
			name: away.length === 0 ? 'Hands' : `Hands without ${out.join(' and ')}`,
			of,
			have_h: kitchen.ownHands_h + sum(able),
			today_h: today([kitchen.ownHands_h, ...able])
		});
	}
	return [...bySet.values()];
}
const sum = (hours: readonly number[]) => hours.reduce((s, h) => s + h, 0);

/** Which task an attended step is. */
function taskOf({ id }: WorkStep, way: GlanceWay): Task {
	switch (id) {
		case 'prepare':
			return 'knife';
		case 'boil':
		case 'line':
		case 'cook':
		case 'simmer':
			return 'heat';
		case 'fill':
		case 'process':
			return way.demands.canner?.method === 'pressure' ? 'pressure' : 'heat';
		case 'pack':
			return 'seal';
		case 'cool':
		case 'tray':
		case 'turn':
		case 'dry':
		case 'freeze':
			return 'wash';
	}
}

/** Hours of hands of a way by task, without those at the canner's loads. */
export function handsByTask(way: GlanceWay): ReadonlyMap<Task, number> {
	const by = new Map<Task, number>();
	for (const step of way.work) {
		if (!step.attended || step.id === 'fill' || step.id === 'process') continue;
		const task = taskOf(step, way);
		by.set(task, (by.get(task) ?? 0) + step.seconds / 3600);
	}
	const steps_h = sum([...by.values()]);
	const hands_h = Math.max(0, way.hands_s - (way.loads?.hands_s ?? 0)) / 3600;
	// What its steps do not name is done at the board; two at once are no more hands than the way says.
	if (hands_h > steps_h) by.set('knife', (by.get('knife') ?? 0) + hands_h - steps_h);
	else for (const [task, h] of by) by.set(task, (h * hands_h) / steps_h);
	return by;
}

/** So many hours by task as what they take of the limits. */
export const handsTakes = (limits: readonly HandsLimit[], by: ReadonlyMap<Task, number>, share = 1): Take[] =>
	limits.flatMap(({ id, of }) => {
		const hours = [...by].reduce((s, [task, h]) => s + (of.includes(task) ? h : 0), 0);
		return hours > 0 ? [{ limit: id, amount: hours * share }] : [];
	});

/** The task of those who stand by a canner. */
export const cannerTask = (way: GlanceWay): Task => (way.demands.canner?.method === 'pressure' ? 'pressure' : 'heat');
