import { kindOf, type RunAct } from '$core/runs/kinds';
import type { Task } from '$core/ways/equipment';
import type { RunSession } from './run-session.svelte';

/** Somebody who helps at the stove, and what they may do. */
export interface Helper {
	readonly id: string;
	readonly name: string;
	readonly may: readonly Task[];
}

/** An act of one of the runs that go on, and whose it is: the cook's, or a helper's by id. */
export interface Owned {
	readonly session: RunSession;
	readonly act: RunAct;
	readonly key: string;
	readonly who: string;
}

/** At or under this, an act wants hands at once: what is due in the heat or the ice, or a reading that is late. */
const loud = 3.5;

/**
 * Whose each act is. The most urgent of what only the cook may do stays the cook's; each helper gets the most urgent act
 * that they may do beside it; the rest is the cook's, who may do everything.
 */
export function share(acts: readonly Omit<Owned, 'who'>[], helpers: readonly Helper[]): Owned[] {
	const free = [...helpers];
	let cook = false;
	return acts.map((one, i) => {
		const { ready, task } = one.act;
		const at = ready ? free.findIndex((h) => h.may.includes(task)) : -1;
		const onlyCook = (a: Omit<Owned, 'who'>) => a.act.ready && !free.some((h) => h.may.includes(a.act.task));
		const helper = at >= 0 && (cook || acts.slice(i + 1).some(onlyCook)) ? free[at] : undefined;
		if (helper) {
			free.splice(at, 1);
			return { ...one, who: helper.id };
		}
		if (ready) cook = true;
		return { ...one, who: '' };
	});
}

/** Under these names this device keeps who helps. */
const kept = { helping: 'root-jar-helping', me: 'root-jar-me' };

/** What is next at the stove, over all runs that go on: overdue first, among it what nears its published maximum. */
export class StoveState {
	readonly #sessions: () => readonly RunSession[];
	readonly #now: () => number;
	readonly #helpers: () => readonly Helper[];
	/** Who stands at this device: the cook, or a helper by id. */
	me = $state('');
	/** Who helps tonight, by id. */
	helping = $state.raw<readonly string[]>([]);

	constructor(sessions: () => readonly RunSession[], now: () => number, helpers: () => readonly Helper[]) {
		this.#sessions = sessions;
		this.#now = now;
		this.#helpers = helpers;
	}

	/** What this device last knew of who helps. */
	load(): void {
		try {
			this.helping = (localStorage.getItem(kept.helping) ?? '').split(' ').filter(Boolean);
			this.me = localStorage.getItem(kept.me) ?? '';
		} catch {
			// A browser that keeps nothing asks anew.
		}
		if (!this.helpers.some((h) => h.id === this.me)) this.me = '';
	}
	help(id: string, on: boolean): void {
		this.helping = on ? [...this.helping, id] : this.helping.filter((h) => h !== id);
		this.keepWho();
	}
	keepWho(): void {
		if (!this.helping.includes(this.me)) this.me = '';
		try {
			localStorage.setItem(kept.helping, this.helping.join(' '));
			localStorage.setItem(kept.me, this.me);
		} catch {
			// It holds for this page then.
		}
	}

	readonly helpers = $derived.by(() => this.#helpers().filter((h) => this.helping.includes(h.id)));
	readonly open = $derived.by(() => this.#sessions().filter((s) => s.state.phase === 'working'));
	readonly acts = $derived.by((): Owned[] => {
		const now = this.#now();
		const all = this.open.flatMap((session) =>
			kindOf(session.plan)
				.acts(session.plan, session.state, now)
				.map((act) => ({ session, act, key: `${session.id} ${act.key}` }))
		);
		const soonest = (a: RunAct) => a.due ?? Infinity;
		all.sort(
			(a, b) =>
				Number(b.act.over) - Number(a.act.over) || a.act.urgency - b.act.urgency || soonest(a.act) - soonest(b.act)
		);
		return share(all, this.helpers);
	});
	/** The first act of the person at this device; with nothing of their own they see what there is. */
	readonly main = $derived(this.acts.find((a) => a.who === this.me) ?? this.acts[0] ?? null);
	/** What somebody must do at the same time: as loud. */
	readonly loud = $derived(
		this.acts.filter((a) => a !== this.main && a.act.ready && (a.act.over || a.act.urgency <= loud)).slice(0, 2)
	);
	/** What others have to do just now. */
	readonly others = $derived(
		this.acts.filter((a) => a !== this.main && a.who !== this.me && a.act.ready && !this.loud.includes(a))
	);
	readonly rest = $derived(
		this.acts.filter((a) => a !== this.main && !this.loud.includes(a) && !this.others.includes(a))
	);
	nameOf(who: string): string {
		return this.#helpers().find((h) => h.id === who)?.name ?? 'The cook';
	}
}
