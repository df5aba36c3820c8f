import { randomUUID } from 'node:crypto';
import { ask } from '../walk/ask';
import type { Random } from '../laws/random';

/** What a writer sent and what came of it. */
export interface Sent {
	readonly key: string;
	readonly what: 'add' | 'take' | 'undo' | 'start' | 'tap';
	/** Of a tap: its run and its own id. */
	readonly run?: string;
	answered: boolean;
}

const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));

/** A person with a phone who does not give up: what is not answered is sent again, with the same key. */
export class Writer {
	readonly sent: Sent[] = [];
	#runs: string[] = [];
	#taps: Record<string, number> = {};
	#steps: string[] = [];
	#lots: string[] = [];
	stop = false;

	constructor(
		readonly name: string,
		private readonly origin: string,
		private readonly cookie: string,
		private readonly household: string,
		private readonly freezer: string,
		private readonly random: Random
	) {}

	/** @returns the answer, or undefined where the writer was stopped before there was one */
	async #until(sent: Sent, path: string, body: string, headers: Record<string, string>) {
		this.sent.push(sent);
		while (!this.stop) {
			const answer = await Promise.race([
				ask(this.origin, path, {
					method: 'POST',
					body,
					headers: { cookie: this.cookie, origin: this.origin, accept: 'application/json', ...headers }
				}).catch(() => undefined),
				wait(8_000).then(() => undefined)
			]);
			// No answer, or the word that the database is away: once more.
			if (answer && answer.status < 500 && !/"type":"(failure|error)","status":5/.test(answer.text)) {
				// Refused with the reason is told, not kept: packs that so little food cannot give.
				sent.answered =
					answer.status === 200 &&
					(sent.what === 'tap'
						? !(JSON.parse(answer.text) as { refused: { id: string }[] }).refused.some((r) => r.id === sent.key)
						: /"type":"(success|redirect)"/.test(answer.text));
				return answer;
			}
			await wait(100 + this.random.below(200));
		}
		return undefined;
	}

	async #form(what: Sent['what'], path: string, values: Record<string, string>) {
		const key = randomUUID();
		const body = new URLSearchParams({ household: this.household, key, ...values }).toString();
		const answer = await this.#until({ key, what, answered: false }, path, body, {
			'content-type': 'application/x-www-form-urlencoded',
			'x-sveltekit-action': 'true'
		});
		return answer ? (JSON.parse(answer.text) as { type: string; data?: string; location?: string }) : undefined;
	}

	async #tap(run: string, tap: Record<string, unknown>) {
		const id = randomUUID();
		const n = (this.#taps[run] = (this.#taps[run] ?? 0) + 1);
		const body = JSON.stringify({ events: [{ id, at: Date.now(), device: `writer-${this.name}`, n, ...tap }] });
		await this.#until({ key: id, what: 'tap', run, answered: false }, `/stove/${run}/events`, body, {
			'content-type': 'application/json'
		});
		return id;
	}

	/** Looks into the basket: its lots are everybody's. */
	async #look(): Promise<void> {
		const page = await ask(this.origin, '/basket', { headers: { cookie: this.cookie, accept: 'text/html' } }).catch(
			() => undefined
		);
		const lots = [...(page?.text ?? '').matchAll(/href="\/ways\/([0-9a-f-]{36})/g)].map((m) => m[1] ?? '');
		this.#lots = [...new Set(lots)].slice(0, 30);
	}

	/** Whether it has a run at the stove: what a kill could lose most of. */
	get cooks(): boolean {
		return this.#runs.length > 0;
	}

	async work(): Promise<void> {
		const { next, pick, below } = this.random;
		const finishes = new Map<string, string>();
		while (!this.stop) {
			const what = next();
			if (what < 0.12) {
				await this.#form('add', '/basket?/add', { text: `3 kg green beans, note: ${this.name}` });
				if (this.#lots.length < 5) await this.#look();
			} else if (what < 0.42 && this.#lots.length > 0) {
				const done = await this.#form('take', '/basket?/away', {
					lotId: pick(this.#lots),
					kind: 'take',
					grams: `${1 + below(300)} g`
				});
				const step = /([0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f-]{22})/.exec(done?.data ?? '')?.[1];
				if (done?.type === 'success' && step) this.#steps.push(step);
			} else if (what < 0.5 && this.#steps.length > 0) {
				await this.#form('undo', '/basket?/undo', {
					groupId: this.#steps.splice(below(this.#steps.length), 1)[0] ?? ''
				});
			} else if (what < 0.6 && this.#lots.length > 0 && this.#runs.length < 4) {
				const lot = this.#lots.splice(below(this.#lots.length), 1)[0] ?? '';
				const started = await this.#form('start', `/ways/${lot}?/start`, { way: 'raw' });
				const run = started?.location?.split('/').pop();
				if (run) this.#runs.push(run);
			} else if (this.#runs.length > 0) {
				const run = pick(this.#runs);
				const end = finishes.get(run);
				if (end && next() < 0.5) {
					await this.#tap(run, { type: 'undo', target: end });
					finishes.delete(run);
				} else if (next() < 0.7) {
					await this.#tap(run, {
						type: 'pack',
						packs: 1 + below(3),
						pack_g: 500,
						containerId: null,
						placeId: this.freezer
					});
				} else if (!end) finishes.set(run, await this.#tap(run, { type: 'finish' }));
			}
			await wait(below(60));
		}
	}
}
