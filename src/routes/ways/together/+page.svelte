<script lang="ts">
	import { enhance } from '$app/forms';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { PageData } from './$types';

	/** Several lots of the basket: who may share a pot, the dryer or a canner load, and what that saves. */
	let { data }: { data: PageData } = $props();
	const { view } = $derived(data);
	let form = $state<HTMLFormElement>();
</script>

<h1 class="text-3xl">Ways together</h1>
<form
	bind:this={form}
	method="GET"
	class="mt-3 flex flex-wrap gap-x-5 gap-y-1"
	data-sveltekit-replacestate
	data-sveltekit-keepfocus
	data-sveltekit-noscroll
>
	{#each data.basket as b (b.id)}
		<label class="flex min-h-11 items-center gap-2"
			><input type="checkbox" name="lot" value={b.id} checked={b.ticked} onchange={() => form?.requestSubmit()} />
			{b.name}</label
		>
	{/each}
	<noscript><button class="btn">Look</button></noscript>
</form>
{#each view.lots.filter((l) => l.stop) as l (l.id)}
	<p class="mt-2 font-semibold text-amber"><span class="first-letter:uppercase">{l.name}</span>: {l.stop}</p>
{/each}
{#if view.lots.length < 2}
	<p class="mt-4 text-soft">
		Tick two or more: what may share a pot, the dryer or a canner load is shown here, and what it saves.
	</p>
{:else if view.shared.length === 0}
	<p class="mt-4">These share nothing: each goes its own way.</p>
{/if}
<div class="mt-4 grid gap-4 lg:grid-cols-2">
	{#each view.shared as s (s.title)}
		<section class="rimmed px-6 py-5">
			<h2 class="text-lg">{s.title}</h2>
			<p class="mt-1"><b class="head text-5xl text-rim">{s.saved}</b> <span class="text-lg">{s.of}</span></p>
			<p class="mt-2">
				{#each s.lots as l, i (l.id)}{i > 0 ? ', ' : ''}<a href={l.href}>{l.name}</a>{/each}
			</p>
			<ul class="mt-1 text-[15px] text-soft">
				{#each s.words as w (w)}<li>{w.replace(/\.$/, '')}.</li>{/each}
			</ul>
			{#if s.warn}<p class="mt-1 font-semibold text-amber">{s.warn}</p>{/if}
			{#if s.load}<form method="POST" action="?/dry" use:enhance={withNotice()} class="mt-3">
					<Marks />
					<input type="hidden" name="lots" value={s.load.join(' ')} />
					<button class="btn btn-full">Start one load with these</button>
				</form>{/if}
			{#if s.start}<p class="mt-3"><a class="btn btn-full" href={s.start}>Start an evening with these</a></p>{/if}
		</section>
	{/each}
</div>
