<script lang="ts">
	import Differences from '$lib/ui/tables/differences.svelte';
	import Lines from '$lib/ui/tables/lines.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	let group = $state('');
	let text = $state('');
	const groups = $derived([...new Set(data.rows.map((r) => r.group))]);
	const rows = $derived(
		data.rows.filter(
			(r) => (group === '' || r.group === group) && r.name.toLowerCase().includes(text.trim().toLowerCase())
		)
	);
	// Another way has other groups: what was chosen for one is not kept for the next.
	$effect.pre(() => {
		void data.way;
		group = '';
		text = '';
	});
</script>

<h1 class="text-4xl">{data.name}</h1>
<p class="max-w-[46rem] text-lg">{data.lead}</p>

<div class="mt-5 grid gap-x-12 gap-y-8 {data.columns.length > 0 ? 'xl:grid-cols-[26rem_1fr]' : 'lg:grid-cols-2'}">
	<div class="space-y-6">
		<section aria-labelledby="how">
			<h2 id="how" class="text-xl">In short</h2>
			<ul class="mt-1 list-disc space-y-1 pl-5">
				{#each data.steps as s, sNth (sNth)}<li>{s}</li>{/each}
			</ul>
		</section>
		<section class="border-l-[3px] border-red pl-4" aria-labelledby="mind">
			<h2 id="mind" class="text-xl">Mind</h2>
			<ul class="mt-1 space-y-1">
				{#each data.cautions as c (c.id)}<li>{c.text}</li>{/each}
			</ul>
		</section>
		{#each data.kinds as k, kNth (kNth)}
			<section aria-label={k.title}>
				<h2 class="text-xl">{k.title}</h2>
				<dl class="ruled">
					{#each k.rows as r, rNth (rNth)}
						<div class="py-1.5">
							<dt class="font-bold first-letter:uppercase">{r.name}</dt>
							<dd>
								{r.words} <span class="block text-sm text-soft">{r.more}</span> <span class="source">{r.whose}</span>
							</dd>
						</div>
					{/each}
				</dl>
			</section>
		{/each}
		{#if data.recipes.length > 0}
			<section aria-labelledby="ratios">
				<h2 id="ratios" class="text-xl">Exact ratios</h2>
				<ul class="mt-1">
					{#each data.recipes as r (r.id)}
						<li><a class="inline-block py-1" href="/tables/ratio/{r.id}">{r.name}</a></li>
					{/each}
				</ul>
			</section>
		{/if}
		{#if data.lines.length > 0 && data.columns.length > 0}
			<section aria-labelledby="numbers">
				<h2 id="numbers" class="text-xl">What holds for all, and for some</h2>
				<Lines lines={data.lines} notes={data.notes} />
			</section>
		{/if}
	</div>

	{#if data.columns.length === 0}
		<section aria-labelledby="numbers">
			<h2 id="numbers" class="text-xl">The numbers</h2>
			{#if data.lines.length > 0}
				<Lines lines={data.lines} notes={data.notes} />
			{:else}
				<p class="mt-1">
					No number of its own is carried for this way, and none is made up. The safe temperatures stand under
					<a href="/tables/way/cook">Cooking and cooling</a>, the days and months under
					<a href="/tables/way/fresh">Fresh</a> and <a href="/tables/way/freeze">Freezing</a>.
				</p>
			{/if}
		</section>
	{:else}
		<section aria-labelledby="byfood" class="min-w-0">
			<div class="flex flex-wrap items-end justify-between gap-3">
				<h2 id="byfood" class="text-xl">
					Food by food <span class="text-base font-semibold text-soft">{rows.length}</span>
				</h2>
				<div class="no-print flex flex-wrap gap-3">
					<label class="field"
						><span>only</span>
						<select bind:value={group}>
							<option value="">all</option>
							{#each groups as g, gNth (gNth)}<option value={g}>{g}</option>{/each}
						</select></label
					>
					<label class="field"
						><span>named</span><input type="search" bind:value={text} maxlength="40" class="w-40" /></label
					>
				</div>
			</div>
			<div class="mt-2 overflow-x-auto" role="region" aria-label="{data.name}, food by food">
				<table class="w-full text-[0.94rem]">
					<thead class="border-b-[3px] border-rim text-left">
						<tr>
							<th scope="col" class="py-1.5 pr-4">food</th>
							{#each data.columns as c, cNth (cNth)}<th scope="col" class="py-1.5 pr-4">{c}</th>{/each}
						</tr>
					</thead>
					<tbody>
						{#each rows as r (r.id)}
							<tr class="border-b border-line align-top">
								<th scope="row" class="py-1.5 pr-4 text-left font-semibold"
									><a href="/tables/{r.id}?way={data.way}" class="inline-block py-1">{r.name}</a></th
								>
								{#each r.cells as cell, i (i)}
									<td class="py-2 pr-4">
										{#each cell as l, j (j)}
											<div class="max-w-[18rem] {l.what.length > 40 ? 'min-w-[12rem]' : 'min-w-[5rem]'}">
												<b class="whitespace-nowrap">{l.main}</b><sup class="text-soft">{l.mark}</sup>
												{#if l.what}<span class="block text-sm text-soft">{l.what}</span>{/if}
											</div>
										{/each}
									</td>
								{/each}
							</tr>
						{:else}
							<tr><td class="py-3 text-soft" colspan={data.columns.length + 1}>No food of that name here.</td></tr>
						{/each}
					</tbody>
				</table>
			</div>
			<p class="source mt-2">
				{#each data.tableNotes as n, i (n.mark)}<b>{n.mark}</b>
					{n.text}{i < data.tableNotes.length - 1 ? ' · ' : ''}{/each}
			</p>
			{#if data.refused.length > 0}
				<h3 class="mt-6 text-lg text-red">Not advised</h3>
				<ul class="ruled">
					{#each data.refused as r (r.id)}
						<li class="py-1.5"><a href="/tables/{r.id}">{r.name}</a> <span class="text-[0.94rem]">{r.reason}</span></li>
					{/each}
				</ul>
			{/if}
		</section>
	{/if}
</div>

{#if data.practices.length > 0}
	<section class="mt-8" aria-labelledby="differ">
		<h2 id="differ" class="text-2xl">Where people differ</h2>
		<Differences practices={data.practices} level="h3" />
	</section>
{/if}
