<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayAs } from '$core/quantities/dates';
	import { sayCount } from '$core/quantities/format';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { Verdict } from '$core/freezing/after-cut';
	import type { ActionData, PageData } from './$types';

	/** While the power is out: until when what keeps, and what is done first. Back again: freezer by freezer what becomes of it. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { cut } = $derived(data);
	const zone = $derived(data.household.zone);
	const field = (at: number) => sayAs(at, zone, "yyyy-MM-dd'T'HH:mm");
	const when = (at: number) => sayAs(at, zone, Math.abs(at - data.at) < 20 * 3_600_000 ? 'HH:mm' : 'EEE HH:mm');
	const stage = $derived(cut.out === null ? 'in' : cut.out.until === null ? 'out' : 'back');
	const shortest = $derived([...cut.freezers].sort((a, b) => (a.until ?? Infinity) - (b.until ?? Infinity))[0]);
	const words: Record<Verdict, string> = {
		stays: 'keep',
		refreeze: 'freeze again',
		cook: 'cook now',
		look: 'look at it',
		throw: 'throw out'
	};
	const count = (v: Verdict) => cut.freezers.flatMap((f) => f.lots).filter((l) => l.verdict === v).length;
	const found = [
		['hard', 'All frozen hard'],
		['ice', 'Soft, with ice in it'],
		['cold', 'No ice, fridge-cold'],
		['warm', 'Warmer, not over 2 h'],
		['unknown', 'Warmer, or nobody knows']
	] as const;
</script>

<!-- Beside the list: what is thrown leaves it, and its form would go with it. -->
<form id="throw" method="POST" action="?/throw" use:enhance={withNotice({ path: '/shelves/power' })}><Marks /></form>
<TwoColumns label="cut-title">
	<Faults failed={form as Failed | null} />
	{#if stage === 'in'}
		<h1 id="cut-title" class="text-2xl leading-tight sm:text-3xl">
			{#if shortest?.hours}Without power the freezer keeps <b class="figure">{shortest.hours} h</b>, shut{:else}When the
				power goes{/if}
		</h1>
		<p class="mt-1 text-soft">Leave it shut. A full freezer keeps about 48 hours, a half full one 24, a fridge 4.</p>
	{:else if stage === 'out' && cut.out}
		<h1 id="cut-title" class="text-2xl leading-tight sm:text-3xl">
			{#if shortest?.until}Keep it shut until <b class="figure">{when(shortest.until)}</b>{:else}Keep everything shut{/if}
		</h1>
		<p class="mt-1 text-soft">Out since {when(cut.out.from)}. Every look costs hours; what is eaten first is below.</p>
	{:else}
		<h1 id="cut-title" class="text-2xl leading-tight sm:text-3xl">
			{#if cut.freezers.some((f) => f.condition === null)}How was it found?{:else}<b class="figure">{count('throw')}</b>
				to throw, <b class="figure">{count('refreeze') + count('stays')}</b> to keep{#if count('cook') > 0}, <b
						class="figure">{count('cook')}</b
					> to cook now{/if}{/if}
		</h1>
		{#if cut.out?.until}<p class="mt-1 text-soft">
				Out from {when(cut.out.from)} to {when(cut.out.until)}. The limit is {cut.limit}: with ice in it, or at most
				that warm, it may be frozen again.
			</p>{/if}
	{/if}
	{#each cut.freezers as f (f.name)}
		<section class="mt-5" aria-label={f.name}>
			<h2 class="flex flex-wrap items-baseline gap-x-3 border-b-2 border-rim pb-1 text-xl">
				{f.name}
				<span class="text-base font-normal text-soft"
					>{[f.fill, f.hours === null ? '' : `${f.hours} h ${f.published ? 'printed' : 'worked out'}`, f.probe ?? '']
						.filter(Boolean)
						.join(' · ')}</span
				>
			</h2>
			{#if stage === 'back' && f.asked}
				<form
					method="POST"
					action="?/found"
					use:enhance={withNotice({ reset: false })}
					class="mt-2 flex flex-wrap gap-2"
					aria-label="{f.name}: how it was found"
				>
					<Marks />
					<input type="hidden" name="places" value={f.ids.join(',')} />
					{#each found as [condition, say] (condition)}
						<button
							class="btn {f.condition === condition ? 'btn-full' : ''}"
							aria-pressed={f.condition === condition}
							name="condition"
							value={condition}>{say}</button
						>
					{/each}
				</form>
			{/if}
			<ul>
				{#each f.lots as l (l.id)}
					<li class="lot">
						<span class="min-w-0"
							><b class="head text-lg first-letter:uppercase">{l.title}</b>, {l.amount}
							<span class="block text-[15px] text-soft">{l.why}</span></span
						>
						{#if l.verdict}<b
								class="verdict {l.verdict === 'throw'
									? 'text-red'
									: l.verdict === 'cook' || l.verdict === 'look'
										? 'text-amber'
										: ''}">{words[l.verdict]}</b
							>{/if}
						{#if l.verdict === 'throw' || l.verdict === 'look'}
							<button
								class="btn"
								form="throw"
								name="lot"
								value="{l.id} {l.unit} {l.whole}"
								aria-label="Thrown: {l.title}">Thrown</button
							>
						{/if}
					</li>
				{:else}<li class="py-2 text-soft">Nothing is in it.</li>
				{/each}
			</ul>
		</section>
	{:else}<p class="mt-4 text-soft">There is no freezer in the <a href="/kitchen/places">Kitchen</a>.</p>
	{/each}
	{#snippet beside()}
		{#if stage !== 'back'}
			<form method="POST" action="?/out" use:enhance={withNotice({ reset: false })}>
				<Marks />
				<label class="field"
					><span>out since</span><input
						type="datetime-local"
						name="from"
						required
						value={field(cut.out?.from ?? data.at)}
						max={field(data.at)}
					/></label
				>
				<button class="btn mt-2 w-full {stage === 'in' ? 'btn-full text-lg' : ''}"
					>{stage === 'in' ? 'It is out' : 'It was then'}</button
				>
			</form>
		{/if}
		{#if stage !== 'in' && cut.out}
			<form method="POST" action="?/back" use:enhance={withNotice({ reset: false })} class="mt-4">
				<Marks />
				<label class="field"
					><span>back since</span><input
						type="datetime-local"
						name="until"
						required
						value={field(cut.out.until ?? data.at)}
						max={field(data.at)}
					/></label
				>
				<button class="btn mt-2 w-full {stage === 'out' ? 'btn-full text-lg' : ''}"
					>{stage === 'out' ? 'It is back' : 'It was then'}</button
				>
			</form>
		{/if}
		{#if stage === 'back'}
			<form method="POST" action="?/close" use:enhance={withNotice()} class="mt-4">
				<Marks /><button class="btn btn-full w-full text-lg">Gone through</button>
			</form>
		{/if}
		<h2 class="mt-6 text-lg">The fridge</h2>
		<p>
			{#if cut.fridge.until !== null}{#if cut.fridge.until < data.at}<b class="text-red"
						>Past its {cut.fridge.hours} h</b
					>: what spoils goes.{:else}Shut, good until <b>{when(cut.fridge.until)}</b>.{/if}{:else}Shut, {cut.fridge
					.hours} h; then what spoils goes.{/if}
		</p>
		<ul>
			{#each cut.fridge.lots as l (l.id)}<li class="border-t border-line py-1.5">
					<b class="first-letter:uppercase">{l.title}</b>, {l.amount}
				</li>{/each}
		</ul>
		<h2 class="mt-4 text-lg">While it is out</h2>
		<ul class="list-disc pl-5 text-[15px]">
			<li>Shut, and blankets round the freezer, not over its grille.</li>
			<li>A neighbour’s freezer takes what can be saved no more first: meat, fish, dishes.</li>
			<li>Nothing is tasted to find out. When in doubt, throw it out.</li>
		</ul>
		<p class="mt-3 text-sm text-soft">{cut.source}. Local food authorities go first.</p>
		<p class="mt-2 text-sm text-soft">
			{sayCount(
				cut.freezers.reduce((s, f) => s + f.lots.length, 0),
				'lot'
			)} in the cold. <a href="/shelves/lasts">What stands without power</a>
		</p>
	{/snippet}
</TwoColumns>

<style>
	.lot {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto auto;
		gap: 2px 14px;
		align-items: center;
		min-height: 44px;
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	.verdict {
		font-size: 1.1rem;
	}
</style>
