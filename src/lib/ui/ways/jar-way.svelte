<script lang="ts">
	import { sayMonth } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight, type Units } from '$core/quantities/format';
	import type { JarLoads, JarWay } from './types';

	let { way, units, loads = null }: { way: JarWay; units: Units; loads?: JarLoads | null } = $props();
	const [first] = $derived(loads?.loads ?? []);
	const whole_s = $derived(loads?.loads.reduce((sum, l) => sum + l.seconds, 0) ?? 0);
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
	{#if way.ingredients.length > 0}
		<section class="mt-2 max-w-3xl border-l-[3px] border-rim pl-3" aria-label="What it is made of">
			<p class="text-[15px]"><b>The time is for just this{way.makes ? `, which fills ${way.makes}` : ''}:</b></p>
			<ul class="grid gap-x-6 text-[15px] sm:grid-cols-2">
				{#each way.ingredients as i, n (n)}<li class="border-t border-line py-0.5">{i}</li>{/each}
			</ul>
			<p class="mt-1 text-[15px] font-semibold">Never changed: {way.keep.join('; ')}.</p>
		</section>
	{/if}
	{#each way.mind as m, mNth (mNth)}<p class="text-[15px] font-semibold">{m}</p>{/each}
	<details class="mt-1">
		<summary class="text-[15px]">how to prepare it</summary>
		<p class="mt-1 text-[15px]">{way.prepare}</p>
		<p class="mt-1 text-[15px] text-soft">
			A load takes {sayDuration(way.load_s)} at least, heating up and cooling down besides. Best until {sayMonth(
				way.keepsUntil
			)}.
		</p>
	</details>
	{#if loads && first}
		<details class="mt-1">
			<summary class="text-[15px]"
				>on the clock, {loads.method === 'pressure' ? 'under pressure' : 'in boiling water'}: {loads.loads
					.map((l) => l.jars)
					.join(' + ')}
				{loads.loads.reduce((sum, l) => sum + l.jars, 0) === 1 ? 'jar' : 'jars'}, about {sayDuration(whole_s)}, {loads.lids}
				lids</summary
			>
			<ol class="mt-1 max-w-3xl text-[15px]">
				{#each first.steps as s, sNth (sNth)}
					<li class="grid grid-cols-[7rem_6.5rem_1fr] gap-x-3 border-t border-line py-1">
						<span class="first-letter:uppercase">{s.name}</span>
						<b class={s.kind === 'published' ? 'head' : 'font-normal text-soft'}
							>{s.kind === 'published' ? '' : 'about '}{sayDuration(s.seconds)}</b
						>
						<span>{s.words}{s.attended ? '' : ' Nobody need stand by.'}</span>
					</li>
				{/each}
			</ol>
			<p class="mt-1 text-sm text-soft">
				Bold times are of the tables, the others estimates. Then 12 to 24 hours undisturbed, and the seals are checked.
			</p>
		</details>
	{/if}
	<p class="source mt-1">{way.source} · {way.confidence}{way.once ? ', recalled once' : ''}</p>
</article>
