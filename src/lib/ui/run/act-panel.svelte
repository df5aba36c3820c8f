<script lang="ts">
	import type { Snippet } from 'svelte';
	import { fieldUnit, editMeasure } from '$core/quantities/parse-measure';
	import { sayWeight, type Units } from '$core/quantities/format';
	import type { RunAct, Tap } from '$core/runs/kinds';
	import WeightField from '$lib/ui/notice/weight-field.svelte';
	import Scale from '$lib/ui/live/scale.svelte';
	import Figure from './figure.svelte';
	import PressureField from './pressure-field.svelte';
	import { markOf, plannedOf, saidTap } from './said-tap';
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
		cup_mL,
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
		/** The household's cup, mL. */
		cup_mL: number;
		ontap: (tap: Tap) => void;
		onask: () => void;
		more: Snippet;
	} = $props();
	const tap = $derived(act.button?.tap);
	const planned = $derived(plannedOf(tap));
	const mark_C = $derived(markOf(tap));
	const said = $derived(tap && saidTap(tap, typed, units, cup_mL));
	/** Pressed with nothing that can be read: the field says so. */
	let missing = $state(false);

	export function press(): void {
		if (!act.ready && !asking) return onask();
		missing = said === undefined;
		if (said) ontap(said);
	}
	/** What is only expected of it is no weight. */
	const expectedOnly = new Set<Tap['type']>(['scale', 'milled', 'measured', 'tray-weighed', 'tray-filled']);
	const unsaid = $derived(tap !== undefined && expectedOnly.has(tap.type));
	const labels = {
		milled: 'through the mill, without the bowl',
		'tray-filled': 'on this tray, without the tray',
		'tray-weighed': 'what it weighs now, without the tray',
		ice: 'ice that is there now',
		scale: 'on the tray now, without the tray',
		load: 'on this tray, without the tray',
		measured: 'ready, without the bowl',
		pull: 'what is left of it, without the tray'
	} as const;
	const label = $derived(
		tap && tap.type in labels
			? labels[tap.type as keyof typeof labels]
			: `ready, weighed (expected ${sayWeight(planned, units)})`
	);
</script>

<p class="text-lg text-soft first-letter:uppercase">
	{#if who}<b class="text-ink">{who}:</b>
	{/if}{act.about}
</p>
<h1 class="mt-1 text-3xl {act.sentence.length > 36 ? 'sm:text-4xl' : 'sm:text-[2.75rem]'}" aria-live="polite">
	{act.sentence}
</h1>
{#if act.asks === 'words'}
	<label class="field mt-4 max-w-md text-lg"
		><span>who, and by what</span><input
			maxlength="200"
			value={typed.words ?? ''}
			oninput={(e) => (typed.words = e.currentTarget.value)}
			aria-invalid={missing && !said ? 'true' : undefined}
		/>{#if missing && !said}<span class="fault">Say who identified it, and by what.</span>{/if}</label
	>
{:else if act.asks === 'depth'}
	{#if act.clock}<Figure due={act.due} latest={act.latest} since={act.since} {now} />{/if}
	<label class="field mt-2 max-w-xs text-lg"
		><span>from the floor of the pan, {fieldUnit.length[units]}</span><input
			inputmode="text"
			value={typed.depth ?? ''}
			placeholder={units === 'us' ? '3 1/2' : '8.5'}
			oninput={(e) => (typed.depth = e.currentTarget.value)}
			aria-invalid={(missing || typed.depth?.trim()) && !said ? 'true' : undefined}
		/>{#if missing && !said}<span class="fault">Put the stick in, and write how deep it is wet.</span>{/if}</label
	>
{:else if act.asks === 'pressure'}
	{#if act.clock}<Figure due={act.due} latest={act.latest} since={act.since} {now} />{/if}
	<PressureField {typed} missing={missing && !said} />
{:else if act.asks === 'load' || act.asks === 'dry'}
	{#if act.clock}<Figure due={act.due} latest={act.latest} since={act.since} {now} />{/if}
	<div class="mt-3 flex flex-wrap items-end gap-3 text-lg">
		<div class="w-40 sm:w-52">
			<WeightField
				{label}
				grams={typed.grams ?? (tap?.type === 'load' ? planned : 0)}
				placeholder={tap?.type === 'load' ? '' : planned > 0 ? `about ${sayWeight(planned, units)}` : 'weigh it'}
				{units}
				onweight={(g) => (typed.grams = g)}
				big
			/>
		</div>
		<label class="field w-28 sm:w-36"
			><span
				>{tap?.type === 'measured'
					? units === 'us'
						? 'or in cups'
						: 'or in cups of 237 ml'
					: act.asks === 'load'
						? 'or in cups'
						: 'and in cups'}</span
			><input
				inputmode="text"
				placeholder="3 1/2"
				value={typed.cups ?? ''}
				oninput={(e) => (typed.cups = e.currentTarget.value)}
				aria-invalid={typed.cups?.trim() && !said ? 'true' : undefined}
				class="!min-h-16"
			/>{#if typed.cups?.trim() && !said}<span class="fault">Write cups, such as 3 or 2 1/2.</span>{/if}</label
		>
		{#if missing && !said && !typed.cups?.trim()}<span class="fault basis-full"
				>Measure it, and write what there is.</span
			>{/if}
	</div>
{:else if act.asks === 'weight' || act.asks === 'ice'}
	{#if act.clock}<Figure due={act.due} latest={act.latest} since={act.since} {now} />{/if}
	<div class="mt-4 max-w-sm text-lg">
		<WeightField
			{label}
			grams={typed.grams ?? (unsaid ? 0 : planned)}
			placeholder={unsaid ? `about ${sayWeight(planned, units)}` : ''}
			{units}
			onweight={(g) => (typed.grams = g)}
			big
		/>
		{#if missing && !said}<span class="fault">Put it on the scale and write what it shows.</span>{/if}
	</div>
{:else if act.asks === 'temperature'}
	{#if act.clock}<Figure due={act.due} latest={act.latest} since={act.since} {now} />{/if}
	<label class="field mt-2 max-w-xs text-lg"
		><span>at its centre, {fieldUnit.temperature[units]}</span><input
			inputmode="text"
			value={typed.C ?? ''}
			placeholder={editMeasure(mark_C, 'temperature', units)}
			oninput={(e) => (typed.C = e.currentTarget.value)}
			aria-invalid={(missing || typed.C?.trim()) && said === undefined ? 'true' : undefined}
		/>{#if missing && !said}<span class="fault">Measure it, and write what the thermometer shows.</span>{/if}</label
	>
{:else if act.clock}
	<Figure due={act.due} latest={act.latest} since={act.since} {now} />
{/if}
<p class="mt-2 max-w-2xl text-lg text-soft">{act.hint}</p>
{#if (act.asks === 'weight' || act.asks === 'load' || act.asks === 'dry') && tap}
	<Scale {units} {now} tare={tap.type !== 'weigh'} onweight={(g) => (typed.grams = g)} />
{/if}
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
