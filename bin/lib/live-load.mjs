/** Instruments that send and listeners that hear, on loopback, bounded: how far behind a listener is, and what the pages take meanwhile. */
import { createHmac, randomUUID } from 'node:crypto';

/** @param {string} id @param {string} secret */
const tokenOf = (id, secret) => `${id}.${createHmac('sha256', secret).update(id).digest('base64url')}`;

/**
 * @param {import('postgres').Sql} sql
 * @param {{ origin: string, household: string, instruments: number, listeners: number, seconds: number, pages: readonly string[] }} how
 */
export async function liveLoad(sql, { origin, household, instruments, listeners, seconds, pages }) {
	const [own] = await sql`select cookie_secret from installation limit 1`;
	const secret = String(own?.cookie_secret);
	const ids = Array.from({ length: instruments }, () => randomUUID());
	for (const [i, id] of ids.entries())
		await sql`insert into instrument (id, household_id, name, quantity, created_at) values (${id}, ${household}, ${`bench ${i} ${id}`}, 'temperature', now())`;
	const until = Date.now() + seconds * 1000;
	/** @type {number[]} */
	const behind = [];
	/** @type {number[]} */
	const posts = [];
	/** @type {number[]} */
	const reads = [];
	let notices = 0;
	let failed = 0;
	const stop = new AbortController();

	async function listen() {
		const reply = await fetch(`${origin}/live`, { headers: { accept: 'text/event-stream' }, signal: stop.signal });
		const reader = reply.body?.pipeThrough(new TextDecoderStream()).getReader();
		let text = '';
		for (;;) {
			const { value, done } = (await reader?.read()) ?? { value: '', done: true };
			if (done) return;
			text += value;
			for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
				const event = text.slice(0, end);
				text = text.slice(end + 2);
				if (!event.startsWith('event: readings')) continue;
				notices++;
				// The newest reading that is told of, against now: how old the news is.
				const newest = Math.max(...[...event.matchAll(/"at":(\d{13})/g)].map((m) => Number(m[1])));
				if (Number.isFinite(newest)) behind.push(Date.now() - newest);
			}
		}
	}
	/** @param {string} id @param {number} n */
	async function send(id, n) {
		await new Promise((done) => setTimeout(done, (n / instruments) * 1000));
		while (Date.now() < until) {
			const began = performance.now();
			const body = JSON.stringify({ value: -18 + Math.random(), unit: 'C', at: Date.now() });
			const reply = await fetch(`${origin}/instruments/readings`, {
				method: 'POST',
				body,
				headers: { authorization: `Bearer ${tokenOf(id, secret)}` }
			}).catch(() => undefined);
			await reply?.arrayBuffer();
			if (reply?.status !== 200) failed++;
			posts.push(performance.now() - began);
			await new Promise((done) => setTimeout(done, Math.max(0, 1000 - (performance.now() - began))));
		}
	}
	async function read() {
		for (let n = 0; Date.now() < until; n++) {
			const began = performance.now();
			await (await fetch(`${origin}${pages[n % pages.length]}`)).arrayBuffer();
			reads.push(performance.now() - began);
			await new Promise((done) => setTimeout(done, 250));
		}
	}
	const heard = Array.from({ length: listeners }, () => listen().catch(() => {}));
	await Promise.all([...ids.map(send), read()]);
	stop.abort();
	await Promise.all(heard);
	for (const id of ids) await sql`update instrument set removed_at = now() where id = ${id}`;
	return { behind, posts, reads, failed, noticesPerSecond: notices / listeners / seconds };
}
