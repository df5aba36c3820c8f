import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter({ precompress: false }),
		// Our own hook checks the origin of every write: the framework's list is fixed when it is built.
		csrf: { trustedOrigins: ['*'] },
		// The shell that is kept for a cold start stands at any address: what it asks for is named from the root.
		paths: { relative: false },
		alias: { $core: 'src/core', $reference: 'src/reference', $demo: 'src/demo' },
		csp: {
			mode: 'auto',
			directives: {
				'default-src': ['self'],
				'script-src': ['self', 'wasm-unsafe-eval'],
				'style-src': ['self', 'unsafe-inline'],
				'img-src': ['self', 'data:'],
				'object-src': ['none'],
				'frame-ancestors': ['none'],
				'base-uri': ['self'],
				'form-action': ['self']
			}
		},
		typescript: {
			config: (config) => {
				config.include.push('../*.ts', '../*.js', '../bin/**/*.mjs', '../tests/**/*.ts');
				return config;
			}
		}
	}
};
