<script lang="ts">
	import { goto } from '$app/navigation';
	import RecipeGather from '$lib/ui/tables/recipe-gather.svelte';
	import Tally from '$lib/ui/tables/tally.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const whole = $derived(data.recipe.scale === 'whole');
	let waiting: ReturnType<typeof setTimeout> | undefined;
	/** Follows the typing, a moment behind; the address keeps it. */
	function follow(event: Event & { currentTarget: HTMLInputElement }) {
		const have = event.currentTarget.value.trim();
		clearTimeout(waiting);
		waiting = setTimeout(() => {
			void goto(have ? `?have=${encodeURIComponent(have)}` : '?', {
				keepFocus: true,
				noScroll: true,
				replaceState: true
			});
		}, 300);
	}
</script>

<p class="no-print"><a href="/tables/way/{data.way.id}">{data.way.name}</a></p>
<h1 class="text-4xl first-letter:uppercase">{data.recipe.name}</h1>

<div class="mt-4 grid gap-x-12 gap-y-6 lg:grid-cols-[20rem_1fr]">
	<div class="space-y-4">
		<form method="GET" class="no-print" role="search" aria-label="How much there is">
			<label class="field">
				<span>how much {data.main.what} there is</span>
				<input
					name="have"
					value={data.typed}
					oninput={follow}
					maxlength="40"
					autocomplete="off"
					placeholder={data.main.one}
					aria-invalid={data.fault !== ''}
					aria-describedby={data.fault ? 'fault' : undefined}
				/>
			</label>
			{#if data.fault}<p id="fault" class="fault mt-1" role="alert">{data.fault} One set is shown.</p>{/if}
		</form>
		{#if data.gather}<RecipeGather gather={data.gather} zone={data.zone} units={data.household.units} />{/if}
		<div aria-live="polite">
			{#if whole}
				<p class="head text-6xl leading-none">{data.sets}</p>
				<p class="head text-2xl">{data.sets === 1 ? 'whole set' : 'whole sets'}</p>
			{:else}
				<p class="head text-5xl leading-none">{data.large.amount}</p>
				<p class="text-lg">{data.large.of}</p>
			{/if}
			{#if data.short}<p class="mt-2 text-amber">
					<b>Not enough for a set:</b>
					{data.short} short. The set is shown all the same.
				</p>{/if}
			{#if data.left}<p class="mt-2"><b>{data.left}</b> of {data.main.what} left over: freeze or eat it.</p>{/if}
			{#if data.makes && data.sets > 0}<p class="mt-2">Makes about <b>{data.makes}</b>.</p>{/if}
			{#if data.salt}<p class="mt-2">
					By weight, the surest: {data.salt}. The spoons beside it are the printed ones.
				</p>{/if}
			{#if data.converted && !data.fault}
				<p class="mt-2 text-[0.94rem] text-soft">
					Cups reckoned from the weight by common practice: measure them before you begin.
				</p>
			{/if}
		</div>
		<p class="border-l-[3px] border-rim pl-3">{data.words}</p>
	</div>

	<div>
		<div class="overflow-x-auto" role="region" aria-label="Amounts">
			<table class="w-full">
				<thead class="border-b-[3px] border-rim text-left">
					<tr>
						<th scope="col" class="py-1.5 pr-4">{whole ? 'one set' : 'as printed'}</th>
						{#if data.sets !== 1 && data.sets > 0}<th scope="col" class="py-1.5 pr-4"
								>{whole ? `all ${data.sets}` : 'for this much'}</th
							>{/if}
						<th scope="col" class="py-1.5">of</th>
					</tr>
				</thead>
				<tbody>
					{#each data.set as i, n (n)}
						{@const all = data.all[n]}
						<tr class="border-b border-line align-baseline">
							<td class="py-2 pr-4"
								><b class="head text-xl whitespace-nowrap">{i.amount.main}</b>
								{#if i.amount.printed}<span class="block text-sm whitespace-nowrap text-soft" data-printed
										>{i.amount.printed}</span
									>{/if}</td
							>
							{#if data.sets !== 1 && data.sets > 0}
								<td class="py-2 pr-4"
									><b class="head text-xl whitespace-nowrap">{all?.amount.main}</b>
									{#if all?.amount.printed}<span class="block text-sm whitespace-nowrap text-soft" data-printed
											>{all.amount.printed}</span
										>{/if}</td
								>
							{/if}
							<th scope="row" class="py-2 text-left font-normal">{i.what}</th>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
		<Tally
			id={data.recipe.id}
			counts={data.set.filter((i) => i.count > 1).map((i) => ({ what: i.what, of: i.count }))}
		/>
		{#if data.recipe.steps.length > 0}
			<ol class="mt-4 list-decimal space-y-1 pl-6">
				{#each data.recipe.steps as s, sNth (sNth)}<li>{s}</li>{/each}
			</ol>
		{/if}
		{#if data.recipe.note}<p class="mt-3">{data.recipe.note}</p>{/if}
		{#if data.product}
			<p class="mt-3">
				Its tested time in jars stands with <a href="/tables/{data.product.food}?way=can">{data.product.name}</a>: only
				as this recipe has it, nothing added or left out.
			</p>
		{:else if data.canned}
			<p class="mt-3">
				No tested time is carried for its jars here: fridge or freezer, or the time in your own copy of the publication.
			</p>
		{/if}
		{#if data.foods.length > 0}
			<p class="mt-3">
				For {#each data.foods as f, i (f.id)}<a href="/tables/{f.id}">{f.name}</a>{i < data.foods.length - 1
						? ', '
						: ''}{/each}.
			</p>
		{/if}
		<p class="source mt-3">{data.whose} · {data.sure}. US cups and spoons.</p>
	</div>
</div>
