import { setTimeout as wait } from 'node:timers/promises';
import { answers, startApp } from './app.mjs';
import { Plain, say } from './say.mjs';

/**
 * So many ends in a row before it ever answered, or so many at all within so long, and it is not started again: something
 * is wrong that a start does not mend.
 */
const mostUnanswered = 5;
const most = 100;
const within_ms = 3 * 60_000;
const pause = (/** @type {number} */ n) => Math.min(8_000, 250 * 2 ** n);

/**
 * Whether an error says that the connection was lost, and not that the work was wrong: a killed backend leaves its database
 * running, which then throws every other connection out and comes back by itself.
 *
 * @param {unknown} error
 */
export function wasCutOff(error) {
	const { code = '', message = '' } = /** @type {{ code?: string, message?: string }} */ (error ?? {});
	// SQLSTATE 08: connection exceptions; 57P: shut down, crashed, not yet taking connections. The rest are the network's.
	return /^(08|57P)/.test(code) || /^(ECONN|EPIPE|ENOENT)/.test(code) || /connection terminated/i.test(message);
}

/**
 * Work on the database before it is looked after for good: where the database ends meanwhile, it is started again and the
 * work too; where only the connection was lost, the work is done again.
 *
 * @template T @param {import('./postgres.mjs').Postgres | undefined} database @param {() => Promise<T>} work @returns {Promise<T>}
 */
export async function steadily(database, work) {
	for (let tries = 1; ; tries++) {
		try {
			return await work();
		} catch (error) {
			if (!database || tries >= mostUnanswered) throw error;
			const ended = await Promise.race([database.ended().then(() => true), wait(1_000).then(() => false)]);
			if (!ended && !wasCutOff(error)) throw error;
			if (ended) say('The database has ended. It is started again …');
			await wait(pause(tries));
			if (ended) await database.again();
		}
	}
}

/** Counts ends; throws when there are too many. @param {string} what */
function ends(what) {
	/** @type {number[]} */
	let times = [];
	let unanswered = 0;
	return {
		/** @param {boolean} answered whether it had been well @returns {number} how many in a row were not */
		count(answered) {
			const now = Date.now();
			times = [...times.filter((t) => now - t < within_ms), now];
			unanswered = answered ? 0 : unanswered + 1;
			if (unanswered >= mostUnanswered || times.length > most)
				throw new Plain(
					`${what} has ended again and again (${times.length} times within ${within_ms / 60_000} minutes). It is not started any more; the lines above may say why. What was recorded is safe: npm run backup keeps a copy of it.`
				);
			return unanswered;
		}
	};
}

/**
 * Keeps database and server up: whichever ends is started again under the same address, a little later each time.
 *
 * @param {object} parts
 * @param {import('./postgres.mjs').Postgres | undefined} parts.database
 * @param {Parameters<typeof startApp>[0]} parts.app
 * @param {string} parts.alive an address that answers when the server is well
 * @returns {{ current: () => ReturnType<typeof startApp>, over: Promise<never>, stop: () => Promise<void> }} over: rejects when it gives up
 */
export function supervise({ database, app, alive }) {
	let stopping = false;
	let well = false;
	const begin = () => {
		well = false;
		const one = startApp(app);
		void answers(alive, 120_000, one.exited).then((ok) => {
			if (ok && one === server) well = true;
		});
		return one;
	};
	/** @type {ReturnType<typeof startApp>} */
	let server;
	server = begin();
	const keepServer = async () => {
		const failures = ends('The server');
		for (;;) {
			const { code, signal } = await server.exited;
			if (stopping) return;
			const n = failures.count(well);
			say(`The server has ended (${signal ?? `exit code ${code}`}). It is started again …`);
			await wait(pause(n));
			if (stopping) return;
			server = begin();
		}
	};
	const keepDatabase = async () => {
		if (!database) return;
		const failures = ends('The database');
		for (;;) {
			await database.ended();
			if (stopping) return;
			const n = failures.count(true);
			say('The database has ended. It is started again; taps wait on their devices meanwhile …');
			await wait(pause(n));
			if (stopping) return;
			await database.again();
			say('The database is back.');
		}
	};
	/** @type {Promise<never>} */
	const over = new Promise((_, reject) => {
		keepServer().catch(reject);
		keepDatabase().catch(reject);
	});
	over.catch(() => {});
	return {
		current: () => server,
		over,
		stop: async () => {
			stopping = true;
			await server.stop();
			await database?.stop();
		}
	};
}
