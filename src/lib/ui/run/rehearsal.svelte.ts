import type { RunPlan, RunState, RunEvent, Tap, AnyKind } from '$core/runs/kinds';
import { foldRun, kindOf } from '$core/runs/kinds';
import type { Review, Scene, Script } from '$core/runs/engine/rehearse';

/** How much faster than the kitchen's clock it may run. */
export const speeds = [1, 10, 30, 60] as const;

/** So far a rehearsal goes on by itself before it is looked at again, ms of its own clock. */
const step_ms = 20_000;

/**
 * A run gone through dry: its plan, its taps and a clock of its own, all in this page. Nothing of it is sent anywhere, and
 * nothing can be made of it.
 */
export class RehearsalSession {
	readonly plan: RunPlan;
	readonly startedAt: number;
	readonly #kind: AnyKind;
	#events = $state.raw<readonly RunEvent[]>([]);
	#script = $state.raw<Script>({ seed: 1, mishaps: [], reactions: [] });
	#now = $state(0);
	/** The page's own clock when the rehearsal's was last set, ms. */
	#since = 0;
	speed = $state<(typeof speeds)[number]>(10);
	held = $state(true);
	readonly #state = $derived.by<RunState>(() => foldRun(this.plan, this.startedAt, this.#events));

	constructor(plan: RunPlan, startedAt: number, seed: number) {
		this.plan = plan;
		this.startedAt = startedAt;
		this.#kind = kindOf(plan);
		this.#now = startedAt;
		this.#script = { seed, mishaps: [], reactions: [] };
	}

	get state(): RunState {
		return this.#state;
	}
	get events(): readonly RunEvent[] {
		return this.#events;
	}
	get now(): number {
		return this.#now;
	}
	get script(): Script {
		return this.#script;
	}
	get scene(): Scene | null {
		return this.#kind.rehearsal?.scene(this.plan, this.#state, this.#script, this.#now) ?? null;
	}
	get review(): Review | null {
		return this.#kind.rehearsal?.review(this.plan, this.#state, this.#script) ?? null;
	}
	get mishaps() {
		return this.#kind.rehearsal?.mishaps ?? [];
	}

	/** Which things go wrong; by the seed of the day, or as they are chosen. */
	play(mishaps: readonly string[]): void {
		this.#script = { ...this.#script, mishaps };
	}

	/** The page's clock went on. @param real ms, never back */
	tick(real: number): void {
		const passed = this.#since === 0 ? 0 : Math.max(0, Math.min(2_000, real - this.#since));
		this.#since = real;
		if (!this.held) this.goOn(passed * this.speed);
	}

	/** Its clock goes on by so much, with what instruments say meanwhile. */
	goOn(ms: number): void {
		let left = ms;
		while (left > 0) {
			const by = Math.min(left, step_ms);
			left -= by;
			this.#now += by;
			for (const tap of this.#kind.rehearsal?.reads(this.plan, this.#state, this.#script, this.#now) ?? [])
				this.tap(tap);
		}
	}

	tap(tap: Tap): boolean {
		const n = this.#events.length + 1;
		const event = { ...tap, id: `rehearsed-${n}`, at: Math.round(this.#now), device: 'rehearsal', n } as RunEvent;
		this.#events = [...this.#events, event];
		return true;
	}

	undo(): void {
		const { last } = this.#state;
		if (last) this.tap({ type: 'undo', target: last.id });
	}

	react(what: string): void {
		this.#script = { ...this.#script, reactions: [...this.#script.reactions, { at: this.#now, what }] };
	}

	/** As it is, to be gone on with after the page was loaded anew. */
	kept(): string {
		return JSON.stringify({ events: this.#events, script: this.#script, now: this.#now });
	}
	resume(kept: string): void {
		const { events, script, now } = JSON.parse(kept) as { events: readonly RunEvent[]; script: Script; now: number };
		this.#events = events;
		this.#script = script;
		this.#now = now;
	}
}
