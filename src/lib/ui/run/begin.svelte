<script lang="ts">
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { Begin } from './types';

	/** A lot into a run that is chosen in one line: what it becomes, in what; what comes of it; one button. */
	let {
		view,
		lot,
		heading,
		foot,
		failed
	}: { view: Begin; lot: string; heading: string; foot: string; failed: Failed | null } = $props();
	let choices = $state<HTMLFormElement>();
	const again = () => choices?.requestSubmit();
	const asked = $derived(view.selects.filter((s) => s.options.length > 0));
</script>

<h1 class="text-3xl">{heading}</h1>
<Faults {failed} />
{#if view.stop}<p class="mt-4 font-semibold text-amber">{view.stop}</p>
	<p class="mt-4"><a class="btn" href="/ways/{lot}">Back to its ways</a></p>{/if}
{#if asked.length + (view.fields ?? []).length > 0}
	<form
		bind:this={choices}
		method="GET"
		class="mt-4 flex flex-wrap items-end gap-3"
		data-sveltekit-replacestate
		data-sveltekit-keepfocus
		data-sveltekit-noscroll
	>
		<input type="hidden" name="lot" value={lot} />
		{#each asked as s (s.name)}
			<label class="field"
				><span>{s.label}</span><select name={s.name} value={s.value} onchange={again}
					>{#each s.options as o (o.value)}<option value={o.value}>{o.words}</option>{/each}</select
				></label
			>
		{/each}
		{#each view.fields ?? [] as f (f.name)}
			<label class="field"
				><span>{f.label}</span><input
					name={f.name}
					value={f.value}
					placeholder={f.placeholder}
					maxlength="40"
					onchange={again}
				/></label
			>
		{/each}
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
			<input type="hidden" name="lot" value={lot} />
			{#each view.selects as s (s.name)}<input type="hidden" name={s.name} value={s.value} />{/each}
			{#each view.fields ?? [] as f (f.name)}<input type="hidden" name={f.name} value={f.value} />{/each}
			<button class="btn btn-full min-h-14 px-6 text-xl">Start</button>
			<span class="ml-3 text-soft">{foot}</span>
		</form>
		{#each view.cautions as c (c)}<p class="mt-2 text-[15px] text-soft">{c}</p>{/each}
		<p class="source mt-2">{view.source}</p>
	</section>
{/if}
