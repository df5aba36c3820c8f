import { json, redirect, type Handle, type HandleServerError, type RequestEvent, type ServerInit } from '@sveltejs/kit';
import { sequence } from '@sveltejs/kit/hooks';
import { building } from '$app/environment';
import { env } from '$env/dynamic/private';
import { keepDemo } from '$demo/load';
import { bringUpToDate, connect, type Database } from '$lib/server/db/client';
import { checkAction, checkAddress, checkDoor, guard, isOpened } from '$lib/server/door';
import { AppError, asAppError, notFound } from '$lib/server/errors';
import { clockOf } from '$lib/server/clock';
import { askPin, lostHousehold, turnedAway, wantsPage } from '$lib/server/plain-page';
import { warmLabels } from '$lib/server/labels/draw';
import { deviceOf } from '$lib/server/respond';
import { storesFor } from '$lib/server/stores';
import { defaultHousehold, householdWithRuns } from '$lib/server/stores/households';
import { isPaired, makePin, pair, theInstallation, type Installation } from '$lib/server/stores/installation';
import { layStandIns } from '$lib/server/instruments/stand-ins';
import { LiveHub } from '$lib/server/live';
import { householdOfFeed } from '$lib/server/stores/out';
import { instrumentById, instrumentStore, thinAll } from '$lib/server/stores/instruments';
import { cookieHousehold, unsigned } from '$lib/server/who';

let database: ReturnType<typeof connect> | undefined;
let own: Installation | undefined;
let hub: LiveHub | undefined;

const door = {
	origin: env.ORIGIN ?? '',
	host: env.HOST || '127.0.0.1',
	localNames: env.ROOT_JAR_LOCAL_NAMES === '1'
};
const opened = isOpened(door.host);

function db(): Database {
	if (!database) throw new Error('The database is not connected.');
	return database.db;
}

export const init: ServerInit = async () => {
	if (building) return;
	if (!env.DATABASE_URL)
		throw new Error('DATABASE_URL is not set. Start with "npm start" or "npm run dev", which make a database.');
	database = connect(env.DATABASE_URL);
	await bringUpToDate(database.db);
	own = await theInstallation(database.db, new Date());
	await keepDemo(database.db, new Date(), env.ROOT_JAR_DEMO === 'reset');
	if (opened) {
		const pin = await makePin(database.db, env.ROOT_JAR_PIN === 'new');
		if (pin)
			console.log(`\nThe PIN of this kitchen: ${pin.slice(0, 3)} ${pin.slice(3)}. Each device is asked for it once.`);
		else
			console.log(
				'\nA new device is asked for the PIN of this kitchen. Lost it? ROOT_JAR_PIN=new npm start makes another.'
			);
	}
	const { db: data } = database;
	// Simulated instruments are of the demo: without them a kitchen works as well, and no start fails for them.
	if (env.STAND_INS_FILE)
		await layStandIns(database.db, own.cookieSecret, env.STAND_INS_FILE, new Date()).catch((thrown: unknown) =>
			console.error('The simulated instruments are not there:', thrown)
		);
	hub = new LiveHub(env.DATABASE_URL, async (id) => JSON.stringify(await instrumentStore(data, id, new Date()).live()));
	void hub.open();
	// Streams have no end of their own: they are closed before the server waits for its answers to go out.
	for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => hub?.close());
	setInterval(
		() => void thinAll(data, new Date()).catch((e: unknown) => console.error('Readings were not thinned', e)),
		600_000
	).unref();
	setTimeout(warmLabels, 1_500).unref();
	process.on('sveltekit:shutdown', () => {
		hub?.close();
		void database?.close();
	});
};

const tokenOf = (event: RequestEvent): string | undefined =>
	event.request.headers.get('authorization')?.match(/^Bearer ([\w-]{20,100})$/)?.[1] ?? event.cookies.get('device');

/** The id of an instrument that speaks for itself: its token is its id, signed. Elsewhere than at its own addresses it is nobody. */
function instrumentOf(event: RequestEvent): string | undefined {
	if (!event.url.pathname.startsWith('/instruments/')) return undefined;
	const token = /^Bearer ([\w.-]{20,200})$/.exec(event.request.headers.get('authorization') ?? '')?.[1];
	return token === undefined || !own ? undefined : unsigned(token, own.cookieSecret);
}

/** The household whose calendar is read by this address. */
function feedOf({ url }: RequestEvent): Promise<string | undefined> {
	const key = /^\/calendar\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/.exec(url.pathname)?.[1];
	return key === undefined ? Promise.resolve(undefined) : householdOfFeed(db(), key);
}

/** Names, origins, headers and the PIN: before anything is shown or written. */
const atTheDoor: Handle = async ({ event, resolve }) => {
	if (building) return resolve(event);
	const open = event.url.pathname.startsWith('/api/');
	let response: Response;
	try {
		response = (await turnAway(event)) ?? (await resolve(event));
	} catch (thrown) {
		const known = asAppError(thrown);
		if (!known) throw thrown;
		response = turnedAway(event.request, known);
	}
	guard(response, open);
	return response;
};

async function turnAway(event: RequestEvent): Promise<Response | undefined> {
	const { request, url } = event;
	const byToken =
		request.headers.has('authorization') &&
		(instrumentOf(event) !== undefined || (await isPaired(db(), tokenOf(event), new Date())));
	// The open reference can be changed by nobody: it says so itself.
	checkDoor(request, door, byToken || url.pathname.startsWith('/api/'));
	checkAddress(url);
	if (request.method === 'POST') checkAction(url);
	// Whether it lives may be asked by anybody; this machine asks itself without a PIN.
	if (!opened || url.pathname === '/alive' || fromItself(event)) return undefined;
	if (url.pathname === '/pin' && request.method === 'POST') return pairDevice(event);
	if (instrumentOf(event) !== undefined) return undefined;
	// A calendar knows no PIN: its address is its word, and opens nothing else.
	if ((await feedOf(event)) !== undefined) return undefined;
	if (await isPaired(db(), tokenOf(event), new Date())) return undefined;
	if (wantsPage(request)) return askPin(url.pathname + url.search);
	throw new AppError(
		401,
		'NOT_PAIRED',
		'This device has not said the PIN of this kitchen yet. Nothing was done; open the page anew.'
	);
}

/** Asked by a browser on this very machine, under a name that leads nowhere else. */
function fromItself(event: RequestEvent): boolean {
	const name = (event.request.headers.get('host') ?? '').replace(/:\d+$/, '');
	return (
		['localhost', '127.0.0.1', '[::1]'].includes(name) &&
		/^(::ffff:)?127\.|^::1$/.test(event.getClientAddress()) &&
		!event.request.headers.has('x-forwarded-for')
	);
}

async function pairDevice(event: RequestEvent): Promise<Response> {
	const form = await event.request.formData().catch(() => new FormData());
	const field = (name: string) => {
		const value = form.get(name);
		return typeof value === 'string' ? value : '';
	};
	const back = /^\/(?![/\\])[^\s]*$/.test(field('back')) ? field('back') : '/';
	const result = await pair(db(), field('pin').slice(0, 20), deviceOf(event), new Date());
	if (result.is === 'blocked') {
		const minutes = Math.max(1, Math.ceil((result.until.getTime() - Date.now()) / 60_000));
		const response = askPin(back, `Too many wrong tries. Try again in ${minutes} min.`);
		return new Response(response.body, { status: 429, headers: response.headers });
	}
	if (result.is === 'wrong') return askPin(back, 'That is not it. Look where Root Jar was started.');
	event.cookies.set('device', result.token, {
		path: '/',
		httpOnly: true,
		sameSite: 'lax',
		maxAge: 400 * 86_400,
		secure: event.url.protocol === 'https:'
	});
	redirect(303, back);
}

/** The right household, always: the one that the browser says, or none. */
const inAHousehold: Handle = async ({ event, resolve }) => {
	if (building) return resolve(event);
	if (event.url.pathname.startsWith('/api/')) return openly({ event, resolve });
	if (event.url.pathname === '/alive') return resolve(event);
	if (!own) throw new Error('The server is not ready.');
	if (event.url.pathname === '/household' && event.request.method === 'POST') {
		event.cookies.delete('household', { path: '/' });
		redirect(303, '/basket');
	}
	const now = clockOf(event.cookies.get('clock'), env.ROOT_JAR_TEST === '1');
	if (event.url.pathname.startsWith('/instruments/')) return byInstrument({ event, resolve }, now);
	if (event.url.pathname.startsWith('/calendar/')) return byFeed({ event, resolve }, now);
	const said = cookieHousehold(event.cookies.get('household'), own.cookieSecret);
	const found = said.is === 'unknown' ? undefined : await householdWithRuns(db(), said.is === 'id' ? said.id : null);
	if (!found) {
		if (said.is === 'none')
			throw new AppError(503, 'NO_HOUSEHOLD', 'There is no household yet. Start the application again.');
		if (wantsPage(event.request)) return lostHousehold((await defaultHousehold(db()))?.name);
		throw new AppError(
			409,
			'NO_SUCH_HOUSEHOLD',
			'The kitchen that this browser was in is not here any more. Nothing was done; open the page anew.'
		);
	}
	const { household, open, changed } = found;
	const given = event.request.headers.get('x-household');
	if (given !== null && given !== household.id)
		throw new AppError(
			409,
			'OTHER_HOUSEHOLD',
			'This was meant for another household than the one this browser is in now. Nothing was done.'
		);
	event.locals.household = household;
	event.locals.now = now;
	event.locals.secret = own.cookieSecret;
	event.locals.live = hub;
	// What is posted may open or close a run before its page is read.
	event.locals.stores = storesFor(db(), household, now, event.request.method === 'GET' ? { open, changed } : undefined);
	const response = await resolve(event, { preload: withLetters });
	// What is kept on a device for a cold start is of one household: told here, since a page cannot read the cookie.
	const after = cookieHousehold(event.cookies.get('household'), own.cookieSecret);
	response.headers.set('x-household', after.is === 'id' ? after.id : household.id);
	return response;
};

/** What an instrument says is of its own household, whichever cookie came with it. @throws {AppError} 401 */
async function byInstrument({ event, resolve }: Parameters<Handle>[0], now: Date): Promise<Response> {
	const id = instrumentOf(event);
	const row = id === undefined ? undefined : await instrumentById(db(), id);
	const found = row && (await householdWithRuns(db(), row.householdId));
	if (!row || !found || !own)
		throw new AppError(
			401,
			'NOT_PAIRED',
			'This instrument is not known here, or was removed. Nothing was kept; pair it in the Kitchen.'
		);
	event.locals.household = found.household;
	event.locals.instrument = row;
	event.locals.now = now;
	event.locals.secret = own.cookieSecret;
	event.locals.stores = storesFor(db(), found.household, now);
	return resolve(event);
}

/** A calendar reads the household of its address, whichever cookie came with it. @throws {AppError} 404 */
async function byFeed({ event, resolve }: Parameters<Handle>[0], now: Date): Promise<Response> {
	const id = await feedOf(event);
	const found = id === undefined ? undefined : await householdWithRuns(db(), id);
	if (!found || !own) throw notFound('calendar');
	event.locals.household = found.household;
	event.locals.now = now;
	event.locals.secret = own.cookieSecret;
	event.locals.stores = storesFor(db(), found.household, now);
	return resolve(event);
}

/** The letters of every page are there with its first paint: none of it moves when they come. */
const withLetters = ({ type, path }: { type: 'js' | 'css' | 'font' | 'asset'; path: string }): boolean =>
	type === 'js' || type === 'css' || (type === 'font' && /-latin-wght-normal[^/]*\.woff2$/.test(path));

/** The open reference: read-only, the same for everyone, without a household, from any page. */
const openly: Handle = async ({ event, resolve }) => {
	const { method } = event.request;
	if (!['GET', 'HEAD', 'OPTIONS'].includes(method)) {
		const only = new AppError(405, 'READ_ONLY', `The reference is read-only: GET it. ${method} does nothing here.`);
		return json(only.body, { status: 405, headers: { allow: 'GET, HEAD, OPTIONS' } });
	}
	const response = await resolve(event);
	response.headers.set('access-control-allow-origin', '*');
	return response;
};

export const handle: Handle = sequence(atTheDoor, inAHousehold);

/** What the person is told; the details go to the log. */
export const handleError: HandleServerError = ({ error: thrown, event, status }) => {
	const known = asAppError(thrown);
	if (known) return { message: known.message, code: known.code };
	if (status === 404) return { message: 'There is no such page.', code: 'NOT_FOUND' };
	// What cannot be read as it was sent is the sender's fault, and no news for the log.
	if (status < 500) return { message: 'This page takes nothing of that kind.', code: 'BAD_REQUEST' };
	console.error(`${event.request.method} ${event.url.pathname}`, thrown);
	return { message: 'Something went wrong here, not with you. Nothing was half saved; try again.', code: 'UNEXPECTED' };
};
