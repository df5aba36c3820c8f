<script lang="ts">
	import Marks from '$lib/ui/notice/marks.svelte';
	import type { Snippet } from 'svelte';
	import { enhance } from '$app/forms';
	import { sayDate, sayMonth, sayAs } from '$core/quantities/dates';
	import { sayCount, sayTemperature, sayVolume, sayWeight } from '$core/quantities/format';
	import Faults from '$lib/ui/notice/faults.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const units = $derived(data.household.units);
	let opened = $state<string | null>(null);
	const shown = $derived(data.places.filter((p) => p.lots.length > 0 || (data.q === '' && p.kind === 'freezer')));
	const soon = (days: number | null) => days !== null && days <= 45;
	const freezers = $derived(data.places.filter((p) => p.kind === 'freezer'));
	const until = (days: number | null, date: string | null) =>
		date === null
			? ''
			: days !== null && days < 0
				? `past its best since ${sayMonth(date)}`
				: soon(days)
					? `soon: by ${sayDate(date)}`
					: `to ${sayMonth(date)}`;
	const verb = {
		take: 'taken',
		give: 'given away',
		spoil: 'spoiled',
		count: 'counted',
		move: 'moved',
		put: 'put away',
		use: 'used'
	} as const;
</script>

{#each data.differs as d (d.runId)}
	<p class="mb-4 rounded-xl border-2 border-amber bg-amberbg px-4 py-3">
		<b>{d.title}:</b> the shelf and the taps of its run differ.
		<a href="/stove/{d.runId}">Look, and say which is right</a>.
	</p>
{/each}

<!-- A form for each deed: Enter in a box does what its own button says. -->
{#snippet deed(lotId: string, name: string, box: string, packs: number, rest: Snippet)}
	<form
		method="POST"
		action="?/act"
		use:enhance={withNotice({ path: '/shelves', after: () => (opened = null) })}
		class="flex flex-wrap items-end gap-2"
		aria-label={name}
	>
		<Marks />
		<input type="hidden" name="lotId" value={lotId} />
		<label class="field"
			><span>{box}</span><input
				type="number"
				name="packs"
				min="0"
				max="10000"
				required
				value={packs}
				class="w-24"
			/></label
		>
		{@render rest()}
	</form>
{/snippet}

<div class="flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1 class="text-3xl">On the shelves</h1>
		<p class="text-soft">{sayCount(data.packs, 'pack')}</p>
	</div>
	<form
		method="GET"
		role="search"
		class="no-print flex flex-wrap items-end gap-3"
		data-sveltekit-keepfocus
		data-sveltekit-noscroll
	>
		<label class="field"
			><span>find</span><input
				type="search"
				name="q"
				value={data.q}
				maxlength="60"
				placeholder="beans, or a label’s code"
			/></label
		>
		<button class="btn">Find</button>
		<button type="button" class="btn" onclick={() => print()}>Print the list</button>
	</form>
</div>
<Faults {failed} />
<form id="take" method="POST" action="?/take" use:enhance={withNotice({ path: '/shelves' })}><Marks /></form>

<div class="mt-4 grid gap-8 lg:grid-cols-[1fr_20rem]">
	<div class="space-y-7">
		{#if data.packs === 0}
			<section class="py-10 text-center">
				<h2 class="text-2xl">The shelves are empty.</h2>
				<p class="mt-2 text-soft">Packs land here when a run is closed at the Stove.</p>
				<p class="mt-4"><a class="btn btn-full" href="/basket">Start with the Basket</a></p>
			</section>
		{/if}
		{#each shown as p (p.id)}
			{#if data.packs > 0}
				<section aria-labelledby="p-{p.id}">
					<h2 id="p-{p.id}" class="text-xl">
						{p.name}
						<span class="text-sm font-semibold text-soft"
							>{sayTemperature(p.tempC, units)}{p.litres ? ` · ${sayVolume(p.litres, units)} inside` : ''}</span
						>
					</h2>
					<ul class="shelf">
						{#each p.lots as l (l.id)}
							<li
								class="pack {soon(l.daysLeft) ? 'soon' : ''} {opened === l.id ? 'open' : ''}"
								style="--packs: {Math.min(26, l.packs)}"
							>
								<button
									class="face"
									aria-expanded={opened === l.id}
									onclick={() => (opened = opened === l.id ? null : l.id)}
								>
									<b class="head text-2xl leading-none">{l.packs}</b>
									<span class="block text-[15px] leading-tight first-letter:uppercase"
										>{l.title}{#if l.packG}, <span class="whitespace-nowrap">{sayWeight(l.packG, units)}</span
											>{/if}</span
									>
									<span class="block text-[13px] {soon(l.daysLeft) ? 'font-bold text-amber' : 'text-soft'}"
										>{until(l.daysLeft, l.keepsUntil)}</span
									>
								</button>
								<button
									class="btn no-print m-1.5 mt-1"
									form="take"
									name="lotId"
									value={l.id}
									aria-label="Take one: {l.title}">Take one</button
								>
							</li>
						{/each}
					</ul>
					{#if p.more > 0}
						<p class="no-print mt-1">
							<a href="/shelves?all={p.id}#p-{p.id}">and {sayCount(p.more, 'lot')} more, newer ones</a>
						</p>
					{/if}
					{#each p.lots.filter((l) => l.id === opened) as l (l.id)}
						<div class="no-print rounded-b-xl border border-t-0 border-line bg-enamel p-4">
							<p>
								<b>{l.title}</b>, {l.way?.toLowerCase()} · packed {sayAs(l.since, data.household.zone, 'd MMM yyyy')}
								{#if l.container}· {l.container}{/if}
								{#if l.code}· <a href="/book/{l.code}">batch {l.code}</a>{/if}
							</p>
							<div class="mt-2 space-y-3">
								{#snippet use()}
									<button class="btn" name="kind" value="take">Take</button>
									<button class="btn" name="kind" value="give">Give away</button>
								{/snippet}
								{#snippet spoil()}
									<label class="field"
										><span>cause</span><input
											name="cause"
											maxlength="200"
											placeholder="frost, torn bag"
											class="w-40"
										/></label
									>
									<button class="btn" name="kind" value="spoil">Spoiled</button>
								{/snippet}
								{#snippet count()}
									<button class="btn" name="kind" value="count">Counted: this many</button>
								{/snippet}
								{#snippet move()}
									<label class="field"
										><span>to</span><select name="placeId"
											>{#each freezers.filter((f) => f.id !== p.id) as f (f.id)}<option value={f.id}>{f.name}</option
												>{/each}</select
										></label
									>
									<button class="btn" name="kind" value="move">Move</button>
								{/snippet}
								{@render deed(l.id, 'Use it', 'packs', 1, use)}
								{@render deed(l.id, 'Spoiled', 'spoiled', 1, spoil)}
								{@render deed(l.id, 'Counted', 'I count', l.packs, count)}
								{#if freezers.length > 1}{@render deed(l.id, 'Move', 'packs', l.packs, move)}{/if}
							</div>
						</div>
					{/each}
				</section>
			{/if}
		{:else}
			{#if data.q}<p class="text-soft">Nothing here is called “{data.q}”.</p>{/if}
		{/each}
	</div>
	<aside class="no-print">
		{#if data.eatNext.length > 0}
			<h2 class="text-xl">Eat next</h2>
			<ul class="ruled">
				{#each data.eatNext as l (l.id)}
					<li class="flex items-center justify-between gap-3 py-2.5">
						<span
							><b class="inline-block first-letter:uppercase">{l.title}</b><span
								class="block text-sm {soon(l.daysLeft) ? 'font-bold text-amber' : 'text-soft'}"
								>{l.packs} left, {until(l.daysLeft, l.keepsUntil)}</span
							></span
						>
						<button class="btn" form="take" name="lotId" value={l.id} aria-label="Take one: {l.title}, eat next"
							>Take</button
						>
					</li>
				{/each}
			</ul>
		{/if}
		{#if data.steps.length > 0}
			<h2 class="mt-7 text-xl">Last steps</h2>
			<ul class="ruled">
				{#each data.steps as s (s.groupId)}
					<li class="flex items-center justify-between gap-2 py-1.5 text-[15px]">
						<span
							>{s.packs ? sayCount(Math.abs(s.packs), 'pack') : sayWeight(Math.abs(s.grams), data.household.units)}
							{s.title}
							{verb[s.kind]}
							<span class="block text-[13px] text-soft"
								>{sayAs(s.at, data.household.zone, 'd MMM, HH:mm')} · {s.by}</span
							></span
						>
						<form method="POST" action="?/undo" use:enhance={withNotice()}>
							<Marks />

							<button
								class="btn btn-plain underline"
								name="groupId"
								value={s.groupId}
								aria-label="Undo: {s.title} {verb[s.kind]}">undo</button
							>
						</form>
					</li>
				{/each}
			</ul>
		{/if}
	</aside>
</div>

<style>
	/* A board with what stands on it: a block a lot, as wide as its packs. */
	.shelf {
		display: flex;
		flex-wrap: wrap;
		align-items: flex-end;
		gap: 8px 6px;
		padding: 8px 8px 0;
		border-bottom: 6px solid var(--rim);
		border-radius: 0 0 4px 4px;
		min-height: 3rem;
	}
	.pack {
		width: calc(8.2rem + var(--packs) * 0.42rem);
		background: var(--enamel);
		border: 2px solid var(--rim);
		border-bottom: 0;
		border-radius: 12px 12px 0 0;
		display: flex;
		flex-direction: column;
		justify-content: space-between;
		min-height: 9rem;
	}
	.pack.soon {
		background: var(--amberbg);
		border-color: var(--amber);
	}
	.pack.open {
		box-shadow: 0 0 0 3px var(--wash);
	}
	.face {
		text-align: left;
		padding: 8px 10px 4px;
		cursor: pointer;
	}
	@media (max-width: 480px) {
		.pack {
			width: calc(50% - 3px);
		}
	}
	@media print {
		.pack {
			width: 100%;
			min-height: 0;
			border: 0;
			border-bottom: 1px solid #999;
			border-radius: 0;
		}
	}
</style>
