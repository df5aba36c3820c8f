<script lang="ts">
	import { enhance } from '$app/forms';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** What was paid, what the like costs in a shop, whether the machines have paid for themselves. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const kept = [
		['frozen', 'frozen'],
		['canned', 'canned'],
		['dried', 'dried'],
		['fresh', 'fresh']
	] as const;
</script>

<TwoColumns label="prices-title">
	<Faults failed={form as Failed | null} />
	<h1 id="prices-title" class="text-3xl">Prices</h1>
	<p class="text-soft">
		What you pay, and what the like of your packs costs in a shop: seasons and machines are held against it.
	</p>
	<h2 class="mt-5 text-xl">Has it paid for itself?</h2>
	<ul class="ruled">
		{#each data.machines as m (m.id)}
			<li class="py-2">
				<p>
					<b class="head text-lg">{m.name}</b>{#if m.paid}, {m.paid}{/if}
				</p>
				{#if m.words}<p class={m.done ? 'font-semibold text-leaf' : ''}>{m.words}</p>{/if}
				<form
					method="POST"
					action="?/machine"
					use:enhance={withNotice({ reset: false })}
					class="mt-1 flex flex-wrap items-end gap-2"
				>
					<Marks />
					<input type="hidden" name="id" value={m.id} />
					<label class="field"
						><span>it cost, {data.currency}</span><input
							name="paid"
							inputmode="decimal"
							required
							maxlength="20"
							autocomplete="off"
							class="w-28"
						/></label
					>
					<label class="field"
						><span>here since</span><input
							type="date"
							name="boughtOn"
							required
							max={data.today}
							value={m.boughtOn}
						/></label
					>
					<button class="btn" aria-label="Write down what it cost: {m.name}">Write it down</button>
				</form>
			</li>
		{:else}<li class="py-2 text-soft">
				No dryer, canner or freeze dryer is in the <a href="/kitchen">Kitchen</a>.
			</li>{/each}
	</ul>
	<h2 class="mt-6 text-xl">Paid</h2>
	{#if data.foods.length === 0}
		<p class="text-soft">
			What is bought at a price (“20 kg plums at 0.90” in the <a href="/basket">Basket</a>, or a receipt) stands here.
		</p>
	{:else}
		<table class="w-full border-collapse">
			<thead class="border-b-[3px] border-rim text-left text-sm text-soft"
				><tr
					><th class="py-1.5">food</th><th class="text-right">last</th><th class="pl-4">when</th><th>how often</th></tr
				></thead
			>
			<tbody class="ruled">
				{#each data.foods as f (f.food)}<tr
						><td class="py-2"><a class="head text-lg" href="/book/foods/{f.food}">{f.name}</a></td><td
							class="head text-right text-lg">{f.last}</td
						><td class="pl-4">{f.when}</td><td class="text-soft">{f.range}</td></tr
					>{/each}
			</tbody>
		</table>
	{/if}
	{#snippet beside()}
		<h2 class="text-xl">In the shop</h2>
		<form method="POST" action="?/note" use:enhance={withNotice()} class="mt-2 grid grid-cols-2 gap-2">
			<Marks />
			<label class="field col-span-2"
				><span>food</span><input
					name="food"
					required
					maxlength="60"
					autocomplete="off"
					placeholder="green beans"
				/></label
			>
			<label class="field"
				><span>sold</span><select name="kept"
					>{#each kept as [value, words] (value)}<option {value}>{words}</option>{/each}</select
				></label
			>
			<label class="field"
				><span>a kilo, {data.currency}</span><input
					name="price"
					inputmode="decimal"
					required
					maxlength="20"
					autocomplete="off"
				/></label
			>
			<label class="field"><span>shop</span><input name="shop" maxlength="60" autocomplete="off" /></label>
			<label class="field"
				><span>seen</span><input type="date" name="seenOn" max={data.today} value={data.today} /></label
			>
			<button class="btn btn-full col-span-2">Note it</button>
		</form>
		<ul class="ruled mt-3">
			{#each data.seen as p (p.id)}
				<li class="flex items-center justify-between gap-2 py-1.5">
					<span
						><b class="first-letter:uppercase">{p.name}</b>, {p.kept}: <b>{p.price}</b><span
							class="block text-sm text-soft">{p.where}</span
						></span
					>
					<form method="POST" action="?/forget" use:enhance={withNotice()}>
						<Marks />
						<button
							class="btn btn-plain underline"
							name="id"
							value={p.id}
							aria-label="Forget: {p.name}, {p.kept}, {p.where}">forget</button
						>
					</form>
				</li>
			{:else}<li class="py-2 text-soft">No price of a shop yet: then a season is not held against one.</li>{/each}
		</ul>
	{/snippet}
</TwoColumns>
