/**
 * `npm test`: from a fresh clone, everything: types, lint, format, purity of the core, unit tests on a real PostgreSQL,
 * production build, end-to-end tests in Chromium. One closing line; the exit code tells.
 */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { failuresOfPlaywright, failuresOfVitest, toldOf } from './lib/failures.mjs';
import { ensurePackages, ensurePdfTools, ensureTestBrowser, testBrowser } from './lib/install.mjs';
import { ensurePostgres, freePort, startPostgres } from './lib/postgres.mjs';
import { capture, run } from './lib/run.mjs';
import { fail, root, say } from './lib/say.mjs';

const bin = (/** @type {string} */ name) => join(root, 'node_modules', '.bin', name);
/** @type {(() => Promise<void>) | undefined} */
let stopDatabase;
for (const name of /** @type {NodeJS.Signals[]} */ (['SIGINT', 'SIGTERM'])) {
	process.on(name, () => void (stopDatabase?.() ?? Promise.resolve()).then(() => process.exit(1)));
}

let passed = 0;
let failed = 0;
/** @type {import('./lib/failures.mjs').Failure[]} */
const failures = [];

/** One check counts as one test. @param {string} what @param {string} command @param {string[]} args */
async function check(what, command, args) {
	const began = Date.now();
	const { code, out } = await capture(command, args);
	say(`${code === 0 ? 'ok    ' : 'FAILED'} ${what} (${Math.round((Date.now() - began) / 1000)} s)`);
	if (code === 0) passed++;
	else {
		failed++;
		failures.push({ name: what, why: out.trim() });
		say(out);
	}
}

/**
 * @param {string} what @param {string} file @param {number} code
 * @param {(report: any) => { passed: number, failed: number, failures: import('./lib/failures.mjs').Failure[] }} read
 */
function count(what, file, code, read) {
	const result = existsSync(file)
		? read(JSON.parse(readFileSync(file, 'utf8')))
		: { passed: 0, failed: 0, failures: [] };
	passed += result.passed;
	failures.push(...result.failures);
	// A runner that ended badly without a failed test (a crash, a set-up fault) is a failure too.
	if (code !== 0 && result.failed === 0) {
		failed++;
		failures.push({ name: what, why: `ended with exit code ${code}; its own lines stand above` });
	} else failed += result.failed;
}

try {
	// Debian's packages and npm's at once: they wait for the network, each for its own; the browser is wanted last of all.
	const server = ensurePostgres();
	const tools = Promise.all([ensurePdfTools(), ensureTestBrowser()]);
	tools.catch(() => {});
	await Promise.all([ensurePackages(), server]);
	const results = join(root, 'test-results');
	rmSync(results, { recursive: true, force: true });
	mkdirSync(results, { recursive: true });

	await run(process.execPath, [bin('svelte-kit'), 'sync']);
	const database = await startPostgres({ name: 'pg-test', throwaway: true });
	stopDatabase = database.stop;
	const { default: postgres } = await import('postgres');
	const sql = postgres(database.url, { max: 1 });
	for (const name of ['unit', 'e2e', 'killed']) await sql.unsafe(`create database ${name}`);
	await sql.end();
	const urlOf = (/** @type {string} */ name) => database.url.replace(/\/postgres$/, `/${name}`);
	const unit = join(results, 'unit.json');
	const kills = join(results, 'kills.json');
	const tests = (/** @type {any} */ r) => ({
		passed: r.numPassedTests,
		failed: r.numFailedTests,
		failures: failuresOfVitest(r)
	});

	// Two lines beside each other, of about one length, so that no core waits: the unit tests; what reads the sources, then the
	// build and the kills, which wait for what they killed more than they work.
	const lines = await Promise.allSettled([
		tools.then(async () => {
			const args = ['run', '--coverage', '--reporter=dot', '--reporter=json', `--outputFile.json=${unit}`];
			const env = { ...process.env, TEST_DATABASE_URL: urlOf('unit') };
			count('unit tests', unit, await run(bin('vitest'), args, { env }), tests);
		}),
		check('lint', bin('eslint'), ['.', '--max-warnings', '0'])
			.then(() => check('format', bin('prettier'), ['--check', '.']))
			.then(() => check('who imports what', bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs']))
			.then(() => check('types', bin('svelte-check'), ['--tsconfig', './tsconfig.json', '--fail-on-warnings']))
			.then(() =>
				check('types of the core, without browser or Node', bin('tsc'), ['--noEmit', '-p', 'src/core/tsconfig.json'])
			)
			.then(() => ensureBuild())
			.then(async () => {
				const args = ['run', '-c', 'vitest.kills.config.ts', '--reporter=default', '--reporter=json'];
				const { code, out } = await capture(bin('vitest'), [...args, `--outputFile.json=${kills}`]);
				say(out);
				count('kills', kills, code, tests);
			})
	]);
	// Both lines are at their end before anything is stopped; what broke in one of them is said.
	for (const line of lines) if (line.status === 'rejected') throw line.reason;

	await tools;
	const e2eCode = await run(bin('playwright'), ['test', ...process.argv.slice(2)], {
		env: {
			...process.env,
			E2E_DATABASE_URL: urlOf('e2e'),
			KILLED_DATABASE_URL: urlOf('killed'),
			E2E_PORT: String(await freePort()),
			CHROMIUM_PATH: testBrowser()
		}
	});
	count('end-to-end tests', join(results, 'e2e.json'), e2eCode, (r) => ({
		passed: r.stats.expected,
		failed: r.stats.unexpected + r.stats.flaky + r.stats.skipped,
		failures: failuresOfPlaywright(r)
	}));

	await database.stop();
	say('');
	if (failures.length > 0) say(`${toldOf(failures)}\n`);
	say(`Tests: ${passed} passed, ${failed} failed`);
	process.exit(failed === 0 && passed > 0 ? 0 : 1);
} catch (error) {
	await stopDatabase?.();
	fail(error);
}
