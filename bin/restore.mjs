/**
 * `npm run restore FILE [FOLDER]`: brings a backup back, into this copy's data or into a folder of its own. What it
 * replaces is kept beside.
 */
import { existsSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { readBackup, restoreInto } from './lib/backup.mjs';
import { ensurePackages } from './lib/install.mjs';
import { clusterOf, meant, runningPostgres, startPostgres } from './lib/postgres.mjs';
import { Plain, fail, say } from './lib/say.mjs';

try {
	const [given, named] = process.argv.slice(2);
	if (!given) throw new Plain('Which file? npm run restore FILE [FOLDER]');
	await ensurePackages();
	const file = meant(given);
	// Every byte is checked before anything is touched.
	const { head } = await readBackup(file);
	const data = named ? meant(named) : undefined;
	if (await runningPostgres(data))
		throw new Plain(
			'Root Jar is running on these data. Stop it first (Ctrl-C where it was started); nothing was changed.'
		);
	const cluster = await clusterOf(data);
	const stamp = new Date().toISOString().replace(/[:.]/g, '-');
	const aside = `${cluster}-before-restore-${stamp}`;
	const replaces = existsSync(join(cluster, 'PG_VERSION'));
	if (replaces) renameSync(cluster, aside);
	try {
		const database = await startPostgres(data === undefined ? {} : { data });
		try {
			await restoreInto(file, database.url, { bin: database.bin });
		} finally {
			await database.stop();
		}
	} catch (error) {
		// As it was before, to the last byte.
		rmSync(cluster, { recursive: true, force: true });
		if (replaces) renameSync(aside, cluster);
		throw error;
	}
	say(`The data of ${head.createdAt} are back, in ${cluster}`);
	if (replaces) say(`What was there before is kept in ${aside}; remove it when you are sure.`);
	say(named ? `Start with them: ROOT_JAR_DATA='${data}' npm start` : 'Start as always: npm start');
} catch (error) {
	fail(error);
}
