<script lang="ts">
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import Tick from '$lib/ui/run/tick.svelte';
	import type { ActionData, PageData } from './$types';

	/** A load of the freeze-dryer, ticked from the Basket: mixed trays, the slowest sets the end. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { view } = $derived(data);
	let choices = $state<HTMLFormElement>();
	const ticked = $derived(view.rows.filter((r) => r.ticked).map((r) => r.lotId));
</script>

<h1 class="text-3xl">Freeze-dry a load</h1>
<Faults failed={form as Failed | null} />
{#if !view.machine}
	<p class="mt-4 text-lg">
		There is no freeze-dryer in the Kitchen yet. <a href="/kitchen">Add one</a>, with its trays.
	</p>
{:else}
	<p class="mt-1 max-w-3xl text-soft">
		{view.machine.name}: {view.machine.trays} trays, {view.machine.load} at once. It takes the water out and kills no germ:
		raw stays raw.
	</p>
	{#if view.rows.length === 0}<p class="mt-6 text-lg">
			The Basket is empty. <a href="/basket">Say what came in</a>, then come back.
		</p>{/if}
	<div class="mt-4 grid gap-8 lg:grid-cols-[1fr_22rem]">
		<form bind:this={choices} method="GET" data-sveltekit-replacestate data-sveltekit-keepfocus data-sveltekit-noscroll>
			<ul class="ruled border-y border-line">
				{#each view.rows as r (r.lotId)}
					<li class="py-2">
						<Tick name="lot" value={r.lotId} row={r} onchange={() => choices?.requestSubmit()}
							>{#if r.words}<span class="block text-[15px] text-rim">{r.words}</span>{/if}</Tick
						>
					</li>
				{/each}
			</ul>
			<noscript><button class="btn mt-4">Work it out</button></noscript>
		</form>
		<aside class="rimmed self-start p-5">
			{#if view.sum}
				<p>
					<b class="head text-6xl text-rim">{view.sum.trays}</b>
					<span class="text-xl">of {view.machine.trays} trays</span>
				</p>
				<dl class="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[15px]">
					{#each view.sum.lines as [what, words] (what)}<dt class="text-soft">{what}</dt>
						<dd class="font-semibold first-letter:uppercase">{words}</dd>{/each}
				</dl>
				<form method="POST" action="?/start" use:enhance={withNotice()}>
					<Marks />
					<input type="hidden" name="lots" value={ticked.join(' ')} />
					<button class="btn btn-full mt-4 min-h-16 w-full text-xl">Start</button>
				</form>
				{#each view.sum.cautions as c (c)}<p class="mt-2 text-[15px] text-soft">{c}</p>{/each}
				<p class="source mt-2">{view.sum.source}</p>
			{:else if view.stop}<p class="font-semibold text-amber">{view.stop}</p>
			{:else}<p class="text-soft">Tick what goes in together: the wettest tray sets the end.</p>{/if}
		</aside>
	</div>
{/if}
