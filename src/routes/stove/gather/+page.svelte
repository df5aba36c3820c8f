<script lang="ts">
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** Pickings over days toward a load or a recipe: how far, when it fills, what cannot wait. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const usual = $derived(data.household.units === 'us' ? '45 lb' : '20 kg');
</script>

<h1 class="text-3xl">Gathering</h1>
<p class="mt-1 max-w-3xl text-soft">
	What wants a certain weight: pickings in the fridge or frozen in weighed bags, until it is there. Whatever of that
	food comes into the Basket or the freezer counts by itself.
</p>
<Faults failed={form as Failed | null} />
<div class="mt-5 grid gap-6 lg:grid-cols-2">
	{#each data.gatherings as g (g.id)}
		<section class="rimmed px-6 py-5" aria-label="{g.food}{g.words ? ` for ${g.words}` : ''}">
			<h2 class="text-xl first-letter:uppercase">
				{g.food}{#if g.words}<span class="text-soft">, for {g.words}</span>{/if}
			</h2>
			<p class="mt-1"><b class="head text-6xl text-rim">{g.have}</b> <span class="text-xl">of {g.target}</span></p>
			<div
				class="mt-2 h-4 max-w-md rounded-full border-2 border-rim"
				role="meter"
				aria-label="gathered"
				aria-valuemin={0}
				aria-valuemax={100}
				aria-valuenow={Math.round(g.share * 100)}
			>
				<div class="h-full rounded-full bg-rim" style:width="{g.share * 100}%"></div>
			</div>
			<p class="mt-3">{g.forecast}</p>
			<p class="mt-1 {g.warns ? 'font-semibold text-amber' : 'text-soft'}">{g.deadline}</p>
			{#if g.lots.length > 0}
				<details class="mt-3" open={g.lots.length <= 4}>
					<summary class="py-1">What counts</summary>
					<ul class="ruled border-y border-line">
						{#each g.lots as l (l.id)}<li class="flex flex-wrap justify-between gap-x-3 py-1.5 text-[15px]">
								<span><a href={l.href}>{l.title}</a> <span class="text-soft">{l.place}, {l.since}</span></span>
								<span><b>{l.amount}</b> <span class="text-soft">to {l.until}</span></span>
							</li>{/each}
					</ul>
				</details>
			{/if}
			<div class="mt-4 flex flex-wrap gap-3">
				<form method="POST" action="?/work" use:enhance={withNotice()}>
					<Marks /><input type="hidden" name="id" value={g.id} />
					<button class="btn {g.full ? 'btn-full' : ''}" disabled={g.lots.length === 0}
						>{g.full ? 'All of it to work' : 'Begin with what is there'}</button
					>
				</form>
				<form method="POST" action="?/end" use:enhance={withNotice()}>
					<Marks /><input type="hidden" name="id" value={g.id} />
					<button class="btn">Give it up</button>
				</form>
			</div>
		</section>
	{/each}
	<section class="self-start rounded-2xl border-2 border-line px-6 py-5" aria-label="Gather something">
		<h2 class="text-xl">Gather something</h2>
		<form method="POST" action="?/add" use:enhance={withNotice()} class="mt-3 flex flex-wrap items-end gap-3">
			<Marks />
			<label class="field min-w-0 flex-1 basis-52"
				><span>how much of what</span><input
					name="text"
					maxlength="120"
					required
					value={data.food ? `${usual} ${data.food}` : ''}
					placeholder="{usual} tomatoes"
				/></label
			>
			<label class="field min-w-0 flex-1 basis-40"
				><span>for what</span><input name="words" maxlength="60" placeholder="ketchup" /></label
			>
			<button class="btn {data.gatherings.length === 0 ? 'btn-full' : ''}">Gather</button>
		</form>
	</section>
</div>
