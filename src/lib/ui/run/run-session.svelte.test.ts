import { flushSync } from 'svelte';
import { describe, expect, it } from 'vitest';
import { planOf, type RunEvent, type RunPlan } from '$core/runs/kinds';
import { Clock } from '../clock/clock-state.svelte';
import { HaulLine, type Echo } from '../haul/echo-state.svelte';
import { Outbox, type Send } from './outbox/outbox.svelte';
import { fleetingStore } from './outbox/store';
import type { RunView } from '$core/runs/wire';
import type { RunSession } from './run-session.svelte';
import { sessionOf } from './session-of';
import { Rung } from './rung';
import { Runs } from './runs-state.svelte';

const start = Date.parse('2026-08-25T08:00:00Z');
const plan: RunPlan = planOf({
	core: 'test', kind: 'freeze', units: 'metric', food: { id: 'green-beans', name: 'beans' }, form: 'whole', cut: { id: 'cut', name: 'cut' }, way: { id: 'blanch:cut', name: 'Blanch + freeze' },
	lotId: 'l', raw_g: 2000, load_g: 1800, prepared_g: 1800, potful_g: 900, prepare: 'Wash.', pot: { name: 'pot', water_L: 8, toBoil_s: 1200, boil_C: 98.7, minutePotful_g: 450 },
	basins: 1, ice_kg: 2, icePerPotful_kg: 1,
	stages: [
		{ id: 'return', resource: 'pot', least_s: null, doing: 'In.', leave: 'Back', hint: '' },
		{ id: 'blanch', resource: 'pot', least_s: 180, doing: 'Blanching.', leave: 'Lift', hint: '' },
		{ id: 'freeze', resource: 'freezer', least_s: 3600, doing: 'Freezing.', leave: 'Firm', hint: '' }
	],
	trays: 2, perTray_g: 900, portion_g: 500, container: null, headspace: '', months: [8, 12], use: '', source: '', cautions: [], expected: { hands_s: 1, elapsed_s: 2 }
}); // prettier-ignore
const kettles = ({ state }: RunSession) => ('kettles' in state ? state.kettles : []);
const wire = (more: Partial<RunView> = {}): RunView => ({
	id: 'run',
	codes: ['ABCDE'],
	plan,
	startedAt: start,
	status: 'open',
	entries: [],
	events: [],
	seq: 0,
	differences: [],
	...more
});
const inEffect = (body: () => void) => {
	const stop = $effect.root(body);
	flushSync();
	stop();
};
const settle = () => new Promise((r) => setTimeout(r, 5));
type Sent = { events: RunEvent[]; sent: number };

/** A queue on a store that outlives the page, and a server that answers as it is told. */
function device(answer: (body: Sent, path: string) => { status: number; body?: unknown } | Promise<never>) {
	const store = fleetingStore();
	const posted: Sent[] = [];
	const kept: RunEvent[] = [];
	const send: Send = async (path, init) => {
		const body = JSON.parse(init?.body ?? '{}') as Sent;
		posted.push(body);
		const said = await answer(body, path);
		if (said.status === 200) {
			const { refused = [] } = (said.body ?? {}) as { refused?: { id: string }[] };
			for (const e of body.events)
				if (!refused.some((r) => r.id === e.id) && !kept.some((k) => k.id === e.id)) kept.push(e);
			return {
				status: 200,
				body: {
					...wire({ events: [...kept], seq: kept.length }),
					ignored: [],
					refused: [],
					told: [],
					...(said.body ?? {})
				}
			};
		}
		return { status: said.status, body: said.body ?? null };
	};
	/** The page is opened (again). */
	const open = async () => {
		const outbox = new Outbox(send, () => start + 99_000);
		await outbox.open(async () => store);
		const runs = new Runs(outbox, send, 'home');
		return { outbox, runs, session: sessionOf(runs, wire()) };
	};
	return { open, posted, kept };
}

describe('a run on a device', () => {
	it('counts a tap at once, keeps it without a connection, and sends it later with its own time and number', async () => {
		expect.assertions(7);
		let up = false;
		const { open, posted } = device(() => (up ? { status: 200 } : Promise.reject(new Error('no connection'))));
		const { session, outbox } = await open();
		session.tap({ type: 'heat-on' }, start + 5000);
		await settle();
		inEffect(() => expect(kettles(session)).toMatchObject([{ state: 'heating', since: start + 5000 }]));
		expect(outbox.offline).toBe(true);
		expect(session.waiting).toBe(1);
		// The page is closed and opened again: the tap is still there.
		const again = await open();
		expect(kettles(again.session)[0]?.state).toBe('heating');
		up = true;
		await again.outbox.drain();
		expect(again.session.waiting).toBe(0);
		expect(posted.at(-1)?.events[0]).toMatchObject({ type: 'heat-on', at: start + 5000, n: 1, device: outbox.device });
		expect(posted.at(-1)?.sent).toBe(start + 99_000);
	});
	it('puts a tap aside that the server refuses, says why, and goes on with the next', async () => {
		expect.assertions(5);
		const { open } = device(({ events }) =>
			events.some((e) => e.type === 'pack')
				? { status: 422, body: { error: { code: 'NOT_A_FREEZER', message: 'No freezer.' } } }
				: { status: 200 }
		);
		const { session, outbox } = await open();
		session.tap({ type: 'pack', packs: 1, pack_g: 500, containerId: null, placeId: 'p' }, start + 1);
		session.tap({ type: 'boiling' }, start + 2);
		await settle();
		await outbox.drain();
		expect(outbox.tray).toMatchObject([{ why: 'No freezer.', event: { type: 'pack' } }]);
		expect(session.state.packed).toEqual([]);
		expect(kettles(session)[0]?.state).toBe('boiling');
		expect(outbox.waiting).toBe(0);
		await outbox.drop(outbox.tray[0]?.n ?? 0);
		expect(outbox.tray).toEqual([]);
	});
	it('puts aside the one of many that cannot be, by the server’s own list', async () => {
		expect.assertions(3);
		let up = false;
		const { open } = device(({ events }) => {
			if (!up) throw new Error('no connection');
			const pack = events.find((e) => e.type === 'pack');
			return { status: 200, body: { refused: pack ? [{ id: pack.id, code: 'SURPRISE', why: 'So much?' }] : [] } };
		});
		const { session, outbox } = await open();
		session.tap({ type: 'heat-on' }, start + 1);
		session.tap({ type: 'pack', packs: 100, pack_g: 500, containerId: null, placeId: 'p' }, start + 2);
		session.tap({ type: 'boiling' }, start + 3);
		await settle();
		up = true;
		await outbox.drain();
		expect(kettles(session)[0]?.state).toBe('boiling');
		expect(outbox.tray).toMatchObject([{ code: 'SURPRISE' }]);
		await outbox.again(outbox.tray[0]?.n ?? 0, { ...(outbox.tray[0]?.event as RunEvent), sure: true });
		expect(outbox.tray).toEqual([]);
	});
	it('is not held up for ever by a tap over which the server fails, nor takes a failing server for no connection', async () => {
		expect.assertions(4);
		const { open } = device(({ events }) => ({ status: events.some((e) => e.type === 'heat-on') ? 500 : 200 }));
		const { session, outbox } = await open();
		session.tap({ type: 'heat-on' }, start + 1);
		session.tap({ type: 'note', text: 'after it' }, start + 2);
		await settle();
		await outbox.drain();
		inEffect(() => expect(session.state.notes).toHaveLength(1));
		expect(outbox.offline).toBe(false);
		for (let i = 0; i < 6; i++) await outbox.drain();
		expect(outbox.waiting).toBe(0);
		expect(outbox.tray).toMatchObject([{ event: { type: 'heat-on' } }]);
	});
	it('lets taps of another household wait for it', async () => {
		expect.assertions(2);
		const { open } = device(() => ({
			status: 409,
			body: { error: { code: 'OTHER_HOUSEHOLD', message: 'Elsewhere.' } }
		}));
		const { session, outbox } = await open();
		session.tap({ type: 'heat-on' }, start + 1);
		await settle();
		await outbox.drain();
		expect(outbox.waiting).toBe(1);
		expect(outbox.tray).toEqual([]);
	});
	it('ends after all that it has seen, and opens again by taking every end back', async () => {
		expect.assertions(3);
		const { open, posted } = device(() => ({ status: 200 }));
		const { session } = await open();
		const other = { id: 'x', at: start + 9, type: 'boiling' as const, device: 'laptop', n: 7 };
		session.take(wire({ events: [other], seq: 1 }));
		session.tap({ type: 'finish' }, start + 10);
		await settle();
		expect(posted.at(-1)?.events[0]).toMatchObject({ type: 'finish', seen: { laptop: 7 } });
		expect(session.state.phase).toBe('finished');
		session.openAgain(start + 20);
		expect(session.state.phase).toBe('working');
	});
	it('is not put back by an older word that comes late', async () => {
		expect.assertions(2);
		const { open } = device(() => ({ status: 200 }));
		const { session } = await open();
		session.tap({ type: 'boiling' }, start + 9);
		await settle();
		session.take(wire());
		expect(kettles(session)[0]?.state).toBe('boiling');
		session.take(wire({ seq: 5, status: 'finished', entries: [{ n: 1, code: 'ABCDE' }] }));
		expect(session.entries).toEqual([{ n: 1, code: 'ABCDE' }]);
	});
	it('follows what another device taps, closed or not', async () => {
		expect.assertions(2);
		const outbox = new Outbox(
			async () => ({ status: 200, body: {} }),
			() => start
		);
		const news = {
			status: 'open',
			entries: [],
			seq: 7,
			differences: [],
			events: [{ id: 'x', at: start + 9, type: 'boiling' }]
		};
		const runs = new Runs(
			outbox,
			async () => ({ status: 200, body: { now: start, heads: [], runs: { run: news } } }),
			'home'
		);
		const session = sessionOf(runs, wire({ status: 'finished', seq: 2 }));
		await runs.follow();
		expect(kettles(session)[0]?.state).toBe('boiling');
		await runs.follow();
		expect(session.events).toHaveLength(1);
	});
	it('shows the clocks of all runs in the rail, those of this device as tapped', () => {
		expect.assertions(2);
		const outbox = new Outbox(
			async () => ({ status: 200, body: {} }),
			() => start
		);
		const runs = new Runs(outbox, async () => ({ status: 200, body: {} }), 'home');
		sessionOf(runs, wire({ events: [{ id: 'a', at: start, type: 'heat-on' }], seq: 1 }));
		const timer = {
			key: '1-chill',
			unit: 'potful 1',
			label: 'in the ice',
			food: 'peas',
			since: start,
			due: start + 5,
			latest: null
		} as const;
		runs.sync([{ id: 'other', food: 'peas', way: '', raw_g: 1, startedAt: start, seq: 1, timers: [timer] }]);
		inEffect(() => {
			expect(runs.timers[0]).toMatchObject({ runId: 'other', food: 'peas' });
			expect(runs.timers[1]).toMatchObject({ runId: 'run', label: 'pot to the boil', due: start + 1_200_000 });
		});
	});
	it('rings again for a clock that was undone and done again', () => {
		const rung = new Rung();
		expect(rung.add([`run 1-blanch ${start}`])).toHaveLength(1);
		expect(rung.add([`run 1-blanch ${start}`])).toHaveLength(0);
		expect(rung.add([`run 1-blanch ${start + 9000}`])).toHaveLength(1);
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
	it('is put right by an answer after a sleep, and not by one that was long on its way', () => {
		const clock = new Clock(start, 1000);
		// Asked at 5 s, answered at 5.2 s, and the server says what this page says: nothing to take.
		expect(clock.hear(start + 4100, 5000, 5200)).toBe(false);
		expect(clock.at(6000)).toBe(start + 5000);
		// Ten seconds on its way: up to five of them may lie before its word and five after.
		expect(clock.hear(start + 9000, 5000, 15_000)).toBe(false);
		// An hour slept: the device's own clock stood.
		expect(clock.hear(start + 3_600_000, 6000, 6200)).toBe(true);
		expect(clock.at(6100)).toBe(start + 3_600_000);
		// A page that was kept takes whatever comes.
		clock.syncPage(start - 60_000, 7000, start - 7000);
		expect(clock.kept).toBe(true);
		expect(clock.hear(start + 1, 7000, 7000)).toBe(true);
		expect(clock.kept).toBe(false);
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
