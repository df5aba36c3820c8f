<script lang="ts">
	import Marks from '$lib/ui/notice/marks.svelte';
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { sayAltitude, sayTemperature, type Units } from '$core/quantities/format';
	import { ftFromM } from '$core/quantities/units';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, type Failed } from '$lib/ui/notice/types';

	let {
		altitude_m,
		boil_C,
		units,
		failed
	}: {
		altitude_m: number | null;
		boil_C: number | null;
		units: Units;
		failed: Failed | null;
	} = $props();
	const bad = (name: string) => (faultOf(failed, name) ? 'true' : undefined);
	/**
	 * Number and unit belong together: neither changes by itself, whatever else is saved on this page. Only another altitude
	 * (this form saved, or another device) is shown anew, in the unit that stands here.
	 */
	let unit = $state<'m' | 'ft'>(untrack(() => (failed?.typed?.unit as 'm' | 'ft') ?? (units === 'us' ? 'ft' : 'm')));
	// Not rounded to whole metres: saved again as it stands, it must not slip into a lower column of the tables.
	const inUnit = (m: number | null) => (m === null ? '' : String(Number((unit === 'ft' ? ftFromM(m) : m).toFixed(2))));
	let text = $state(untrack(() => failed?.typed?.altitude ?? inUnit(altitude_m)));
	let known = untrack(() => altitude_m);
	$effect(() => {
		if (altitude_m === known) return;
		known = altitude_m;
		text = untrack(() => inUnit(altitude_m));
	});
</script>

<section class="rimmed mt-4 p-6" aria-labelledby="altitude">
	<h2 id="altitude" class="text-2xl">
		Altitude{#if altitude_m !== null}: {sayAltitude(altitude_m, units)}{/if}
	</h2>
	<p class="mt-1 max-w-3xl text-soft">
		Water boils cooler the higher you live, so times hang on it.
		{#if boil_C !== null}Here it boils at <b class="text-ink">{sayTemperature(Math.round(boil_C * 10) / 10, units)}</b
			>.{:else}<b class="text-red">Nothing that needs heat is worked out until you say it.</b>{/if}
		A map, the weather service or your town’s page has it.
	</p>
	<form
		method="POST"
		action="?/altitude"
		use:enhance={withNotice({ reset: false })}
		class="mt-3 flex flex-wrap items-end gap-3"
	>
		<Marks />
		<label class="field"
			><span>altitude</span><input
				name="altitude"
				inputmode="decimal"
				required
				aria-invalid={bad('altitude')}
				bind:value={text}
				class="w-32"
			/></label
		>
		<label class="field"
			><span>in</span><select name="unit" bind:value={unit}
				><option value="m">metres</option><option value="ft">feet</option></select
			></label
		>
		<button class="btn btn-full">Save the altitude</button>
	</form>
</section>
