<script lang="ts">
	import Marks from '$lib/ui/notice/marks.svelte';
	import { enhance } from '$app/forms';
	import { withNotice } from '$lib/ui/notice/post';
	import type { ShownStop } from './types';

	/** One answer instead of a list of ways: out, another thing than was kept, not seen by anyone yet, or in another state. */
	let { stop, lot }: { stop: ShownStop; lot: { readonly id: string; readonly said: string } } = $props();
	const title = $derived(
		{
			out: 'Out. It is not kept and not eaten.',
			flagged: 'Say this one again.',
			identify: 'First: who has seen them?',
			state: 'Nothing more is made of it here.'
		}[stop.stop]
	);
</script>

<section
	class="mt-5 max-w-3xl rounded-xl border-2 px-5 py-4 {stop.stop === 'out'
		? 'border-red bg-redbg'
		: 'border-amber bg-amberbg'}"
	aria-labelledby="stopped-title"
>
	<h2 id="stopped-title" class="text-3xl {stop.stop === 'out' ? 'text-red' : ''}">{title}</h2>
	<p class="mt-2 text-lg">{stop.reason}</p>
	{#if stop.asks}
		<form method="POST" action="/basket?/identify" use:enhance={withNotice()} class="mt-4">
			<Marks />
			<input type="hidden" name="lotId" value={lot.id} />
			<fieldset>
				<legend class="text-xl font-bold first-letter:uppercase">{stop.asks.question}</legend>
				<div class="mt-2 flex flex-wrap gap-3">
					{#each stop.asks.choices as c, cNth (cNth)}
						<button class="btn" name="answer" value={c.text}>{c.label}</button>
					{/each}
				</div>
			</fieldset>
			<p class="mt-2 text-sm text-soft">The answer is kept with this item, and can be changed in the Basket.</p>
		</form>
	{/if}
	<p class="mt-3"><b>What to do:</b> {stop.instead.join('; ')}.</p>
	{#if stop.stop === 'flagged'}
		<p class="mt-2">
			It was typed as <q>{lot.said}</q>.
			<a class="btn ml-2" href="/basket?say={encodeURIComponent(lot.said)}">Type it again in the Basket</a>
		</p>
	{:else if stop.stop === 'out'}
		<p class="mt-2"><a class="btn" href="/basket?open={lot.id}">Take it out of the Basket</a></p>
	{/if}
	<p class="source mt-3">{stop.source}</p>
</section>
