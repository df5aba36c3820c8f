<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { sayCount } from '$core/quantities/format';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import { Count } from '$lib/ui/shelves/count-state.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	// The lines as they were when the count began: what is settled on the way moves the book, not the order.
	const lines = untrack(() => data.lines);
	const count = new Count(() => lines);
	const path = $derived(`/shelves/count/${data.place.id}`);
	const minutes = $derived(Math.max(1, Math.round(((lines.length - count.at) * 20) / 60)));
	const word = (n: number, unit: string) =>
		unit === 'dg' ? `${Math.round(n / 10)} g` : unit === 'ml' ? `${n} ml` : sayCount(n, unit);
	const isDone = $derived((form as { counted?: boolean } | null)?.counted === true);
</script>

<div class="mx-auto max-w-xl">
	<p class="flex flex-wrap items-baseline justify-between gap-2 text-soft">
		<b class="head text-xl text-ink">{data.place.name}</b>
		<span
			>{#if lines.length === 0}nothing stands here{:else if count.over}all {lines.length} lines{:else}line {count.at +
					1}
				of {lines.length}, about {minutes} min to go{/if}</span
		>
	</p>
	<div class="boards mt-2" aria-hidden="true">
		{#each lines as l, i (l.id)}<i class={i < count.at ? 'done' : i === count.at ? 'now' : ''}></i>{/each}
	</div>
	<Faults {failed} />

	{#if count.line}
		{@const line = count.line}
		<h1 class="mt-4 text-3xl first-letter:uppercase">
			{line.title}{line.each && line.unit === 'pack' ? `, ${line.each}` : ''}
		</h1>
		<p class="text-lg text-soft">
			the book says <b class="text-ink">{line.unit === 'pack' ? line.amount : line.edit}</b>
		</p>
		<form
			method="POST"
			action="?/line"
			use:enhance={withNotice({ path, reset: false, after: () => count.next() })}
			class="mt-3"
		>
			<Marks />
			<input type="hidden" name="lotId" value={line.id} /><input type="hidden" name="unit" value={line.unit} />
			<input type="hidden" name="book" value={line.amount} />
			<div class="flex items-center justify-between gap-3">
				<button type="button" class="btn big" aria-label="one fewer" onclick={() => count.step(-1)}>−</button>
				<label class="min-w-0 flex-1 text-center"
					><span class="sr-only">how many are there</span>
					<input
						name="amount"
						bind:value={count.typed}
						inputmode={line.unit === 'dg' ? 'text' : 'numeric'}
						maxlength="20"
						autocomplete="off"
						class="head figure {line.unit === 'dg' || line.unit === 'ml' ? 'weight' : ''}"
						aria-invalid={count.counted === undefined ? 'true' : undefined}
					/></label
				>
				<button type="button" class="btn big" aria-label="one more" onclick={() => count.step(1)}>+</button>
			</div>
			<p class="mt-1 min-h-7 text-center" aria-live="polite">
				{#if count.counted === undefined}<span class="fault">Write a whole number, or a weight.</span>
				{:else if count.difference < 0}<b class="text-amber">{word(-count.difference, line.unit)} fewer</b> than the book
				{:else if count.difference > 0}<b>{word(count.difference, line.unit)} more</b> than the book{/if}
			</p>
			<div class="grid grid-cols-2 gap-3">
				<button type="button" class="btn" onclick={() => count.asBook()}
					>As in the book: {line.unit === 'pack' ? line.amount : line.edit}</button
				>
				<button type="button" class="btn" onclick={() => count.none()}>Not here</button>
			</div>
			<div class="mt-3">
				{#if count.difference === 0}
					<button
						type="button"
						class="btn btn-full big-next"
						onclick={() => count.next()}
						disabled={count.counted === undefined}
						>{count.following ? `Next: ${count.following.title}` : 'That was the last'}</button
					>
				{:else if count.difference > 0}
					<button class="btn btn-full big-next" name="fate" value="found">Found them: next</button>
				{:else}
					{#if line.usual}<p class="pb-1 text-center text-sm text-soft">{line.usual}</p>{/if}
					<p class="pb-2 text-center">What became of {word(-count.difference, line.unit)}?</p>
					<div class="grid grid-cols-3 gap-3">
						<button class="btn btn-full" name="fate" value="eaten">Eaten</button>
						<button class="btn" name="fate" value="spoiled">Spoiled</button>
						<button class="btn" name="fate" value="elsewhere">Elsewhere</button>
					</div>
				{/if}
			</div>
		</form>
		{#if count.at > 0}<button type="button" class="btn btn-plain mt-2 underline" onclick={() => count.back()}
				>back a line</button
			>{/if}
	{:else}
		<h1 class="mt-4 text-3xl">
			{lines.length === 0 ? 'Nothing to count here.' : isDone ? 'Counted.' : 'All lines gone through.'}
		</h1>
		{#if Object.keys(count.told).length > 0}
			<ul class="ruled mt-3 border-y border-line">
				{#each lines.filter((l) => l.id in count.told) as l (l.id)}
					{@const d = count.told[l.id] ?? 0}
					<li class="py-2"><b>{word(Math.abs(d), l.unit)} {d < 0 ? 'fewer' : 'more'}</b> {l.title}</li>
				{/each}
			</ul>
		{:else if lines.length > 0}<p class="mt-2 text-lg">Shelf and book agree.</p>{/if}
		{#if lines.length > 0 && !isDone}
			<form method="POST" action="?/done" use:enhance={withNotice({ reset: false })} class="mt-4">
				<Marks /><button class="btn btn-full big-next">{data.place.name} is counted</button>
			</form>
		{/if}
		<p class="mt-4 flex flex-wrap gap-3">
			<a class="btn" href="/shelves">To the Shelves</a>
			{#each data.next.slice(0, 3) as p (p.id)}<a class="btn" href="/shelves/count/{p.id}" data-sveltekit-reload
					>Count {p.name}</a
				>{/each}
		</p>
	{/if}
</div>

<style>
	.boards {
		display: flex;
		flex-wrap: wrap;
		gap: 3px;
		border-bottom: 5px solid var(--rim);
	}
	.boards i {
		flex: 1 1 6px;
		max-width: 34px;
		height: 18px;
		border: 2px solid var(--rim);
		border-bottom: 0;
		border-radius: 4px 4px 0 0;
	}
	.boards i.done {
		background: var(--rim);
	}
	.boards i.now {
		background: var(--amberbg);
		height: 26px;
		margin-top: -8px;
	}
	.big {
		width: 5.5rem;
		min-height: 5.5rem;
		font-size: 2.4rem;
	}
	.figure {
		width: 100%;
		text-align: center;
		font-size: clamp(5rem, 27vw, 9rem);
		font-weight: 800;
		border-color: transparent;
		background: transparent;
		line-height: 1.1;
	}
	.figure.weight {
		font-size: clamp(2.2rem, 10vw, 4.5rem);
	}
	.big-next {
		width: 100%;
		min-height: 64px;
		font-size: 1.15rem;
	}
</style>
