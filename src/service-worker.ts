/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
import { build, files, version } from '$service-worker';

/**
 * Lets the Stove be opened on a device that has been there once, though the server or the way to it is gone: the code of
 * the application, one shell without content, and the data of the pages that asked to be kept. With a connection nothing
 * of it is used but the code.
 */
const worker = self as unknown as ServiceWorkerGlobalScope;
const code = `code ${version}`;
const data = `data ${version}`;
const about = 'about';
const shell = '/shell';

/** A server that hangs is waited for so long; then what is kept is used for a while without asking. */
const patience_ms = 3_000;
const pause_ms = 10_000;
let hungAt = -Infinity;

worker.addEventListener('install', (event) => {
	event.waitUntil(
		(async () => {
			const cache = await caches.open(code);
			await cache.addAll([...build, ...files]);
			await cache.put(shell, await fetch(shell));
			await worker.skipWaiting();
		})()
	);
});

worker.addEventListener('activate', (event) => {
	event.waitUntil(
		(async () => {
			// Pages of the version before are still open: their code stays one version longer.
			const codes = (await caches.keys()).filter((name) => name.startsWith('code '));
			const gone = codes.filter((name) => name !== code).slice(0, -1);
			const old = (await caches.keys()).filter((name) => name.startsWith('data ') && name !== data);
			for (const name of [...gone, ...old]) await caches.delete(name);
			await worker.clients.claim();
		})()
	);
});

/** Fetches, and notes whose the answer is: another household's data is not kept beside it. @throws without an answer */
async function ask(request: Request | string, patience: number): Promise<Response> {
	if (patience === Infinity) return heard(await fetch(request));
	if (Date.now() - hungAt < pause_ms) throw new Error('The server did not answer a moment ago.');
	let timer: ReturnType<typeof setTimeout> | undefined;
	const late = new Promise<never>((_, reject) => {
		timer = setTimeout(() => {
			hungAt = Date.now();
			reject(new Error('The server does not answer.'));
		}, patience);
	});
	try {
		return await heard(await Promise.race([fetch(request), late]));
	} finally {
		clearTimeout(timer);
	}
}

/** @throws where something before the server answered for it */
async function heard(response: Response): Promise<Response> {
	if (response.status >= 502 && response.status <= 504) throw new Error('The server is away.');
	await ofHousehold(response.headers.get('x-household'));
	return response;
}

/** What is not kept is waited for as long as it takes: a sheet of labels is slow, and there is nothing else to show. */
async function patienceFor(path: string): Promise<number> {
	return (await (await caches.open(data)).match(path)) ? patience_ms : Infinity;
}

async function ofHousehold(household: string | null): Promise<void> {
	if (household === null) return;
	const cache = await caches.open(about);
	const known = await (await cache.match('/household'))?.text();
	if (known === household) return;
	if (known !== undefined) await caches.delete(data);
	await cache.put('/household', new Response(household));
}

const dataOf = (path: string): string => `${path === '/' ? '' : path}/__data.json`;

worker.addEventListener('message', (event) => {
	const asked = (event.data as { keep?: unknown } | null)?.keep;
	if (!Array.isArray(asked)) return;
	const paths = asked.filter((p): p is string => typeof p === 'string' && /^\/stove(\/[\w-]+)?$/.test(p)).slice(0, 20);
	event.waitUntil(Promise.all(paths.map(keep)));
});

/** So often a page is asked for again, where the server was slow for a moment or away. */
const mostTries = 4;
const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Keeps a page as it is now. Nobody asks for it again before the next change, so that one slow moment must not lose it. */
async function keep(path: string): Promise<void> {
	for (let tries = 1; ; tries++) {
		try {
			const response = await ask(dataOf(path), patience_ms);
			if (response.ok) await (await caches.open(data)).put(dataOf(path), response);
			return;
		} catch {
			// What was kept before stays; without a connection there is nothing newer.
			if (tries === mostTries) return;
			await wait(pause_ms + 500);
		}
	}
}

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== location.origin) return;
	if (request.headers.get('accept') === 'text/event-stream') return;
	if (build.includes(url.pathname) || files.includes(url.pathname)) event.respondWith(fromCode(request));
	else if (request.mode === 'navigate') event.respondWith(page(request));
	else if (url.pathname.endsWith('/__data.json')) event.respondWith(pageData(request, url));
});

async function fromCode(request: Request): Promise<Response> {
	return (await caches.match(request, { ignoreSearch: true })) ?? fetch(request);
}

/** The page from the server, or the shell, which asks for the page's data. Files are no pages. */
async function page(request: Request): Promise<Response> {
	try {
		return await ask(request, await patienceFor(dataOf(new URL(request.url).pathname)));
	} catch {
		const kept = await (await caches.open(code)).match(shell);
		const layout = await keptLayout();
		return kept && layout ? kept : away();
	}
}

interface Answer {
	readonly type: string;
	readonly nodes?: readonly unknown[];
}

/** The data of a page: the server's, what was kept, or word that it is not here; the page's frame stays in any case. */
async function pageData(request: Request, url: URL): Promise<Response> {
	try {
		return await ask(request, await patienceFor(url.pathname));
	} catch {
		const asked = url.searchParams.get('x-sveltekit-invalidated') ?? '';
		const kept = await (await caches.open(data)).match(url.pathname);
		const answer = kept ? ((await kept.json()) as Answer) : undefined;
		if (answer && answer.type !== 'data') return Response.json(answer);
		if (answer?.nodes)
			return Response.json({
				...answer,
				nodes: answer.nodes.map((node, i) => (asked[i] === '0' ? { type: 'skip' } : node))
			});
		const layout = asked.startsWith('0') ? { type: 'skip' } : await keptLayout();
		const between = Array.from({ length: Math.max(0, asked.length - 2) }, () => null);
		const error = {
			type: 'error',
			status: 503,
			error: { message: 'The server is away, and this page is not kept on this device. The Stove is.', code: 'OFFLINE' }
		};
		return Response.json({ type: 'data', nodes: [layout ?? null, ...between, error] });
	}
}

/** The frame of every page, as it was kept with the Stove. */
async function keptLayout(): Promise<unknown> {
	const cache = await caches.open(data);
	for (const request of await cache.keys()) {
		const answer = (await (await cache.match(request))?.json()) as Answer | undefined;
		if (answer?.type === 'data' && answer.nodes?.[0]) return answer.nodes[0];
	}
	return undefined;
}

const away = (): Response =>
	new Response(
		'<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Root Jar is away</title><body style="font-family:system-ui;max-width:34rem;margin:15vh auto;padding:0 1rem;line-height:1.5"><h1>Root Jar is away</h1><p>The server does not answer, and nothing of the kitchen is kept on this device yet. Is the computer on, and is this the same network?</p><p><a href="">Try again</a></p></body></html>',
		{ status: 503, headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' } }
	);
