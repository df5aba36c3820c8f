<script lang="ts">
	import type { Snippet } from 'svelte';
	import { parseMeasure, fieldUnit, editMeasure } from '$core/quantities/parse-measure';
	import { sayWeight, type Units } from '$core/quantities/format';
	import type { RunAct, Tap } from '$core/runs/kinds';
	import WeightField from '$lib/ui/notice/weight-field.svelte';
	import Figure from './figure.svelte';
	import type { Typed } from './types';

	/** The one act: its sentence, the giant figure, what is asked for, and one big button. */
	let {
		act,
		who,
		units,
		now,
		asking,
		then,
		typed,
		ontap,
		onask,
		more
	}: {
		act: RunAct;
		/** Whose it is, where it is not said by the page. */
		who: string;
		units: Units;
		now: number;
		/** Asked about once, because it is early. */
		asking: boolean;
		then: readonly string[];
		/** What was typed for this act: another one may come before it meanwhile, and nothing typed is lost. */
		typed: Typed;
		ontap: (tap: Tap) => void;
		onask: () => void;
		more: Snippet;
	} = $props();
	const tap = $derived(act.button?.tap);
	const planned = $derived(tap?.type === 'weigh' || tap?.type === 'ice' ? tap.grams : 0);
	const mark_C = $derived(tap?.type === 'reading' ? tap.dC / 10 : 0);
	const read_C = $derived(typed.C === undefined ? mark_C : parseMeasure(typed.C, 'temperature', units));

	/** The tap with what was typed; undefined where that cannot be read. */
	function said(): Tap | undefined {
		if (!tap) return undefined;
		if (tap.type === 'weigh' || tap.type === 'ice') return { ...tap, grams: Math.round(typed.grams ?? planned) };
		if (tap.type === 'reading') return read_C === undefined ? undefined : { ...tap, dC: Math.round(read_C * 10) };
		return tap;
	}
	export function press(): void {
		if (!act.ready && !asking) return onask();
		const what = said();
		if (what) ontap(what);
	}
</script>

<p class="text-lg text-soft first-letter:uppercase">
	{#if who}<b class="text-ink">{who}:</b>
	{/if}{act.about}
</p>
<h1 class="mt-1 text-3xl sm:text-[2.75rem]" aria-live="polite">{act.sentence}</h1>
{#if act.asks === 'weight' || act.asks === 'ice'}
	<div class="mt-4 max-w-sm text-lg">
		<WeightField
			label={act.asks === 'ice' ? 'ice that is there now' : `ready, weighed (expected ${sayWeight(planned, units)})`}
			grams={typed.grams ?? planned}
			{units}
			onweight={(g) => (typed.grams = g)}
			big
		/>
	</div>
{:else if act.asks === 'temperature'}
	<Figure due={act.due} latest={act.latest} since={act.since} {now} />
	<label class="field mt-2 max-w-xs text-lg"
		><span>at its centre, {fieldUnit.temperature[units]}</span><input
			inputmode="text"
			value={typed.C ?? editMeasure(mark_C, 'temperature', units)}
			oninput={(e) => (typed.C = e.currentTarget.value)}
			aria-invalid={read_C === undefined ? 'true' : undefined}
		/></label
	>
{:else if act.clock}
	<Figure due={act.due} latest={act.latest} since={act.since} {now} />
{/if}
<p class="mt-2 max-w-2xl text-lg text-soft">{act.hint}</p>
{@render more()}
<div class="mt-auto flex flex-wrap items-end justify-between gap-4 pt-6">
	<div class="max-w-md min-w-0 flex-1 basis-52 text-[15px]">
		{#if then.length > 0}<b>Then:</b> <span class="text-soft">{then.join(' · ')}</span>{/if}
	</div>
	{#if act.button}
		<div class="flex flex-wrap items-center gap-3">
			{#each act.others ?? [] as other (other.label)}<button class="btn min-h-16" onclick={() => ontap(other.tap)}
					>{other.label}</button
				>{/each}
			<button class="btn min-h-20 px-8 text-2xl {act.ready ? 'btn-full' : ''}" onclick={press}>
				{#if act.ready}{act.button.label}{:else if asking}Yes, early: {act.button.label.toLowerCase()}{:else}Early?
					{act.button.label}{/if}
				<span class="key hidden sm:inline">space</span>
			</button>
		</div>
	{/if}
</div>
