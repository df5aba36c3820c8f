/** `npm start`: from a fresh clone to a page in the browser. See the README for the switches. */
import { networkInterfaces } from 'node:os';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { dumpBeforeMigration } from './lib/dump.mjs';
import { answers, startApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { Plain, fail, root, say } from './lib/say.mjs';

/** @type {Array<() => Promise<void>>} */
const stops = [];
let stopping = false;
async function stopAll(/** @type {number} */ code) {
	if (stopping) return;
	stopping = true;
	for (const stop of stops.reverse()) await stop();
	process.exit(code);
}
for (const name of /** @type {NodeJS.Signals[]} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
	process.on(name, () => {
		say('\nStopping …');
		void stopAll(0);
	});

/** @param {string} host @param {number} port */
const isFree = (host, port) =>
	new Promise((resolve) => {
		const probe = createServer().once('error', () => resolve(false));
		probe.listen(port, host, () => probe.close(() => resolve(true)));
	});

/** The address that a phone in the house can reach. */
function homeAddress() {
	for (const list of Object.values(networkInterfaces())) {
		for (const one of list ?? []) if (one.family === 'IPv4' && !one.internal) return one.address;
	}
	return undefined;
}

try {
	const port = Number(process.env.PORT ?? 4180);
	const host = process.env.HOST ?? '127.0.0.1';
	if (!(Number.isInteger(port) && port > 0 && port < 65536))
		throw new Plain(`PORT must be a number from 1 to 65535, not "${process.env.PORT}".`);
	await ensurePackages();
	if (!(await isFree(host, port)))
		throw new Plain(`Port ${port} is in use. Stop what uses it, or start with another: PORT=${port + 1} npm start`);
	await ensureBuild();
	let databaseUrl = process.env.DATABASE_URL;
	let beside = join(root, '.data');
	if (!databaseUrl) {
		const database = await startPostgres();
		stops.push(database.stop);
		databaseUrl = database.url;
		beside = database.folder;
	}
	await dumpBeforeMigration(databaseUrl, beside);
	const open = host !== '127.0.0.1' && host !== 'localhost';
	const name = host === '0.0.0.0' ? (homeAddress() ?? '127.0.0.1') : host;
	const origin = process.env.ORIGIN ?? `http://${name}:${port}`;
	if (!stopping) {
		const app = startApp({ databaseUrl, host, port, origin });
		stops.push(app.stop);
		void app.exited.then((code) => stopAll(Number(code)));
		const local = host === '0.0.0.0' ? `http://127.0.0.1:${port}` : origin;
		if (!(await answers(`${local}/basket`, 60_000, app.exited)))
			throw new Plain('The application did not answer within a minute. The lines above may say why.');
		say(`\nRoot Jar is ready:  ${origin}\n`);
		if (open) {
			const { default: qrcode } = await import('qrcode');
			say(await qrcode.toString(origin, { type: 'terminal', small: true }));
			say('Open this address on the phone beside the stove. Anyone on the home network can open it too.');
			say('Over plain http a phone cannot be kept awake by the page: set its screen to stay on.');
		} else {
			say(`Only this machine can open it. For a phone beside the stove: HOST=0.0.0.0 npm start`);
		}
		say('Ctrl-C stops it.');
	}
} catch (error) {
	if (!stopping) {
		for (const stop of stops.reverse()) await stop();
		fail(error);
	}
}
