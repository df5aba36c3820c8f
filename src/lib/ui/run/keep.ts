/** Whether this browser can open the Stove again without the server: a worker is let in on https and this machine only. */
export const canKeep = (): boolean => typeof navigator !== 'undefined' && 'serviceWorker' in navigator;

/** Asks that pages of the Stove are kept on this device as they are now. */
export async function keepPages(paths: readonly string[]): Promise<void> {
	if (!canKeep()) return;
	const { active } = await navigator.serviceWorker.ready;
	active?.postMessage({ keep: paths });
}
