<script lang="ts">
	import { page } from '$app/state';
	import { withChoice } from './address';

	/** One choice among a few, kept in the address: links, so that it works without JavaScript and survives a reload. */
	let {
		label,
		name,
		value,
		options
	}: {
		label: string;
		name: string;
		/** What is chosen; '' the first. */
		value: string;
		options: readonly { readonly value: string; readonly words: string }[];
	} = $props();
</script>

<div role="group" aria-label={label} class="flex flex-wrap items-center gap-1">
	<span class="mr-1 text-sm text-soft">{label}</span>
	{#each options as o (o.value)}
		<a
			class="btn {o.value === value ? 'btn-full' : ''}"
			aria-current={o.value === value ? 'true' : undefined}
			data-sveltekit-noscroll
			data-sveltekit-replacestate
			data-sveltekit-keepfocus
			href={withChoice(page.url.search, name, o.value)}>{o.words}</a
		>
	{/each}
</div>
