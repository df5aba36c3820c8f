<script lang="ts">
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** A lot into a pan: what it becomes, in which pan, down to what. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { view } = $derived(data);
	let choices = $state<HTMLFormElement>();
	const again = () => choices?.requestSubmit();
</script>

<h1 class="text-3xl">Into the pan: {view.amount} {view.name}</h1>
<Faults failed={form as Failed | null} />
{#if view.stop}<p class="mt-4 font-semibold text-amber">{view.stop}</p>
	<p class="mt-4"><a class="btn" href="/ways/{data.lot}">Back to its ways</a></p>{/if}
{#if view.whats.length > 0}
	<form
		bind:this={choices}
		method="GET"
		class="mt-4 flex flex-wrap items-end gap-3"
		data-sveltekit-replacestate
		data-sveltekit-keepfocus
		data-sveltekit-noscroll
	>
		<input type="hidden" name="lot" value={data.lot} />
		<label class="field"
			><span>it becomes</span><select name="what" value={view.what} onchange={again}
				>{#each view.whats as w (w.value)}<option value={w.value}>{w.words}</option>{/each}</select
			></label
		>
		<label class="field"
			><span>in</span><select name="pot" value={view.pot} onchange={again}
				>{#each view.pots as p (p.value)}<option value={p.value}>{p.words}</option>{/each}</select
			></label
		>
		<label class="field"
			><span>cooked down</span><select name="left" value={view.left} onchange={again}
				>{#each view.lefts as l (l.value)}<option value={l.value}>{l.words}</option>{/each}</select
			></label
		>
		<noscript><button class="btn">Look</button></noscript>
	</form>
{/if}
{#if view.gets}
	<section class="rimmed mt-5 max-w-3xl px-6 py-5" aria-label="What comes of it">
		<p><b class="head text-6xl text-rim">{view.gets.packs}</b> <span class="text-xl">{view.gets.each}</span></p>
		<dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
			{#each view.gets.lines as [what, words] (what)}<dt class="text-soft">{what}</dt>
				<dd class="font-semibold">{words}</dd>{/each}
		</dl>
		<form method="POST" action="?/start" use:enhance={withNotice()} class="mt-4">
			<Marks />
			<input type="hidden" name="lot" value={data.lot} />
			<input type="hidden" name="what" value={view.what} />
			<input type="hidden" name="pot" value={view.pot} />
			<input type="hidden" name="left" value={view.left} />
			<button class="btn btn-full min-h-14 px-6 text-xl">Start</button>
			<span class="ml-3 text-soft">The mark on the stick decides, not the clock.</span>
		</form>
		{#each view.cautions as c (c)}<p class="mt-2 text-[15px] text-soft">{c}</p>{/each}
		<p class="source mt-2">{view.source}</p>
	</section>
{/if}
