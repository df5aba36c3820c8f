<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { sayAs } from '$core/quantities/dates';
	import { sayCount, sayWeight } from '$core/quantities/format';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import LastsRow from '$lib/ui/lasts/lasts-row.svelte';
	import Group from '$lib/ui/shelves/group.svelte';
	import type { ActionData, PageData } from './$types';

	const day = 86_400_000;
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const units = $derived(data.household.units);
	const zone = $derived(data.household.zone);
	let opened = $state<string | null>(untrack(() => data.opened));
	const places = $derived(data.groups.flatMap((g) => g.places));
	const full = $derived(data.groups.filter((g) => g.places.some((p) => p.lots.length > 0)));
	const shown = $derived(data.q === '' ? data.groups.filter((g) => g.kind === 'freezer' || full.includes(g)) : full);
	// The cold on one side, the dry and the fresh on the other.
	const cold = $derived(shown.filter((g) => g.kind === 'freezer' || g.kind === 'cellar' || g.kind === 'cool'));
	const dry = $derived(shown.filter((g) => !cold.includes(g)));
	const first = $derived(full[0]?.places.find((p) => p.lots.length > 0));
	const totals = $derived(
		[
			data.totals.packs > 0 ? sayCount(data.totals.packs, 'pack') : '',
			data.totals.jars > 0 ? sayCount(data.totals.jars, 'jar') : '',
			data.totals.loose_g > 0 ? `${sayWeight(data.totals.loose_g, units)} loose` : ''
		]
			.filter(Boolean)
			.join(', ')
	);
	/** The months that they are drawn on: as many as the last of them takes, a year at the most. */
	const lastsUntil = $derived(
		Math.min(data.at + 366 * day, Math.max(data.at + 60 * day, ...data.lasts.map((r) => r.late ?? data.at + 366 * day)))
	);
	const takeForm = 'take';
</script>

{#each data.differs as d (d.runId)}
	<p class="mb-4 rounded-xl border-2 border-amber bg-amberbg px-4 py-3">
		<b>{d.title}:</b> the shelf and the taps of its run differ.
		<a href="/stove/{d.runId}">Look, and say which is right</a>.
	</p>
{/each}

<div class="flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1 class="text-3xl">On the shelves</h1>
		<p class="text-soft">{totals || 'nothing yet'}</p>
	</div>
	<form
		method="GET"
		role="search"
		class="no-print flex flex-wrap items-end gap-3"
		data-sveltekit-keepfocus
		data-sveltekit-noscroll
	>
		<label class="field"
			><span>find in every place</span><input
				type="search"
				name="q"
				value={data.q}
				maxlength="60"
				placeholder="beans, or a label’s code"
			/></label
		>
		<button class="btn">Find</button>
		<a class="btn" href="/shelves/list.pdf" target="_blank" rel="noopener">Print the list</a>
		<a class="btn" href="/shelves/lasts">How long it lasts</a>
		<a class="btn" href="/shelves/add">Add what is here already</a>
	</form>
</div>
<Faults {failed} />
<form id={takeForm} method="POST" action="?/take" use:enhance={withNotice({ path: '/shelves' })}><Marks /></form>

{#if data.totals.lots === 0}
	<section class="py-10 text-center">
		<h2 class="text-2xl">The shelves are empty.</h2>
		<p class="mt-2 text-soft">
			Packs land here when a run is closed at the Stove. What stands in freezer, pantry and cellar already can be typed
			in one sitting.
		</p>
		<p class="mt-4 flex justify-center gap-3">
			<a class="btn btn-full" href="/shelves/add">Add what is here already</a><a class="btn" href="/basket"
				>Start with the Basket</a
			>
		</p>
	</section>
{:else}
	<div class="mt-4 grid gap-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_19rem]">
		{#each [cold, dry] as column, n (n)}
			<div class="space-y-7">
				{#each column as g (g.name + g.kind)}
					<Group group={g} looks={data.allLooks} {places} {units} {opened} {takeForm} onopen={(id) => (opened = id)} />
				{/each}
				{#if n === 0 && data.q && shown.length === 0}<p class="text-soft">Nothing here is called “{data.q}”.</p>{/if}
			</div>
		{/each}
		<aside class="no-print">
			{#if data.lasts.length > 0 && data.q === ''}
				<h2 class="text-xl"><a href="/shelves/lasts">By food, weeks left</a></h2>
				<ul class="mb-6">
					{#each data.lasts as row (row.food)}<LastsRow {row} from={data.at} until={lastsUntil} brief />{/each}
				</ul>
			{/if}
			{#if data.second.length > 0}
				<h2 class="text-xl">Opened and thawed</h2>
				<ul class="ruled mb-6">
					{#each data.second as l (l.id)}
						<li class="py-2">
							<b class="inline-block first-letter:uppercase">{l.title}</b>, {l.all}<span
								class="block text-sm font-bold text-amber">{l.until}</span
							>
						</li>
					{/each}
				</ul>
			{/if}
			{#if data.next.length > 0}
				<h2 class="text-xl">Eat next</h2>
				<ul class="ruled">
					{#each data.next as l (l.id)}
						<li class="flex items-center justify-between gap-3 py-2">
							<span
								><b class="inline-block first-letter:uppercase">{l.title}</b><span
									class="block text-sm {l.tone ? 'font-bold text-amber' : 'text-soft'}"
									>{l.count} left, {l.until}{#if !l.tone}, {Math.round(l.left * 100)} % of its time{/if}</span
								></span
							>
							{#if l.unit === 'pack' || l.unit === 'piece'}<button
									class="btn"
									form={takeForm}
									name="lotId"
									value={l.id}
									aria-label="Take one: {l.title}, eat next">Take</button
								>{/if}
						</li>
					{/each}
				</ul>
			{/if}
			{#if data.looks.length > 0}
				<h2 class="mt-6 text-xl">Looks due</h2>
				<ul class="ruled">
					{#each data.looks as l (l.place + l.kind)}
						<li class="py-2">
							<p>
								<b>{l.name}</b>, {l.place}<span class="block text-sm text-soft"
									>{l.titles.slice(0, 3).join(', ')}{l.titles.length > 3
										? ` and ${l.titles.length - 3} more`
										: ''}</span
								>
							</p>
							<form
								method="POST"
								action="?/look"
								use:enhance={withNotice({ reset: false })}
								class="mt-1 flex flex-wrap items-center gap-1"
							>
								<Marks />
								<input type="hidden" name="lotId" value={l.lotIds.join(',')} /><input
									type="hidden"
									name="kind"
									value={l.kind}
								/>
								<button class="btn" name="finding" value="fine" aria-label="{l.name}, {l.place}: looked, all well"
									>Looked, all well</button
								>
								<button type="button" class="btn btn-plain underline" onclick={() => (opened = l.lotIds[0] ?? null)}
									>found something</button
								>
							</form>
						</li>
					{/each}
				</ul>
			{/if}
			{#if first}
				<p class="mt-6">
					<a class="btn btn-full w-full" href="/shelves/count/{first.id}">Count a place: {first.name}</a>
				</p>
			{/if}
			{#if data.steps.length > 0}
				<h2 class="mt-7 text-xl">Last steps</h2>
				<ul class="ruled">
					{#each data.steps as s (s.groupId)}
						<li class="flex items-center justify-between gap-2 py-1.5 text-[15px]">
							<span
								>{s.words}
								<span class="block text-[13px] text-soft">{sayAs(s.at, zone, 'd MMM, HH:mm')} · {s.by}</span></span
							>
							<form method="POST" action="?/undo" use:enhance={withNotice()}>
								<Marks />
								<button class="btn btn-plain underline" name="groupId" value={s.groupId} aria-label="Undo: {s.words}"
									>undo</button
								>
							</form>
						</li>
					{/each}
				</ul>
			{/if}
		</aside>
	</div>
{/if}
