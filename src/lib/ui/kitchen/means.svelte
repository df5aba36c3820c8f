<script lang="ts">
	import Marks from '$lib/ui/notice/marks.svelte';
	import { enhance } from '$app/forms';
	import type { Units } from '$core/quantities/format';
	import { editMoney } from '$core/quantities/money';
	import { editMeasure, fieldUnit } from '$core/quantities/parse-measure';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, typedIn, type Failed } from '$lib/ui/notice/types';

	/** The dryer, the canner's size and the day's hands and ice; prices. */
	let {
		k,
		units,
		failed
	}: {
		k: {
			readonly dryerTrays: number;
			readonly dryerTrayAreaM2: number;
			readonly dryerPowerW: number;
			readonly dryerHeater: 'bottom' | 'top' | 'back';
			readonly roomHumidity: number;
			readonly cannerQuarts: number;
			readonly iceKgDay: number;
			readonly handsHDay: number;
			readonly currency: string;
			readonly energyPrice: number;
			readonly hourRate: number;
			readonly bagPrice: number;
			readonly lidPrice: number;
		};
		units: Units;
		failed: Failed | null;
	} = $props();
	const typed = (action: string, name: string, value: string | number) => typedIn(failed, action, name, value);
	const bad = (action: string, name: string) =>
		failed?.action === action && faultOf(failed, name) ? 'true' : undefined;
	const heaters = { bottom: 'below', top: 'above', back: 'behind' } as const;
</script>

{#snippet field(action: '/means' | '/prices', name: string, label: string, value: string | number)}
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

<section id="dryer">
	<h2 class="text-xl">Dryer, canner, a usual day</h2>
	<form
		method="POST"
		action="?/means"
		use:enhance={withNotice({ reset: false })}
		class="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3"
	>
		<Marks />
		{@render field('/means', 'dryerTrays', 'trays of the dryer (0: none)', k.dryerTrays)}
		{@render field(
			'/means',
			'dryerTrayAreaM2',
			`one of them, ${fieldUnit.area[units]}`,
			editMeasure(k.dryerTrayAreaM2, 'area', units)
		)}
		{@render field('/means', 'dryerPowerW', 'it draws, W', k.dryerPowerW)}
		<label class="field"
			><span>its heater is</span><select name="dryerHeater"
				>{#each Object.entries(heaters) as [v, n] (v)}<option value={v} selected={v === k.dryerHeater}
						>{n} the trays</option
					>{/each}</select
			></label
		>
		{@render field('/means', 'roomHumidity', 'humidity of the room, %', Math.round(k.roomHumidity * 100))}
		{@render field('/means', 'cannerQuarts', 'quarts in the canner', k.cannerQuarts)}
		{@render field(
			'/means',
			'iceKgDay',
			`ice that comes in a day, ${fieldUnit.weight[units]}`,
			editMeasure(k.iceKgDay, 'weight', units)
		)}
		{@render field('/means', 'handsHDay', 'hours for it on a usual day', k.handsHDay)}
		<button class="btn col-span-full justify-self-start">Save dryer, canner, day</button>
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
