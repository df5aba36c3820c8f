/** What the server's clock was last found to be ahead of this device's, ms: for a page that opens without the server. */
const key = 'root-jar-clock';

export function knownOffset(): number | null {
	try {
		const kept = localStorage.getItem(key);
		return kept === null || !Number.isFinite(Number(kept)) ? null : Number(kept);
	} catch {
		// A browser that keeps nothing.
		return null;
	}
}

export function keepOffset(offset_ms: number): void {
	try {
		localStorage.setItem(key, `${offset_ms}`);
	} catch {
		// It is asked for anew.
	}
}
