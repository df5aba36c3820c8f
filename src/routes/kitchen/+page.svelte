<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayWeight } from '$core/quantities/format';
	import { editMeasure, fieldUnit } from '$core/quantities/parse-measure';
	import Altitude from '$lib/ui/kitchen/altitude.svelte';
	import Change from '$lib/ui/kitchen/change.svelte';
	import GearGroup from '$lib/ui/kitchen/gear-group.svelte';
	import Rooms from '$lib/ui/kitchen/rooms.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Fold from '$lib/ui/notice/fold.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, typedIn, type Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const units = $derived(data.units);
	const cold = $derived(data.cold);
	const typed = (name: string, value: string | number) => typedIn(failed, '/cold', name, value);
	const bad = (name: string) => (failed?.action === '/cold' && faultOf(failed, name) ? 'true' : undefined);
	const [heat, ...others] = $derived(data.groups);
	const ice = $derived({
		big: sayWeight(cold.iceKg * 1000, units),
		of: 'of ice on hand',
		words: `${sayWeight(cold.iceKgDay * 1000, units)} more in a day`,
		warning: null
	});
</script>

{#snippet number(name: string, label: string, value: string | number)}
	<label class="field"
		><span>{label}</span><input
			{name}
			inputmode="decimal"
			required
			autocomplete="off"
			aria-invalid={bad(name)}
			value={typed(name, value)}
		/></label
	>
{/snippet}

<div class="flex flex-wrap items-end justify-between gap-3">
	<h1 class="text-3xl">The kitchen</h1>
	<a class="btn" href="/kitchen/out">Out and in</a>
	<a class="btn {data.altitudeM === null ? 'btn-full' : ''}" href="/kitchen/first">Set it up in three answers</a>
</div>
<Rooms />
<Faults {failed} />

<Altitude altitude_m={data.altitudeM} boil_C={data.boil_C} {units} {failed} />

<div class="mt-5 grid gap-x-10 gap-y-6 lg:grid-cols-2">
	{#if heat}
		<section id={heat.id} aria-labelledby="t-{heat.id}">
			<h2 id="t-{heat.id}" class="mb-1 text-xl">{heat.title}</h2>
			{#if !data.gaugeSaid}
				<form method="POST" action="?/gear" use:enhance={withNotice()} class="mb-2 flex flex-wrap items-center gap-3">
					<Marks />
					{#each [['kind', 'canner'], ['name', 'Boiling-water pot'], ['gauge', 'none'], ['quarts', '7']] as const as [n, v] (n)}<input
							type="hidden"
							name={n}
							value={v}
						/>{/each}
					<span class="text-amber"><b>A pressure canner?</b> Not said yet: low-acid jars need one.</span>
					<button class="btn">We have none</button>
				</form>
			{/if}
			<GearGroup group={heat} {units} {failed} />
		</section>
	{/if}
	<section id="cold" aria-labelledby="t-cold">
		<h2 id="t-cold" class="mb-1 text-xl">Cold</h2>
		<ul class="ruled border-t-4 border-b border-rim border-b-line">
			{#each data.freezers as f (f.name)}
				<li class="flex py-2.5 pl-5"><Change name={f.name} words={f.words} change={f.change} /></li>
			{:else}<li class="py-2.5 text-soft">
					No freezer yet. <a href="/kitchen/places">Add one</a> among the places.
				</li>{/each}
			<li>
				<Fold wanted={failed?.action === '/cold'} headingClass="py-2.5">
					{#snippet heading()}<Change
							name="Ice, basins, trays"
							words="{cold.basins} {cold.basins === 1 ? 'basin' : 'basins'} · {cold.trays} trays"
							change={ice}
						/>{/snippet}
					<form
						method="POST"
						action="?/cold"
						use:enhance={withNotice({ reset: false })}
						class="grid grid-cols-2 gap-3 py-3 sm:grid-cols-3"
					>
						<Marks />
						{@render number(
							'iceKg',
							`ice on hand, ${fieldUnit.weight[units]}`,
							editMeasure(cold.iceKg, 'weight', units)
						)}
						{@render number(
							'iceKgDay',
							`ice that comes in a day, ${fieldUnit.weight[units]}`,
							editMeasure(cold.iceKgDay, 'weight', units)
						)}
						{@render number('basins', 'basins for chilling', cold.basins)}
						{@render number('trays', 'trays for the freezer', cold.trays)}
						{@render number(
							'trayAreaM2',
							`one tray, ${fieldUnit.area[units]} (${units === 'us' ? '12 × 16 in: 192' : '30 × 40 cm: 0.12'})`,
							editMeasure(cold.trayAreaM2, 'area', units)
						)}
						<button class="btn btn-full col-span-full justify-self-start">Save ice, basins, trays</button>
					</form>
				</Fold>
			</li>
		</ul>
		<p class="pt-2"><a href="/kitchen/places">Freezers and other places</a></p>
	</section>
	{#each others as group (group.id)}
		<section id={group.id === 'dry' ? 'dryer' : group.id} aria-labelledby="t-{group.id}">
			<h2 id="t-{group.id}" class="mb-1 text-xl">{group.title}</h2>
			<GearGroup {group} {units} {failed} />
		</section>
	{/each}
</div>
