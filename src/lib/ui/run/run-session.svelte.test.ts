import { flushSync } from 'svelte';
import { describe, expect, it } from 'vitest';
import type { RunPlan } from '$core/runs/plan';
import { Clock } from '../clock/clock-state.svelte';
import { HaulLine, type Echo } from '../haul/echo-state.svelte';
import { RunSession, type Keep, type RunWire, type Send } from './run-session.svelte';
import { Runs } from './runs-state.svelte';

const start = Date.parse('2026-08-25T08:00:00Z');
const plan: RunPlan = {
	core: 'test', kind: 'freeze', units: 'metric', food: { id: 'green-beans', name: 'beans' }, form: 'whole', cut: { id: 'cut', name: 'cut' }, way: { id: 'blanch:cut', name: 'Blanch + freeze' },
	lotId: 'l', raw_g: 2000, load_g: 1800, prepared_g: 1800, potful_g: 900, prepare: 'Wash.', pot: { name: 'pot', water_L: 8, toBoil_s: 1200, boil_C: 98.7, minutePotful_g: 450 },
	basins: 1, ice_kg: 2, icePerPotful_kg: 1,
	stages: [
		{ id: 'return', resource: 'pot', least_s: null, doing: 'In.', leave: 'Back', hint: '' },
		{ id: 'blanch', resource: 'pot', least_s: 180, doing: 'Blanching.', leave: 'Lift', hint: '' },
		{ id: 'freeze', resource: 'freezer', least_s: 3600, doing: 'Freezing.', leave: 'Firm', hint: '' }
	],
	trays: 2, perTray_g: 900, portion_g: 500, container: null, headspace: '', months: [8, 12], use: '', source: '', cautions: [], expected: { hands_s: 1, elapsed_s: 2 }
}; // prettier-ignore
const wire = (more: Partial<RunWire> = {}): RunWire => ({
	id: 'run',
	code: 'ABCDE',
	plan,
	startedAt: start,
	status: 'open',
	batchCode: null,
	events: [],
	seq: 0,
	...more
});
const keep = (): Keep & { all: Map<string, string> } => {
	const all = new Map<string, string>();
	return {
		all,
		getItem: (k) => all.get(k) ?? null,
		setItem: (k, v) => void all.set(k, v),
		removeItem: (k) => void all.delete(k)
	};
};
const inEffect = (body: () => void) => {
	const stop = $effect.root(body);
	flushSync();
	stop();
};

describe('a run on a device', () => {
	it('counts a tap at once, keeps it without a connection, and sends it later with its own time', async () => {
		expect.assertions(7);
		const store = keep();
		let up = false;
		const sent: string[] = [];
		const send: Send = async (_path, init) => {
			if (!up) throw new Error('no connection');
			sent.push(init?.body ?? '');
			const events = sent.flatMap((b) => (JSON.parse(b) as { events: RunWire['events'] }).events);
			return { status: 200, body: { ...wire({ events, seq: sent.length }), ignored: [] } };
		};
		const session = new RunSession(wire(), send, store);
		session.tap({ type: 'heat-on' }, start + 5000);
		await session.flush();
		inEffect(() => expect(session.state.kettle).toEqual({ state: 'heating', since: start + 5000 }));
		expect(session.offline).toBe(true);
		expect(session.waiting).toBe(1);
		// The page is closed and opened again: the tap is still there.
		const reopened = new RunSession(wire(), send, store);
		expect(reopened.state.kettle.state).toBe('heating');
		up = true;
		await reopened.flush();
		expect(reopened.waiting).toBe(0);
		expect(JSON.parse(sent[0] ?? '{}')).toMatchObject({ events: [{ type: 'heat-on', at: start + 5000 }] });
		expect([...store.all.keys()]).toEqual(['run:run']);
	});
	it('takes back a tap that the server refuses, says why, and goes on with the next', async () => {
		expect.assertions(3);
		const send: Send = async (_p, init) => {
			const { events } = JSON.parse(init?.body ?? '{}') as { events: { type: string }[] };
			return events[0]?.type === 'boiling'
				? { status: 200, body: { ...wire({ events: events as never, seq: 1 }), ignored: [] } }
				: { status: 422, body: { error: { message: 'No freezer.' } } };
		};
		const session = new RunSession(wire(), send, keep());
		session.tap({ type: 'pack', packs: 1, pack_g: 500, containerId: null, placeId: 'p' }, start + 1);
		await new Promise((r) => setTimeout(r));
		expect(session.refused).toBe('No freezer.');
		expect(session.state.packed).toEqual([]);
		session.tap({ type: 'boiling' }, start + 2);
		await new Promise((r) => setTimeout(r));
		expect(session.state.kettle.state).toBe('boiling');
	});
	it('is not put back by an older word that comes late, nor by a page that was read a moment too early', async () => {
		expect.assertions(4);
		const store = keep();
		const boiling = { id: 'x', at: start + 9, type: 'boiling' as const };
		const closed = { status: 'finished' as const, batchCode: 'ABCDE' };
		let more: Partial<RunWire> = {};
		const send: Send = async () => ({
			status: 200,
			body: { ...wire({ events: [boiling], seq: 5, ...more }), ignored: [] }
		});
		const session = new RunSession(wire(), send, store);
		session.tap({ type: 'boiling' }, start + 9);
		await session.flush();
		session.take(wire());
		expect(session.state.kettle.state).toBe('boiling');
		expect(new RunSession(wire(), send, store).state.kettle.state).toBe('boiling');
		more = closed;
		session.tap({ type: 'stop', reason: '' }, start + 10);
		await session.flush();
		session.take(wire());
		expect(session.batchCode).toBe('ABCDE');
		expect(store.all.size).toBe(0);
	});
	it('follows what another device taps', async () => {
		expect.assertions(2);
		const send: Send = async () => ({
			status: 200,
			body: { status: 'open', batchCode: null, seq: 7, events: [{ id: 'x', at: start + 9, type: 'boiling' }] }
		});
		const session = new RunSession(wire(), send);
		await session.follow();
		expect(session.state.kettle.state).toBe('boiling');
		await session.follow();
		expect(session.events).toHaveLength(1);
	});
	it('shows its clocks in the rail', () => {
		expect.assertions(1);
		const runs = new Runs(async () => ({ status: 200, body: {} }));
		runs.sync([wire({ events: [{ id: 'a', at: start, type: 'heat-on' }], seq: 1 })]);
		inEffect(() =>
			expect(runs.timers[0]).toMatchObject({ runId: 'run', label: 'pot to the boil', due: start + 1_200_000 })
		);
	});
});

describe('the clock', () => {
	it('carries the server’s time on, whatever this device thinks', () => {
		expect.assertions(2);
		const clock = new Clock(start, 1000);
		clock.tick(4000);
		inEffect(() => expect(clock.now).toBe(start + 3000));
		expect(clock.at(5500)).toBe(start + 4500);
	});
});

describe('the line being typed', () => {
	it('drops a late answer to earlier text', async () => {
		expect.assertions(2);
		const answers: ((e: Echo) => void)[] = [];
		const line = new HaulLine(() => new Promise((r) => answers.push(r)), '9 kg', 0);
		const first = line.look();
		line.text = '9 kg peas';
		const second = line.look();
		answers[1]?.({ kind: 'asked', words: 'peas?', detail: '', choices: [] });
		answers[0]?.({ kind: 'unclear', words: 'of what?', detail: '', choices: [] });
		await Promise.all([first, second]);
		inEffect(() => expect(line.echo?.words).toBe('peas?'));
		line.text = '';
		line.changed();
		expect(line.echo).toBeNull();
	});
});
