/** `npm run dev`: the development server with reload, on the same private database as `npm start`. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages } from './lib/install.mjs';
import { backupBeforeMigration } from './lib/backup.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { fail, root } from './lib/say.mjs';

try {
	await ensurePackages();
	const database = process.env.DATABASE_URL ? undefined : await startPostgres();
	if (database) await backupBeforeMigration(database.url, { bin: database.bin });
	const vite = spawn(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), 'dev', ...process.argv.slice(2)], {
		cwd: root,
		detached: true,
		stdio: ['ignore', 'inherit', 'inherit'],
		env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? database?.url }
	});
	const stop = () => vite.kill('SIGTERM');
	process.on('SIGINT', stop).on('SIGTERM', stop);
	vite.on('exit', async (code) => {
		await database?.stop();
		process.exit(code ?? 0);
	});
} catch (error) {
	fail(error);
}
