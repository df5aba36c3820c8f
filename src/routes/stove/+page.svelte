<script lang="ts">
	import { untrack } from 'svelte';
	import { sayWeight } from '$core/quantities/format';
	import { sayTime } from '$core/quantities/dates';
	import type { RunView } from '$core/runs/wire';
	import { fromWireText } from '$core/runs/wire-text';
	import { useRuns } from '$lib/ui/run/runs-state.svelte';
	import { sessionOf } from '$lib/ui/run/session-of';
	import Stove from '$lib/ui/run/stove.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const runs = useRuns();
	const sessions = $derived.by(() => {
		const open = fromWireText<readonly RunView[]>(data.open);
		return untrack(() => open.map((wire) => sessionOf(runs, wire)));
	});
</script>

{#if data.heads.length === 0}
	<section class="py-14 text-center">
		<h1 class="text-3xl">Nothing is on the stove.</h1>
		<p class="mt-2 text-soft">
			Tick what goes into the pot and the freezer tonight, and start; or choose from the ways of one item.
		</p>
		<p class="mt-6 flex flex-wrap justify-center gap-3">
			<a class="btn btn-full" href="/stove/new">Start an evening</a><a class="btn" href="/ways">To the Ways</a>
		</p>
	</section>
{:else if data.things && sessions.length > 0}
	<Stove {sessions} things={data.things} units={data.household.units} zone={data.household.zone} />
{:else}
	<h1 class="text-3xl">On the stove</h1>
	<ul class="ruled mt-4 border-y border-line">
		{#each data.heads as r (r.id)}
			<li class="flex flex-wrap items-center justify-between gap-3 py-3">
				<span
					><b class="head text-xl">{r.food}</b>
					<span class="text-soft"
						>{r.way} · {sayWeight(r.raw_g, data.household.units)} · since {sayTime(
							r.startedAt,
							data.household.zone
						)}</span
					></span
				>
				<a class="btn btn-full" href="/stove/{r.id}">Go on</a>
			</li>
		{/each}
	</ul>
{/if}
