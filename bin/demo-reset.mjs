/** `npm run demo:reset`: brings the demo household back as it was. Other households are left alone. */
import { answers, startApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { backupBeforeMigration } from './lib/backup.mjs';
import { freePort, startPostgres } from './lib/postgres.mjs';
import { Plain, fail, say } from './lib/say.mjs';

try {
	await ensurePackages();
	await ensureBuild();
	const database = process.env.DATABASE_URL ? undefined : await startPostgres();
	if (database) await backupBeforeMigration(database.url, { bin: database.bin });
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	const app = startApp({
		databaseUrl: process.env.DATABASE_URL ?? database?.url ?? '',
		host: '127.0.0.1',
		port,
		origin,
		extra: { ROOT_JAR_DEMO: 'reset' }
	});
	const ready = await answers(`${origin}/basket`, 60_000, app.exited);
	await app.stop();
	await database?.stop();
	if (!ready) throw new Plain('The demo could not be brought back. The lines above say why.');
	say('The demo household is back as it was.');
} catch (error) {
	fail(error);
}
