<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { Upload } from './upload.svelte';

	/** Choosing a file, and how far it is on its way. */
	let {
		label,
		accept,
		upload,
		chosen,
		children
	}: { label: string; accept: string; upload: Upload; chosen?: () => void; children: Snippet } = $props();
</script>

<label class="field mt-2"
	><span>{label}</span><input
		type="file"
		{accept}
		onchange={(e) => {
			chosen?.();
			void upload.read(e.currentTarget);
		}}
	/></label
>
{#if upload.why}<p role="alert" class="mt-2 font-semibold text-red">{upload.why}</p>{/if}
{#if upload.going}<p class="mt-2" role="status">
		Sending {upload.name}: {upload.sent} of {upload.parts} parts
		<progress value={upload.sent} max={upload.parts} class="w-full"></progress>
	</p>{/if}
{#if upload.id}{@render children()}{/if}
