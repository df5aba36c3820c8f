<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A lot of the Basket that may be ticked into a run: its name and amount, why it cannot be, and what is to be said of it. */
	let {
		name,
		value = 'yes',
		row,
		onchange,
		children
	}: {
		name: string;
		value?: string;
		row: { readonly title: string; readonly amount: string; readonly ticked: boolean; readonly stop: string };
		onchange?: () => void;
		children?: Snippet;
	} = $props();
</script>

<label class="flex min-h-11 min-w-0 flex-1 basis-52 items-center gap-3">
	<input
		type="checkbox"
		{name}
		{value}
		checked={row.ticked}
		disabled={row.stop !== ''}
		aria-label={row.title}
		{onchange}
	/>
	<span class="min-w-0"
		><b class="head inline-block text-lg first-letter:uppercase">{row.title}</b>
		<span class="text-soft">{row.amount}</span>
		{#if row.stop}<span class="block text-[15px] text-soft first-letter:uppercase">{row.stop}</span>{/if}
		{@render children?.()}</span
	>
</label>
