import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';
import LongFirst from './tests/long-first';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const alias = {
	$core: at('src/core'),
	$reference: at('src/reference'),
	$demo: at('src/demo'),
	$lib: at('src/lib')
};

const setupFiles = [at('tests/seed.ts')];

export default defineConfig({
	test: {
		// One a core: by itself it leaves one idle, which on two is half of them.
		maxWorkers: availableParallelism(),
		teardownTimeout: 120_000,
		sequence: { sequencer: LongFirst },
		// Lines of the core that the tests run through; `npm test` asks for it.
		coverage: {
			provider: 'v8',
			include: ['src/core/**/*.ts'],
			exclude: ['src/core/**/*.{test,bench,fixture}.ts', 'src/core/**/*.d.ts'],
			reporter: ['text-summary', 'json-summary'],
			reportsDirectory: 'test-results/coverage',
			thresholds: { lines: 90 }
		},
		projects: [
			{
				// Pure: no file of it can leave anything behind for the next, so that none has to read the tables anew.
				resolve: { alias },
				test: {
					name: 'core',
					environment: 'node',
					isolate: false,
					setupFiles,
					include: ['src/core/**/*.test.ts', 'src/reference/**/*.test.ts', 'tests/recall/*.test.ts'],
					// Only what hangs is stopped: on a slow machine with another test beside it the longest took two minutes.
					testTimeout: 300_000,
					hookTimeout: 120_000
				}
			},
			{
				resolve: { alias },
				test: {
					name: 'server',
					environment: 'node',
					// Every file opens and closes a link of its own, and none mocks anything: the tables are read once a worker.
					isolate: false,
					include: ['src/**/*.test.ts', 'bin/**/*.test.ts', 'tests/outside/*.test.ts'],
					exclude: ['src/**/*.svelte.test.ts', 'src/core/**', 'src/reference/**'],
					setupFiles,
					globalSetup: ['tests/unit-database.ts'],
					testTimeout: 300_000,
					hookTimeout: 120_000
				}
			},
			{
				plugins: [svelte()],
				resolve: { alias, conditions: ['browser'] },
				test: { name: 'page state', environment: 'happy-dom', include: ['src/**/*.svelte.test.ts'] }
			}
		]
	}
});
