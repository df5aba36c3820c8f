import { v7 as uuidv7 } from 'uuid';

/** Characters to a part: in UTF-8 at most three bytes each, and a request takes 64 kB. */
const partLength = 15_000;

/** A file on its way to the server in parts: how far it is, and why it stopped. */
export class Upload {
	/** Under which it lies there whole; empty until it does. */
	id = $state('');
	parts = $state(0);
	sent = $state(0);
	why = $state('');
	name = $state('');
	/** Not there yet, and not stopped. */
	readonly going = $derived(this.parts > 0 && !this.id && !this.why);

	forget(): void {
		this.id = '';
		this.why = '';
		this.parts = 0;
		this.sent = 0;
	}

	/** Sends what was chosen; the one before is forgotten. */
	async read(input: HTMLInputElement): Promise<void> {
		const file = input.files?.[0];
		this.forget();
		if (!file) return;
		const own = uuidv7();
		const text = await file.text();
		this.name = file.name;
		// Never through the middle of a character that takes two.
		const chunks = text.match(new RegExp(`[\\s\\S]{1,${partLength}}`, 'gu')) ?? [''];
		this.parts = chunks.length;
		for (const [n, chunk] of chunks.entries()) {
			const answer = await fetch('/kitchen/out/part', {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ upload: own, n, text: chunk })
			}).catch(() => null);
			if (!answer?.ok) {
				const said = (await answer?.json().catch(() => null)) as { error?: { message?: string } } | null;
				this.why = said?.error?.message ?? 'The connection was lost. Nothing was taken in; choose the file again.';
				return;
			}
			this.sent = n + 1;
		}
		this.id = own;
	}
}
