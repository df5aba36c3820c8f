import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const alias = {
	$core: at('src/core'),
	$reference: at('src/reference'),
	$demo: at('src/demo'),
	$lib: at('src/lib')
};

export default defineConfig({
	test: {
		projects: [
			{
				resolve: { alias },
				test: {
					name: 'core and server',
					environment: 'node',
					include: ['src/**/*.test.ts', 'bin/**/*.test.ts', 'tests/recall/*.test.ts', 'tests/outside/*.test.ts'],
					exclude: ['src/**/*.svelte.test.ts'],
					globalSetup: ['tests/unit-database.ts'],
					testTimeout: 120_000
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
