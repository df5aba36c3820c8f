import { faultsOf } from './check';
import type { Haul, Part, Shared } from './haul';
import { worthOf } from './programme';

/** So many moves are tried: each is held against every rule, and a page waits for it. */
const mostTries = 40;

/**
 * The same plan with fewer little parts: what a way does on several days is put on fewer of them, where no rule is broken and
 * nothing is worth less by it. A solver does not mind to freeze a handful today and the rest tomorrow; people do.
 */
export function tidied(haul: Haul, shared: Shared): Shared {
	let now = shared;
	let tries = 0;
	const inLoads = new Set(haul.ways.filter((w) => w.group !== null).map((w) => w.id));
	const small = [...shared.parts].sort((a, b) => a.kg - b.kg);
	for (const part of small) {
		if (inLoads.has(part.way)) continue;
		const here = now.parts.find((p) => p.way === part.way && p.day === part.day);
		const others = now.parts.filter((p) => p.way === part.way && p.day !== part.day).sort((a, b) => b.kg - a.kg);
		for (const other of here ? others : []) {
			if (++tries > mostTries) return now;
			const parts = now.parts.flatMap((p): Part[] =>
				p === here ? [] : p === other ? [{ ...p, kg: p.kg + part.kg }] : [p]
			);
			const then = { ...now, parts, worth: worthOf(haul, parts, now.loads, now.left) };
			if (then.worth < now.worth - 1e-9 || faultsOf(haul, then).length > 0) continue;
			now = then;
			break;
		}
	}
	return now;
}
