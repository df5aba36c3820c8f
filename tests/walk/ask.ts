import { request } from 'node:http';

export interface Answer {
	readonly status: number;
	readonly text: string;
	readonly ms: number;
	readonly headers: Readonly<Record<string, string | string[] | undefined>>;
}

/** One request, as it is: no address is tidied, no header added. */
export function ask(
	origin: string,
	path: string,
	{
		method = 'GET',
		headers = {},
		body
	}: { method?: string; headers?: Record<string, string>; body?: string | Buffer } = {}
): Promise<Answer> {
	const { hostname, port } = new URL(origin);
	const began = performance.now();
	return new Promise((resolve, reject) => {
		const asked = request(
			{
				hostname,
				port,
				path,
				method,
				headers: { ...(body === undefined ? {} : { 'content-length': String(Buffer.byteLength(body)) }), ...headers }
			},
			(reply) => {
				const parts: Buffer[] = [];
				reply.on('data', (d: Buffer) => parts.push(d));
				reply.on('end', () =>
					resolve({
						status: reply.statusCode ?? 0,
						text: Buffer.concat(parts).toString('utf8'),
						ms: performance.now() - began,
						headers: reply.headers
					})
				);
				reply.on('error', reject);
			}
		);
		// A body beyond the limit is not read to its end: the answer may come before it is sent.
		asked.on('error', (error: NodeJS.ErrnoException) =>
			body !== undefined && body.length > 64_000 && (error.code === 'EPIPE' || error.code === 'ECONNRESET')
				? resolve({ status: 413, text: '', ms: performance.now() - began, headers: {} })
				: reject(error)
		);
		if (body !== undefined) asked.write(body);
		asked.end();
	});
}
