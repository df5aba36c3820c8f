<script lang="ts">
	import type { Units } from '$core/quantities/format';
	import type { Tap } from '$core/runs/kinds';
	import { tally } from '$core/runs/kinds/freeze/fold';
	import LabelsNote from '$lib/ui/notice/labels-note.svelte';
	import PackForm from './pack-form.svelte';
	import type { RunSession } from './run-session.svelte';
	import type { StoveThings } from './types';

	/** Labels before the packs, and packs of what is firm while the rest goes on. */
	let {
		session,
		things,
		units,
		ontap
	}: { session: RunSession; things: StoveThings; units: Units; ontap: (tap: Tap) => boolean } = $props();
	const packable = $derived(
		session.plan.subjects.filter(
			(s) => tally(session.state, s.n).firm_g > 0 || session.state.packed.some((p) => p.subject === s.n)
		)
	);
</script>

<p class="py-2 text-[15px]">
	{#each session.plan.subjects as s (s.n)}<a
			class="mr-3"
			href="/stove/{session.id}/labels{session.plan.subjects.length > 1 ? `?of=${s.n}` : ''}"
			target="_blank"
			rel="noopener">Print the labels{session.plan.subjects.length > 1 ? `: ${s.food.name}` : ''}</a
		>{/each}: nothing sticks to a frozen pack.
</p>
<LabelsNote />
{#each packable as s (s.n)}
	<details class="py-2">
		<summary class="font-bold">Pack what is firm{packable.length > 1 ? `: ${s.food.name}` : ''}</summary><PackForm
			{session}
			subject={s.n}
			freezers={things.freezers}
			containers={things.containers}
			{units}
			{ontap}
		/>
	</details>
{/each}
