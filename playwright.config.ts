import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 4273);
export const origin = `http://127.0.0.1:${port}`;

/** What takes longest, first: else it comes last, and the other workers wait for it. */
const long = /(walk|look|ways|canner|evening)\.spec\.ts$/;

export default defineConfig({
	testDir: 'tests/e2e',
	outputDir: 'test-results',
	// One more than there are cores: some of them wait for a clock.
	workers: Number(process.env.E2E_WORKERS ?? 3),
	fullyParallel: true,
	retries: 0,
	timeout: 120_000,
	expect: { timeout: 20_000 },
	projects: [
		{ name: 'long', testMatch: long },
		{ name: 'rest', testIgnore: long }
	],
	reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
	use: {
		baseURL: origin,
		viewport: { width: 1280, height: 800 },
		trace: process.env.E2E_TRACE ? 'retain-on-failure' : 'off',
		// A worker between page and server would hide its requests from a test; offline.spec.ts lets it in.
		serviceWorkers: 'block',
		launchOptions: {
			executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
			args: [
				'--no-sandbox',
				'--disable-gpu',
				'--disable-quic',
				'--no-first-run',
				'--disable-background-networking',
				'--disable-component-update',
				'--disable-sync'
			]
		}
	},
	webServer: {
		command: 'node bin/lib/serve.mjs',
		url: `${origin}/alive`,
		gracefulShutdown: { signal: 'SIGTERM', timeout: 15_000 },
		timeout: 60_000,
		env: {
			DATABASE_URL: process.env.E2E_DATABASE_URL ?? '',
			HOST: '127.0.0.1',
			PORT: String(port),
			ORIGIN: origin,
			ROOT_JAR_TEST: '1',
			SHUTDOWN_TIMEOUT: '3'
		}
	}
});
