<script lang="ts">
	import { sayMonth } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight, type Units } from '$core/quantities/format';
	import type { JarWay } from './types';

	let { way, units }: { way: JarWay; units: Units } = $props();
</script>

<article class="px-1 py-3" aria-label="{way.name}, {way.styles} pack">
	<div class="flex flex-wrap items-baseline gap-x-4">
		<h4 class="head text-lg first-letter:uppercase">{way.name}, {way.styles} pack</h4>
		<p>
			{#if way.jars && way.jars.count > 0}
				<b>{sayCount(way.jars.count, way.jar)}</b>, {sayCount(way.jars.loads, 'canner load')}
				<span class="text-soft">({sayWeight(way.jars.perJar_g, units)} to a jar)</span>
			{:else if way.jars}
				<b>Not a {way.jar} full:</b> one takes {sayWeight(way.jars.perJar_g, units)}
			{:else}
				in {way.jar}s; <span class="text-soft">how much fills one is not in the guide</span>
			{/if}
		</p>
	</div>
	<ul class="mt-1 flex flex-wrap gap-x-7 gap-y-1" aria-label="Times, one of them">
		{#each way.heats as heat, i (heat.where)}
			<li class="flex flex-wrap items-baseline gap-x-2">
				{#if i > 0}<span class="text-soft">or</span>{/if}
				<b class="head text-2xl">{heat.minutes} min</b>
				<span>{heat.where}</span>
			</li>
		{/each}
	</ul>
	<p class="mt-1">
		Headspace <b>{way.headspace}</b>.
		{#if way.acid}Into each jar: <b>{way.acid}</b>.{/if}
		{#if way.sterile}Jars <b>boiled 10 minutes first</b>.{/if}
	</p>
	{#if way.noCanner}<p class="font-semibold text-amber">There is no pressure canner in your Kitchen.</p>{/if}
	{#if way.testedJar}<p class="text-soft">As tested in {way.testedJar}s: a smaller jar takes no less time.</p>{/if}
	{#each way.mind as m (m)}<p class="text-[15px] font-semibold">{m}</p>{/each}
	<details class="mt-1">
		<summary class="text-[15px]">how to prepare it</summary>
		<p class="mt-1 text-[15px]">{way.prepare}</p>
		<p class="mt-1 text-[15px] text-soft">
			A load takes {sayDuration(way.load_s)} at least, heating up and cooling down besides. Best until {sayMonth(
				way.keepsUntil
			)}.
		</p>
	</details>
	<p class="source mt-1">{way.source} · {way.confidence}{way.once ? ', recalled once' : ''}</p>
</article>
