/**
 * `npm run siege`: the laws of `npm test` at their full size and a thousand kills, by a new seed each time; two hours on two
 * slow cores.
 * `npm run siege -- SEED` runs one again, as it failed.
 */
import { randomInt } from 'node:crypto';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run } from './lib/run.mjs';
import { Plain, fail, root, say } from './lib/say.mjs';

/** @type {(() => Promise<void>)[]} */
const stops = [];
for (const name of /** @type {NodeJS.Signals[]} */ (['SIGINT', 'SIGTERM'])) {
	process.on(name, () => void Promise.all(stops.map((stop) => stop())).then(() => process.exit(1)));
}
try {
	const given = process.argv[2];
	const seed = given === undefined ? randomInt(1, 1_000_000) : Number(given);
	if (!Number.isInteger(seed) || seed < 1 || seed > 1_000_000)
		throw new Plain(`"${given}" is no seed: a whole number from 1 to 1,000,000, as a siege before has printed it.`);
	await ensurePackages();
	const database = await startPostgres({ name: 'pg-siege', throwaway: true });
	stops.push(database.stop);
	say(`The seed is ${seed}; \`npm run siege -- ${seed}\` runs the same again.`);
	const status = await run(
		join(root, 'node_modules/.bin/vitest'),
		[
			'run',
			'--testTimeout=7200000',
			'src/core/things',
			'src/core/safety',
			'src/core/runs',
			'src/lib/server/stores/histories.test.ts',
			'src/lib/server/stores/stores.test.ts',
			'src/lib/server/stores/runs',
			'src/lib/server/years.test.ts'
		],
		{
			env: {
				...process.env,
				TEST_DATABASE_URL: database.url,
				SIEGE_SEED: String(seed),
				SIEGE_STRIDE: '1',
				SIEGE_PAIRS: '200000',
				SIEGE_HISTORIES: '200000',
				SIEGE_ASKS: '200000',
				SIEGE_STORED: '3000',
				SIEGE_SEQUENCES: '200',
				SIEGE_RUNS: '200000',
				SIEGE_BOOKS: '3000',
				SIEGE_YEARS: '20'
			}
		}
	);
	await ensureBuild();
	const killed = await run(join(root, 'node_modules/.bin/vitest'), ['run', '-c', 'vitest.kills.config.ts'], {
		env: { ...process.env, SIEGE_SEED: String(seed), SIEGE_KILLS: process.env.SIEGE_KILLS ?? '1000' }
	});
	say(`The seed was ${seed}.`);
	process.exitCode = status || killed;
} catch (error) {
	fail(error);
} finally {
	for (const stop of stops.reverse()) await stop();
}
