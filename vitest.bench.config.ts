import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
	resolve: {
		alias: { $core: at('src/core'), $reference: at('src/reference'), $demo: at('src/demo'), $lib: at('src/lib') }
	},
	test: { environment: 'node', benchmark: { include: ['src/**/*.bench.ts'] } }
});
