/** `npm run models`: draws the plots of docs/models.md anew and prints the figures that the page must carry. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages } from './lib/install.mjs';
import { fail, root, say } from './lib/say.mjs';

try {
	await ensurePackages();
	const { createServer } = await import('vite');
	const vite = await createServer({
		root,
		configFile: false,
		appType: 'custom',
		logLevel: 'error',
		server: { middlewareMode: true }
	});
	try {
		const { measured } = await vite.ssrLoadModule('/tests/models/measure.ts');
		const { draw } = await vite.ssrLoadModule('/tests/models/figure.ts');
		mkdirSync(join(root, 'docs/models'), { recursive: true });
		for (const [name, measure] of Object.entries(measured)) {
			const { plot, says } = measure();
			writeFileSync(join(root, 'docs/models', `${name}.svg`), draw(plot));
			say(`${name}: ${says.join('; ')}`);
		}
	} finally {
		await vite.close();
	}
} catch (error) {
	fail(error);
}
