<script lang="ts">
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** A lot into jars: product, jar, canner, what tops it off; the minutes, the loads, the drawer, the hours. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { view, lot } = $derived(data);
	let choices = $state<HTMLFormElement>();
	const again = () => choices?.requestSubmit();
	/** What another product would not understand is not carried over to it. */
	const clear: Record<string, readonly string[]> = {
		product: ['style', 'jar', 'heat', 'psi', 'canner', 'jars', 'more', 'moreJars'],
		style: ['psi', 'jars', 'more', 'moreJars'],
		jar: ['psi', 'jars', 'more', 'moreJars'],
		heat: ['psi', 'canner', 'more', 'moreJars'],
		psi: ['more', 'moreJars'],
		more: ['moreJars']
	};
	function changed(event: Event) {
		const { name } = event.currentTarget as HTMLSelectElement;
		for (const other of clear[name] ?? []) {
			const field = choices?.elements.namedItem(other);
			if (field instanceof HTMLSelectElement || field instanceof HTMLInputElement) field.disabled = true;
		}
		again();
	}
	const typed = $derived(new Set(page.url.searchParams.keys()));
	/** A part of it, as it was chosen among its ways. */
	const grams = $derived(page.url.searchParams.get('grams'));
	const short = $derived(view.drawer.filter((d) => d.have !== null && d.have < d.want));
	const rehearsal = $derived(`/stove/rehearsal${page.url.search || `?lot=${lot}`}`);
</script>

<h1 class="text-3xl">Into jars: {view.amount} {view.name}</h1>
<Faults failed={form as Failed | null} />
{#if view.stop}<p class="mt-4 max-w-3xl text-lg font-semibold text-amber">{view.stop}</p>
	<p class="mt-3"><a class="btn" href="/ways/{lot}">Back to its ways</a></p>{/if}
{#if view.selects.length + view.numbers.length > 0}
	{#key page.url.search}
		<form
			bind:this={choices}
			method="GET"
			class="mt-4 flex flex-wrap items-end gap-3"
			data-sveltekit-replacestate
			data-sveltekit-keepfocus
			data-sveltekit-noscroll
		>
			<input type="hidden" name="lot" value={lot} />
			{#if grams}<input type="hidden" name="grams" value={grams} />{/if}
			{#each view.selects as s (s.name)}
				<label class="field"
					><span>{s.label}</span><select name={s.name} value={s.value} onchange={changed} class="max-w-72"
						>{#each s.options as o (o.value)}<option value={o.value}>{o.words}</option>{/each}</select
					></label
				>
			{/each}
			{#each view.numbers as n (n.name)}
				<label class="field w-36"
					><span>{n.label}</span><input
						name={typed.has(n.name) ? n.name : undefined}
						inputmode="numeric"
						value={n.value ?? ''}
						onchange={(e) => {
							e.currentTarget.name = n.name;
							again();
						}}
					/></label
				>
			{/each}
			<noscript><button class="btn">Look</button></noscript>
		</form>
	{/key}
{/if}
{#if view.gets}
	<div class="mt-5 grid gap-8 lg:grid-cols-[minmax(0,38rem)_minmax(0,1fr)]">
		<section class="rimmed self-start px-6 py-5" aria-label="What comes of it">
			<p><b class="head text-7xl text-rim">{view.gets.packs}</b> <span class="text-xl">{view.gets.each}</span></p>
			<dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
				{#each view.gets.lines as [what, words] (what)}<dt class="text-soft">{what}</dt>
					<dd class="font-semibold">{words}</dd>{/each}
			</dl>
			<form method="POST" action="?/start" use:enhance={withNotice()} class="mt-4 flex flex-wrap items-center gap-3">
				<Marks />
				<input type="hidden" name="lot" value={lot} />
				{#if grams}<input type="hidden" name="grams" value={grams} />{/if}
				{#each view.selects as s (s.name)}{#if s.value !== ''}<input
							type="hidden"
							name={s.name}
							value={s.value}
						/>{/if}{/each}
				{#each view.numbers as n (n.name)}{#if typed.has(n.name) && n.value !== null}<input
							type="hidden"
							name={n.name}
							value={n.value}
						/>{/if}{/each}
				<button class="btn btn-full min-h-16 px-8 text-xl">Start</button>
				<a class="btn min-h-16 px-6 text-lg" href={rehearsal}>Rehearse it dry first</a>
			</form>
			<p class="source mt-3">{view.source}. Your local food authority has the last word.</p>
		</section>
		<div class="min-w-0">
			<h2 class="text-xl">In the drawer</h2>
			<ul class="ruled border-y border-line">
				{#each view.drawer as d (d.what)}
					<li class="flex items-baseline justify-between gap-3 py-1.5">
						<span><b class="head text-lg">{d.want}</b> {d.what}</span>
						{#if d.have === null}<span class="text-soft">nobody counted any</span>
						{:else if d.have < d.want}<b class="text-amber">{d.want - d.have} short, {d.have} there</b>
						{:else}<span class="font-semibold text-leaf">{d.have} there</span>{/if}
					</li>
				{/each}
			</ul>
			{#if short.length > 0}<p class="mt-1 text-[15px]">
					<a href="/kitchen/drawer">Count the drawer again</a>, or do fewer jars.
				</p>{/if}
			<p class="mt-2 text-[15px] text-soft first-letter:uppercase">{view.needs}.</p>
			<h2 class="mt-5 text-xl">On the clock, started now</h2>
			<ol class="ruled border-y border-line">
				{#each view.clock as c (c.load)}<li class="flex flex-wrap justify-between gap-x-3 py-1.5">
						<span><b>Load {c.load}</b>, {c.jars} jars</span>
						<span><b class="head">{c.from}</b> to <b class="head">{c.to}</b></span>
						<span class="basis-full text-sm text-soft">its seals from {c.check}</span>
					</li>{/each}
			</ol>
			<p class="text-sm text-soft">Heating, coming up and coming down are estimates; the process is the table’s.</p>
			{#if view.cautions.length > 0}
				<h2 class="mt-5 text-xl">Mind</h2>
				<ul class="list-disc pl-5 text-[15px]">
					{#each view.cautions as c (c)}<li>{c}</li>{/each}
				</ul>
			{/if}
		</div>
	</div>
{/if}
