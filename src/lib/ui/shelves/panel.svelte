<script lang="ts">
	import type { Snippet } from 'svelte';
	import { enhance } from '$app/forms';
	import Fold from '$lib/ui/notice/fold.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { AllLooks, ShelfLot, ShelfPlace } from './types';

	/** What can be done with a lot: one form a deed, so that Enter in a box does what its own button says. */
	let {
		lot,
		looks,
		place,
		places,
		onclose
	}: {
		lot: ShelfLot;
		looks: AllLooks;
		place: ShelfPlace;
		places: readonly ShelfPlace[];
		onclose: () => void;
	} = $props();
	const path = '/shelves';
	const word = { pack: 'packs', piece: 'pieces', dg: 'weight', ml: 'ml' };
	const one = $derived(lot.unit === 'pack' || lot.unit === 'piece' ? '1' : lot.edit);
	const fridge = $derived(places.find((p) => p.kind === 'fridge'));
	const alike = $derived(lot.alike ? place.lots.filter((l) => l.alike === lot.alike && l.id !== lot.id) : []);
	const elsewhere = $derived(places.filter((p) => p.id !== place.id));
</script>

{#snippet deed(action: string, name: string, box: string, value: string, rest: Snippet)}
	<form
		method="POST"
		action="?/{action}"
		use:enhance={withNotice({ path, after: onclose })}
		class="flex flex-wrap items-end gap-2"
		aria-label={name}
	>
		<Marks />
		<input type="hidden" name="lotId" value={lot.id} /><input type="hidden" name="unit" value={lot.unit} />
		{#if lot.unit === 'dg'}<input type="hidden" name="shown" {value} /><input
				type="hidden"
				name="exact"
				value={lot.amount / 10}
			/>{/if}
		<label class="field"
			><span>{box}</span><input
				name="amount"
				type={lot.unit === 'pack' || lot.unit === 'piece' ? 'number' : 'text'}
				min="0"
				max="10000"
				required
				maxlength="20"
				autocomplete="off"
				{value}
				class="w-28"
			/></label
		>
		{@render rest()}
	</form>
{/snippet}

<div class="no-print rounded-b-xl border border-t-0 border-line bg-enamel p-4">
	<p>
		<b>{lot.all} {lot.title}</b>{#if lot.detail}, {lot.detail}{/if}
		{#if lot.way}· {lot.way}{/if} · {lot.state === 'fresh' ? 'since' : 'from'}
		{lot.packed}
		{#if lot.container}· {lot.container}{/if}
		{#if lot.code}· <a href="/book/{lot.code}">batch {lot.code}</a>{/if}
	</p>
	{#if lot.stop}
		<p class="mt-1 font-semibold text-red">{lot.stop.reason}</p>
		<ul class="list-disc pl-5 text-[15px]">
			{#each lot.stop.instead as way (way)}<li>{way}</li>{/each}
		</ul>
	{/if}
	{#if lot.warning}<p class="mt-1 font-semibold text-amber">{lot.warning}</p>{/if}
	{#if lot.ripens}<p class="mt-1 first-letter:uppercase">{lot.ripens}.</p>{/if}
	{#if lot.better}<p class="mt-1 text-amber">A better place: {lot.better}.</p>{/if}
	{#if lot.spoken}<p class="mt-1 text-soft">{lot.spoken} of it are at the Stove.</p>{/if}
	{#each lot.aside as kept (kept.id)}
		<form
			method="POST"
			action="?/kept"
			use:enhance={withNotice({ path })}
			class="mt-2 flex flex-wrap items-center gap-2"
			aria-label="Kept for {kept.words}"
		>
			<Marks /><input type="hidden" name="claimId" value={kept.id} />
			<span><b>{kept.amount}</b> kept for <b>{kept.words}</b></span>
			<button class="btn" name="what" value="take">Take them for it</button>
			<button class="btn btn-plain" name="what" value="free">Let them go</button>
		</form>
	{/each}
	{#each lot.looks as l (l.kind)}
		<form
			method="POST"
			action="?/look"
			use:enhance={withNotice({ reset: false })}
			class="mt-2 flex flex-wrap items-center gap-2"
			aria-label="{looks[l.kind].name}: look"
		>
			<Marks />
			<input type="hidden" name="lotId" value={lot.id} /><input type="hidden" name="kind" value={l.kind} />
			<span class="text-[15px]"><b>{looks[l.kind].name}.</b> {looks[l.kind].look}</span>
			{#each looks[l.kind].findings as f (f.id)}<button class="btn" name="finding" value={f.id}>{f.words}</button
				>{/each}
		</form>
		{#if l.kind === 'seal' && lot.unit === 'pack'}
			<form
				method="POST"
				action="?/unsealed"
				use:enhance={withNotice({ path, after: onclose })}
				class="mt-2 flex flex-wrap items-end gap-2"
				aria-label="Jars that did not seal"
			>
				<Marks /><input type="hidden" name="lotId" value={lot.id} />
				<label class="field"
					><span>lids that give</span><input
						name="amount"
						type="number"
						min="1"
						max="500"
						required
						value="1"
						class="w-28"
					/></label
				>
				<button class="btn" name="to" value="fridge">Into the fridge</button>
				<button class="btn" name="to" value="freezer">Into the freezer</button>
				<button class="btn" name="to" value="again">Again, with new lids</button>
				<span class="basis-full text-[13px] text-soft">Within 24 hours of the canner; later they go out, unopened.</span
				>
			</form>
		{/if}
	{/each}
	{#if lot.can.tested}
		<form method="POST" action="?/tested" use:enhance={withNotice()} class="mt-2 flex flex-wrap items-center gap-2">
			<Marks />
			<input type="hidden" name="lotId" value={lot.id} />
			<label class="flex items-center gap-2"
				><input type="checkbox" name="sure" value="yes" required /> They were made by a tested recipe, with its pressure,
				minutes and our altitude.</label
			><button class="btn">It is known</button>
		</form>
	{/if}
	{#if lot.waiting}
		<p class="mt-2"><a class="btn" href="/basket?open={lot.id}">To the Basket, where it waits</a></p>
	{:else}
		<div class="mt-3 space-y-3">
			{#if lot.can.open || lot.can.thaw}
				<div class="flex flex-wrap gap-2">
					{#if lot.can.open}
						<form method="POST" action="?/open" use:enhance={withNotice({ path, after: onclose })}>
							<Marks /><button class="btn" name="lotId" value={lot.id}>Open one</button>
						</form>
					{/if}
				</div>
			{/if}
			{#snippet use()}
				{#if !lot.stop && lot.tone !== 'out'}<button class="btn" name="kind" value="take">Take</button>
					<button class="btn" name="kind" value="give">Give away</button>{/if}
			{/snippet}
			{#snippet thaw()}
				<input type="hidden" name="placeId" value={fridge?.id} />
				<button class="btn" name="kind" value="move">Thaw in {fridge?.name}</button>
			{/snippet}
			{#snippet work()}<button class="btn">Into the Basket</button>{/snippet}
			{#snippet spoil()}
				<label class="field"
					><span>cause</span><input name="cause" maxlength="200" placeholder="frost, torn bag" class="w-40" /></label
				>
				<button class="btn" name="kind" value="spoil">Spoiled</button>
			{/snippet}
			{#snippet count()}<button class="btn" name="kind" value="count">Counted: this many</button>{/snippet}
			{#snippet move()}
				<label class="field"
					><span>to</span><select name="placeId"
						>{#each elsewhere as p (p.id)}<option value={p.id}>{p.name}</option>{/each}</select
					></label
				>
				<button class="btn" name="kind" value="move">Move</button>
			{/snippet}
			{#snippet aside()}
				<label class="field"
					><span>for</span><input
						name="words"
						required
						maxlength="80"
						placeholder="Sunday’s roast"
						autocomplete="off"
						class="w-40"
					/></label
				>
				<button class="btn">Keep aside</button>
			{/snippet}
			{#if !lot.stop}{@render deed('act', 'Use it', word[lot.unit], one, use)}{/if}
			{#if lot.can.thaw && fridge}{@render deed('act', 'Thaw', word[lot.unit], one, thaw)}{/if}
			{#if lot.can.work}{@render deed('work', 'Work with it', word[lot.unit], lot.edit, work)}{/if}
			<Fold>
				{#snippet heading()}<span class="underline underline-offset-3">move, count, keep aside, spoiled</span>{/snippet}
				<div class="space-y-3 pt-3">
					{#if !lot.stop && lot.tone !== 'out'}{@render deed('aside', 'Keep aside', 'keep', one, aside)}{/if}
					{@render deed('act', 'Spoiled', 'spoiled', one, spoil)}
					{@render deed('act', 'Counted', 'I count', lot.edit, count)}
					{#if elsewhere.length > 0}{@render deed('act', 'Move', word[lot.unit], lot.edit, move)}{/if}
					{#if alike.length > 0}
						<form
							method="POST"
							action="?/merge"
							use:enhance={withNotice({ path, after: onclose })}
							class="flex flex-wrap items-end gap-2"
							aria-label="Put together"
						>
							<Marks /><input type="hidden" name="lotId" value={lot.id} />
							<label class="field"
								><span>put to it</span><select name="fromId"
									>{#each alike as other (other.id)}<option value={other.id}
											>{other.all} {other.title}, from {other.packed}</option
										>{/each}</select
								></label
							>
							<button class="btn">Put together</button>
							<span class="text-[13px] text-soft">The older one sets the date.</span>
						</form>
					{/if}
				</div>
			</Fold>
		</div>
	{/if}
</div>
