<script lang="ts">
	import { scaleLinear } from 'd3-scale';

	/** Months of good quality by pack: sure up to the shorter printed month, fading to the longer. A table with bars in it. */
	let {
		bars
	}: {
		bars: readonly {
			readonly name: string;
			readonly store: string;
			readonly months: readonly [number, number];
			readonly words: string;
		}[];
	} = $props();
	const most = $derived(Math.max(12, ...bars.map((b) => b.months[1])));
	const x = $derived(scaleLinear().domain([0, most]).range([0, 100]));
	const months = ([low, high]: readonly [number, number]) => (low === high ? `${high}` : `${low} to ${high}`);
</script>

{#if bars.length > 0}
	<section class="mt-8" aria-labelledby="quality-title">
		<h2 id="quality-title" class="text-xl">How long it stays good, by pack</h2>
		<table class="mt-2 w-full max-w-4xl">
			<caption class="text-left text-sm text-soft"
				>Months of best quality as printed: full up to the shorter, striped to the longer. Frozen food stays safe
				beyond, its taste does not.</caption
			>
			<thead class="sr-only"
				><tr><th scope="col">Pack</th><th scope="col">Months</th><th scope="col">Drawn</th></tr></thead
			>
			<tbody>
				{#each bars as b, bNth (bNth)}
					<tr class="border-t border-line">
						<th scope="row" class="w-56 py-2 pr-3 text-left text-[15px] font-normal first-letter:uppercase">{b.name}</th
						>
						<td class="w-24 pr-3"><b class="head">{months(b.months)}</b></td>
						<td class="py-2" aria-hidden="true">
							<div class="relative h-4">
								<span class="absolute inset-y-0 left-0 rounded-r-sm bg-rim" style="width: {x(b.months[0])}%"></span>
								<span
									class="fading absolute inset-y-0"
									style="left: {x(b.months[0])}%; width: {x(b.months[1]) - x(b.months[0])}%"
								></span>
							</div>
						</td>
					</tr>
				{/each}
			</tbody>
			<tfoot aria-hidden="true">
				<tr class="border-t border-line text-sm text-soft"
					><td></td><td>months</td><td
						><div class="relative h-5">
							{#each x.ticks(6) as t, tNth (tNth)}<span class="absolute -translate-x-1/2" style="left: {x(t)}%"
									>{t}</span
								>{/each}
						</div></td
					></tr
				>
			</tfoot>
		</table>
	</section>
{/if}

<style>
	.fading {
		background: repeating-linear-gradient(90deg, var(--rim) 0 4px, transparent 4px 9px);
	}
</style>
