import { fitting, markMoved, unshared_g, type Share } from '$core/ways/shares';
import type { WaysView } from './view';

/** What the page of a lot's ways holds besides what the server worked out: the rule of shares while a mark is pushed. */
export class WaysPage {
	readonly #view: () => WaysView;
	/** Marks as they are pushed; null while none is. */
	#pushed = $state<readonly Share[] | null>(null);

	constructor(view: () => WaysView) {
		this.#view = view;
	}

	get whole_g(): number {
		return this.#view().lot.free_g;
	}
	get shares(): readonly Share[] {
		return this.#pushed ?? fitting(this.whole_g, this.#view().shares);
	}
	get left_g(): number {
		return unshared_g(this.whole_g, this.shares);
	}
	/** Where each mark stands, g from the left. */
	get marks(): number[] {
		let at = 0;
		return this.shares.map((s) => (at += s.grams));
	}
	/** A way is in the rule. */
	has = (way: string): boolean => this.shares.some((s) => s.way === way);

	push(at: number, to: number): void {
		this.#pushed = markMoved(this.whole_g, this.shares, at, to);
	}
	/** What was pushed is with the server, or was given up. */
	settle(): void {
		this.#pushed = null;
	}
	/** As the form says it. */
	get said(): string {
		return this.shares.map((s) => `${s.way} ${s.grams}`).join('; ');
	}
	/** How far a mark goes in one step, g: a whole hundredth of the rule, in round grams. */
	get step_g(): number {
		const rough = this.whole_g / 120;
		return [10, 50, 100, 250, 500, 1000].find((s) => s >= rough) ?? 1000;
	}
	/** What a share would be called, whoever has pushed what. */
	nameOf = (way: string): string => {
		const { shares, rows } = this.#view();
		return shares.find((s) => s.way === way)?.name ?? rows.find((r) => r.slug === way)?.name ?? 'this way';
	};
	/** What comes of a share, as long as it is as large as the server knows it. */
	getsOf = ({ way, grams }: Share): string =>
		this.#view().shares.find((s) => s.way === way && s.grams === grams)?.gets ?? '';
}
