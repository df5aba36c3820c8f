<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import { page } from '$app/state';
	import LookUp from '$lib/ui/tables/look-up.svelte';
	import { tableIndex } from '$lib/ui/tables/index.svelte';

	let { children }: { children: Snippet } = $props();
	onMount(() => void tableIndex.fetch());
	const shelves = [
		{ href: '/tables', name: 'All' },
		{ href: '/tables/compare', name: 'Side by side' },
		{ href: '/tables/differences', name: 'Where people differ' }
	];
</script>

<div class="no-print mb-5 flex flex-wrap items-end gap-x-6 gap-y-2">
	<LookUp entries={tableIndex.entries} q={page.url.searchParams.get('q') ?? ''} />
	<nav aria-label="Tables" class="flex flex-wrap gap-1">
		{#each shelves as s (s.href)}
			<a
				class="btn btn-plain"
				href={s.href}
				aria-current={page.url.pathname === s.href ? 'page' : undefined}
				class:underline={page.url.pathname === s.href}>{s.name}</a
			>
		{/each}
	</nav>
</div>
{@render children()}
