import { describe, expect, it } from 'vitest';
import type { Script } from '../../engine/rehearse';
import { can } from '.';
import type { CanTap } from './act';
import type { CanEvent } from './events';
import { cannerWith, canPlanOf, start, type At, type Jars } from './fixture';
import type { CanState } from './fold';
import { mark_Pa, type CanPlan } from './plan';
import { away_ms, mishaps, rehearsal } from './rehearse';

const dial: At = { altitude_m: 380, heat: 'pressure', canner: cannerWith('dial') };
const water: At = { altitude_m: 380, heat: 'boiling-water', canner: cannerWith('weighted') };
const chicken: Jars = { product: 'chicken/boneless', food: 'chicken', style: 'raw', jar: 'pint', grams: 8000, jars: 7 };
const tomatoes: Jars = {
	product: 'tomatoes/crushed',
	food: 'tomatoes',
	style: 'hot',
	jar: 'pint',
	grams: 8000,
	jars: 7
};
const minute = 60_000;

/** Somebody who follows the screens: does what the act says when it is ready, and answers the scene. */
class Rehearsed {
	readonly plan: CanPlan;
	script: Script;
	now = start;
	events: CanEvent[] = [];
	/** How the scene is answered. */
	answers: (what: readonly string[]) => string | undefined;
	/** A tap is left out where this says so. */
	skips: (tap: CanTap) => boolean = () => false;

	constructor(plan: CanPlan, wrong: readonly string[], answers: Rehearsed['answers'], seed = 7) {
		this.plan = plan;
		this.script = { seed, mishaps: wrong, reactions: [] };
		this.answers = answers;
	}
	private folded: { readonly of: readonly CanEvent[]; readonly state: CanState } | undefined;
	get state(): CanState {
		if (this.folded?.of !== this.events)
			this.folded = { of: this.events, state: can.fold(this.plan, start, this.events) };
		return this.folded.state;
	}
	tap(tap: CanTap): void {
		this.events = [...this.events, { ...tap, id: `r${this.events.length}`, at: this.now } as CanEvent];
	}
	/** @returns whether it came to its end */
	run(most_min = 60 * 40): boolean {
		for (let m = 0; m < most_min * 6; m++) {
			this.now += minute / 6;
			for (const tap of rehearsal.reads(this.plan, this.state, this.script, this.now)) this.tap(tap);
			const scene = rehearsal.scene(this.plan, this.state, this.script, this.now);
			if (scene.over) return true;
			const what = scene.choices.length > 0 ? this.answers(scene.choices.map((c) => c.what)) : undefined;
			if (what) {
				this.script = { ...this.script, reactions: [...this.script.reactions, { at: this.now, what }] };
				if (what === 'away-went') this.now += away_ms;
				if (what === 'away-handed') this.tap({ type: 'handed', to: 'Grandmother' });
				if (what === 'away-off') this.tap({ type: 'heat-off', load: 1 });
				if (what === 'next-day') this.now += 16 * 60 * minute;
				continue;
			}
			this.act(scene.words, scene.gauge_Pa);
		}
		return false;
	}
	private act(words: string, gauge_Pa: number | null): void {
		const state = this.state;
		const [load] = state.loads;
		const acts = can.acts(this.plan, state, this.now).filter((a) => a.button && a.ready);
		// What is to be seen comes before what the screen would like.
		const quiet = /quiet|sinks/.test(words);
		if (quiet && load?.spot === 'hold' && !this.plan.instrument) {
			const tap = { type: 'fell', load: 1 } as const;
			if (!this.skips(tap)) return this.tap(tap);
		}
		const act = acts.find((a) => a.kind !== 'gauge' || gauge_Pa !== null);
		const tap = act?.button?.tap;
		if (!tap || this.skips(tap)) return;
		if (tap.type === 'venting' && !/steady/.test(words)) return;
		if (tap.type === 'full-boil' && !/boils/.test(words)) return;
		if (tap.type === 'at-zero' && (gauge_Pa ?? 0) > 0) return;
		if (tap.type === 'gauge') return gauge_Pa === null || this.plan.instrument ? undefined : this.tap({ ...tap, Pa: Math.round(gauge_Pa) });
		if (tap.type === 'filled') return this.tap(act?.others?.[0]?.tap.type === 'filled' && act.others[0].label.startsWith('All') ? act.others[0].tap : tap);
		this.tap(tap);
	}
	get review() {
		return rehearsal.review(this.plan, this.state, this.script);
	}
} // prettier-ignore

const well = (what: readonly string[]): string | undefined =>
	what.find((w) => ['heat-up', 'away-handed', 'next-day', 'seal-fridge'].includes(w));

describe('a canner gone through dry', () => {
	const all = mishaps.map((m) => m.id);
	for (const [name, plan] of [
		['under pressure, by eye', canPlanOf([chicken], dial)],
		['under pressure, by an instrument', canPlanOf([chicken], { ...dial, instrument: { id: 'g', name: 'gauge' } })],
		['in boiling water', canPlanOf([tomatoes], water)]
	] as const)
		it(`${name}: done rightly through everything that goes wrong, it is right, and says what was mended`, () => {
			for (let seed = 1; seed <= 10; seed++) {
				const dry = new Rehearsed(plan, all, well, seed);
				expect(dry.run(), `seed ${seed}`).toBe(true);
				expect(dry.review.unsafe, `seed ${seed}`).toEqual([]);
				expect(dry.review.mended.join(), `seed ${seed}`).toMatch(/the heat was lost, and the full time began again/);
				expect(dry.review.right.join(), `seed ${seed}`).toMatch(/held for all of its/);
				expect(dry.review.right).toContain('The jar that had not sealed was kept from the shelf.');
			}
		});
	it('in boiling water: who lets the clock run on when the boil is lost is told that the jars are not safe', () => {
		const dry = new Rehearsed(canPlanOf([tomatoes], water), ['fell'], well);
		dry.skips = (tap) => tap.type === 'fell';
		expect(dry.run()).toBe(true);
		expect(dry.review.unsafe).toEqual(['Load 1: the boil was lost in the middle, and the clock ran on. These jars would not be safe.']);
	}); // prettier-ignore
	it('who goes and says that somebody watched is told so, and so is who puts an unsealed jar onto the shelf', () => {
		const plan = canPlanOf([chicken], dial);
		const dry = new Rehearsed(plan, ['away', 'unsealed'], (what) =>
			what.find((w) => ['away-went', 'next-day', 'seal-shelf'].includes(w))
		);
		dry.skips = (tap) => {
			if (tap.type !== 'watched') return false;
			dry.tap({ ...tap, word: 'yes' });
			return true;
		};
		expect(dry.run()).toBe(true);
		expect(dry.review.unsafe).toEqual([
			'Load 1: nobody was there, and it was said that somebody watched. What nobody saw counts for nothing.',
			'A canner under heat was left alone.',
			expect.stringMatching(/^An unsealed jar went onto the shelf/)
		]);
		// An honest word costs the full time, and is no danger of its own.
		const honest = new Rehearsed(plan, ['away'], (what) => what.find((w) => ['away-off', 'next-day'].includes(w)));
		expect(honest.run()).toBe(true);
		expect(honest.review.unsafe).toEqual([]);
		expect(honest.review.mended.join()).toMatch(/heat went off too early/);
	});
	it('counting before the steam is steady, or opening at half pressure, is told', () => {
		const plan = canPlanOf([chicken], dial);
		const at = (min: number, tap: CanTap): CanEvent =>
			({ ...tap, id: `e${min}`, at: start + min * minute }) as CanEvent;
		const hold = Array.from({ length: 16 }, (_, i) =>
			at(20 + i * 5, { type: 'gauge', load: 1, Pa: mark_Pa(plan) + 900 })
		);
		const events = [
			at(0.1, { type: 'as-printed', product: 1, word: 'yes' }),
			at(0.2, { type: 'filled', load: 1, product: 1, jars: 7 }),
			at(1, { type: 'lid-on', load: 1 }),
			at(3, { type: 'venting', load: 1 }),
			at(13, { type: 'weight-on', load: 1 }),
			...hold,
			at(95.5, { type: 'heat-off', load: 1 }),
			at(105, { type: 'at-zero', load: 1 }),
			at(116, { type: 'jars-out', load: 1 })
		];
		const script = { seed: 1, mishaps: [], reactions: [] };
		const { unsafe } = rehearsal.review(plan, can.fold(plan, start, events), script);
		expect(unsafe).toEqual([
			expect.stringMatching(/venting was counted before the steam stood/),
			expect.stringMatching(/taken for 0 while there was pressure/)
		]);
	});
	it('plays the same for a seed, and nothing where nothing is chosen', () => {
		const plan = canPlanOf([tomatoes], water);
		const one = new Rehearsed(plan, all, well, 5);
		const two = new Rehearsed(plan, all, well, 5);
		one.run();
		two.run();
		expect(one.events).toEqual(two.events);
		const calm = new Rehearsed(plan, [], well);
		calm.run();
		expect(calm.review.mended).toEqual([]);
	});
});
