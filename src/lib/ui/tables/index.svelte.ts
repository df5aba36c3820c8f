import type { Entry } from '$core/tables/search';

/** The index of Tables in this browser: empty until it has come, then kept for as long as the page lives. */
class TableIndex {
	entries = $state.raw<readonly Entry[]>([]);
	#asked = false;
	/** Asks for it once; where it does not come, the next page of Tables asks again. */
	async fetch(): Promise<void> {
		if (this.#asked) return;
		this.#asked = true;
		try {
			const reply = await fetch('/tables/index.json');
			if (!reply.ok) throw new Error(String(reply.status));
			this.entries = (await reply.json()) as Entry[];
		} catch {
			// Without a connection the form still goes to the server; nothing is told before somebody looks something up.
			this.#asked = false;
		}
	}
}
export const tableIndex = new TableIndex();
