/** Three short tones, made on the spot: nothing is fetched, and it works offline. Silent where sound is not allowed. */
let context: AudioContext | undefined;

/** Browsers let a page sound only after a tap: call it from one. */
export function allowSound(): void {
	try {
		context ??= new AudioContext();
		void context.resume();
	} catch {
		context = undefined;
	}
}

export function ring(): void {
	if (!context || context.state !== 'running') return;
	for (const [i, hertz] of [880, 880, 1175].entries()) {
		const start = context.currentTime + i * 0.28;
		const tone = context.createOscillator();
		const gain = context.createGain();
		tone.frequency.value = hertz;
		gain.gain.setValueAtTime(0.0001, start);
		gain.gain.exponentialRampToValueAtTime(0.35, start + 0.02);
		gain.gain.exponentialRampToValueAtTime(0.0001, start + 0.24);
		tone.connect(gain).connect(context.destination);
		tone.start(start);
		tone.stop(start + 0.26);
	}
}

/** Keeps the screen on while the page shows. @returns whether this browser can */
export async function keepAwake(): Promise<boolean> {
	if (!('wakeLock' in navigator)) return false;
	try {
		await navigator.wakeLock.request('screen');
		return true;
	} catch {
		return false;
	}
}
