import { toast } from 'svelte-sonner';
import { deserialize } from '$app/forms';
import { invalidateAll } from '$app/navigation';
import { navigating, page } from '$app/state';
import type { SubmitFunction } from '@sveltejs/kit';
import { v7 as uuidv7 } from 'uuid';

interface Done {
	readonly done?: { readonly groupId: string; readonly words: string };
	readonly undone?: unknown;
	readonly saved?: string;
}

/** Takes a step back from the toast. */
async function undo(path: string, groupId: string): Promise<void> {
	const body = new FormData();
	body.set('groupId', groupId);
	body.set('key', uuidv7());
	body.set('household', String(page.data.household?.id));
	const reply = await fetch(`${path}?/undo`, { method: 'POST', body, headers: { 'x-sveltekit-action': 'true' } });
	const result = deserialize(await reply.text());
	if (result.type === 'failure')
		toast.error(
			String((result.data as { error?: { message?: string } })?.error?.message ?? 'It could not be taken back.')
		);
	else toast('Taken back');
	await invalidateAll();
}

/**
 * The manner of every form here: the button rests while it is sent, what was typed stays when it was not saved, and a
 * step that can be taken back says so.
 */
export const withNotice = (options: { path?: string; reset?: boolean; after?: () => void } = {}): SubmitFunction => {
	// One key for one intent: pressed again after a lost answer, the same step is asked for once more and done once;
	// other words or another button, or the same after an answer, are a new step.
	const keys = new Map<string, string>();
	return ({ submitter, formData }) => {
		const intent = [...formData].filter(([name]) => name !== 'key').join('\n');
		if (formData.has('key')) {
			const key = keys.get(intent) ?? uuidv7();
			keys.set(intent, key);
			formData.set('key', key);
		}
		if (submitter instanceof HTMLButtonElement) submitter.disabled = true;
		return async ({ result, update }) => {
			if (submitter instanceof HTMLButtonElement) submitter.disabled = false;
			if (result.type === 'error') {
				// With a status it is the server's own word: another household, a device that is not let in.
				const said = (result.error as { message?: string } | null)?.message;
				toast.error(
					result.status !== undefined && result.status < 500 && said
						? said
						: 'No connection to the kitchen’s server. Nothing was lost: what you typed is still here; try again.'
				);
				return;
			}
			keys.delete(intent);
			// Reading the page anew would drop a link that was pressed meanwhile: that one first, whether it arrives or is left.
			await Promise.allSettled([navigating.complete]);
			await update({ reset: options.reset ?? true });
			if (result.type !== 'success') return;
			const data = (result.data ?? {}) as Done;
			const { done } = data;
			if (done?.groupId && options.path) {
				const { path } = options;
				toast(done.words, { duration: 9000, action: { label: 'Undo', onClick: () => void undo(path, done.groupId) } });
			} else if (data.undone) toast('Taken back');
			else if (data.saved) toast(`${data.saved}: saved`);
			options.after?.();
		};
	};
};
