/** Load on loopback, bounded: readers and writers against one server, and how long each answer took. */
import { Agent, request } from 'node:http';
import { randomUUID } from 'node:crypto';

/** @typedef {{ ms: number, ok: boolean }} Took */

/**
 * @param {string} origin @param {Agent} agent @param {string} path
 * @param {{ method?: string, body?: string, headers?: Record<string, string> }} [options]
 * @returns {Promise<Took & { text: string }>}
 */
function ask(origin, agent, path, { method = 'GET', body, headers = {} } = {}) {
	const began = performance.now();
	return new Promise((resolve) => {
		const asked = request(
			`${origin}${path}`,
			{
				method,
				agent,
				headers: { ...headers, ...(body === undefined ? {} : { 'content-length': String(Buffer.byteLength(body)) }) }
			},
			(reply) => {
				/** @type {Buffer[]} */
				const parts = [];
				reply.on('data', (d) => parts.push(d));
				reply.on('end', () =>
					resolve({
						ms: performance.now() - began,
						ok: (reply.statusCode ?? 500) < 400,
						text: Buffer.concat(parts).toString()
					})
				);
			}
		);
		asked.on('error', () => resolve({ ms: performance.now() - began, ok: false, text: '' }));
		asked.end(body);
	});
}

/** @param {number[]} list @param {number} share */
const quantile = (list, share) =>
	[...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))] ?? 0;

/**
 * Readers and writers for a while.
 * @param {object} how writers tap at the runs, take a pack and put it back
 * @param {string} how.origin
 * @param {string[]} how.pages
 * @param {string} how.household
 * @param {string[]} [how.runs]
 * @param {string} [how.packs] the lot that is taken from
 * @param {number} how.readers
 * @param {number} how.writers
 * @param {number} how.seconds
 * @param {number} how.every_ms 0: as fast as they can
 */
export async function load({ origin, pages, household, runs = [], packs = '', readers, writers, seconds, every_ms }) {
	const agent = new Agent({ keepAlive: true, maxSockets: readers + writers + 2 });
	const end = performance.now() + seconds * 1000;
	/** @type {Took[]} */
	const reads = [];
	/** @type {Took[]} */
	const writes = [];
	let alive = 0;
	/** @param {() => Promise<Took>} one @param {Took[]} into @param {number} nth */
	const person = async (one, into, nth) => {
		// Not all in step.
		if (every_ms > 0) await new Promise((r) => setTimeout(r, (every_ms * nth) / (readers + writers)));
		while (performance.now() < end) {
			const took = await one();
			into.push({ ms: took.ms, ok: took.ok });
			if (every_ms > 0) await new Promise((r) => setTimeout(r, Math.max(0, every_ms - took.ms)));
		}
	};
	let next = 0;
	const read = () => ask(origin, agent, pages[next++ % pages.length] ?? '/', { headers: { accept: 'text/html' } });
	/** @param {string} path @param {Record<string, string>} values */
	const form = (path, values) =>
		ask(origin, agent, path, {
			method: 'POST',
			body: new URLSearchParams({ household, key: randomUUID(), ...values }).toString(),
			headers: { origin, 'content-type': 'application/x-www-form-urlencoded', 'x-sveltekit-action': 'true' }
		});
	let writing = 0;
	/** @type {string[]} */
	const taken = [];
	const write = async () => {
		const nth = writing++;
		if (nth % 2 === 0) {
			const tap = { id: randomUUID(), at: Date.now(), device: 'load', n: nth, type: 'note', text: `note ${nth}` };
			return ask(origin, agent, `/stove/${runs[nth % runs.length]}/events`, {
				method: 'POST',
				body: JSON.stringify({ events: [tap] }),
				headers: { origin, 'content-type': 'application/json' }
			});
		}
		const step = taken.pop();
		if (step) return form('/shelves?/undo', { groupId: step });
		const took = await form('/shelves?/take', { lotId: packs });
		const made = /([0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f-]{22})/.exec(took.text)?.[1];
		if (made) taken.push(made);
		return took;
	};
	const watch = (async () => {
		while (performance.now() < end) {
			alive = Math.max(alive, (await ask(origin, agent, '/alive')).ms);
			await new Promise((r) => setTimeout(r, 100));
		}
	})();
	await Promise.all([
		watch,
		...Array.from({ length: readers }, (_, i) => person(read, reads, i)),
		...Array.from({ length: writers }, (_, i) => person(write, writes, readers + i))
	]);
	agent.destroy();
	const all = [...reads, ...writes];
	const times = all.map((t) => t.ms);
	return {
		perSecond: reads.length / seconds,
		p50: quantile(times, 0.5),
		p95: quantile(times, 0.95),
		failed: all.filter((t) => !t.ok).length,
		count: all.length,
		alive
	};
}
