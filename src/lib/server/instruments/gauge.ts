import { createHash } from 'node:crypto';
import { foldRun } from '$core/runs/kinds';
import { loadAt } from '$core/runs/kinds/can/fold';
import { mark_Pa } from '$core/runs/kinds/can/plan';
import type { RunView } from '$core/runs/wire';
import { AppError } from '../errors';
import type { Stores } from '../stores';
import type { InstrumentRow } from '../stores/instruments';

const minute_ms = 60_000;
/** No further back is looked: what is older has been told, or says nothing of now. */
const back_ms = 15 * minute_ms;

/** Always the same for an instrument, a run and a minute, in whichever process: a UUID of its hash (RFC 9562, version 8). */
export function minuteId(instrumentId: string, runId: string, minute: number): string {
	const hex = createHash('sha256').update(`${instrumentId} ${runId} ${minute}`).digest('hex');
	const variant = ((parseInt(hex.slice(16, 17), 16) & 0x3) | 0x8).toString(16);
	return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-${variant}${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/**
 * What a gauge has read enters the canner that it watches: at most one event a minute, with the least of all that was read
 * since the last one, so that no dip between two is lost; at once where it falls below the mark, or comes up to it.
 */
export async function gaugeIntoRuns(stores: Stores, instrument: InstrumentRow, now: Date): Promise<void> {
	if (instrument.quantity !== 'gauge-pressure' || instrument.mistrustedAt !== null) return;
	for (const run of await stores.runs.readBy(instrument.id)) await intoRun(stores, instrument, run, now);
}

async function intoRun(stores: Stores, instrument: InstrumentRow, run: RunView, now: Date): Promise<void> {
	const { plan } = run;
	if (plan.kind !== 'can') return;
	const state = foldRun(plan, run.startedAt, run.events);
	const load = 'printed' in state ? loadAt(state, ['up', 'hold', 'short', 'down']) : undefined;
	if (!load) return;
	const own = run.events.filter((e) => e.device === instrument.id);
	const last = Math.max(load.ventTo ?? load.since, now.getTime() - back_ms, ...own.map((e) => e.at));
	const readings = (await stores.instruments.history(instrument.id, new Date(last))).filter((r) => r.fault === '');
	const latest = readings.at(-1);
	if (!latest) return;
	const mark = mark_Pa(plan);
	const least = Math.min(...readings.map((r) => r.value));
	const minute = Math.floor(latest.at / minute_ms);
	const fell = load.spot === 'hold' && least < mark;
	const there = load.spot === 'up' && latest.value >= mark;
	const before = own.at(-1);
	const fresh = !before || Math.floor(before.at / minute_ms) < minute;
	// The minute is told: what has come since is told with the next one, its least with it.
	if (!fresh || !(fell || there || latest.at - last >= minute_ms || !before)) return;
	const whole = (Pa: number) => Math.max(0, Math.min(400_000, Math.floor(Pa)));
	const event = {
		id: minuteId(instrument.id, run.id, minute),
		at: latest.at,
		type: 'gauge' as const,
		load: load.n,
		Pa: whole(latest.value),
		least_Pa: whole(least),
		device: instrument.id,
		n: minute
	};
	try {
		await stores.runs.append(run.id, [event], instrument.name);
	} catch (error) {
		// Another process has told this minute already: it is there once.
		if (!(error instanceof AppError && error.code === 'KEY_REUSED')) throw error;
	}
}
