<script lang="ts">
	import type { Units } from '$core/quantities/format';
	import { kindOf, type Tap } from '$core/runs/kinds';
	import SendLabels from '$lib/ui/notice/send-labels.svelte';
	import LabelsNote from '$lib/ui/notice/labels-note.svelte';
	import PackForm from './pack-form.svelte';
	import type { RunSession } from './run-session.svelte';
	import type { StoveThings } from './types';

	/** Labels before the packs, and packs of what is ready while the rest goes on. */
	let {
		session,
		things,
		units,
		except,
		ontap
	}: {
		session: RunSession;
		things: StoveThings;
		units: Units;
		/** What is packed in the big panel just now: not here once more. */
		except: number | null;
		ontap: (tap: Tap) => boolean;
	} = $props();
	/** Kinds that end in jars. */
	const jars = new Set<string>(['dry', 'ratio', 'freeze-dry', 'can', 'ferment']);
	const all = $derived(kindOf(session.plan).outputs(session.plan));
	const outputs = $derived(all.filter((o) => !o.aside));
	const packable = $derived(kindOf(session.plan).packables(session.plan, session.state));
	const others = $derived(packable.filter((p) => p.n !== except));
</script>

{#if except === null && outputs.length > 0}<p class="py-2 text-[15px]">
		{#each outputs as o (o.n)}<a
				class="mr-3"
				href="/stove/{session.id}/labels{all.length > 1 ? `?of=${o.n}` : ''}"
				target="_blank"
				rel="noopener">Print the labels{outputs.length > 1 ? `: ${o.title}` : ''}</a
			><SendLabels href="/stove/{session.id}/labels?of={o.n}" printers={things.printers} />{/each}: {!jars.has(
			session.plan.kind
		)
			? 'nothing sticks to a frozen pack'
			: 'before the jars are full'}.
	</p>
	<LabelsNote />{/if}
{#each others as s (s.n)}
	<details class="py-2">
		<summary class="font-bold">Pack what is {s.readyWord}{packable.length > 1 ? `: ${s.name}` : ''}</summary><PackForm
			{session}
			subject={s.n}
			places={things.places}
			containers={things.containers}
			printers={things.printers}
			{units}
			{ontap}
		/>
	</details>
{/each}
