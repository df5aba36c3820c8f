import type { RunEvent } from '$core/runs/kinds';

/** Events that are not among the known ones, by id, in their order. */
export function newOnly(events: readonly RunEvent[], known: readonly RunEvent[]): RunEvent[] {
	const ids = new Set(known.map((e) => e.id));
	return events.filter((e) => !ids.has(e.id));
}
