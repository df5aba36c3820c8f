import { error, json, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { building } from '$app/environment';
import { env } from '$env/dynamic/private';
import { keepDemo } from '$demo/load';
import { bringUpToDate, connect, type Database } from '$lib/server/db/client';
import { AppError, asAppError } from '$lib/server/errors';
import { clockOf } from '$lib/server/clock';
import { storesFor } from '$lib/server/stores';
import { resolveHousehold } from '$lib/server/stores/households';

let database: ReturnType<typeof connect> | undefined;

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
	await keepDemo(database.db, new Date(), env.ROOT_JAR_DEMO === 'reset');
	process.on('sveltekit:shutdown', () => void database?.close());
};

export const handle: Handle = async ({ event, resolve }) => {
	if (building) return resolve(event);
	if (event.url.pathname.startsWith('/api/')) return openly({ event, resolve });
	const now = clockOf(event.cookies.get('clock'), env.ROOT_JAR_TEST === '1');
	const household = await resolveHousehold(db(), event.cookies.get('household'));
	if (!household) error(503, 'There is no household yet. Start the application again.');
	event.locals.household = household;
	event.locals.now = now;
	event.locals.db = db();
	event.locals.stores = storesFor(db(), household, now);
	return resolve(event);
};

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

/** What the person is told; the details go to the log. */
export const handleError: HandleServerError = ({ error: thrown, event, status }) => {
	const known = asAppError(thrown);
	if (known) return { message: known.message, code: known.code };
	if (status === 404) return { message: 'There is no such page.', code: 'NOT_FOUND' };
	console.error(`${event.request.method} ${event.url.pathname}`, thrown);
	return { message: 'Something went wrong here, not with you. Nothing was half saved; try again.', code: 'UNEXPECTED' };
};
