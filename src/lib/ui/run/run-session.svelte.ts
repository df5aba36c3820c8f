import { v7 as uuidv7 } from 'uuid';
import { seenOf } from '$core/runs/engine/order';
import { foldRun, kindOf, type RunEvent, type RunPlan, type RunState, type Tap } from '$core/runs/kinds';
import type { RunNews, RunView, TapAnswer } from '$core/runs/wire';
import { newOnly } from './merge';
import type { Outbox } from './outbox/outbox.svelte';

/**
 * A run on this device: the confirmed events, the taps on their way, and the fold of both. A tap counts at once here;
 * the queue keeps it until the server has it.
 */
export class RunSession {
	readonly id: string;
	readonly codes: readonly string[];
	readonly plan: RunPlan;
	readonly startedAt: number;
	readonly #outbox: Outbox;
	#household: string;
	#confirmed = $state.raw<readonly RunEvent[]>([]);
	#status = $state<RunNews['status']>('open');
	#entries = $state.raw<RunNews['entries']>([]);
	#differences = $state.raw<RunNews['differences']>([]);
	#notes = $state.raw<readonly string[]>([]);
	#seq = -1;
	readonly #state = $derived.by<RunState>(() => foldRun(this.plan, this.startedAt, this.events));

	constructor(wire: RunView, outbox: Outbox, household: string) {
		this.id = wire.id;
		this.codes = wire.codes;
		this.plan = wire.plan;
		this.startedAt = wire.startedAt;
		this.#outbox = outbox;
		this.#household = household;
		this.take(wire);
	}

	get events(): readonly RunEvent[] {
		const waiting = this.#outbox.eventsOf(this.id);
		return waiting.length === 0 ? this.#confirmed : [...this.#confirmed, ...newOnly(waiting, this.#confirmed)];
	}
	get state(): RunState {
		return this.#state;
	}
	get status(): RunNews['status'] {
		return this.#status;
	}
	/** Its entries in the book. */
	get entries(): RunNews['entries'] {
		return this.#entries;
	}
	/** What it is called: its foods. */
	get food(): string {
		return kindOf(this.plan).head(this.plan).food;
	}
	get differences(): RunNews['differences'] {
		return this.#differences;
	}
	get seq(): number {
		return Math.max(0, this.#seq);
	}
	/** Taps that the server has not confirmed yet. */
	get waiting(): number {
		return this.#outbox.eventsOf(this.id).length;
	}
	/** What the server had to say of the last taps: one that came too late, a place that is back. */
	get notes(): readonly string[] {
		return this.#notes;
	}
	clearNotes(): void {
		this.#notes = [];
	}

	/** Takes the whole word of the server, unless it is older than what is known: answers may overtake one another. */
	take(news: RunNews): void {
		if (news.seq < this.#seq) return;
		this.#confirmed = news.events;
		this.#about(news);
	}

	/** Takes what has come since a number. */
	add(news: RunNews): void {
		if (news.seq > this.#seq) this.#confirmed = [...this.#confirmed, ...newOnly(news.events, this.#confirmed)];
		this.#about({ ...news, seq: Math.max(news.seq, this.#seq) });
	}

	#about(news: RunNews): void {
		this.#status = news.status;
		this.#entries = news.entries;
		this.#differences = news.differences;
		this.#seq = news.seq;
	}

	/** The server's answer to taps of this device. */
	answered(sent: readonly RunEvent[], answer: Partial<RunNews> & TapAnswer): void {
		if (answer.events !== undefined) this.take(answer as RunNews);
		const mine = answer.ignored.filter((i) => sent.some((e) => e.id === i.id)).map((i) => i.why);
		this.#notes = [...answer.told, ...mine];
	}

	/** A tap, now or (said late) at an earlier time. @returns its id */
	tap(tap: Tap, at: number): string {
		const ends = tap.type === 'finish' || tap.type === 'stop' ? { seen: seenOf(this.events) } : {};
		const event = { ...tap, ...ends, id: uuidv7(), at } as RunEvent;
		this.#notes = [];
		void this.#outbox.add(this.#household, this.id, event);
		return event.id;
	}

	/** Takes every end back: the run goes on. */
	openAgain(at: number): void {
		for (const target of this.state.ends) this.tap({ type: 'undo', target }, at);
	}
}
