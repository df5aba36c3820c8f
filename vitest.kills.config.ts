import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** What kills servers and databases of its own runs by itself, after the build. */
export default defineConfig({
	resolve: {
		alias: { $core: at('src/core'), $reference: at('src/reference'), $demo: at('src/demo'), $lib: at('src/lib') }
	},
	test: {
		include: ['tests/kills/*.test.ts'],
		testTimeout: 7_200_000,
		// The hooks delete folders of several databases: ten seconds, their limit by itself, are too few for a slow disk.
		hookTimeout: 600_000,
		teardownTimeout: 600_000,
		fileParallelism: false
	}
});
