import { parseWeight } from '$core/quantities/parse-weight';
import type { LotUnit } from '$core/stock/amount';

/** A line of a place that is counted. */
export interface CountLine {
	readonly id: string;
	readonly title: string;
	readonly each: string;
	readonly unit: LotUnit;
	/** What the book says, in the line's unit. */
	readonly amount: number;
	readonly edit: string;
	/** What such a time usually takes of it, beside what the book knows of; empty where nothing is known. */
	readonly usual: string;
}

/** One line at a time: what is counted, and how it differs from the book. */
export class Count {
	#at = $state(0);
	#typed = $state<string | null>(null);
	/** Lines whose difference was told, by what it was: for going on after a look elsewhere. */
	#told = $state.raw<Readonly<Record<string, number>>>({});
	readonly #lines: () => readonly CountLine[];

	constructor(lines: () => readonly CountLine[], done: readonly string[] = []) {
		this.#lines = lines;
		const open = lines().findIndex((l) => !done.includes(l.id));
		this.#at = open < 0 ? lines().length : open;
	}

	get at(): number {
		return this.#at;
	}
	get line(): CountLine | undefined {
		return this.#lines()[this.#at];
	}
	get following(): CountLine | undefined {
		return this.#lines()[this.#at + 1];
	}
	get over(): boolean {
		return this.#at >= this.#lines().length;
	}
	/** As the field shows it. */
	get typed(): string {
		return this.#typed ?? this.line?.edit ?? '';
	}
	set typed(text: string) {
		this.#typed = text;
	}
	/** In the line's unit; undefined where what was typed is no amount. */
	get counted(): number | undefined {
		const { line } = this;
		if (!line) return undefined;
		if (this.#typed === null) return line.amount;
		const text = this.#typed.trim();
		if (line.unit === 'dg') {
			if (/^0(\s*\p{L}+)?$/u.test(text)) return 0;
			const grams = parseWeight(text);
			return grams === undefined ? undefined : grams * 10;
		}
		return /^\d{1,7}$/.test(text) ? Number(text) : undefined;
	}
	/** Against the book: below nothing is missing. */
	get difference(): number {
		return (this.counted ?? this.line?.amount ?? 0) - (this.line?.amount ?? 0);
	}
	get told(): Readonly<Record<string, number>> {
		return this.#told;
	}

	step(by: 1 | -1): void {
		const { line, counted } = this;
		if (!line || counted === undefined) return;
		const next = Math.max(0, counted + by * (line.unit === 'dg' ? 5000 : 1));
		this.#typed = line.unit === 'dg' ? `${next / 10} g` : `${next}`;
	}
	none(): void {
		this.#typed = '0';
	}
	asBook(): void {
		this.#typed = null;
	}
	/** To the next line; the difference that was told is remembered. */
	next(): void {
		const { line } = this;
		if (line && this.difference !== 0) this.#told = { ...this.#told, [line.id]: this.difference };
		this.#at++;
		this.#typed = null;
	}
	back(): void {
		if (this.#at === 0) return;
		this.#at--;
		this.#typed = null;
	}
}
