<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayCount } from '$core/quantities/format';
	import Marks from '../notice/marks.svelte';
	import { withNotice } from '../notice/post';
	import FileIn from './file-in.svelte';
	import type { TableShown } from './types';
	import { Upload } from './upload.svelte';

	/** A table of stock or of past batches: looked at row by row first, then taken in whole or not at all. */
	let { shown }: { shown: TableShown | null } = $props();
	const upload = new Upload();
	let look: HTMLFormElement | undefined = $state();
	// What was looked at is of the file that lies there: another one is looked at anew.
	const table = $derived(shown && shown.upload === upload.id ? shown : null);
	const takes = $derived(table ? table.rows - table.wrong - table.already : 0);
	$effect(() => {
		if (upload.id) look?.requestSubmit();
	});
</script>

<FileIn label="a table of stock, or of past batches (CSV)" accept=".csv,text/csv,text/plain" {upload}>
	<form bind:this={look} method="POST" action="?/look" use:enhance={withNotice({ reset: false })} class="mt-3">
		<input type="hidden" name="upload" value={upload.id} /><input type="hidden" name="parts" value={upload.parts} />
		<Marks />
		{#if !table}<button class="btn">Look at {upload.name}</button>{/if}
	</form>
	{#if table}
		<h3 class="mt-3 text-lg" role="status">
			{table.kind === 'stock' ? 'Onto the shelves' : 'Into the book'}: {takes} of {sayCount(table.rows, 'row')}
		</h3>
		{#if table.wrong > 0}
			<p class="font-semibold text-red">
				{sayCount(table.wrong, 'row is', 'rows are')} at fault: mend {table.wrong === 1 ? 'it' : 'them'} in the file and choose
				it again. Until then nothing is taken in.
			</p>
		{/if}
		{#if table.already > 0}<p class="text-soft">
				{sayCount(table.already, 'row is', 'rows are')} here already and left out.
			</p>{/if}
		<ol class="rows" aria-label="Rows of the file">
			{#each table.list as row (row.line)}
				<li class:wrong={row.faults.length > 0} class:already={row.already}>
					<b class="head">{row.line}</b>
					<span>
						{row.words}{#if row.already}
							<span class="text-soft">here already</span>{/if}
						{#each row.faults as f (f.column + f.message)}<span class="block text-red"
								><b>{f.column}</b>: {f.message}</span
							>{/each}
					</span>
				</li>
			{/each}
		</ol>
		{#if table.rows > table.list.length}<p class="text-sm text-soft">
				{table.rows - table.list.length} more rows are like these, without a fault.
			</p>{/if}
		<form
			method="POST"
			action="?/takeTable"
			use:enhance={withNotice({ path: '/shelves', after: () => upload.forget() })}
			class="mt-3"
		>
			<input type="hidden" name="upload" value={upload.id} /><input type="hidden" name="parts" value={upload.parts} />
			<Marks />
			<button class="btn btn-full" disabled={table.wrong > 0 || takes === 0}>Take {sayCount(takes, 'row')} in</button>
		</form>
	{/if}
</FileIn>

<style>
	.rows {
		max-height: 22rem;
		margin-top: 8px;
		overflow: auto;
		border-top: 3px solid var(--rim);
	}
	.rows li {
		display: grid;
		grid-template-columns: 3rem minmax(0, 1fr);
		gap: 8px;
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	.rows li b:first-child {
		color: var(--soft);
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	.rows .already {
		color: var(--soft);
	}
</style>
