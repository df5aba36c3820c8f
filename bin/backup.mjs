/** `npm run backup [FOLDER]`: the whole of the data in one file, while Root Jar runs or not. */
import { backupFolder, prune, writeBackup } from './lib/backup.mjs';
import { ensurePackages } from './lib/install.mjs';
import { meant, runningPostgres, startPostgres } from './lib/postgres.mjs';
import { fail, say } from './lib/say.mjs';

/** @type {(() => Promise<void>) | undefined} */
let stop;
try {
	await ensurePackages();
	const folder = process.argv[2] ? meant(process.argv[2]) : backupFolder();
	let url = process.env.DATABASE_URL;
	/** @type {{ bin?: string }} */
	let tools = {};
	if (!url) {
		const running = await runningPostgres();
		if (running) ({ url, ...tools } = running);
		else {
			const database = await startPostgres();
			stop = database.stop;
			url = database.url;
			tools = { bin: database.bin };
		}
	}
	const file = await writeBackup(url, folder, tools);
	if (folder === backupFolder()) prune(folder, 'by-hand');
	say(`The backup is in ${file}`);
	say(`To bring it back: npm run restore '${file}'`);
	await stop?.();
} catch (error) {
	await stop?.();
	fail(error);
}
