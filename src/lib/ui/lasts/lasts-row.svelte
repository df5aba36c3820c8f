<script lang="ts">
	import Span from './span.svelte';
	import type { LastsRow } from './types';

	/** A food of the larder: weeks left, when it is gone, how it goes. */
	let { row, from, until, brief = false }: { row: LastsRow; from: number; until: number; brief?: boolean } = $props();
</script>

<li class="row">
	<p class="figure" class:soon={row.soon}>
		<b class="head text-4xl leading-none tabular-nums">{row.figure}</b> <span class="text-sm">{row.unit}</span>
	</p>
	<div class="min-w-0">
		<p>
			<a class="head text-lg first-letter:uppercase" href="/shelves?q={encodeURIComponent(row.name)}">{row.name}</a>
			<span>{row.stands}</span>
		</p>
		<p class="text-sm">
			{#if row.soon}<b class="text-amber">soon: {row.out}</b>{:else}<b>{row.out}</b>{/if}{#if row.between}<span
					class="text-soft">, {row.between}</span
				>{/if}
		</p>
		<Span {from} {until} at={row.at} early={row.early} late={row.late} soon={row.soon} />
		{#if !brief}
			<p class="text-sm text-soft">
				{row.pace}{#if row.ration}; <span class="text-ink">{row.ration}</span>{/if}{#if row.instead}; then {row.instead}{/if}
			</p>
		{/if}
	</div>
</li>

<style>
	.row {
		display: grid;
		grid-template-columns: 6.2rem minmax(0, 1fr);
		gap: 4px 12px;
		align-items: start;
		padding: 8px 0;
		border-top: 1px solid var(--line);
	}
	.figure {
		color: var(--rim);
		white-space: nowrap;
	}
	.figure.soon {
		color: var(--color-amber);
	}
</style>
