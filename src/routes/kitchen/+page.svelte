<script lang="ts">
	import { onMount } from 'svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { enhance } from '$app/forms';
	import { sayTemperature, sayVolume, sayWeight } from '$core/quantities/format';
	import { editMeasure, fieldUnit } from '$core/quantities/parse-measure';
	import Altitude from '$lib/ui/kitchen/altitude.svelte';
	import Means from '$lib/ui/kitchen/means.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, typedIn, type Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** Names to choose from come when the page is alive; typed, any zone is taken. */
	let zones = $state.raw<readonly string[]>([]);
	onMount(() => {
		zones = Intl.supportedValuesOf('timeZone');
	});
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const k = $derived(data.kitchen);
	const units = $derived(k.units);
	const typed = (action: string, name: string, value: string | number) => typedIn(failed, action, name, value);
	const burners = {
		gas: 'gas',
		electric: 'electric coil',
		ceramic: 'glass top',
		induction: 'induction',
		fire: 'wood fire'
	} as const;
	const kinds = {
		counter: 'counter',
		fridge: 'fridge',
		freezer: 'freezer',
		cool: 'cool room',
		cellar: 'cellar',
		pantry: 'pantry',
		ground: 'row in the ground',
		crock: 'crock'
	} as const;
	const bad = (action: string, name: string) =>
		failed?.action === action && faultOf(failed, name) ? 'true' : undefined;
</script>

{#snippet remove(what: string, id: string, name: string)}
	<form method="POST" action="?/remove" use:enhance={withNotice()}>
		<Marks />
		<input type="hidden" name="what" value={what} /><input type="hidden" name="id" value={id} />
		<button class="btn btn-plain underline" aria-label="Remove {name}">remove</button>
	</form>
{/snippet}

<div class="flex flex-wrap items-end justify-between gap-3">
	<h1 class="text-3xl">The kitchen</h1>
	<a class="btn {k.altitudeM === null ? 'btn-full' : ''}" href="/kitchen/first">Set it up in three answers</a>
</div>
<Faults {failed} />

<Altitude altitude_m={k.altitudeM} gauge={k.gauge} boil_C={data.boil_C} {units} {failed} />

<div class="mt-6 grid gap-8 lg:grid-cols-2">
	<section>
		<h2 class="text-xl">Household</h2>
		<form
			method="POST"
			action="?/basics"
			use:enhance={withNotice({ reset: false })}
			class="mt-2 grid grid-cols-2 gap-3"
		>
			<Marks />
			<label class="field col-span-2"
				><span>name</span><input
					name="name"
					required
					maxlength="60"
					aria-invalid={bad('/basics', 'name')}
					value={typed('/basics', 'name', k.name)}
				/></label
			>
			<label class="field"
				><span>people at table</span><input
					name="people"
					type="number"
					min="1"
					max="60"
					required
					value={typed('/basics', 'people', k.people)}
				/></label
			>
			<label class="field"
				><span>units</span><select name="units"
					><option value="metric" selected={units === 'metric'}>metric (kg, L, °C)</option><option
						value="us"
						selected={units === 'us'}>US (lb, gal, °F)</option
					></select
				></label
			>
			<label class="field col-span-2"
				><span>time zone</span><input
					name="zone"
					required
					list="zones"
					aria-invalid={bad('/basics', 'zone')}
					value={typed('/basics', 'zone', k.zone)}
				/></label
			>
			<datalist id="zones"
				>{#each zones as z (z)}<option value={z}></option>{/each}</datalist
			>
			<button class="btn col-span-2 justify-self-start">Save the household</button>
		</form>
	</section>
	<section>
		<h2 class="text-xl">Ice, basins, trays</h2>
		<form
			method="POST"
			action="?/equipment"
			use:enhance={withNotice({ reset: false })}
			class="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3"
		>
			<Marks />
			<label class="field"
				><span>ice on hand, {fieldUnit.weight[units]}</span><input
					name="iceKg"
					inputmode="decimal"
					required
					aria-invalid={bad('/equipment', 'iceKg')}
					value={typed('/equipment', 'iceKg', editMeasure(k.iceKg, 'weight', units))}
				/></label
			>
			<label class="field"
				><span>basins for chilling</span><input
					name="basins"
					type="number"
					min="1"
					max="20"
					required
					value={typed('/equipment', 'basins', k.basins)}
				/></label
			>
			<label class="field"
				><span>trays for the freezer</span><input
					name="trays"
					type="number"
					min="1"
					max="100"
					required
					value={typed('/equipment', 'trays', k.trays)}
				/></label
			>
			<label class="field"
				><span>one tray, {fieldUnit.area[units]} ({units === 'us' ? '12 × 16 in: 192' : '30 × 40 cm: 0.12'})</span
				><input
					name="trayAreaM2"
					inputmode="decimal"
					required
					aria-invalid={bad('/equipment', 'trayAreaM2')}
					value={typed('/equipment', 'trayAreaM2', editMeasure(k.trayAreaM2, 'area', units))}
				/></label
			>
			<label class="field"
				><span>tap water, {fieldUnit.temperature[units]}</span><input
					name="tapC"
					inputmode="decimal"
					required
					aria-invalid={bad('/equipment', 'tapC')}
					value={typed('/equipment', 'tapC', editMeasure(k.tapC, 'temperature', units))}
				/></label
			>
			<label class="field"
				><span>the room, {fieldUnit.temperature[units]}</span><input
					name="roomC"
					inputmode="decimal"
					required
					aria-invalid={bad('/equipment', 'roomC')}
					value={typed('/equipment', 'roomC', editMeasure(k.roomC, 'temperature', units))}
				/></label
			>
			<button class="btn col-span-full justify-self-start">Save ice, basins, trays</button>
		</form>
	</section>

	<Means {k} {units} {failed} />

	<section id="pots">
		<h2 class="text-xl">Pots and burners</h2>
		<ul class="ruled border-y border-line">
			{#each data.pots as p (p.id)}
				<li class="flex items-center justify-between gap-2 py-1.5">
					<span
						><b>{p.name}</b>, {sayVolume(p.litres, units)} on {p.burnerW} W {burners[p.burnerKind]}{#if p.basketL},
							basket {sayVolume(p.basketL, units)}{/if}</span
					>{@render remove('pot', p.id, p.name)}
				</li>
			{:else}<li class="py-2 text-soft">No pot yet: blanching cannot be worked out without one.</li>{/each}
		</ul>
		<form method="POST" action="?/pot" use:enhance={withNotice()} class="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
			<Marks />
			<label class="field"
				><span>a pot, by name</span><input name="name" required maxlength="60" placeholder="big enamel pot" /></label
			>
			<label class="field"
				><span>to the rim, {fieldUnit.volume[units]}</span><input
					name="litres"
					inputmode="decimal"
					required
					aria-invalid={bad('/pot', 'litres')}
				/></label
			>
			<label class="field"
				><span>its burner, W</span><input
					name="burnerW"
					inputmode="decimal"
					required
					aria-invalid={bad('/pot', 'burnerW')}
					placeholder="2000"
				/></label
			>
			<label class="field"
				><span>burner</span><select name="burnerKind"
					>{#each Object.entries(burners) as [v, n] (v)}<option value={v}>{n}</option>{/each}</select
				></label
			>
			<label class="field"
				><span>basket, {fieldUnit.volume[units]} (if it limits)</span><input
					name="basketL"
					inputmode="decimal"
				/></label
			>
			<button class="btn self-end">Add the pot</button>
		</form>
	</section>

	<section id="places">
		<h2 class="text-xl">Places</h2>
		<p class="text-sm text-soft">
			Freezers: {sayVolume(data.freezerUsed_L, units)} of {sayVolume(data.freezer_L, units)} taken by packs.
			{#if data.outage}Without power, shut, they keep about {data.outage.hours} h{data.outage.published
					? ' (USDA FSIS, from memory)'
					: ': less than half full nothing is printed, so never more than half a freezer’s hours'}.{/if}
		</p>
		<ul class="ruled border-y border-line">
			{#each data.places as p (p.id)}
				<li class="flex items-center justify-between gap-2 py-1.5">
					<span
						><b>{p.name}</b>, {kinds[p.kind]}, {sayTemperature(p.tempC, units)}{#if p.litres}, {sayVolume(
								p.litres,
								units
							)}{/if}</span
					>{@render remove('place', p.id, p.name)}
				</li>
			{/each}
		</ul>
		<form method="POST" action="?/place" use:enhance={withNotice()} class="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
			<Marks />
			<label class="field"
				><span>a place, by name</span><input name="name" required maxlength="60" placeholder="garage freezer" /></label
			>
			<label class="field"
				><span>kind</span><select name="kind"
					>{#each Object.entries(kinds) as [v, n] (v)}<option value={v}>{n}</option>{/each}</select
				></label
			>
			<label class="field"
				><span>its temperature, {fieldUnit.temperature[units]}</span><input
					name="tempC"
					inputmode="text"
					required
					aria-invalid={bad('/place', 'tempC')}
				/></label
			>
			<label class="field"
				><span>inside, {fieldUnit.volume[units]} or cu ft (freezers)</span><input
					name="litres"
					inputmode="decimal"
				/></label
			>
			<button class="btn self-end">Add the place</button>
		</form>
	</section>

	<section id="drawer">
		<h2 class="text-xl">The drawer: bags, boxes, jars</h2>
		<ul class="ruled border-y border-line">
			{#each data.containers as c (c.id)}
				<li class="flex flex-wrap items-center justify-between gap-2 py-1.5">
					<span><b>{c.name}</b>, {sayVolume(c.volumeMl / 1000, units)}</span>
					<span class="flex items-center">
						<form
							method="POST"
							action="?/count"
							use:enhance={withNotice({ reset: false })}
							class="flex items-center gap-1"
						>
							<Marks />
							<input type="hidden" name="id" value={c.id} />
							<input
								name="count"
								type="number"
								min="0"
								max="10000"
								value={c.count}
								aria-label="How many of {c.name}"
								class="w-24"
							/>
							<button class="btn btn-plain underline" aria-label="Save the count of {c.name}">save</button>
						</form>
						{@render remove('container', c.id, c.name)}
					</span>
				</li>
			{:else}<li class="py-2 text-soft">Nothing in the drawer: packs cannot be worked out.</li>{/each}
		</ul>
		<form
			method="POST"
			action="?/container"
			use:enhance={withNotice()}
			class="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-4"
		>
			<Marks />
			<label class="field"
				><span>by name</span><input name="name" required maxlength="60" placeholder="freezer bag 1 L" /></label
			>
			<label class="field"
				><span>kind</span><select name="kind"
					><option value="bag">bag</option><option value="box">box</option><option value="jar">jar</option></select
				></label
			>
			<label class="field"
				><span>holds, ml{units === 'us' ? ' (a quart is 946)' : ''}</span><input
					name="volumeMl"
					type="number"
					min="50"
					max="20000"
					required
				/></label
			>
			<label class="field"><span>how many</span><input name="count" type="number" min="0" max="10000" required /></label
			>
			<button class="btn col-span-full justify-self-start">Add to the drawer</button>
		</form>
	</section>

	<section>
		<h2 class="text-xl">Own measures</h2>
		<ul class="ruled border-y border-line">
			{#each data.measures as m (m.id)}
				<li class="flex items-center justify-between gap-2 py-1.5">
					<span>one <b>{m.name}</b> of {m.foodName}: {sayWeight(m.grams, units)}</span>{@render remove(
						'measure',
						m.id,
						`${m.name} of ${m.foodName}`
					)}
				</li>
			{:else}<li class="py-2 text-soft">
					None yet. Type “2 big bowls peas” in the Basket, weigh one, and it is known ever after.
				</li>{/each}
		</ul>
	</section>
</div>

<section id="demo" class="mt-10 border-t border-line pt-4">
	<h2 class="text-xl">Demo and households</h2>
	<div class="mt-2 flex flex-wrap items-end gap-x-10 gap-y-4">
		{#if data.isDemo}
			<form method="POST" action="?/clear" use:enhance={withNotice()}>
				<Marks />
				<input type="hidden" name="name" value={k.name} />
				<p class="text-soft">{k.name} is made up. Clear it and start with your own kitchen.</p>
				<label class="flex min-h-11 items-center gap-2"
					><input type="checkbox" name="sure" value="yes" required /> yes, all of the demo goes</label
				>
				<button class="btn">Clear the demo</button>
			</form>
		{:else if data.empty}
			<form method="POST" action="?/demo" use:enhance={withNotice()}>
				<Marks />
				<input type="hidden" name="name" value={k.name} />
				<p class="text-soft">Look around with a made-up kitchen, haul and shelves.</p>
				<button class="btn mt-2">Load the demo</button>
			</form>
		{/if}
		<form method="POST" action="?/newHousehold" use:enhance={withNotice()} class="flex flex-wrap items-end gap-2">
			<Marks />

			<label class="field"
				><span>a household beside this one</span><input
					name="name"
					required
					maxlength="60"
					placeholder="Grandmother’s kitchen"
				/></label
			>
			<button class="btn">Start it</button>
		</form>
	</div>
	{#if data.others.length > 0}
		<h3 class="mt-6 text-lg">Other households</h3>
		<form method="POST" action="?/goTo" use:enhance={withNotice()} class="mt-2 flex flex-wrap gap-2">
			<Marks />
			{#each data.others as o (o.id)}<button class="btn" name="id" value={o.id}>Go to {o.name}</button>{/each}
		</form>
	{/if}
	<p class="source mt-6 max-w-3xl">
		Root Jar works by published tables and plain physics, and says which. Your local food authority or extension service
		has the last word; food that is sold needs licensed practice.
	</p>
</section>
