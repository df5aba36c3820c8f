<script lang="ts">
	import { enhance } from '$app/forms';
	import { editMeasure, fieldUnit } from '$core/quantities/parse-measure';
	import { editMoney } from '$core/quantities/money';
	import { editWeight } from '$core/quantities/parse-weight';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** An animal or boxes of meat before the first cut: what is short, what it comes to, how long it freezes, what it was worth. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { view } = $derived(data);
	const { units } = $derived(data.household);
	let choices = $state<HTMLFormElement>();
	const again = () => choices?.requestSubmit();
	/** What was typed goes along to Start as it stands in the address. */
	const money = (minor: number | null) => (minor === null ? '' : editMoney(minor, view.currency));
	/** Another animal is cut and weighed another way. */
	function another(event: Event) {
		if ((event.currentTarget as HTMLSelectElement).name === 'species')
			for (const name of ['option', 'dressing', 'lean'])
				(choices?.elements.namedItem(name) as HTMLSelectElement | null)?.setAttribute('disabled', '');
		again();
	}
</script>

<h1 class="text-3xl">Cut up: {view.amount} {view.name}</h1>
<Faults failed={form as Failed | null} />
{#if view.stop}<p class="mt-3 max-w-3xl text-lg font-semibold text-amber">{view.stop}</p>{/if}
{#if view.short.length > 0}
	<section class="mt-4 rounded-xl border-2 border-amber bg-amberbg px-5 py-3" aria-label="Short">
		{#each view.short as s (s)}<p class="text-lg font-semibold">{s}</p>{/each}
	</section>
{/if}
<form
	bind:this={choices}
	method="GET"
	class="mt-4"
	data-sveltekit-replacestate
	data-sveltekit-keepfocus
	data-sveltekit-noscroll
>
	{#if view.lot}<input type="hidden" name="lot" value={view.lot} />{/if}
	<div class="flex flex-wrap items-end gap-3">
		{#each view.selects as s (s.name)}
			<label class="field"
				><span>{s.label}</span><select name={s.name} value={s.value} onchange={another}
					>{#each s.options as o (o.value)}<option value={o.value}>{o.words}</option>{/each}</select
				></label
			>
		{/each}
		<label class="field w-32"
			><span>{view.lot ? 'of it' : 'it weighs'}</span><input
				name="grams"
				value={view.grams === null && view.lot ? '' : view.amount}
				placeholder={view.amount}
				onchange={again}
			/></label
		>
		<label class="field w-28"
			><span>hangs, days</span><input name="hung" inputmode="numeric" value={view.hung} onchange={again} /></label
		>
		<label class="field w-28"
			><span>mince, % lean</span><input
				name="lean"
				inputmode="decimal"
				value={view.lean === view.leanAs ? '' : view.lean}
				placeholder={`${view.leanAs}`}
				onchange={again}
			/></label
		>
		<label class="field w-28"
			><span>boxes, pieces</span><input name="boxes" inputmode="numeric" value={view.boxes} onchange={again} /></label
		>
		<label class="field w-40"
			><span>another freezer, {fieldUnit.volume[units]}</span><input
				name="extra"
				inputmode="decimal"
				value={view.extra > 0 ? editMeasure(view.extra, 'volume', units) : ''}
				placeholder="rented, lent"
				onchange={again}
			/></label
		>
		<label class="field w-32"
			><span>paid in all</span><input
				name="paid"
				inputmode="decimal"
				value={money(view.paid)}
				placeholder={view.currency}
				onchange={again}
			/></label
		>
		<label class="field w-36"
			><span>a person a day</span><input
				name="appetite"
				value={editWeight(view.appetite, units)}
				onchange={again}
			/></label
		>
		<noscript><button class="btn">Work it out</button></noscript>
	</div>
	<div class="mt-5 grid gap-8 lg:grid-cols-[minmax(0,1fr)_22rem]">
		<section class="min-w-0" aria-label="What it comes to">
			<p class="flex flex-wrap items-baseline gap-x-3">
				<b class="head text-6xl text-rim">{view.packs}</b>
				<span class="text-xl">packs, {view.meat} of meat</span>
				<span class="text-soft"
					>{#each view.chain as [name, weight], i (i)}{i > 0 ? ' → ' : ''}{name}
						{weight}{/each}</span
				>
			</p>
			<ul class="mt-3 border-b border-rim">
				{#each view.rows as r (r.id)}
					<li class="flex flex-wrap items-center gap-x-5 gap-y-1 border-t border-rim py-2">
						<span class="min-w-0 flex-1 basis-44">
							<b class="head block text-lg first-letter:uppercase">{r.name}</b>
							<span class="block h-2 bg-wash" aria-hidden="true"
								><span class="block h-2 bg-rim" style:width="{r.share * 100}%"></span></span
							>
							<span class="text-[14px] text-soft">{r.style}</span>
						</span>
						<span class="w-24 text-right whitespace-nowrap"
							><b class="head text-xl">{r.weight}</b>{#if r.cost}<span class="block text-[14px] text-soft"
									>{r.cost}</span
								>{/if}</span
						>
						<span class="w-36 whitespace-nowrap"
							>{#if r.packs > 0}<b class="head text-2xl text-rim">{r.packs}</b> × {r.each}{/if}</span
						>
						<span class="w-36 text-[15px]"
							>{r.bag}{#if r.short > 0}<b class="block text-amber">{r.short} short</b>{/if}</span
						>
						{#if r.priced}<label class="field w-28"
								><span>shop, a kilo<span class="sr-only">, {r.name}</span></span><input
									name="shop.{r.id}"
									inputmode="decimal"
									value={money(r.shop)}
									onchange={again}
								/></label
							>{:else}<span class="w-28"></span>{/if}
					</li>
				{/each}
			</ul>
		</section>
		<div class="min-w-0">
			<h2 class="text-xl">Freezers</h2>
			<ul class="ruled border-y border-line">
				{#each view.freezers as f (f.name)}
					<li class="py-1.5">
						<b>{f.name}</b>, {f.free} free <span class="text-soft">takes {f.takes}</span>
						<span class="block text-[15px]">{f.filled}</span>
					</li>
				{:else}<li class="py-1.5 text-soft">There is no freezer in the Kitchen.</li>{/each}
			</ul>
			<dl class="mt-3">
				{#each view.freezing as [figure, words] (words)}<div class="mb-2">
						<dt class="head text-2xl font-bold text-rim">{figure}</dt>
						<dd class="text-[15px] text-soft">{words}</dd>
					</div>{/each}
			</dl>
			<h2 class="mt-4 text-xl">Table, ration, money</h2>
			<dl class="mt-1">
				{#each view.facts as [figure, words] (words)}<div class="mb-2">
						<dt class="head text-2xl font-bold text-rim">{figure}</dt>
						<dd class="text-[15px] text-soft">{words}</dd>
					</div>{/each}
			</dl>
		</div>
	</div>
</form>
{#if view.lot}
	<form method="POST" action="?/start" use:enhance={withNotice()} class="mt-5 flex flex-wrap items-center gap-3">
		<Marks />
		<input type="hidden" name="lot" value={view.lot} />
		{#each view.selects as s (s.name)}<input type="hidden" name={s.name} value={s.value} />{/each}
		{#if view.grams !== null}<input type="hidden" name="grams" value="{view.grams} g" />{/if}
		<input type="hidden" name="hung" value={view.hung} />
		{#if view.lean !== view.leanAs}<input type="hidden" name="lean" value={view.lean} />{/if}
		<input type="hidden" name="boxes" value={view.boxes} />
		<button class="btn btn-full min-h-16 px-8 text-xl" disabled={view.stop !== ''}>Start</button>
		<span class="text-soft">The first box onto the table; the others stay in the cold.</span>
	</form>
{:else}
	<p class="mt-5 max-w-3xl text-lg">
		It is worked out before it is there. When it has come: <a href="/basket">write it into the Basket</a>, and cut it up
		from its ways.
	</p>
{/if}
<ul class="mt-4 list-disc pl-5 text-[15px]">
	{#each view.cautions as c (c)}<li>{c}</li>{/each}
</ul>
<p class="source mt-3">{view.source}. Your local food authority has the last word.</p>
