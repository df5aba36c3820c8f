import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** Threads of the server: built beside the application, which finds them on the disk. */
export default defineConfig({
	resolve: { alias: { $core: at('src/core'), $reference: at('src/reference'), $lib: at('src/lib') } },
	build: {
		ssr: true,
		outDir: 'build/threads',
		emptyOutDir: true,
		rollupOptions: { input: { haul: at('src/workers/haul-node.ts') } }
	},
	ssr: { noExternal: ['comlink'] }
});
