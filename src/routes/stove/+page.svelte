<script lang="ts">
	import { sayWeight } from '$core/quantities/format';
	import { sayTime } from '$core/quantities/dates';
	import type { PageData } from './$types';
	let { data }: { data: PageData } = $props();
</script>

{#if data.heads.length === 0}
	<section class="py-14 text-center">
		<h1 class="text-3xl">Nothing is on the stove.</h1>
		<p class="mt-2 text-soft">A run starts from Ways: choose what should become of an item, and press Start.</p>
		<p class="mt-6"><a class="btn btn-full" href="/ways">To the Ways</a></p>
	</section>
{:else}
	<h1 class="text-3xl">On the stove</h1>
	<ul class="ruled mt-4 border-y border-line">
		{#each data.heads as r (r.id)}
			<li class="flex flex-wrap items-center justify-between gap-3 py-3">
				<span
					><b class="head text-xl">{r.food}</b>
					<span class="text-soft"
						>{r.way} · {sayWeight(r.raw_g, data.household.units)} · since {sayTime(
							r.startedAt,
							data.household.zone
						)}</span
					></span
				>
				<a class="btn btn-full" href="/stove/{r.id}">Go on</a>
			</li>
		{/each}
	</ul>
{/if}
