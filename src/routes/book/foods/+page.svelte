<script lang="ts">
	import { sayCount, sayWeight } from '$core/quantities/format';
	import type { PageData } from './$types';

	/** Every food of the book, the largest first. */
	let { data }: { data: PageData } = $props();
	const units = $derived(data.household.units);
	const most = $derived(Math.max(1, ...data.foods.map((f) => f.raw_g)));
</script>

<div class="flex flex-wrap items-baseline justify-between gap-3">
	<h1 class="text-3xl">The book by food</h1>
	<p class="flex flex-wrap gap-2">
		<a class="btn" href="/book/plan">The plan of the year</a><a class="btn" href="/book/prices">Prices</a>
	</p>
</div>
{#if data.foods.length === 0}
	<p class="mt-2 text-soft">
		Every run that is closed comes into the <a href="/book">book</a>; by food it stands here.
	</p>
{:else}
	<ul class="mt-4 max-w-3xl">
		{#each data.foods as f (f.food)}
			<li class="food">
				<a class="head text-lg first-letter:uppercase" href="/book/foods/{f.food}">{f.name}</a>
				<span class="text-right"><b class="head text-lg">{sayWeight(f.raw_g, units)}</b> in</span>
				<span class="text-right text-soft"
					>{sayCount(f.packs, 'pack')}, {f.left} left; {sayCount(f.seasons, 'season')}</span
				>
				<span class="rule" aria-hidden="true"><span style="width: {(100 * f.raw_g) / most}%"></span></span>
			</li>
		{/each}
	</ul>
{/if}

<style>
	.food {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 8rem 14rem;
		gap: 2px 14px;
		align-items: baseline;
		padding: 8px 0;
		border-top: 1px solid var(--line);
	}
	.rule {
		grid-column: 1 / -1;
		height: 6px;
	}
	.rule span {
		display: block;
		height: 100%;
		background: var(--rim);
	}
	@media (max-width: 560px) {
		.food {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.food > :nth-child(3) {
			grid-column: 1 / -1;
			text-align: left;
		}
	}
</style>
