/// <reference lib="webworker" />
import { ownStream, type Heard, type Stream } from './stream';

/** Holds the one stream for all tabs of this browser, while there is one. */
const worker = self as unknown as SharedWorkerGlobalScope;
const ports = new Set<MessagePort>();
let stream: Stream | undefined;
/** What a tab that comes later has to know at once. */
let last = '';

const pass: Heard = (kind, data) => {
	if (kind === 'readings') last = data;
	for (const one of ports) one.postMessage({ kind, data });
};

worker.onconnect = ({ ports: [port] }) => {
	if (!port) return;
	ports.add(port);
	port.onmessage = ({ data }: MessageEvent<string>) => {
		if (data === 'anew') {
			stream?.close();
			last = '';
			stream = ownStream(pass);
		}
		if (data !== 'bye') return;
		ports.delete(port);
		if (ports.size > 0) return;
		stream?.close();
		stream = undefined;
		last = '';
	};
	port.start();
	stream ??= ownStream(pass);
	if (last !== '') port.postMessage({ kind: 'readings', data: last });
};
