export type Heard = (kind: 'hello' | 'readings' | 'taps' | 'beat', data: string) => void;

export interface Stream {
	close(): void;
}

const kinds = ['hello', 'readings', 'taps', 'beat'] as const;

/**
 * One stream for all tabs where the browser can share a worker: it allows only a few to one server.
 *
 * @param anew a stream that is there already is closed and opened: this browser is in another household now
 */
export function openStream(heard: Heard, anew: boolean): Stream {
	return typeof SharedWorker === 'undefined' ? ownStream(heard) : sharedStream(heard, anew);
}

/** @param closed it was given up by the browser: opened anew after a pause that grows */
export function ownStream(heard: Heard): Stream {
	let pause_ms = 1_000;
	let timer: ReturnType<typeof setTimeout> | undefined;
	let source: EventSource | undefined;
	const open = () => {
		source = new EventSource('/live');
		for (const kind of kinds)
			source.addEventListener(kind, (event) => {
				pause_ms = 1_000;
				heard(kind, String((event as MessageEvent).data));
			});
		source.onerror = () => {
			if (source?.readyState !== EventSource.CLOSED) return;
			timer = setTimeout(open, pause_ms);
			pause_ms = Math.min(30_000, pause_ms * 2);
		};
	};
	open();
	return {
		close: () => {
			clearTimeout(timer);
			source?.close();
		}
	};
}

function sharedStream(heard: Heard, anew: boolean): Stream {
	const worker = new SharedWorker(new URL('./stream-worker.ts', import.meta.url), {
		type: 'module',
		name: 'root-jar-live'
	});
	worker.port.onmessage = ({ data }: MessageEvent<{ kind: (typeof kinds)[number]; data: string }>) =>
		heard(data.kind, data.data);
	worker.port.start();
	if (anew) worker.port.postMessage('anew');
	const close = () => {
		worker.port.postMessage('bye');
		worker.port.close();
	};
	return { close };
}
