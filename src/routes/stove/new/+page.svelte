<script lang="ts">
	import { enhance } from '$app/forms';
	import { goto } from '$app/navigation';
	import { sayDuration } from '$core/quantities/format';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import Tick from '$lib/ui/run/tick.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	let whole = $state<HTMLFormElement>();
	const ticked = $derived(data.rows.filter((r) => r.ticked));

	/** What is ticked stands in the address: it survives a reload, and is worked out anew at every change. */
	function changed() {
		if (!whole) return;
		const fields = [...new FormData(whole)].filter(
			([name, value]) => /^(lot|way|portion|packed)-/.test(name) && typeof value === 'string' && value !== ''
		) as [string, string][];
		const on = new Set(fields.filter(([name]) => name.startsWith('lot-')).map(([name]) => name.slice(4)));
		const kept = fields.filter(([name]) => on.has(name.slice(name.indexOf('-') + 1)));
		const asked = new URLSearchParams(kept).toString();
		void goto(asked ? `?${asked}` : '/stove/new', { keepFocus: true, noScroll: true, replaceState: true });
	}
</script>

<h1 class="text-3xl">Start an evening</h1>
<p class="mt-1 max-w-3xl text-soft">
	Tick what goes into the pot and the freezer together. One screen leads all of it: each food by its own time, in the
	order of the pot. Or <a href="/stove/kit">packs of several things</a>: smoothie packs, soup jars; or
	<a href="/stove/freeze-dry">a load of the freeze-dryer</a>; or
	<a href="/stove/meat">an animal or boxes of meat</a>, before it comes and on the table; or
	<a href="/stove/gather">gather</a> until there is enough.
</p>
<Faults {failed} />
{#if data.rows.length === 0}
	<p class="mt-6 text-lg">The Basket is empty. <a href="/basket">Say what came in</a>, then come back.</p>
{:else}
	<form method="POST" action="?/start" use:enhance={withNotice({ reset: false })} bind:this={whole} onchange={changed}>
		<Marks />
		<div class="mt-4 grid gap-8 lg:grid-cols-[1fr_22rem]">
			<ul class="ruled border-y border-line">
				{#each data.rows as r (r.lotId)}
					<li class="flex flex-wrap items-center gap-x-4 gap-y-2 py-3">
						<Tick name="lot-{r.lotId}" row={r}
							>{#if r.gets}<b class="block text-rim">{r.gets}</b>{/if}</Tick
						>
						{#if r.stop === ''}
							<label class="field basis-60"
								><span>becomes</span><select name="way-{r.lotId}" aria-label="What becomes of {r.title}"
									>{#each r.options as o (o.value)}<option value={o.value} selected={o.value === r.way}
											>{o.words}</option
										>{/each}</select
								></label
							>
							<label class="field basis-36"
								><span>a pack</span><input
									name="portion-{r.lotId}"
									value={r.portion}
									placeholder="as usual"
									maxlength="60"
									aria-label="A pack of {r.title}"
								/></label
							>
							{#if r.styles.length > 1}<label class="field basis-48"
									><span>packed</span><select name="packed-{r.lotId}" aria-label="How {r.title} is packed"
										>{#each r.styles as s (s.value)}<option value={s.value} selected={s.value === r.packed}
												>{s.words}</option
											>{/each}</select
									></label
								>{/if}
						{/if}
					</li>
				{/each}
			</ul>
			<aside class="rimmed self-start p-5">
				{#if data.sum}
					<p class="text-soft">{ticked.length === 1 ? 'One food' : `${ticked.length} foods`}, hands about</p>
					<p class="head text-4xl font-extrabold text-rim">{sayDuration(data.sum.hands_s)}</p>
					{#if data.sum.order.length > 0}
						<p class="mt-3"><b>In the pot:</b> {data.sum.order.join(', then ')}.</p>
						{#if data.sum.order.length > 1}<p class="text-sm text-soft">
								Firm before soft, strong last, in the same water (common practice).
							</p>{/if}
					{/if}
					<table class="mt-3 w-full border-collapse text-[15px]">
						<thead class="border-b-2 border-rim text-left text-sm text-soft"
							><tr><th class="py-1"></th><th class="text-right">it takes</th><th class="text-right">there is</th></tr
							></thead
						>
						<tbody class="ruled">
							{#each data.sum.lines as l (l.what)}
								<tr class={l.short ? 'font-bold text-amber' : ''}
									><td class="py-1.5">{l.what}{l.short ? ', short' : ''}</td><td class="text-right">{l.wants}</td><td
										class="text-right">{l.has}</td
									></tr
								>
							{/each}
						</tbody>
					</table>
					{#if data.sum.lines.some((l) => l.short)}<p class="mt-2 text-sm text-soft">
							What is short is asked for at the stove in time: more ice, a second round of trays, the rest into the
							fridge until tomorrow.
						</p>{/if}
					<button class="btn btn-full mt-4 min-h-16 w-full text-xl">Start</button>
				{:else}
					<p class="text-soft">Nothing is ticked yet.</p>
				{/if}
			</aside>
		</div>
		<noscript><button class="btn mt-4" formmethod="GET" formaction="/stove/new">Work it out</button></noscript>
	</form>
{/if}
