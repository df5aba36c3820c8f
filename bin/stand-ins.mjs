/**
 * Simulated instruments in a small process of their own, driven by what the runs would weigh and warm: `npm start` runs it for
 * the demo. It speaks the protocol of docs/devices.md, as a real scale would: nothing of the application is imported.
 *
 * STAND_INS: JSON, a list of { quantity, token }; ORIGIN: where Root Jar answers.
 */
import { printed, standIn, step } from './lib/stand-in.mjs';

const origin = process.env.ORIGIN ?? 'http://127.0.0.1:4180';
/** @type {{ quantity: import('./lib/stand-in.mjs').Quantity | 'print', token: string }[]} */
const all = JSON.parse(process.env.STAND_INS ?? '[]');
const every_ms = 1_000;

/** @param {string} path @param {string} token @param {RequestInit} [more] */
const ask = (path, token, more = {}) =>
	fetch(`${origin}${path}`, {
		...more,
		headers: { authorization: `Bearer ${token}`, 'content-type': 'application/x-ndjson' },
		signal: AbortSignal.timeout(3_000)
	});

let stopped = false;
for (const name of ['SIGTERM', 'SIGINT']) process.on(name, () => ((stopped = true), process.exit(0)));
process.on('disconnect', () => process.exit(0));
/** Its parent may be gone before it could listen: then it is alone from its first second. */
const alone = () => process.connected === false;

/** A printer that prints onto nothing: it asks for its sheets, reads them, and is out of paper now and then. @param {string} token */
async function print(token) {
	while (!stopped && !alone()) {
		try {
			const reply = await ask('/instruments/jobs', token);
			if (reply.status === 401 || reply.status === 403) return;
			const lines = reply.ok ? (await reply.text()).split('\n').filter((l) => l !== '') : [];
			for (const line of lines) {
				const { id } = JSON.parse(line);
				const sheet = await ask(`/instruments/jobs/${id}`, token);
				const bytes = new Uint8Array(await sheet.arrayBuffer());
				const said = printed(bytes, Math.random);
				await (
					await ask(`/instruments/jobs/${id}`, token, { method: 'POST', body: JSON.stringify(said) })
				).arrayBuffer();
			}
		} catch {
			// The server is away: what waits for it goes on waiting.
		}
		await new Promise((done) => setTimeout(done, 2 * every_ms));
	}
}

/** @param {{ quantity: import('./lib/stand-in.mjs').Quantity, token: string }} one */
async function run({ quantity, token }) {
	let tool = standIn(quantity, quantity === 'temperature' ? 21 : 0, Date.now());
	let truth = 0;
	for (let n = 0; !stopped && !alone(); n++) {
		const began = Date.now();
		try {
			// What it would have before it changes slowly: asked every few seconds.
			if (n % 3 === 0) {
				const reply = await ask('/instruments/truth', token);
				// Removed, or not known any more: it goes.
				if (reply.status === 401 || reply.status === 403) return;
				if (reply.ok) truth = (await reply.json()).value;
			}
			const { now, sent } = step(tool, truth, Date.now(), Math.random);
			tool = now;
			if (sent)
				await (await ask('/instruments/readings', token, { method: 'POST', body: JSON.stringify(sent) })).arrayBuffer();
		} catch {
			// The server is away: a reading is lost, as over any radio.
		}
		await new Promise((done) => setTimeout(done, Math.max(50, every_ms - (Date.now() - began))));
	}
}
await Promise.all(
	all.map((one) => (one.quantity === 'print' ? print(one.token) : run({ quantity: one.quantity, token: one.token })))
);
// Alone, or known to nobody any more: it goes.
process.exit(0);
