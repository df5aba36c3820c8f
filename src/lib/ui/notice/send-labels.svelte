<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { v7 as uuidv7 } from 'uuid';

	/** Labels to a printer of the kitchen; without one there is nothing here. */
	let {
		href,
		printers
	}: {
		/** Of the sheet. */
		href: string;
		printers: readonly { readonly id: string; readonly name: string }[];
	} = $props();
	let busy = $state(false);
	/** One key for one sheet: pressed again after a lost answer it is sent once. */
	let sent = { intent: '', key: '' };

	async function send(printer: string) {
		busy = true;
		const intent = `${printer} ${href}`;
		if (sent.intent !== intent) sent = { intent, key: uuidv7() };
		const { key } = sent;
		try {
			const reply = await fetch(href, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ printer, key })
			});
			const said = (await reply.json()) as { printer?: string; error?: { message?: string } };
			sent = { intent: '', key: '' };
			if (reply.ok) toast(`Sent to ${said.printer ?? 'the printer'}`);
			else toast.error(said.error?.message ?? 'They could not be sent.');
		} catch {
			toast.error('No connection to the kitchen’s server: nothing was sent. Try again.');
		} finally {
			busy = false;
		}
	}
</script>

{#each printers as p (p.id)}<button
		type="button"
		class="btn btn-plain underline"
		disabled={busy}
		onclick={() => void send(p.id)}>Send to {p.name}</button
	>{/each}
