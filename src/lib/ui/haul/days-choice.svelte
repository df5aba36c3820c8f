<script lang="ts">
	/** Until when: one of a few numbers of days, today the first. */
	let { days, onpick }: { days: number; onpick: (days: number) => void } = $props();
</script>

<div class="flex flex-wrap gap-2" role="group" aria-label="Days of the plan">
	{#each [1, 2, 3, 5, 7] as d (d)}
		<button class="btn" aria-pressed={days === d} class:btn-full={days === d} onclick={() => onpick(d)}
			>{d === 1 ? 'today' : `${d} days`}</button
		>
	{/each}
</div>
