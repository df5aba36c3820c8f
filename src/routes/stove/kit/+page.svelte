<script lang="ts">
	import { enhance } from '$app/forms';
	import { goto } from '$app/navigation';
	import { editWeight } from '$core/quantities/parse-weight';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import Tick from '$lib/ui/run/tick.svelte';
	import type { ActionData, PageData } from './$types';

	/** Packs of several lots at once: what each pack gets, how many there is enough for, and how it keeps. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { view, typed } = $derived(data);
	const units = $derived(data.household.units);
	let whole = $state<HTMLFormElement>();

	/** What is ticked and typed stands in the address: it survives a reload, and is worked out anew at every change. */
	function changed() {
		if (!whole) return;
		const fields = [...new FormData(whole)].filter(
			([name, value]) =>
				/^(lot-|each-|name$|count$|container$|use$)/.test(name) && typeof value === 'string' && value !== ''
		) as [string, string][];
		const on = new Set(fields.filter(([name]) => name.startsWith('lot-')).map(([name]) => name.slice(4)));
		const kept = fields.filter(([name]) => !name.startsWith('each-') || on.has(name.slice(5)));
		const asked = new URLSearchParams(kept).toString();
		void goto(asked ? `?${asked}` : '/stove/kit', { keepFocus: true, noScroll: true, replaceState: true });
	}
</script>

<h1 class="text-3xl">Packs of several things</h1>
<p class="mt-1 max-w-3xl text-soft">
	Smoothie packs, soup jars, stir-fry bags: tick what goes in and say what one pack gets of it, ready. What is in the
	freezer or the pantry comes here from the Shelves by “put back into work”.
</p>
<Faults failed={form as Failed | null} />
{#if view.rows.length === 0}
	<p class="mt-6 text-lg">The Basket is empty. <a href="/basket">Say what came in</a>, then come back.</p>
{:else}
	<form method="POST" action="?/start" use:enhance={withNotice({ reset: false })} bind:this={whole} onchange={changed}>
		<Marks />
		<div class="mt-4 grid gap-8 lg:grid-cols-[1fr_22rem]">
			<ul class="ruled border-y border-line">
				{#each view.rows as r (r.lotId)}
					<li class="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
						<Tick name="lot-{r.lotId}" row={r}
							>{#each r.instead as i (i)}<span class="block text-[15px]">Instead: {i}.</span>{/each}
							{#if r.words}<span class="block text-[15px] {r.short ? 'font-bold text-amber' : 'text-rim'}"
									>{r.words}</span
								>{/if}</Tick
						>
						{#if r.ticked}<label class="field w-36"
								><span>in each pack</span><input
									name="each-{r.lotId}"
									value={editWeight(r.each_g ?? 0, units)}
									autocomplete="off"
									aria-label="{r.title} in each pack"
								/></label
							>{/if}
					</li>
				{/each}
			</ul>
			<aside class="rimmed self-start p-5">
				<label class="field"
					><span>it is called</span><input
						name="name"
						value={typed.name}
						maxlength="60"
						placeholder="smoothie"
					/></label
				>
				<div class="mt-3 flex flex-wrap gap-3">
					<label class="field w-24"
						><span>packs</span><input
							name="count"
							type="number"
							min="1"
							max="500"
							value={typed.count ?? ''}
							placeholder={view.most > 0 ? String(view.most) : ''}
						/></label
					>
					<label class="field min-w-0 flex-1"
						><span>in</span><select name="container" value={typed.container}
							><option value="">no container</option>{#each view.containers as c (c.id)}<option value={c.id}
									>{c.name}</option
								>{/each}</select
						></label
					>
				</div>
				<label class="field mt-3"
					><span>how it is used, for the label</span><input
						name="use"
						value={typed.use}
						maxlength="120"
						placeholder={view.sum?.use || 'with 300 ml of milk, blend'}
					/></label
				>
				{#if view.sum}
					<p class="mt-4">
						<b class="head text-6xl text-rim">{view.sum.packs}</b> <span class="text-xl">{view.sum.each}</span>
					</p>
					<dl class="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[15px]">
						{#each view.sum.lines as [what, words] (what)}<dt class="text-soft">{what}</dt>
							<dd class="font-semibold">{words}</dd>{/each}
					</dl>
					<button class="btn btn-full mt-4 min-h-16 w-full text-xl">Start</button>
					{#each view.sum.cautions as c (c)}<p class="mt-2 text-[15px] text-soft">{c}</p>{/each}
					<p class="source mt-2">{view.sum.source}</p>
				{:else if view.stop}<p class="mt-4 font-semibold text-amber">{view.stop}</p>
				{:else}<p class="mt-4 text-soft">Nothing is ticked yet.</p>{/if}
			</aside>
		</div>
		<noscript><button class="btn mt-4" formmethod="GET" formaction="/stove/kit">Work it out</button></noscript>
	</form>
{/if}
