export interface Echo {
	readonly kind: 'understood' | 'asked' | 'refused' | 'weigh-once' | 'unclear';
	readonly words: string;
	readonly detail: string;
	readonly choices: readonly { readonly label: string; readonly text: string }[];
	/** What endangers, though it is kept: said in red. */
	readonly danger?: string;
	/** Safe ways on, where it is refused. */
	readonly instead?: readonly string[];
	/** One tap says that an unlikely amount is right. */
	readonly confirm?: string;
	readonly weigh?: { readonly measure: string; readonly food: string; readonly foodName: string };
}

/** The line being typed and what it would be understood as; late answers to earlier text are dropped. */
export class HaulLine {
	text = $state('');
	#echo = $state.raw<Echo | null>(null);
	#asked = 0;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly #ask: (text: string) => Promise<Echo | null>;
	readonly #wait_ms: number;

	constructor(ask: (text: string) => Promise<Echo | null>, text = '', wait_ms = 90) {
		this.#ask = ask;
		this.text = text;
		this.#wait_ms = wait_ms;
	}

	get echo(): Echo | null {
		return this.#echo;
	}

	/** To be called when the text has changed. */
	changed(): void {
		clearTimeout(this.#timer);
		if (this.text.trim() === '') {
			this.#asked++;
			this.#echo = null;
			return;
		}
		this.#timer = setTimeout(() => void this.look(), this.#wait_ms);
	}

	async look(): Promise<void> {
		const asked = ++this.#asked;
		const echo = await this.#ask(this.text);
		if (asked === this.#asked) this.#echo = echo;
	}

	set(text: string): void {
		this.text = text;
		void this.look();
	}
}
