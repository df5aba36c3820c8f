/** The built application under a parent: when the parent goes without a word, so does it. */
process.on('disconnect', () => process.kill(process.pid, 'SIGTERM'));
// Listening to the parent must not keep us from ending.
process.channel?.unref();
await import(new URL('../../build/index.js', import.meta.url).href);
