<script lang="ts">
	import { sayDate } from '$core/quantities/dates';
	import { sayCount, sayWeight } from '$core/quantities/format';
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { typedIn, type Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const typed = (name: string) => String(typedIn(failed, '/add', name, ''));
	const units = $derived(data.household.units);
</script>

<div class="flex flex-wrap items-end justify-between gap-3">
	<h1 class="text-3xl">The book</h1>
	<form method="GET" class="flex items-end gap-2" role="search">
		<label class="field"
			><span>find</span><input
				name="q"
				type="search"
				value={data.q}
				placeholder="beans, or a label’s code"
				maxlength="60"
			/></label
		>
		<button class="btn">Find</button>
		<a class="btn" href="/book/foods">By food</a>
		<a class="btn" href="/book/evening">What ran today?</a>
	</form>
</div>
{#if data.rows.length === 0}
	<section class="py-14 text-center">
		<h2 class="text-2xl">{data.q ? `Nothing is called “${data.q}”.` : 'No batch yet.'}</h2>
		<p class="mt-2 text-soft">
			{data.q ? 'Try a shorter word.' : 'Every run that is closed becomes a dated batch here, with what it gave.'}
		</p>
	</section>
{:else}
	<div class="mt-4 overflow-x-auto">
		<table class="w-full border-collapse">
			<thead class="border-b-[3px] border-rim text-left text-sm text-soft"
				><tr
					><th class="py-2">Packed</th><th>What</th><th class="text-right">In</th><th class="text-right">Out</th><th
						class="text-right">Kept</th
					><th class="text-right">Left</th></tr
				></thead
			>
			<tbody class="ruled">
				{#each data.rows as r (r.id)}
					<tr>
						<td class="py-2.5 whitespace-nowrap">{sayDate(r.packedOn)}</td>
						<td
							><a class="head inline-block text-lg font-bold first-letter:uppercase" href="/book/{r.code}">{r.title}</a>
							<span class="block text-sm text-soft">{r.way} · {r.code}</span></td
						>
						<td class="text-right whitespace-nowrap">{r.raw_g > 0 ? sayWeight(r.raw_g, units) : ''}</td>
						<td class="text-right whitespace-nowrap"
							>{r.packs > 0 ? `${sayCount(r.packs, 'pack')}, ${sayWeight(r.packed_g, units)}` : 'none'}</td
						>
						<td class="head text-right text-lg font-bold">{r.yield === null ? '' : `${Math.round(r.yield * 100)} %`}</td
						>
						<td class="text-right">{r.left}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
	{#if data.more}<p class="mt-4">
			<a
				class="btn"
				href="?before={data.more.before}&id={data.more.id}{data.q ? `&q=${encodeURIComponent(data.q)}` : ''}"
				>Older ones</a
			>
		</p>{/if}
{/if}

<Faults {failed} />
<details class="mt-6" open={failed?.error !== undefined}>
	<summary class="head text-lg">Write down a batch of before</summary>
	<form method="POST" action="?/add" use:enhance={withNotice()} class="mt-2 flex flex-wrap items-end gap-3">
		<Marks />
		<label class="field basis-full"
			><span>what came of it</span><input
				name="text"
				required
				maxlength="200"
				autocomplete="off"
				value={typed('text')}
				placeholder="12 × 500 g green beans, frozen Aug 2025"
				class="head max-w-2xl text-xl font-bold"
			/></label
		>
		<label class="field"
			><span>what went in</span><input
				name="raw"
				autocomplete="off"
				value={typed('raw')}
				placeholder="7.2 kg"
				class="w-32"
			/></label
		>
		<label class="field"
			><span>hours of hands</span><input
				name="hours"
				inputmode="decimal"
				autocomplete="off"
				value={typed('hours')}
				placeholder="1.5"
				class="w-28"
			/></label
		>
		<label class="field"
			><span>paid</span><input
				name="paid"
				inputmode="decimal"
				autocomplete="off"
				value={typed('paid')}
				class="w-28"
			/></label
		>
		<button class="btn btn-full">Into the book</button>
		<p class="basis-full text-sm text-soft">
			Nothing comes onto the Shelves by it: what is still there is added <a href="/shelves/add">there</a>.
		</p>
	</form>
</details>
