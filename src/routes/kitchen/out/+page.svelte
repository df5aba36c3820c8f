<script lang="ts">
	import { enhance } from '$app/forms';
	import FileIn from '$lib/ui/kitchen/file-in.svelte';
	import TableIn from '$lib/ui/kitchen/table-in.svelte';
	import type { TableShown } from '$lib/ui/kitchen/types';
	import { Upload } from '$lib/ui/kitchen/upload.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** Everything out in open formats; a whole household in again. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const lists = [
		['stock', 'What stands on the shelves and in the Basket'],
		['book', 'Every batch of the book'],
		['movements', 'Everything that came and went'],
		['readings', 'What the instruments read']
	] as const;
	const table = $derived((form as { table?: TableShown } | null)?.table ?? null);
	const whole = new Upload();
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
		<h3 class="mt-4 text-lg">A calendar that keeps up</h3>
		<form method="POST" action="?/feed" use:enhance={withNotice({ reset: false })}>
			<Marks />
			{#if data.feed}
				<p class="break-all"><code data-feed>{data.feed}</code></p>
				<p class="text-sm text-soft">
					Give this address to your calendar: it reads looks, use-first dates and the plan anew every hour. Whoever has
					it can read them, and nothing else.
				</p>
				<button class="btn mt-1" name="on" value="no">End this address</button>
			{:else}
				<p class="text-sm text-soft">An address that your calendar reads by itself, every hour.</p>
				<button class="btn mt-1" name="on" value="yes">Make an address</button>
			{/if}
		</form>
		<h3 class="mt-4 text-lg">On paper</h3>
		<p>
			<a href="/shelves/list.pdf" target="_blank" rel="noopener">What stands where, PDF</a>. Labels and the canning
			record come from an entry of the <a href="/book">book</a>, a card for the wall from each food of the
			<a href="/tables">tables</a>.
		</p>
	</section>
	<section aria-labelledby="in-title">
		<h2 id="in-title" class="text-xl">In</h2>
		<FileIn label="a whole household’s file" accept=".json,application/json" upload={whole}>
			<form method="POST" action="?/takeIn" use:enhance={withNotice({ reset: false })} class="mt-3">
				<Marks />
				<input type="hidden" name="upload" value={whole.id} /><input type="hidden" name="parts" value={whole.parts} />
				<button class="btn btn-full">Take {whole.name} in</button>
			</form>
		</FileIn>
		<p class="mt-2 text-sm text-soft">
			It stands beside this household as one of its own; nothing here is changed. Where one row of it is wrong, all rows
			are named and none is taken in.
		</p>
		<h3 class="mt-5 text-lg">A table</h3>
		<TableIn shown={table} />
		<p class="mt-2 text-sm text-soft">
			<b>Stock</b> has a column <i>what</i>, and packs, each, state, place, date, note where they are known:
			<a href="/kitchen/out/example-stock.csv" download>an example</a>. <b>Past batches</b> have <i>what</i> came of it,
			<i>in</i>, hours, paid:
			<a href="/kitchen/out/example-book.csv" download>an example</a>. The tables of this page go in again too. You see
			every row as it is understood before anything is written.
		</p>
	</section>
</div>
