import type { RunView } from '$core/runs/wire';
import { RunSession } from './run-session.svelte';
import type { Runs } from './runs-state.svelte';

/** A session of the runs that this device follows. */
export const sessionOf = (runs: Runs, wire: RunView): RunSession => runs.of(wire, (...made) => new RunSession(...made));
