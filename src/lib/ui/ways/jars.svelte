<script lang="ts">
	import { page } from '$app/state';
	import { sayAltitude, type Units } from '$core/quantities/format';
	import { withChoice } from './address';
	import NotAdvised from './not-advised.svelte';
	import JarWay from './jar-way.svelte';
	import type { ComponentProps } from 'svelte';
	import Chips from './chips.svelte';
	import Gather from './gather.svelte';
	import type { GlanceRow, JarWays } from './types';

	let {
		jars,
		jar,
		altitude_m,
		gauge,
		dial,
		style,
		glance,
		gather,
		zone,
		units
	}: {
		jars: JarWays;
		jar: string;
		altitude_m: number | null;
		gauge: string | null;
		/** What its dial must be seen to for. */
		dial: string | null;
		/** Hot or raw pack, where one was chosen. */
		style: string | null;
		glance: readonly GlanceRow[];
		gather: ComponentProps<typeof Gather>['gather'] | null;
		zone: string;
		units: Units;
	} = $props();
	const styles = $derived(new Set(jars.plain.flatMap((w) => w.styles.split(' or '))));
	const plain = $derived(
		style && styles.has(style) ? jars.plain.filter((w) => w.styles.split(' or ').includes(style)) : jars.plain
	);
	const loadsOf = (id: string) => {
		// Hot and raw in one line have the same times; the list has one of them.
		const product = id.split(':')[0];
		const row = glance.find((g) => g.id.startsWith(`can-${product}:`));
		return row?.kind === 'way' ? row.loads : null;
	};
	const sizes = ['half-pint', 'pint', 'quart'] as const;
	const title = $derived(
		jars.refused?.rule === 'altitude-missing'
			? 'No time without the altitude.'
			: jars.refused?.rule === 'altitude-above-table'
				? 'Not at this altitude.'
				: 'Not as it is.'
	);
	const canners = $derived([
		['A boiling-water canner', jars.steps.water],
		['A pressure canner', jars.steps.pressure]
	] as const);
	const canner = $derived(
		gauge === 'none'
			? 'no pressure canner'
			: gauge
				? `a pressure canner with a ${gauge} gauge`
				: 'either gauge, since yours was not said'
	);
</script>

<section id="jars" class="mt-8 scroll-mt-4" aria-labelledby="jars-title">
	<div class="flex flex-wrap items-end gap-x-6 gap-y-2 border-b-[3px] border-rim pb-2">
		<h2 id="jars-title" class="text-2xl">Into jars</h2>
		{#if altitude_m !== null}
			<p class="text-soft">
				for {sayAltitude(altitude_m, units)} and {canner} · <a href="/kitchen">change</a>
			</p>
		{/if}
		{#if jars.plain.length + jars.recipes.length > 0}
			<nav class="ml-auto flex gap-1" aria-label="Jar size">
				{#each sizes as size, sizeNth (sizeNth)}
					<a
						class="btn {size === jar ? 'btn-full' : ''}"
						aria-current={size === jar ? 'true' : undefined}
						data-sveltekit-noscroll
						data-sveltekit-replacestate
						href={withChoice(page.url.search, 'jar', size)}>{size}s</a
					>
				{/each}
			</nav>
		{/if}
	</div>
	{#if dial && jars.plain.some((w) => w.heats.some((h) => h.where.includes('dial')))}<p class="fault mt-3">
			{dial}
		</p>{/if}
	{#if styles.size > 1}
		<div class="mt-3">
			<Chips
				label="packed"
				name="style"
				value={style ?? ''}
				options={[
					{ value: '', words: 'hot or raw' },
					{ value: 'hot', words: 'hot' },
					{ value: 'raw', words: 'raw' }
				]}
			/>
		</div>
	{/if}
	{#if gather}<Gather {gather} {zone} {units} />{/if}
	{#if jars.refused}
		<NotAdvised {title} refusal={jars.refused} />
	{/if}
	<div class="divide-y divide-line">
		{#each plain as way (way.id)}<JarWay {way} {units} loads={loadsOf(way.id)} />{/each}
	</div>
	{#if jars.recipes.length > 0}
		<details class="mt-3 border-t border-line pt-3" open={jars.refused !== null && jars.recipes.length <= 3}>
			<summary class="head text-lg">Made into something else, by a tested recipe ({jars.recipes.length})</summary>
			<div class="divide-y divide-line">
				{#each jars.recipes as way (way.id)}<JarWay {way} {units} />{/each}
			</div>
		</details>
	{/if}
	<div class="mt-4 grid gap-x-6 gap-y-2 md:grid-cols-2">
		{#each canners as [name, steps], nth (nth)}
			{#if steps.length > 0}
				<details class="border-t border-line pt-3">
					<summary class="head text-lg">{name}, step by step</summary>
					<ol class="mt-2 list-decimal space-y-1 pl-6">
						{#each steps as s, sNth (sNth)}<li>{s}</li>{/each}
					</ol>
				</details>
			{/if}
		{/each}
	</div>
	{#if jars.cautions.length > 0}
		<div class="mt-4 rounded-xl border-2 border-red bg-redbg px-5 py-4">
			<h3 class="text-lg">Before you can anything</h3>
			<ul class="mt-1 list-disc space-y-1 pl-5 text-[15px]">
				{#each jars.cautions as c (c.id)}
					<li>
						{c.text}{#if c.source}<span class="source ml-1">({c.source})</span>{/if}
					</li>
				{/each}
			</ul>
		</div>
	{/if}
</section>
