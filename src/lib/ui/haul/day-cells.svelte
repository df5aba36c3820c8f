<script lang="ts">
	import { dateIn, daysBetween } from '$core/freezing/keep';

	/** Time left drawn along days: a cell a day, today first; the last one may be a part of a day. */
	let {
		now,
		bestBy,
		goneBy,
		zone,
		days = 10
	}: { now: number; bestBy: number; goneBy: number; zone: string; days?: number } = $props();
	const day_ms = 86_400_000;
	const today = $derived(dateIn(zone, now));
	const whole = $derived(daysBetween(today, dateIn(zone, bestBy)));
	const left = $derived((bestBy - now) / day_ms);
	const soon = $derived(left < 1.5);
	const width = $derived(Math.min(days, Math.max(0, whole + 1)));
</script>

<span class="flex items-center gap-1" aria-hidden="true">
	{#each Array.from({ length: width }, (_, i) => i) as i (i)}
		<span
			class="h-4 w-3 rounded-[4px] border-2 sm:w-5 lg:w-7"
			style="border-color: var({soon ? '--amber' : '--rim'}); background: {i < left
				? `var(${soon ? '--amber' : '--rim'})`
				: 'transparent'}"
		></span>
	{/each}
	{#if whole + 1 > days}<span class="font-bold text-rim">+</span>{/if}
	{#if left <= 0 && now < goneBy}<span
			class="h-4 w-5 rounded-[4px] border-2 border-dashed"
			style="border-color: var(--amber)"
		></span>{/if}
</span>
