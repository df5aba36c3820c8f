<script lang="ts">
	import type { PageData } from './$types';
	let { data }: { data: PageData } = $props();
	const address = (foods: readonly { id: string }[]) =>
		`/tables/compare?${[...foods.map((f) => `food=${f.id}`), ...(data.way ? [`way=${data.way}`] : [])].join('&')}`;
</script>

<h1 class="text-4xl">Side by side</h1>
<form
	method="GET"
	class="no-print mt-2 flex flex-wrap items-end gap-3"
	data-sveltekit-keepfocus
	data-sveltekit-noscroll
>
	{#each data.foods as f (f.id)}<input type="hidden" name="food" value={f.id} />{/each}
	<label class="field"
		><span>{data.foods.length === 0 ? 'a food' : 'another food'}</span>
		<input
			name="add"
			list="names"
			value={data.typed}
			maxlength="80"
			autocomplete="off"
			placeholder="onions"
			aria-invalid={data.fault !== ''}
			aria-describedby={data.fault ? 'fault' : undefined}
		/></label
	>
	<datalist id="names"
		>{#each data.names as n, nNth (nNth)}<option value={n}></option>{/each}</datalist
	>
	<label class="field"
		><span>way</span>
		<select name="way" value={data.way}>
			<option value="">every way</option>
			{#each data.ways as w (w.id)}<option value={w.id}>{w.name}</option>{/each}
		</select></label
	>
	<button class="btn btn-full">Set beside</button>
</form>
{#if data.fault}<p id="fault" class="fault mt-1" role="alert">{data.fault}</p>{/if}

{#if data.foods.length === 0}
	<p class="mt-6 text-lg">
		Name a first food, then another: their numbers stand in columns. For example
		<a href="/tables/compare?food=carrots&food=beets&food=parsnips">carrots, beets and parsnips</a>, or
		<a href="/tables/compare?food=beef&food=pork&food=chicken&way=meat">beef, pork and chicken from animal to packs</a>.
	</p>
{:else}
	<div class="relative mt-4 overflow-x-auto" role="region" aria-label="Foods side by side">
		<table class="w-full table-fixed text-[0.94rem]" style="min-width: {9 + data.foods.length * 8.5}rem">
			<thead class="border-b-[3px] border-rim text-left">
				<tr>
					<td class="w-36 sm:w-44"></td>
					{#each data.foods as f (f.id)}
						<th scope="col" class="py-2 pr-4 align-bottom">
							<a href="/tables/{f.id}" class="head text-xl">{f.name}</a>
							<a
								class="no-print block py-1 text-sm font-normal text-soft"
								href={address(data.foods.filter((o) => o.id !== f.id))}
								aria-label="Take {f.name} away">take away</a
							>
						</th>
					{/each}
				</tr>
			</thead>
			<tbody>
				{#each data.rows as r, i (r.way + r.slot)}
					{#if r.way !== data.rows[i - 1]?.way}
						<tr
							><th scope="colgroup" colspan={data.foods.length + 1} class="head pt-5 text-left text-lg text-rim"
								>{r.wayName}</th
							></tr
						>
					{/if}
					<tr class="border-b border-line align-top">
						<th scope="row" class="py-1.5 pr-4 text-left font-normal">{r.heading}</th>
						{#each r.cells as cell, j (j)}
							<td class="py-1.5 pr-4">
								{#if r.refused?.[j]}<p class="text-red">{r.refused[j]}</p>{:else}
									{#each cell as l, k (k)}
										<div>
											<b>{l.main}</b><sup class="text-soft">{l.mark}</sup>
											{#if cell.length > 1 || r.named}<span class="block text-sm text-soft">{l.what}</span>{/if}
										</div>
									{:else}<span class="text-soft">·<span class="sr-only">none</span></span>{/each}{/if}
							</td>
						{/each}
					</tr>
				{:else}
					<tr><td class="py-3 text-soft" colspan={data.foods.length + 1}>Nothing is carried for this way.</td></tr>
				{/each}
			</tbody>
		</table>
	</div>
	<p class="source mt-2">
		{#each data.notes as n, i (n.mark)}<b>{n.mark}</b> {n.text}{i < data.notes.length - 1 ? ' · ' : ''}{/each}
	</p>
{/if}
