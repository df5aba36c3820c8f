import { eatFresh, haulOf, usualWishes, wayId, type HaulInput, type Wishes } from '$core/haul/from-ways';
import type { Haul, Lock } from '$core/haul/haul';
import { apartHref } from '$core/haul/apart';
import { takenOf } from '$core/haul/check';
import type { Instead } from '$core/haul/explain';
import type { Answer, Impossible } from '$core/haul/solve';
import { usesOf, type Worth } from '$core/haul/worths';
import type { Running } from '../forecast/in-worker';
import type { HaulView } from './view';

/** A part of a lot as its rule shows it. */
export interface RulePart {
	readonly way: string;
	readonly slug: string;
	readonly name: string;
	readonly kg: number;
	readonly days: readonly number[];
	/** "6 packs", "7 quarts"; empty for what makes none. */
	readonly packs: number;
	readonly each: 'pack' | 'jar' | null;
	/** Where it is read or begun; null for what is eaten as it is. */
	readonly href: string | null;
	readonly locked: boolean;
}
export interface RuleRow {
	readonly lot: HaulInput['lots'][number];
	readonly kg: number;
	readonly parts: readonly RulePart[];
	readonly left_kg: number;
	readonly hands_h: number;
}

export type Solve = (
	haul: Haul,
	onBetter: (answer: Answer) => void
) => Running<{ readonly answer: Answer | Impossible }>;
export type AskWorths = (haul: Haul, answer: Answer, onFound: (found: Worth) => void) => Running<readonly Worth[]>;

export type AskWhy = (
	haul: Haul,
	answer: Answer,
	lot: string,
	onFound: (found: Instead) => void
) => Running<readonly Instead[]>;
export interface Asks {
	readonly solve: Solve;
	readonly worths: AskWorths;
	readonly why: AskWhy;
}
/** Why one lot went where it went, as far as it is worked out. */
export interface Explained {
	readonly lot: string;
	readonly found: readonly Instead[];
	readonly done: boolean;
	readonly failed: string;
}

/** The haul being shared out: what was set, what was found so far, and what binds. A change works it out anew. */
export class HaulPage {
	readonly #view: () => HaulView;
	readonly #now: () => number;
	readonly #solve: Solve;
	readonly #ask: AskWorths;
	readonly #askWhy: AskWhy;
	#running: Running<unknown> | undefined;
	#explaining: Running<unknown> | undefined;
	explained = $state.raw<Explained | null>(null);
	wishes = $state.raw<Wishes>(usualWishes);
	days = $state(3);
	locks = $state.raw<readonly Lock[]>([]);
	phase = $state<'idle' | 'working' | 'done' | 'stopped' | 'failed'>('idle');
	why = $state('');
	answer = $state.raw<Answer | null>(null);
	impossible = $state.raw<Impossible | null>(null);
	found = $state.raw<readonly Worth[]>([]);
	/** The haul that the answer is of. */
	haul = $state.raw<Haul | null>(null);

	constructor(view: () => HaulView, now: () => number, { solve, worths, why }: Asks) {
		this.#view = view;
		this.#now = now;
		this.#solve = solve;
		this.#ask = worths;
		this.#askWhy = why;
	}

	/** Works it out, from the beginning or anew; one that is on its way is ended. */
	async work(): Promise<void> {
		this.end();
		const { lots, kitchen, rooms } = this.#view();
		const haul = haulOf({
			kitchen,
			rooms,
			lots,
			days: this.days,
			wishes: this.wishes,
			locks: this.locks,
			now: this.#now()
		});
		// An answer of another basket is none to this one: it would say that what came in since is not placed.
		const words = (of: Haul | null) => of?.lots.map((l) => `${l.id} ${l.kg}`).join();
		if (words(this.haul) !== words(haul)) this.answer = null;
		this.phase = 'working';
		this.impossible = null;
		this.found = [];
		this.why = '';
		const own = this.#solve(haul, (answer) => {
			if (this.#running === own) this.#take(haul, answer);
		});
		this.#running = own;
		try {
			const { answer: last } = await own.done;
			if (this.#running !== own) return;
			if (last.kind === 'impossible') this.impossible = last;
			else this.#take(haul, last);
			this.phase = 'done';
		} catch (thrown) {
			if (this.#running !== own) return;
			this.why = thrown instanceof Error ? thrown.message : String(thrown);
			this.phase = 'failed';
			return;
		}
		if (this.answer && !this.impossible) await this.#worths(haul, this.answer);
	}
	#take(haul: Haul, answer: Answer): void {
		this.haul = haul;
		this.answer = answer;
	}
	async #worths(haul: Haul, answer: Answer): Promise<void> {
		const own = this.#ask(haul, answer, (one) => {
			if (this.#running === own) this.found = [...this.found, one];
		});
		this.#running = own;
		try {
			await own.done;
		} catch (thrown) {
			// What one more is worth stands beside the plan: without it the plan holds as it is, and the page says so.
			if (this.#running === own) this.why = thrown instanceof Error ? thrown.message : String(thrown);
		}
	}
	/** What was found so far is enough. */
	stop(): void {
		if (this.phase !== 'working') return;
		this.#running?.stop();
		this.#running = undefined;
		this.phase = 'stopped';
	}
	end(): void {
		this.#running?.stop();
		this.#running = undefined;
		this.#explaining?.stop();
		this.#explaining = undefined;
		this.explained = null;
	}
	/** Asks why a lot went where it went; asked again it is closed. */
	async explain(lot: string): Promise<void> {
		this.#explaining?.stop();
		this.#explaining = undefined;
		if (this.explained?.lot === lot || !this.haul || !this.answer) {
			this.explained = null;
			return;
		}
		let so: Explained = { lot, found: [], done: false, failed: '' };
		const show = (more: Partial<Explained>) => (this.explained = so = { ...so, ...more });
		show({});
		const own = this.#askWhy(this.haul, this.answer, lot, (one) => {
			if (this.#explaining === own) show({ found: [...so.found, one] });
		});
		this.#explaining = own;
		try {
			const found = await own.done;
			if (this.#explaining === own) show({ found, done: true });
		} catch (thrown) {
			if (this.#explaining === own)
				show({ done: true, failed: thrown instanceof Error ? thrown.message : String(thrown) });
		}
	}

	/** Sets a part to so many kilos, or lets go of it. */
	lock(way: string, kg: number | null): void {
		const others = this.locks.filter((l) => l.way !== way);
		this.locks = kg === null ? others : [...others, { way, kg }];
		void this.work();
	}
	wish(kind: keyof Wishes, value: number): void {
		this.wishes = { ...this.wishes, [kind]: value };
		void this.work();
	}
	within(days: number): void {
		this.days = days;
		void this.work();
	}

	readonly rows = $derived.by((): RuleRow[] => {
		const { lots } = this.#view();
		const { answer, haul } = this;
		return lots.map((lot) => {
			const parts = answer?.shared.parts.filter((p) => p.lot === lot.id) ?? [];
			const slugs = [...lot.ways.map((w) => w.slug), ...lot.apart.map((w) => w.slug), eatFresh];
			const rule = slugs.flatMap((slug): RulePart[] => {
				const way = wayId(lot.id, slug);
				const mine = parts.filter((p) => p.way === way);
				const locked = this.locks.some((l) => l.way === way);
				if (mine.length === 0 && !locked) return [];
				const own = lot.ways.find((w) => w.slug === slug);
				const apart = lot.apart.find((w) => w.slug === slug);
				const kg = mine.reduce((sum, p) => sum + p.kg, 0);
				return [
					{
						way,
						slug,
						name: own?.name ?? apart?.name ?? 'eat fresh',
						kg,
						href: own ? `/ways/${lot.id}/${slug}` : apart ? apartHref(apart.slug, lot.id, kg * 1000) : null,
						days: mine.map((p) => p.day),
						packs: own ? (answer?.shared.packs[way] ?? 0) : 0,
						each: own ? own.way.each : null,
						locked
					}
				];
			});
			const hands = (way: string) =>
				haul?.ways.find((w) => w.id === way)?.perKg.find((x) => x.limit === 'hands')?.amount ?? 0;
			return {
				lot,
				kg: lot.grams / 1000,
				parts: rule,
				left_kg: answer?.shared.left[lot.id] ?? lot.grams / 1000,
				hands_h: rule.reduce((sum, p) => sum + p.kg * hands(p.way), 0)
			};
		});
	});
	readonly uses = $derived(this.answer && this.haul ? usesOf(this.haul, this.answer.shared) : []);
	readonly sums = $derived.by(() => {
		const parts = this.rows.flatMap((r) => r.parts);
		const of = (each: 'pack' | 'jar') => parts.filter((p) => p.each === each).reduce((sum, p) => sum + p.packs, 0);
		const hands_h = this.haul && this.answer ? takenOf(this.haul, this.answer.shared, 'hands', () => true, false) : 0;
		return { packs: of('pack'), jars: of('jar'), hands_h };
	});
	/** What was shared out, for the plan: by lot its ways with grams and days; what is eaten fresh is shared out to no way. */
	readonly plan = $derived(
		this.rows.map((r) => ({
			lot: r.lot.id,
			shares: r.parts
				.filter((p) => p.slug !== eatFresh && p.kg > 0.005)
				.map((p) => {
					const days = (this.answer?.shared.parts ?? [])
						.filter((x) => x.way === p.way && x.kg > 0.005)
						.map((x) => ({ day: x.day, grams: Math.round(x.kg * 1000) }));
					return { way: p.slug, grams: days.reduce((sum, d) => sum + d.grams, 0), days };
				})
		}))
	);
}
