<script lang="ts">
	import type { PageData } from './$types';
	let { data }: { data: PageData } = $props();
</script>

<h1 class="text-3xl">Tables</h1>
<p class="max-w-[46rem] text-soft">
	Every number that Root Jar reckons with, in this kitchen’s units, with whose word it is and how sure. Your local food
	authority or extension service has the last word.
</p>

{#if data.q}
	<section class="mt-5" aria-label="Found">
		<h2 class="text-xl">“{data.q}”</h2>
		<ul class="ruled mt-1 max-w-xl">
			{#each data.found as f (f.href)}
				<li>
					<a class="flex min-h-11 items-center gap-3" href={f.href}>{f.name}<span class="text-soft">{f.sort}</span></a>
				</li>
			{:else}
				<li class="py-2">Nothing by that name. Try the plain word: “beans”, “drying”, “kraut”.</li>
			{/each}
		</ul>
	</section>
{/if}

<div class="mt-6 grid gap-x-10 gap-y-8 lg:grid-cols-[22rem_1fr]">
	<section aria-labelledby="ways">
		<h2 id="ways" class="text-xl">By way</h2>
		<ul class="ruled mt-1">
			{#each data.ways as w (w.id)}
				<li>
					<a href="/tables/way/{w.id}" class="block py-2 no-underline"
						><b class="underline underline-offset-3">{w.name}</b>
						<span class="block text-sm text-soft">{w.lead}</span></a
					>
				</li>
			{/each}
		</ul>
	</section>
	<div class="space-y-7">
		<section aria-labelledby="foods">
			<h2 id="foods" class="text-xl">
				By food <span class="text-base font-semibold text-soft">{data.counts.foods}</span>
			</h2>
			{#each data.groups as g, gNth (gNth)}
				<h3 class="mt-3 text-base text-soft">{g.name}</h3>
				<ul class="columns-2 gap-x-6 sm:columns-3 xl:columns-5">
					{#each g.foods as f (f.id)}
						<li class="break-inside-avoid"><a class="inline-block py-1" href="/tables/{f.id}">{f.name}</a></li>
					{/each}
				</ul>
			{/each}
		</section>
		<section aria-labelledby="ratios">
			<h2 id="ratios" class="text-xl">
				Exact ratios, in whole sets <span class="text-base font-semibold text-soft">{data.counts.ratios}</span>
			</h2>
			{#each data.ratios as g, gNth (gNth)}
				<h3 class="mt-3 text-base text-soft">{g.name}</h3>
				<ul class="gap-x-6 sm:columns-2 xl:columns-3">
					{#each g.recipes as r (r.id)}
						<li class="break-inside-avoid"><a class="inline-block py-1" href="/tables/ratio/{r.id}">{r.name}</a></li>
					{/each}
				</ul>
			{/each}
		</section>
	</div>
</div>
