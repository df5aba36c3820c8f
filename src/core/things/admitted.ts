import { gate } from '../safety/gate';
import { keepsAt } from './clock';
import type { Reading } from './read-line';

/**
 * A reading after the safety room has had its say: what has no safe clock is not kept.
 * Who has seen it is asked later, beside its ways.
 */
export function admitted(reading: Reading): Reading {
	if (reading.kind !== 'understood') return reading;
	const { thing } = reading;
	const refusal = gate({ thing: { ...thing, identified: thing.identified ?? true }, way: 'fridge' });
	if (refusal) return { kind: 'refused', refusal };
	keepsAt(thing, reading.place ?? 'counter', 20);
	return reading;
}
