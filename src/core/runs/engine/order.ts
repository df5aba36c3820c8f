/** What every event of every kind of run carries. */
export interface Stamped {
	/** The client's UUID: a tap sent twice counts once. */
	readonly id: string;
	/** When it happened, ms: as said by the device, corrected for what the server knows of that device's clock. */
	readonly at: number;
	/** Which device it was tapped on; events of before have none. */
	readonly device?: string;
	/** That device's own running number. */
	readonly n?: number;
	/** Of an end: for each other device, the running number up to which this one had seen its events. */
	readonly seen?: Readonly<Record<string, number>>;
}

/** Events of before carry no device: they stand as one device whose numbers are its times. */
const before = 'before';
const deviceOf = (event: Stamped): string => event.device ?? before;
const numberOf = (event: Stamped): number => event.n ?? event.at;

/** After what was seen, yet before whatever comes a millisecond later. */
const after_ms = 0.5;

/**
 * The one order of a run's events, the same whenever and wherever they arrive.
 *
 * A device's own order always holds, whatever its clock did meanwhile. Between devices the corrected time decides, and
 * ties go by device and number. What ends a run stands after all that its device had seen by then: a clock that was set
 * back cannot put the end before the work.
 *
 * @param events of one run, each id once, in any order
 */
export function inOrder<E extends Stamped>(events: readonly E[]): E[] {
	const lines = new Map<string, E[]>();
	for (const event of events) {
		const line = lines.get(deviceOf(event));
		if (line) line.push(event);
		else lines.set(deviceOf(event), [event]);
	}
	for (const line of lines.values())
		line.sort((a, b) => numberOf(a) - numberOf(b) || a.at - b.at || (a.id < b.id ? -1 : 1));
	const ranks = new Map<E, number>();
	/** How far each device's line is ranked, and whether it is being ranked just now: what is seen in a circle is left out. */
	const done = new Map<string, number>();
	const busy = new Set<string>();
	const rankLine = (device: string, upTo: number): number => {
		const line = lines.get(device) ?? [];
		let i = done.get(device) ?? 0;
		let rank = i > 0 ? (ranks.get(line[i - 1] as E) ?? -Infinity) : -Infinity;
		if (busy.has(device)) return rank;
		busy.add(device);
		for (; i < line.length; i++) {
			const event = line[i] as E;
			if (numberOf(event) > upTo) break;
			rank = Math.max(rank, event.at);
			for (const [other, n] of Object.entries(event.seen ?? {}))
				if (other !== device) rank = Math.max(rank, seenRank(other, n) + after_ms);
			ranks.set(event, rank);
			done.set(device, i + 1);
		}
		busy.delete(device);
		return rank;
	};
	/** The latest rank among a device's events up to a number. */
	const seenRank = (device: string, n: number): number => {
		rankLine(device, n);
		let latest = -Infinity;
		for (const event of lines.get(device) ?? []) {
			if (numberOf(event) > n) break;
			latest = ranks.get(event) ?? latest;
		}
		return latest;
	};
	for (const device of [...lines.keys()].sort()) rankLine(device, Infinity);
	return [...events].sort(
		(a, b) =>
			(ranks.get(a) ?? a.at) - (ranks.get(b) ?? b.at) ||
			(deviceOf(a) < deviceOf(b) ? -1 : deviceOf(a) > deviceOf(b) ? 1 : 0) ||
			numberOf(a) - numberOf(b) ||
			(a.id < b.id ? -1 : 1)
	);
}

/** For each device, the highest number among these events: what a device had seen when it ended a run. */
export function seenOf(events: readonly Stamped[]): Record<string, number> {
	const seen: Record<string, number> = {};
	for (const event of events) {
		const device = deviceOf(event);
		seen[device] = Math.max(seen[device] ?? -Infinity, numberOf(event));
	}
	return seen;
}

/** Events that an undo has taken back: whenever and in whatever order both arrive. */
export function undoneAmong(
	events: readonly (Stamped & { readonly type: string; readonly target?: string })[]
): Set<string> {
	const undo = new Set(events.filter((e) => e.type === 'undo').map((e) => e.id));
	const undone = new Set<string>();
	for (const event of events)
		if (event.target !== undefined && undo.has(event.id) && !undo.has(event.target)) undone.add(event.target);
	return undone;
}
