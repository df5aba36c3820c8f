<script lang="ts">
	import LabelsNote from '$lib/ui/notice/labels-note.svelte';
	import { sayCount, sayWeight, type Units } from '$core/quantities/format';
	import SendLabels from '$lib/ui/notice/send-labels.svelte';
	import WeightField from '$lib/ui/notice/weight-field.svelte';
	import { kindOf, type Tap } from '$core/runs/kinds';
	import type { RunSession } from './run-session.svelte';

	interface Choice {
		id: string;
		name: string;
	}
	let {
		session,
		subject: n,
		places: all,
		containers,
		printers,
		units,
		ontap
	}: {
		session: RunSession;
		/** Which food of the run, from 1. */
		subject: number;
		places: readonly (Choice & { kind: string })[];
		containers: readonly (Choice & { count: number })[];
		printers: readonly Choice[];
		units: Units;
		ontap: (tap: Tap) => boolean;
	} = $props();

	const run = $derived(session.state);
	const kind = $derived(kindOf(session.plan));
	const several = $derived(kind.outputs(session.plan).length > 1);
	const ready = $derived(kind.packables(session.plan, run).find((p) => p.n === n));
	const portion_g = $derived(ready?.portion_g ?? 0);
	const packed_g = $derived(ready?.packed_g ?? 0);
	const packed = $derived(run.packed.filter((p) => p.subject === n));
	const ready_g = $derived(ready?.ready_g ?? 0);
	const word = $derived(ready?.packWord ?? 'pack');
	/** Where it may stand, the best first. */
	const places = $derived(kind.placesFor(session.plan, n).flatMap((k) => all.filter((p) => p.kind === k)));
	/** Less than a spoonful is what sticks to the tray. */
	const left_g = $derived(ready_g - packed_g < Math.min(10, portion_g / 2) ? 0 : ready_g - packed_g);
	let more = $state(false);
	let pack_g = $state<number | null>(null);
	let packs = $state<number | null>(null);
	let containerId = $state<string | null>(null);
	let placeId = $state<string | null>(null);
	const weight = $derived(pack_g ?? (left_g >= portion_g || left_g === 0 ? portion_g : left_g));
	const count = $derived(packs ?? Math.max(1, Math.floor(left_g / Math.max(1, weight))));
	const labels = $derived(Math.max(1, Math.round(count)));
	const sheet = $derived(`/stove/${session.id}/labels?of=${n}&grams=${Math.round(weight)}&count=${labels}`);
	const where = $derived(placeId ?? places[0]?.id ?? '');
	const what = $derived(containerId ?? ready?.containerId ?? '');

	function submit(event: SubmitEvent) {
		event.preventDefault();
		const kept = ontap({
			type: 'pack',
			...(several ? { subject: n } : {}),
			packs: Math.round(count),
			pack_g: Math.round(weight),
			containerId: what || null,
			placeId: where
		});
		// Asked about first: what was typed stays.
		if (!kept) return;
		packs = null;
		pack_g = null;
	}
</script>

<section class="mt-4 border-t border-line pt-3" aria-label="Packs">
	<h2 class="text-xl">{word === 'jar' ? 'Jars' : 'Packs'}</h2>
	<p class="text-[15px] text-soft">
		About {sayWeight(ready_g, units)} is {ready?.readyWord ?? 'ready'}; {sayWeight(packed_g, units)} packed{#if left_g > 0},
			{sayWeight(left_g, units)} to go{/if}.
		<a href={sheet} target="_blank" rel="noopener">Print {sayCount(labels, 'label')}</a>
		<SendLabels href={sheet} {printers} /> before filling.
	</p>
	<p class="text-[15px]">Or written by hand: the code is <b class="head tracking-widest">{session.codes[n - 1]}</b>.</p>
	{#if packed.length > 0}
		<ul class="my-2">
			{#each packed as p (p.eventId)}
				<li class="flex items-center justify-between gap-2">
					<span
						><b>{p.packs}</b> × {sayWeight(p.pack_g, units)}{#if p.containerId}, {containers.find(
								(c) => c.id === p.containerId
							)?.name}{/if}, {all.find((f) => f.id === p.placeId)?.name}</span
					>
					<button class="btn btn-plain underline" onclick={() => ontap({ type: 'undo', target: p.eventId })}
						>undo</button
					>
				</li>
			{/each}
		</ul>
	{/if}
	{#if places.length === 0}
		<p class="font-semibold text-amber">
			There is no {kind.placesFor(session.plan, n)[0]} in the Kitchen yet. <a href="/kitchen/places">Add one</a>; the
			run waits.
		</p>
	{:else if left_g === 0 && packed.length > 0 && !more}
		<button class="btn btn-plain underline" onclick={() => (more = true)}>More packs than that?</button>
	{:else}
		<form class="flex flex-wrap items-end gap-3" onsubmit={submit}>
			<label class="field"
				><span>{word}s</span><input
					type="number"
					min="1"
					max="2000"
					step="1"
					required
					class="w-24"
					value={count}
					oninput={(e) => (packs = e.currentTarget.valueAsNumber)}
				/></label
			>
			{#if ready?.second_g}<div class="flex gap-1" role="group" aria-label="Size">
					{#each [portion_g, ready.second_g] as g (g)}<button
							type="button"
							class="btn {Math.round(weight) === g ? 'btn-full' : ''}"
							aria-pressed={Math.round(weight) === g}
							onclick={() => {
								pack_g = g;
								packs = null;
							}}>{sayWeight(g, units)}</button
						>{/each}
				</div>{/if}
			<WeightField label="each" grams={weight} {units} width="w-32" onweight={(g) => (pack_g = g)} />
			<label class="field"
				><span>in</span>
				<select value={what} onchange={(e) => (containerId = e.currentTarget.value)}
					><option value="">no container</option>{#each containers as c (c.id)}<option value={c.id}
							>{c.name} ({c.count})</option
						>{/each}</select
				>
			</label>
			<label class="field"
				><span>into</span>
				<select value={where} onchange={(e) => (placeId = e.currentTarget.value)}
					>{#each places as f (f.id)}<option value={f.id}>{f.name}</option>{/each}</select
				>
			</label>
			<button class="btn {packed_g === 0 ? 'btn-full' : ''}">Book these {word}s</button>
		</form>
	{/if}
	{#if kind.allAway(session.plan, run)}
		<button class="btn btn-full mt-4 min-h-16 text-xl" onclick={() => ontap({ type: 'finish' })}
			>All away: close the run</button
		>
	{/if}
	<LabelsNote />
</section>
