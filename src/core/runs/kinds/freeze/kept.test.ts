import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { planOf } from '..';
import { freeze } from '.';
import type { FreezeEvent } from './events';

/** What a run of before held, and what the core of then folded it to. */
interface Kept {
	readonly plan: {
		readonly kind: string;
		readonly food: { readonly name: string };
		readonly way: { readonly id: string };
	};
	readonly startedAt: number;
	readonly events: readonly FreezeEvent[];
	readonly wanted: {
		readonly phase: string;
		readonly startedAt: number;
		readonly endedAt: number | null;
		readonly load_g: number;
		readonly weighed: boolean;
		readonly held: boolean;
		readonly kettle: { readonly state: string; readonly since: number };
		readonly potfuls: readonly object[];
		readonly packed: readonly object[];
		readonly ignored: readonly object[];
		readonly timers: readonly object[];
		readonly closing: object | null;
	};
}
const read = (version: string): Kept[] =>
	JSON.parse(readFileSync(new URL(`kept/${version}.json`, import.meta.url), 'utf8')) as Kept[];

describe('a plan and its taps of version 1', () => {
	const kept = read('v1');
	it.each(kept.map((k, i) => ({ ...k, name: `${i}: ${k.plan.food.name}, ${k.plan.way.id}` })))(
		'fold to what they did ($name)',
		({ plan: old, startedAt, events, wanted }) => {
			const plan = freeze.upgrade(old);
			const state = freeze.fold(plan, startedAt, events);
			const { phase, endedAt, held, ignored } = state;
			expect({ phase, startedAt: state.startedAt, endedAt, held }).toEqual({
				phase: wanted.phase,
				startedAt: wanted.startedAt,
				endedAt: wanted.endedAt,
				held: wanted.held
			});
			expect(ignored).toEqual(wanted.ignored);
			expect(state.subjects).toMatchObject([{ load_g: wanted.load_g, weighed: wanted.weighed }]);
			if (wanted.kettle.state !== 'none') expect(state.kettles).toMatchObject([wanted.kettle]);
			expect(state.potfuls).toMatchObject(wanted.potfuls);
			expect(state.packed).toMatchObject(wanted.packed);
			expect(state.timers).toMatchObject(wanted.timers);
			const { entries } = freeze.book(plan, state);
			if (wanted.closing) expect(entries[0]?.closing).toMatchObject(wanted.closing);
			else expect(entries).toEqual([]);
		}
	);
	it('says what it said: what its sentences held is data now', () => {
		const heats = kept.map((k) => freeze.upgrade(k.plan).subjects[0]?.heat);
		expect(new Set(heats)).toEqual(new Set(['water', 'steam', 'dip', 'cook', 'none']));
		const dip = kept.map((k) => freeze.upgrade(k.plan).subjects[0]).find((s) => s?.heat === 'dip');
		expect(dip?.endPoint).toMatch(/skins/);
		expect(kept.map((k) => freeze.upgrade(k.plan).subjects[0]).some((s) => s?.kernels)).toBe(true);
	});
	it('is not taken for a plan of a newer core', () => {
		expect(() => freeze.upgrade({ kind: 'freeze', version: 99 })).toThrow(/newer/);
		expect(() => planOf({ kind: 'weave' })).toThrow(/no kind/);
	});
});
