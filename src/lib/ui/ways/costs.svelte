<script lang="ts">
	import { sayDuration, sayVolume, type Units } from '$core/quantities/format';
	import { sayMoney } from '$core/quantities/money';
	import type { GlanceRow } from './types';

	/** What a way draws, what room it takes, and what a pack of it costs, by parts. */
	let {
		row,
		currency,
		shop,
		noMoney,
		units
	}: {
		row: Extract<GlanceRow, { kind: 'way' }>;
		currency: string;
		/** A shop's price a kilo, as it was typed; and whether it is none. */
		shop: string;
		noMoney: boolean;
		units: Units;
	} = $props();
	const kWh = (x: number) => `${x < 10 ? x.toFixed(1) : Math.round(x)} kWh`;
	const lines = $derived([
		['Energy to make it', kWh(row.energy_kWh), ''],
		['Energy to keep it', row.keep_kWh_month > 0 ? `${kWh(row.keep_kWh_month)} a month` : 'none', ''],
		['Room', sayVolume(row.litres, units), row.store === 'freezer' ? 'of freezer' : 'of shelf'],
		['Hands', sayDuration(row.hands_s), ''],
		...(row.cost
			? [
					['Paid for it', sayMoney(row.cost.produce, currency), 'its price, by weight; set in the Basket'],
					['Bags, lids', sayMoney(row.cost.supplies, currency), ''],
					['Energy', sayMoney(row.cost.energy, currency), ''],
					['Your hours', sayMoney(row.cost.hours, currency), 'at what they are worth in the Kitchen'],
					[`A ${row.each}`, sayMoney(row.cost.perPack, currency), `${sayMoney(row.cost.perPackWithoutHours, currency)} without your hours`],
					...(row.cost.saved === undefined
						? []
						: [['Against the shop', sayMoney(Math.abs(row.cost.saved), currency), row.cost.saved >= 0 ? 'less, a pack' : 'more, a pack']])
				]
			: [])
	]); // prettier-ignore
</script>

<section class="mt-6" aria-labelledby="costs-title">
	<h2 id="costs-title" class="text-xl">What it takes and costs</h2>
	<table class="mt-2 w-full max-w-2xl">
		<tbody>
			{#each lines as [what, figure, words] (what)}
				<tr class="border-t border-line">
					<th scope="row" class="py-1.5 pr-4 text-left text-[15px] font-normal">{what}</th>
					<td class="pr-4 whitespace-nowrap"><b class="head">{figure}</b></td>
					<td class="text-sm text-soft">{words}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	<form
		method="GET"
		class="mt-2 flex flex-wrap items-end gap-3"
		data-sveltekit-replacestate
		data-sveltekit-noscroll
		data-sveltekit-keepfocus
	>
		<label class="field"
			><span>a shop’s price a kilo, {currency}</span><input
				name="shop"
				class="w-28"
				inputmode="decimal"
				autocomplete="off"
				value={shop}
				aria-invalid={noMoney ? 'true' : undefined}
				onchange={(e) => e.currentTarget.form?.requestSubmit()}
			/></label
		>
		<noscript><button class="btn">Reckon</button></noscript>
		{#if noMoney}<p class="font-semibold text-amber" role="alert">
				“{shop}” is no amount of money; write it such as 12.50.
			</p>{/if}
	</form>
	<p class="source mt-1">
		Energy by heat balances, prices and hours from the <a href="/kitchen/house#prices">Kitchen</a>. A jar of dried food
		is set against the fresh food in it.
	</p>
</section>
