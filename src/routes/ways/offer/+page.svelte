<script lang="ts">
	import { onMount } from 'svelte';
	import { sayCount, sayWeight } from '$core/quantities/format';
	import { editMoney } from '$core/quantities/money';
	import { nearlyAll } from '$core/haul/before';
	import { hereOrServer, inSolver } from '$lib/ui/haul/in-worker';
	import { OfferPage } from '$lib/ui/haul/offer-state.svelte';
	import { namesOf, untilWords } from '$lib/ui/haul/words';
	import DaysChoice from '$lib/ui/haul/days-choice.svelte';
	import EchoLine from '$lib/ui/haul/echo-line.svelte';
	import OfferPrice from '$lib/ui/haul/offer-price.svelte';
	import type { Clock } from '$lib/ui/clock/clock-state.svelte';
	import { useClock } from '$lib/ui/run/runs-state.svelte';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import type { PageData } from './$types';

	/** Before it is bought or picked: how much of it this kitchen can still take on, what gives, and whether the price is good. */
	let { data }: { data: PageData } = $props();
	const { offer, haul } = $derived(data);
	const units = $derived(data.household.units);
	const clock = useClock<Clock>();
	const seconds = 4;
	const page: OfferPage = new OfferPage(
		() => ({ haul: data.haul, lot: data.offer.lot }),
		() => clock.at(Date.now()),
		(one, of, onFound) =>
			hereOrServer(
				() => inSolver((work, tell) => work.before(one, of, { seconds }, tell), onFound),
				() => ({ days: page.days, say: data.offer.said }),
				() => {}
			)
	);
	onMount(() => () => page.end());
	/** Another line, or another basket, is another question. */
	let asked = '';
	$effect(() => {
		const now = `${offer.said}|${haul?.lots.map((l) => `${l.id} ${l.grams}`).join() ?? ''}`;
		if (now !== asked) void page.work();
		asked = now;
	});
	let said = $derived(offer.said);
	const until = $derived(untilWords(page.days, data.now, data.household.zone));
	const nameOf = $derived(namesOf([...(haul?.lots ?? []), ...(offer.lot ? [offer.lot] : [])]));
	const lotName = (id: string) => haul?.lots.find((l) => l.id === id)?.name ?? '';
	const kg = (n: number) => sayWeight(Math.round(n * 1000), units);
	const all_kg = $derived((offer.lot?.grams ?? 0) / 1000);
	const fits = $derived(page.room !== null && nearlyAll(page.room.kg, all_kg));
	const less = $derived(page.all?.changes.filter((c) => c.kg < 0 && c.way !== null) ?? []);
	const unplaced = $derived(page.all?.changes.filter((c) => c.kg > 0.05 && c.way === null) ?? []);
	/** The line for the Basket, with what fits. */
	const toBasket = $derived.by(() => {
		const { lot, price } = offer;
		if (!lot || !page.room) return '';
		const g = fits ? lot.grams : Math.floor(page.room.kg * 10) * 100;
		const at = price ? ` at ${editMoney(Math.round(price.perKg), data.currency)} a kilo` : '';
		return `${g / 1000} kg ${lot.name}${at}`;
	});
</script>

<h1 class="text-3xl">Before the haul</h1>
<form method="GET" class="mt-3 flex flex-wrap items-end gap-3" data-sveltekit-keepfocus data-sveltekit-noscroll>
	<label class="field min-w-0 flex-1" style="max-width: 34rem"
		><span>What is offered, and for how much</span><input
			name="say"
			maxlength="200"
			autocomplete="off"
			enterkeyhint="search"
			bind:value={said}
			placeholder="20 kg plums at 0.90"
			class="w-full text-lg"
		/></label
	>
	<button class="btn btn-full">Can we?</button>
</form>
{#if offer.echo}
	<p class="mt-3" role="status">
		<EchoLine echo={{ ...offer.echo, confirm: undefined } as never} example="" onchoose={(text) => (said = text)} />
	</p>
{:else if offer.stop}
	<p class="mt-3 font-semibold text-amber" role="status">{offer.stop}</p>
{:else if !offer.lot}
	<p class="mt-4 max-w-2xl text-soft">
		Say it as you would in the Basket. It is set beside everything that waits there already: how much of it this kitchen
		can still take on, what would have to give for the rest, and whether the price is good.
	</p>
{:else}
	<div class="mt-4"></div>
	<TwoColumns label="offer-title">
		<h2 id="offer-title" class="text-2xl leading-tight sm:text-3xl" aria-live="polite">
			{#if page.room}
				<b class="figure">{fits ? 'All' : kg(page.room.kg)}</b>
				{fits ? `${kg(all_kg)} of` : `of ${kg(all_kg)}`}
				{offer.lot.name} by {until}{haul && haul.lots.length > 0 ? ', and nothing else gives' : ''}
			{:else}{kg(all_kg)} {offer.lot.name}{/if}
		</h2>
		<p class="mt-1 text-soft" role="status">
			{#if page.phase === 'working'}Working it out …
			{:else if page.phase === 'failed'}It could not be worked out: {page.why}
				<button class="btn btn-plain underline" onclick={() => page.work()}>Try again</button>
			{:else if page.room}{fits
					? page.room.kg < all_kg - 0.05
						? `${kg(all_kg - page.room.kg)} are over beside the last jar or pack: eat them.`
						: 'Within everything this kitchen has.'
					: page.room.proven
						? 'Proven: within these limits no more can be.'
						: `At least that much; no more than ${kg(page.room.most_kg)} is possible.`}{/if}
		</p>
		{#if page.parts.length > 0}
			<ul class="mt-3">
				{#each page.parts as p (p.slug)}
					<li class="flex items-baseline gap-3 border-t border-line py-1.5">
						<b class="head w-20 text-right text-lg">{kg(p.kg)}</b>
						<span
							>{p.name}{#if p.each && p.packs > 0}: {sayCount(p.packs, p.each)}{/if}</span
						>
					</li>
				{/each}
			</ul>
		{/if}
		{#if !fits && page.room}
			<h3 class="mt-4 text-xl">For more of it</h3>
			{#if page.nearly}
				<p class="mt-1">
					<b>{kg(page.nearly.kg)}</b> where the rest may be worth a fiftieth less: a way less good, a kilo less kept.
				</p>
			{/if}
			{#if page.all}
				<p class="mt-1">
					{#if page.all.left_kg > 0.05}<b>All of it cannot be placed</b>: {kg(page.all.left_kg)} find no place whatever gives.
					{:else}<b>All {kg(all_kg)}</b>{/if}
					{#if less.length > 0 || unplaced.length > 0}{page.all.left_kg > 0.05 ? 'The rest takes' : 'takes'} this from what
						waits already:{:else}{page.all.left_kg > 0.05 ? '' : 'fit, each kilo a way less good'}.{/if}
				</p>
				<ul>
					{#each less.slice(0, 5) as c (c.way)}
						{@const n = nameOf(c.way ?? '')}
						<li class="border-t border-line py-1"><b>{kg(-c.kg)}</b> less {n.lot}: {n.way}</li>
					{/each}
					{#each unplaced as c (c.lot)}
						<li class="border-t border-line py-1 text-amber">
							<b>{kg(c.kg)}</b> more {lotName(c.lot)} not placed
						</li>
					{/each}
				</ul>
			{:else if page.phase === 'working'}<p class="text-soft">Looking what all of it would push out …</p>{/if}
		{/if}
		{#snippet beside()}
			{#if page.room && page.room.kg > 0.1}
				<a class="btn btn-full w-full text-lg" href="/basket?say={encodeURIComponent(toBasket)}"
					>Into the Basket: {fits ? kg(all_kg) : kg(Math.floor(page.room.kg * 10) / 10)}</a
				>
			{/if}
			<OfferPrice {offer} {units} currency={data.currency} />
			<h2 class="mt-4 text-lg">Until</h2>
			<DaysChoice days={page.days} onpick={(d) => page.within(d)} />
			<p class="mt-4 text-[15px] text-soft">
				{haul && haul.lots.length > 0
					? `Set beside ${haul.lots.length === 1 ? 'one item that waits' : `${haul.lots.length} items that wait`} in the Basket, under the`
					: 'Under the'} <a href="/kitchen">Kitchen</a>’s hands, ice, trays, lids and room.
			</p>
		{/snippet}
	</TwoColumns>
{/if}
