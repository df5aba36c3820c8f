<script lang="ts">
	/** Time left drawn along days: a cell a day; the last one is as wide as what is left of it. */
	let { now, bestBy, days = 10 }: { now: number; bestBy: number; days?: number } = $props();
	const left = $derived(Math.max(0, (bestBy - now) / 86_400_000));
	const soon = $derived(left < 1.5);
</script>

<span class="flex items-center gap-1" aria-hidden="true">
	<span class="cells" style="--days: {Math.min(days, left).toFixed(2)}; --ink: var({soon ? '--amber' : '--rim'})"
	></span>
	{#if left > days}<span class="font-bold text-rim">+</span>{/if}
</span>

<style>
	.cells {
		--pitch: 1rem;
		min-width: 6px;
		width: calc(var(--days) * var(--pitch));
		height: 1rem;
		border-radius: 4px;
		background: repeating-linear-gradient(90deg, var(--ink) 0 calc(var(--pitch) - 4px), transparent 0 var(--pitch));
	}
	@media (min-width: 640px) {
		.cells {
			--pitch: 1.5rem;
		}
	}
	@media (min-width: 1024px) {
		.cells {
			--pitch: 2rem;
		}
	}
</style>
