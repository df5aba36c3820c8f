<script lang="ts">
	import { v7 as uuidv7 } from 'uuid';
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData } from './$types';

	/** Everything out in open formats; a whole household in again. */
	let { form }: { form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const lists = [
		['stock', 'What stands on the shelves and in the Basket'],
		['book', 'Every batch of the book'],
		['movements', 'Everything that came and went'],
		['readings', 'What the instruments read']
	] as const;
	/** Characters to a part: in UTF-8 at most three bytes each, and a request takes 64 kB. */
	const partLength = 15_000;
	let upload = $state('');
	let parts = $state(0);
	let sent = $state(0);
	let why = $state('');
	let name = $state('');
	async function read(input: HTMLInputElement) {
		const file = input.files?.[0];
		upload = '';
		why = '';
		if (!file) return;
		const own = uuidv7();
		const text = await file.text();
		name = file.name;
		// Never through the middle of a character that takes two.
		const chunks = text.match(new RegExp(`[\\s\\S]{1,${partLength}}`, 'gu')) ?? [];
		parts = chunks.length;
		sent = 0;
		for (const [n, chunk] of chunks.entries()) {
			const answer = await fetch('/kitchen/out/part', {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({ upload: own, n, text: chunk })
			}).catch(() => null);
			if (!answer?.ok) {
				const said = (await answer?.json().catch(() => null)) as { error?: { message?: string } } | null;
				why = said?.error?.message ?? 'The connection was lost. Nothing was taken in; choose the file again.';
				return;
			}
			sent = n + 1;
		}
		upload = own;
	}
</script>

<h1 class="text-3xl">Out and in</h1>
<p class="mt-1 text-soft">All of it is yours, in formats that other programs read.</p>
<Faults {failed} />
{#if failed?.error && failed.error.faults.length > 1}
	<ul class="mb-4 list-disc pl-6">
		{#each failed.error.faults as f, n (n)}<li>{f.message}</li>{/each}
	</ul>
{/if}
<div class="mt-4 grid gap-8 lg:grid-cols-2">
	<section aria-labelledby="out-title">
		<h2 id="out-title" class="text-xl">Out</h2>
		<p class="mt-2">
			<a class="btn btn-full text-lg" href="/kitchen/out/household.json" download>The whole household, one file</a>
		</p>
		<p class="mt-1 text-sm text-soft">
			JSON; what stands in it is <a href="/kitchen/out/schema.json">described by a schema</a>. It goes in again here or
			on another machine.
		</p>
		<h3 class="mt-4 text-lg">Tables</h3>
		<ul class="ruled">
			{#each lists as [table, words] (table)}
				<li class="flex min-h-11 items-center justify-between gap-3">
					<span>{words}</span><a class="btn" href="/kitchen/out/{table}.csv" download aria-label="{words}, CSV">CSV</a>
				</li>
			{/each}
			<li class="flex min-h-11 items-center justify-between gap-3">
				<span>Looks, use-first dates and the plan</span><a
					class="btn"
					href="/kitchen/out/calendar.ics"
					download
					aria-label="Looks, use-first dates and the plan, calendar">iCalendar</a
				>
			</li>
		</ul>
		<p class="mt-2 text-sm text-soft">
			On paper: the list from the <a href="/shelves">Shelves</a>, labels and the canning record from an entry of the
			<a href="/book">book</a>.
		</p>
	</section>
	<section aria-labelledby="in-title">
		<h2 id="in-title" class="text-xl">In</h2>
		<label class="field mt-2"
			><span>a whole household’s file</span><input
				type="file"
				accept=".json,application/json"
				onchange={(e) => void read(e.currentTarget)}
			/></label
		>
		{#if why}<p role="alert" class="mt-2 font-semibold text-red">{why}</p>{/if}
		{#if parts > 0 && !upload && !why}<p class="mt-2" role="status">
				Sending {name}: {sent} of {parts} parts <progress value={sent} max={parts} class="w-full"></progress>
			</p>{/if}
		{#if upload}
			<form method="POST" action="?/takeIn" use:enhance={withNotice({ reset: false })} class="mt-3">
				<Marks />
				<input type="hidden" name="upload" value={upload} /><input type="hidden" name="parts" value={parts} />
				<button class="btn btn-full">Take {name} in</button>
			</form>
		{/if}
		<p class="mt-2 text-sm text-soft">
			It stands beside this household as one of its own; nothing here is changed. Where one row of it is wrong, all rows
			are named and none is taken in.
		</p>
	</section>
</div>
