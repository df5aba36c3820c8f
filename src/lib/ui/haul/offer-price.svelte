<script lang="ts">
	import { sayCount, sayWeight, type Units } from '$core/quantities/format';
	import { sayMoney } from '$core/quantities/money';
	import { kgFromLb } from '$core/quantities/units';
	import type { PriceJudged } from '$core/costs/offer-price';

	/** Whether what is asked is a good price, by what was paid before, what comes of a kilo, and what stands there already. */
	let {
		offer,
		units,
		currency
	}: {
		offer: {
			readonly price: { readonly perKg: number; readonly all: number; readonly judged: PriceJudged } | null;
			readonly foreign: string | null;
			readonly have_kg: number;
		};
		units: Units;
		currency: string;
	} = $props();
	/** A kilo's price in the household's units. */
	const unit = $derived(units === 'us' ? 'lb' : 'kg');
	const per = (minor: number) =>
		`${sayMoney(Math.round(units === 'us' ? minor * kgFromLb(1) : minor), currency)}/${unit}`;
	const wordsOf = (a: NonNullable<PriceJudged['against']>) =>
		({
			'the least yet': 'The least you have paid yet',
			good: 'A good price',
			'as usual': 'As usual',
			dear: 'Dear',
			'the most yet': 'More than you ever paid'
		})[a.word];
	const months = (m: number) =>
		m < 1 ? 'less than a month' : m > 36 ? 'more than three years' : sayCount(Math.round(m), 'month');
	const { price, foreign } = $derived(offer);
</script>

<h2 class="mt-4 text-lg">The price</h2>
{#if price}
	{@const { against, kept, lasts } = price.judged}
	<p class="mt-1">
		<b class="head text-2xl">{per(price.perKg)}</b>
		<span class="text-soft">{sayMoney(price.all, currency)} in all</span>
	</p>
	{#if against}
		<p class="mt-1">
			<b class={against.off > 0.1 ? 'text-amber' : 'text-leaf'}>{wordsOf(against)}</b>: usually {per(against.usual)},
			from
			{per(against.least)} to {per(against.most)} in {sayCount(against.times, 'buying')}.
		</p>
	{:else}<p class="mt-1 text-soft">Nothing was paid for it yet: there is nothing to hold it against.</p>{/if}
	{#if kept}
		<p class="mt-1">
			{per(kept.perKg)} in the pack: {Math.round(kept.yield * 100)} % of what came in was packed, by {sayCount(
				kept.batches,
				'entry',
				'entries'
			)} of your own.
		</p>
	{/if}
	{#if lasts}
		<p class="mt-1">
			On the shelves for {months(lasts.months)} at last year’s pace; with this for {months(lasts.withIt)}.
		</p>
	{/if}
{:else if foreign}<p class="mt-1 text-soft">It is said in {foreign}; prices here are compared in {currency}.</p>
{:else}<p class="mt-1 text-soft">No price was said: “at 0.90” is for a kilo, “for 18.00” for all of it.</p>{/if}
{#if offer.have_kg > 0.05 && !price?.judged.lasts}
	<p class="mt-1">{sayWeight(offer.have_kg * 1000, units)} of it stand on the shelves already.</p>
{/if}
