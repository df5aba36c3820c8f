<script lang="ts">
	import { dgPerG } from '$core/stock/amount';
	import { enhance } from '$app/forms';
	import { sayCount, sayWeight, type Units } from '$core/quantities/format';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Difference } from '$core/runs/wire';

	/** Where the book could not follow what the taps now say: told, and settled by a person. */
	let { runId, differences, units }: { runId: string; differences: readonly Difference[]; units: Units } = $props();
</script>

<section class="mt-4 rounded-xl border-2 border-amber bg-amberbg px-4 py-3" aria-label="Differences">
	<h2 class="text-lg">The book differs from the taps</h2>
	<ul class="list-disc pl-5">
		{#each differences as d (d.id)}
			<li>
				{#if d.unit === 'packs'}
					<b>{sayCount(d.amount, 'pack')}</b> of {d.title}
					{d.amount === 1 ? 'has' : 'have'} been taken or moved since, but the run now says {d.amount === 1
						? 'it was'
						: 'they were'} not packed.
				{:else if d.made}
					<b>{sayWeight(d.amount / dgPerG, units)}</b> of {d.title} has been used since, but the run now says that it did
					not come off.
				{:else}
					<b>{sayWeight(d.amount / dgPerG, units)}</b> of {d.title} was gone already when the run used it up.
				{/if}
			</li>
		{/each}
	</ul>
	<form
		method="POST"
		action="/stove/{runId}?/settle"
		use:enhance={withNotice({ reset: false })}
		class="mt-2 flex flex-wrap gap-3"
	>
		<Marks />
		<button class="btn btn-full" name="how" value="keep">The book is right: leave it</button>
		<button class="btn" name="how" value="again">I took those steps back: try again</button>
	</form>
</section>
