<script lang="ts">
	import { onMount } from 'svelte';
	import { enhance } from '$app/forms';
	import { editMoney } from '$core/quantities/money';
	import { editMeasure, fieldUnit } from '$core/quantities/parse-measure';
	import Rooms from '$lib/ui/kitchen/rooms.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, typedIn, type Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const units = $derived(data.kitchen.units);
	const bad = (action: string, name: string) =>
		failed?.action === action && faultOf(failed, name) ? 'true' : undefined;
	const k = $derived(data.kitchen);
	const typed = (action: string, name: string, value: string | number) => typedIn(failed, action, name, value);
	/** Names to choose from come when the page is alive; typed, any zone is taken. */
	let zones = $state.raw<readonly string[]>([]);
	onMount(() => {
		zones = Intl.supportedValuesOf('timeZone');
	});
</script>

{#snippet field(action: '/room' | '/prices', name: string, label: string, value: string | number)}
	<label class="field"
		><span>{label}</span><input
			{name}
			inputmode="decimal"
			required
			autocomplete="off"
			aria-invalid={bad(action, name)}
			value={typed(action, name, value)}
		/></label
	>
{/snippet}

<h1 class="text-3xl">House and prices</h1>
<Rooms />
<Faults {failed} />

<div class="mt-5 grid gap-8 lg:grid-cols-2">
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
		<h2 class="text-xl">The room and the day</h2>
		<form method="POST" action="?/room" use:enhance={withNotice({ reset: false })} class="mt-2 grid grid-cols-2 gap-3">
			<Marks />
			{@render field(
				'/room',
				'tapC',
				`tap water, ${fieldUnit.temperature[units]}`,
				editMeasure(k.tapC, 'temperature', units)
			)}
			{@render field(
				'/room',
				'roomC',
				`the room, ${fieldUnit.temperature[units]}`,
				editMeasure(k.roomC, 'temperature', units)
			)}
			{@render field('/room', 'roomHumidity', 'humidity of the room, %', Math.round(k.roomHumidity * 100))}
			{@render field('/room', 'handsHDay', 'own hours on a usual day', k.handsHDay)}
			<button class="btn col-span-full justify-self-start">Save the room and the day</button>
		</form>
	</section>
	<section id="prices">
		<h2 class="text-xl">Prices</h2>
		<p class="text-sm text-soft">For the cost of a pack. An own hour may be worth nothing: then it is left out.</p>
		<form
			method="POST"
			action="?/prices"
			use:enhance={withNotice({ reset: false })}
			class="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3"
		>
			<Marks />
			<label class="field"
				><span>currency, three letters</span><input
					name="currency"
					required
					minlength="3"
					maxlength="3"
					autocomplete="off"
					aria-invalid={bad('/prices', 'currency')}
					value={typed('/prices', 'currency', k.currency)}
				/></label
			>
			{@render field('/prices', 'energyPrice', 'a kilowatt-hour', editMoney(k.energyPrice, k.currency))}
			{@render field('/prices', 'hourRate', 'an own hour', editMoney(k.hourRate, k.currency))}
			{@render field('/prices', 'bagPrice', 'a bag', editMoney(k.bagPrice, k.currency))}
			{@render field('/prices', 'lidPrice', 'a lid', editMoney(k.lidPrice, k.currency))}
			<button class="btn col-span-full justify-self-start">Save the prices</button>
		</form>
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
