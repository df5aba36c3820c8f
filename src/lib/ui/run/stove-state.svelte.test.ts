import { describe, expect, it } from 'vitest';
import type { RunAct } from '$core/runs/kinds';
import type { Task } from '$core/ways/equipment';
import type { RunSession } from './run-session.svelte';
import { share, StoveState, type Helper } from './stove-state.svelte';

const act = (key: string, task: Task, urgency: number, ready = true, more: Partial<RunAct> = {}): RunAct => ({
	key,
	kind: 'stage',
	about: key,
	short: key,
	sentence: key,
	hint: '',
	due: null,
	latest: null,
	since: 0,
	clock: false,
	button: null,
	subject: 1,
	unit: null,
	ready,
	task,
	urgency,
	over: false,
	...more
});
const session = {} as RunSession;
const of = (...acts: RunAct[]) => acts.map((one) => ({ session, act: one, key: one.key }));
const whose = (acts: RunAct[], helpers: Helper[]) =>
	Object.fromEntries(share(of(...acts), helpers).map((o) => [o.key, o.who]));
const ana: Helper = { id: 'ana', name: 'Ana', may: ['wash', 'label'] };
const petr: Helper = { id: 'petr', name: 'Petr', may: ['knife', 'heat'] };

describe('whose an act is', () => {
	it('is the cook’s, where nobody helps', () => {
		expect(whose([act('lift', 'heat', 0), act('dry', 'wash', 6)], [])).toEqual({ lift: '', dry: '' });
	});
	it('stays the cook’s where only the cook may, and goes to a helper who may beside it', () => {
		expect(whose([act('lift', 'heat', 0), act('dry', 'wash', 6)], [ana])).toEqual({ lift: '', dry: 'ana' });
	});
	it('goes to a helper though it is first, where the cook has something that only the cook may do', () => {
		expect(whose([act('dry', 'wash', 1), act('lift', 'heat', 2)], [ana])).toEqual({ dry: 'ana', lift: '' });
	});
	it('is one each: the second of what a helper may is the cook’s', () => {
		expect(whose([act('lift', 'heat', 0), act('dry', 'wash', 6), act('more', 'wash', 7)], [ana])).toEqual({
			lift: '',
			dry: 'ana',
			more: ''
		});
	});
	it('is shared out over two helpers, by what each may do', () => {
		const shared = whose(
			[act('vent', 'pressure', 0), act('cut', 'knife', 5), act('label', 'label', 8), act('wait', 'wash', 70, false)],
			[ana, petr]
		);
		expect(shared).toEqual({ vent: '', cut: 'petr', label: 'ana', wait: '' });
	});
	it('is nobody else’s while it is only waited for', () => {
		expect(whose([act('lift', 'heat', 0), act('chill', 'wash', 72, false)], [ana])).toEqual({ lift: '', chill: '' });
	});
});

describe('the Stove without a run', () => {
	it('has nothing to say', () => {
		const stove = new StoveState(
			() => [],
			() => 0,
			() => [ana]
		);
		expect([stove.main, stove.acts, stove.loud]).toEqual([null, [], []]);
		expect(stove.nameOf('ana')).toBe('Ana');
		expect(stove.nameOf('')).toBe('The cook');
	});
});
