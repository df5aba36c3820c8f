/** The built application under a parent: when the parent goes without a word, so does it. */
import { readFileSync } from 'node:fs';
import { createServer } from 'node:https';

process.on('disconnect', () => process.kill(process.pid, 'SIGTERM'));
// Gone before it could be heard.
if (process.connected === false) process.exit(0);
// Listening to the parent must not keep us from ending.
process.channel?.unref();
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => {});
// Not said, it is this machine alone: the adapter by itself would listen to the whole network.
process.env.HOST ||= '127.0.0.1';
// No form and no tap is larger: what is, is not read at all.
process.env.BODY_SIZE_LIMIT ??= '64K';

const { TLS_CERT, TLS_KEY } = process.env;
if (TLS_CERT && TLS_KEY) {
	const { handler } = await import(new URL('../../build/handler.js', import.meta.url).href);
	const server = createServer({ cert: readFileSync(TLS_CERT), key: readFileSync(TLS_KEY) }, handler);
	server.listen(Number(process.env.PORT), process.env.HOST);
	for (const name of /** @type {NodeJS.Signals[]} */ (['SIGTERM', 'SIGINT']))
		process.once(name, () => {
			server.close(() => process.emit(/** @type {never} */ ('sveltekit:shutdown'), /** @type {never} */ (name)));
			server.closeIdleConnections();
			setTimeout(() => server.closeAllConnections(), Number(process.env.SHUTDOWN_TIMEOUT ?? 3) * 1000).unref();
		});
} else {
	await import(new URL('../../build/index.js', import.meta.url).href);
}
