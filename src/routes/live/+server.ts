import { AppError } from '$lib/server/errors';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

const beat_ms = 15_000;
/** So much waits for a listener that does not read; then it is let go and comes again. */
const mostWaiting = 64;

/**
 * What is new in this household, as it comes: `hello` with the server's time, `readings` with every instrument's word of now,
 * `taps` where runs were tapped (the page asks for them), `beat` so that silence is known. 200 text/event-stream; 406
 * otherwise asked for; 503 not ready.
 */
export const GET: RequestHandler = ({ locals, request }) =>
	endpoint(async () => {
		if (!(request.headers.get('accept') ?? '').includes('text/event-stream'))
			throw new AppError(406, 'A_STREAM', 'This address is a stream of events: ask for text/event-stream.');
		const { live: hub, household } = locals;
		if (!hub) throw new AppError(503, 'NOT_READY', 'The server is not ready. Try again in a moment.');
		const first = await hub.now(household.id);
		const encode = new TextEncoder();
		let leave = () => {};
		let beat: ReturnType<typeof setInterval> | undefined;
		const gone = () => {
			clearInterval(beat);
			leave();
		};
		const body = new ReadableStream<Uint8Array>(
			{
				start(controller) {
					const say = (event: string, data: string) => {
						if ((controller.desiredSize ?? 0) < -mostWaiting) return end();
						controller.enqueue(encode.encode(`event: ${event}\ndata: ${data}\n\n`));
					};
					const end = () => {
						gone();
						try {
							controller.close();
						} catch {
							// It had gone by itself.
						}
					};
					controller.enqueue(encode.encode('retry: 1000\n\n'));
					say('hello', JSON.stringify({ now: Date.now() }));
					say('readings', first);
					leave = hub.join(household.id, {
						hear(kinds, instruments) {
							if (kinds.includes('taps')) say('taps', '{}');
							if (instruments !== null) say('readings', instruments);
						},
						end
					});
					beat = setInterval(() => say('beat', '{}'), beat_ms);
				},
				cancel: gone
			},
			{ highWaterMark: 16 }
		);
		return new Response(body, {
			headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' }
		});
	});
