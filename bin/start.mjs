/** `npm start`: from a fresh clone to a page in the browser. See the README for the switches. */
import { existsSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { createServer } from 'node:net';
import { answers } from './lib/app.mjs';
import { backupBeforeMigration, backupDaily, backupFolder } from './lib/backup.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { meant, startPostgres } from './lib/postgres.mjs';
import { Plain, fail, say } from './lib/say.mjs';
import { standInFile, startStandIns } from './lib/stand-ins.mjs';
import { steadily, supervise } from './lib/supervise.mjs';

/** @type {Array<() => Promise<void> | void>} */
const stops = [];
let stopping = false;
async function stopAll(/** @type {number} */ code) {
	if (stopping) return;
	stopping = true;
	for (const stop of stops.reverse()) await stop();
	process.exit(code);
}
const numbers = { SIGHUP: 129, SIGINT: 130, SIGTERM: 143 };
for (const name of /** @type {(keyof typeof numbers)[]} */ (Object.keys(numbers)))
	process.on(name, () => {
		say('\nStopping …');
		void stopAll(numbers[name]);
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

/** Certificate and key, both or neither. @returns {Record<string, string> | undefined} */
function certificate() {
	const { TLS_CERT, TLS_KEY } = process.env;
	if (!TLS_CERT && !TLS_KEY) return undefined;
	if (!TLS_CERT || !TLS_KEY) throw new Plain('TLS_CERT and TLS_KEY belong together: give both, or neither.');
	for (const file of [TLS_CERT, TLS_KEY])
		if (!existsSync(meant(file))) throw new Plain(`There is no file ${meant(file)}.`);
	return { TLS_CERT: meant(TLS_CERT), TLS_KEY: meant(TLS_KEY) };
}

try {
	const port = Number(process.env.PORT ?? 4180);
	const host = process.env.HOST || '127.0.0.1';
	if (!(Number.isInteger(port) && port > 0 && port < 65536))
		throw new Plain(`PORT must be a number from 1 to 65535, not "${process.env.PORT}".`);
	const tls = certificate();
	await ensurePackages();
	// A server whose start command was killed goes by itself, within seconds.
	for (let tries = 0; tries < 40 && !(await isFree(host, port)); tries++) await new Promise((r) => setTimeout(r, 200));
	if (!(await isFree(host, port)))
		throw new Plain(`Port ${port} is in use. Stop what uses it, or start with another: PORT=${port + 1} npm start`);
	await ensureBuild();
	const database = process.env.DATABASE_URL ? undefined : await startPostgres();
	if (database) stops.push(database.stop);
	const databaseUrl = process.env.DATABASE_URL || (database?.url ?? '');
	const tools = database ? { bin: database.bin } : {};
	await steadily(database, () => backupBeforeMigration(databaseUrl, tools));
	const open = host !== '127.0.0.1' && host !== 'localhost';
	const name = host === '0.0.0.0' ? (homeAddress() ?? '127.0.0.1') : host;
	const scheme = tls ? 'https' : 'http';
	const origin = process.env.ORIGIN || `${scheme}://${name}:${port}`;
	if (!stopping) {
		const local = ['0.0.0.0', '127.0.0.1', 'localhost', '::'].includes(host) ? '127.0.0.1' : host;
		const alive = `${scheme}://${local}:${port}/alive`;
		const standIns = process.env.ROOT_JAR_STAND_INS === '0' ? undefined : standInFile();
		const extra = { ...(tls ?? {}), ...(standIns ? { STAND_INS_FILE: standIns } : {}) };
		const kept = supervise({ database, app: { databaseUrl, host, port, origin, extra }, alive });
		stops.push(kept.stop);
		const ready = await Promise.race([
			answers(
				alive,
				60_000,
				kept.over.catch(() => {})
			),
			kept.over
		]);
		if (!ready) throw new Plain('The application did not answer within a minute. The lines above may say why.');
		if (standIns) stops.push(startStandIns(standIns, `${scheme}://${local}:${port}`));
		say(`\nRoot Jar is ready:  ${origin}\n`);
		if (open) {
			const { default: qrcode } = await import('qrcode');
			say(await qrcode.toString(origin, { type: 'terminal', small: true }));
			say('Open this address on the phone beside the stove. Each device is asked for the PIN of this kitchen once.');
			if (!tls) say('Over plain http a phone cannot be kept awake by the page: set its screen to stay on.');
		} else {
			say(`Only this machine can open it. For a phone beside the stove: HOST=0.0.0.0 npm start`);
		}
		stops.push(backupDaily(databaseUrl, tools));
		say(`A backup a day is kept in ${backupFolder()}`);
		say('Ctrl-C stops it.');
		await kept.over;
	}
} catch (error) {
	if (!stopping) {
		stopping = true;
		for (const stop of stops.reverse()) await stop();
		fail(error);
	}
}
