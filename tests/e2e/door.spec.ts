import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { request as httpsRequest } from 'node:https';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { ask, type Answer } from '../walk/ask';
import { expect, test } from './help';

async function freePort(): Promise<number> {
	return new Promise((resolve) => {
		const probe = createServer().listen(0, '127.0.0.1', () => {
			const address = probe.address();
			probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
		});
	});
}

interface Opened {
	child: ChildProcess;
	said: () => string;
	stop: () => Promise<void>;
}
async function serve(env: Record<string, string>, ready: () => Promise<unknown>): Promise<Opened> {
	let said = '';
	const child = spawn(process.execPath, ['bin/lib/serve.mjs'], {
		stdio: ['ignore', 'pipe', 'pipe'],
		env: { ...process.env, DATABASE_URL: process.env.KILLED_DATABASE_URL ?? '', SHUTDOWN_TIMEOUT: '1', ...env }
	});
	child.stdout?.on('data', (d: Buffer) => (said += String(d)));
	child.stderr?.on('data', (d: Buffer) => (said += String(d)));
	const ended = new Promise<void>((done) => child.on('exit', () => done()));
	for (let i = 0; i < 300; i++) {
		if (child.exitCode !== null) throw new Error(`The server has ended: ${said}`);
		if (await ready().catch(() => false)) break;
		await new Promise((r) => setTimeout(r, 100));
	}
	return {
		child,
		said: () => said,
		stop: async () => {
			child.kill('SIGTERM');
			await ended;
		}
	};
}
const typed = {
	'content-type': 'application/x-www-form-urlencoded',
	'x-sveltekit-action': 'true',
	accept: 'application/json'
};
const household = (page: Answer) => /name="household" value="([^"]+)"/.exec(page.text)?.[1] ?? '';

test('it answers under its own names only, and takes no write that another page sends', async ({ baseURL }) => {
	const origin = baseURL ?? '';
	const { port } = new URL(origin);
	const body = (id: string) =>
		new URLSearchParams({ household: id, key: randomUUID(), name: 'x'.repeat(61) }).toString();
	// Another allowed name works, forms and all: the fault is that of the name, not of the address.
	for (const name of ['localhost', '127.0.0.1', '[::1]']) {
		const host = `${name}:${port}`;
		const page = await ask(origin, '/kitchen', { headers: { host } });
		expect(page.status, name).toBe(200);
		const reply = await ask(origin, '/kitchen/house?/newHousehold', {
			method: 'POST',
			body: body(household(page)),
			headers: { ...typed, host, origin: `http://${host}` }
		});
		expect(reply.text, name).toMatch(/"type":"failure","status":400/);
	}
	for (const host of ['evil.example', `evil.example:${port}`, '127.0.0.1.evil.example', 'root-jar.local', '192.0.2.7'])
		expect((await ask(origin, '/kitchen', { headers: { host } })).status, host).toBe(421);
	const id = household(await ask(origin, '/kitchen'));
	for (const from of [
		'http://evil.example',
		'null',
		`https://127.0.0.1:${port}`.replace('127.0.0.1', '127.0.0.2'),
		'http://127.0.0.1:1',
		''
	])
		for (const [path, headers, text] of [
			['/kitchen/house?/newHousehold', typed, body(id)],
			[`/stove/${randomUUID()}/events`, { 'content-type': 'application/json' }, '{"events":[]}'],
			[`/stove/${randomUUID()}/events`, { 'content-type': 'text/plain' }, '{"events":[]}'],
			['/household', typed, '']
		] as const) {
			const reply = await ask(origin, path, {
				method: 'POST',
				body: text,
				headers: { ...headers, ...(from ? { origin: from } : {}) }
			});
			expect(reply.status, `${path} from ${from}`).toBe(403);
		}
});

test('opened to the home network it asks each device for the PIN once, before anything is shown or written', async () => {
	test.setTimeout(120_000);
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	const env = { HOST: '0.0.0.0', PORT: String(port), ORIGIN: origin };
	const ready = async () => (await ask(origin, '/alive')).status === 200;
	/** As another device in the house asks. */
	const afar = { 'x-forwarded-for': '10.0.0.9', accept: 'text/html' };
	let server = await serve({ ...env, ROOT_JAR_PIN: 'new' }, ready);
	try {
		const pin = /PIN of this kitchen: (\d{3}) (\d{3})/.exec(server.said());
		expect(pin, server.said()).not.toBeNull();
		const right = `${pin?.[1]}${pin?.[2]}`;
		const wrong = right === '123456' ? '654321' : '123456';
		for (const path of [
			'/',
			'/basket',
			'/b/DEMO2',
			'/book/DEMO2/labels',
			'/stove/news',
			'/basket/__data.json',
			'/api/v1/foods'
		]) {
			const page = await ask(origin, path, { headers: afar });
			expect(page.status, path).toBe(401);
			expect(page.text, path).toContain('The PIN of this kitchen?');
			expect(page.text, path).not.toContain('Harrow End');
		}
		const json = await ask(origin, '/stove/news', { headers: { ...afar, accept: 'application/json' } });
		expect(JSON.parse(json.text)).toMatchObject({ error: { code: 'NOT_PAIRED' } });
		expect(
			(await ask(origin, '/basket?/add', { method: 'POST', body: 'text=9', headers: { ...afar, ...typed, origin } }))
				.status
		).toBe(401);
		const say = (text: string, back = '/b/DEMO2') =>
			ask(origin, '/pin', {
				method: 'POST',
				body: new URLSearchParams({ pin: text, back }).toString(),
				headers: { ...afar, origin, 'content-type': typed['content-type'] }
			});
		expect((await say(wrong)).status).toBe(403);
		const paired = await say(`${right.slice(0, 3)} ${right.slice(3)}`);
		expect(paired.status).toBe(303);
		expect(paired.headers.location).toBe('/b/DEMO2');
		const cookie = [paired.headers['set-cookie'] ?? []]
			.flat()
			.map((c) => c.split(';')[0])
			.join('; ');
		expect(String(paired.headers['set-cookie'])).toMatch(/HttpOnly/i);
		expect((await ask(origin, '/basket', { headers: { ...afar, cookie } })).status).toBe(200);
		// A way back that leads elsewhere is none.
		expect((await say(right, '//evil.example/')).headers.location).toBe('/');
		// A device without a page: its token instead of an origin.
		const token = cookie.replace('device=', '');
		const run = `/stove/${randomUUID()}/events`;
		const tap = { method: 'POST', body: '{"events":[]}' };
		const plain = { 'x-forwarded-for': '10.0.0.9', 'content-type': 'application/json', accept: 'application/json' };
		expect((await ask(origin, run, { ...tap, headers: { ...plain, authorization: `Bearer ${token}` } })).status).toBe(
			400
		);
		expect((await ask(origin, run, { ...tap, headers: { ...plain, authorization: `Bearer ${token}x` } })).status).toBe(
			403
		);
		// Known again after a restart; the PIN is not said a second time.
		await server.stop();
		server = await serve(env, ready);
		expect(server.said()).not.toContain(`${right.slice(0, 3)} ${right.slice(3)}`);
		expect((await ask(origin, '/basket', { headers: { ...afar, cookie } })).status).toBe(200);
		// Guessing comes to an end; who is in stays in.
		const tries = [];
		for (let i = 0; i < 12; i++) tries.push((await say(wrong)).status);
		expect(tries.at(-1)).toBe(429);
		expect((await say(right)).status).toBe(429);
		expect((await ask(origin, '/basket', { headers: { ...afar, cookie } })).status).toBe(200);
		// This machine itself needs none.
		expect((await ask(origin, '/basket', { headers: { accept: 'text/html' } })).status).toBe(200);
	} finally {
		await server.stop();
	}
});

test('behind a proxy that asks under its own name, the page of ORIGIN may write, and no other', async () => {
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	const server = await serve(
		{ HOST: '127.0.0.1', PORT: String(port), ORIGIN: 'https://jar.example' },
		async () => (await ask(origin, '/alive')).status === 200
	);
	try {
		const id = household(await ask(origin, '/kitchen'));
		const body = new URLSearchParams({ household: id, key: randomUUID(), name: 'x'.repeat(61) }).toString();
		const post = (from: string) =>
			ask(origin, '/kitchen/house?/newHousehold', { method: 'POST', body, headers: { ...typed, origin: from } });
		expect((await post('https://jar.example')).text).toMatch(/"type":"failure","status":400/);
		for (const from of ['http://jar.example', 'https://jar.example.evil.example', 'https://jar.example:444'])
			expect((await post(from)).status, from).toBe(403);
	} finally {
		await server.stop();
	}
});

test('with a certificate it speaks https', async () => {
	const folder = mkdtempSync(join(tmpdir(), 'root-jar-tls-'));
	const [key, cert] = ['key.pem', 'cert.pem'].map((f) => join(folder, f)) as [string, string];
	execFileSync(
		'openssl',
		[
			'req',
			'-x509',
			'-newkey',
			'rsa:2048',
			'-nodes',
			'-days',
			'2',
			'-subj',
			'/CN=localhost',
			'-keyout',
			key,
			'-out',
			cert
		],
		{ stdio: 'ignore' }
	);
	const port = await freePort();
	const get = (path: string) =>
		new Promise<{ status: number; text: string }>((resolve, reject) => {
			httpsRequest(
				{ host: '127.0.0.1', port, path, rejectUnauthorized: false, headers: { accept: 'text/html' } },
				(reply) => {
					let text = '';
					reply.on('data', (d: Buffer) => (text += String(d)));
					reply.on('end', () => resolve({ status: reply.statusCode ?? 0, text }));
				}
			)
				.on('error', reject)
				.end();
		});
	const env = {
		HOST: '127.0.0.1',
		PORT: String(port),
		ORIGIN: `https://127.0.0.1:${port}`,
		TLS_CERT: cert,
		TLS_KEY: key
	};
	const server = await serve(env, async () => (await get('/alive')).status === 200);
	try {
		expect((await get('/basket')).status).toBe(200);
	} finally {
		await server.stop();
		rmSync(folder, { recursive: true, force: true });
	}
});
