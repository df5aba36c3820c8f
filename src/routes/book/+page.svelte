<script lang="ts">
	import { sayDate } from '$core/quantities/dates';
	import { sayCount, sayWeight } from '$core/quantities/format';
	import type { PageData } from './$types';
	let { data }: { data: PageData } = $props();
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
						<td class="text-right whitespace-nowrap">{sayWeight(r.raw_g, units)}</td>
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
