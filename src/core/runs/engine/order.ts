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
	const lines = new Map<string, Line<E>>();
	for (const event of events) {
		const line = lines.get(deviceOf(event));
		if (line) line.events.push(event);
		else lines.set(deviceOf(event), { events: [event], ranks: [], busy: false });
	}
	for (const { events: line } of lines.values()) if (!isSorted(line)) line.sort(inLine);
	const devices = [...lines.keys()].sort();
	for (const device of devices) rankLine(lines, device, Infinity);
	// Each line stands in its order, and its ranks never fall: the heads are taken one after the other.
	const heads = devices.map((device) => ({ line: lines.get(device) as Line<E>, at: 0 }));
	const ordered: E[] = [];
	for (;;) {
		let next: (typeof heads)[number] | undefined;
		for (const head of heads)
			if (head.at < head.line.events.length && (!next || rankAt(head) < rankAt(next))) next = head;
		if (!next) return ordered;
		ordered.push(next.line.events[next.at] as E);
		next.at++;
	}
}

/** What one device tapped, by its own numbers, with the rank of each as far as they are known. */
interface Line<E> {
	readonly events: E[];
	readonly ranks: number[];
	/** Being ranked just now: what is seen in a circle is left out. */
	busy: boolean;
}
const rankAt = <E>({ line, at }: { line: Line<E>; at: number }): number => line.ranks[at] ?? Infinity;

const inLine = (a: Stamped, b: Stamped): number => numberOf(a) - numberOf(b) || a.at - b.at || (a.id < b.id ? -1 : 1);
function isSorted(line: readonly Stamped[]): boolean {
	for (let i = 1; i < line.length; i++) if (inLine(line[i - 1] as Stamped, line[i] as Stamped) > 0) return false;
	return true;
}

/** Ranks a device's events up to a number: by their time, never before what came earlier, an end after what it had seen. */
function rankLine<E extends Stamped>(lines: ReadonlyMap<string, Line<E>>, device: string, upTo: number): void {
	const line = lines.get(device);
	if (!line || line.busy) return;
	line.busy = true;
	const { events, ranks } = line;
	let rank = ranks.at(-1) ?? -Infinity;
	for (let i = ranks.length; i < events.length; i++) {
		const event = events[i] as E;
		if (numberOf(event) > upTo) break;
		rank = Math.max(rank, event.at);
		if (event.seen)
			for (const [other, n] of Object.entries(event.seen))
				if (other !== device) rank = Math.max(rank, seenRank(lines, other, n) + after_ms);
		ranks.push(rank);
	}
	line.busy = false;
}

/** The latest rank among a device's events up to a number. */
function seenRank<E extends Stamped>(lines: ReadonlyMap<string, Line<E>>, device: string, n: number): number {
	rankLine(lines, device, n);
	const line = lines.get(device);
	let latest = -Infinity;
	for (let i = 0; line && i < line.ranks.length; i++) {
		if (numberOf(line.events[i] as E) > n) break;
		latest = line.ranks[i] ?? latest;
	}
	return latest;
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
