<script lang="ts">
	import { scaleTime } from 'd3-scale';

	/** When it is gone, nine in ten, on the months from today: a bar with a mark; the words stand beside it. */
	let {
		from,
		until,
		at,
		early,
		late,
		soon
	}: { from: number; until: number; at: number | null; early: number | null; late: number | null; soon: boolean } =
		$props();
	const width = 348;
	const x = $derived(
		scaleTime()
			.domain([new Date(from), new Date(until)])
			.range([1, width - 1])
			.clamp(true)
	);
	const ticks = $derived(x.ticks(12));
	const on = (t: number | null) => x(new Date(t ?? until));
</script>

<svg viewBox="0 0 {width} 12" class="block w-full" height="12" aria-hidden="true" preserveAspectRatio="none">
	<line x1="0" x2={width} y1="6" y2="6" class="axis" />
	{#each ticks as t (t.getTime())}<line x1={x(t)} x2={x(t)} y1="3" y2="9" class="axis" />{/each}
	<rect x={on(early)} width={Math.max(2, on(late) - on(early))} y="4" height="4" class:soon />
	<rect x={on(at) - 2} width="4" y="0" height="12" class:soon />
</svg>

<style>
	.axis {
		stroke: var(--line);
		stroke-width: 1.5;
	}
	rect {
		fill: var(--rim);
	}
	rect.soon {
		fill: var(--color-amber);
	}
</style>
