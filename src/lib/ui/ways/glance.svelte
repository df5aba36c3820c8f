<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sayMonth } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayVolume, sayWeight, type Units } from '$core/quantities/format';
	import { sayMoney } from '$core/quantities/money';
	import { withChoice } from './address';
	import type { GlanceRow } from './types';

	/** Every way for the whole item, a line each: what one gets, what it takes, what it costs. */
	let {
		list,
		currency,
		paid,
		shop,
		noMoney,
		units
	}: {
		list: readonly GlanceRow[];
		currency: string;
		paid: string;
		shop: string;
		noMoney: readonly string[];
		units: Units;
	} = $props();
	type Open = Extract<GlanceRow, { kind: 'way' }>;
	const anchor = { freeze: '#freezer', dry: '#dryer', can: '#jars' } as const;
	const open = $derived(list.filter((w): w is Open => w.kind === 'way'));
	/** Which of a column is best, where they differ: said in words in its cell. */
	const least = (value: (w: Open) => number): string | null => {
		const sorted = [...open].filter((w) => w.packs > 0).sort((a, b) => value(a) - value(b));
		const [first, second] = sorted;
		return first && second && value(first) < value(second) ? first.id : null;
	};
	const quickest = $derived(least((w) => Math.round(w.hands_s / 300)));
	const soonest = $derived(least((w) => Math.round(w.elapsed_s / 900)));
	const longest = $derived(least((w) => -Date.parse(w.keepsUntil ?? '1970-01-01')));
	const cheapest = $derived(least((w) => (w.cost ? w.cost.total : Infinity)));
	const kWh = (x: number) => `${x < 10 ? x.toFixed(1) : Math.round(x)} kWh`;
	const choose = (name: string) => (event: Event) =>
		void goto(withChoice(page.url.search, name, (event.currentTarget as HTMLInputElement).value.trim()), {
			keepFocus: true,
			noScroll: true,
			replaceState: true
		});
</script>

<section class="mt-5" aria-labelledby="glance-title">
	<div class="flex flex-wrap items-end gap-x-6 gap-y-2 border-b-[3px] border-rim pb-2">
		<h2 id="glance-title" class="text-2xl">All ways, for the whole of it</h2>
		<form
			method="GET"
			class="ml-auto flex flex-wrap items-end gap-3"
			data-sveltekit-noscroll
			data-sveltekit-replacestate
		>
			<label class="field"
				><span>paid for it, {currency}</span><input
					class="w-28"
					name="paid"
					aria-invalid={noMoney.includes('paid') ? 'true' : undefined}
					inputmode="decimal"
					autocomplete="off"
					value={paid}
					placeholder="0"
					onchange={choose('paid')}
				/></label
			>
			<label class="field"
				><span>a shop’s price a kilo</span><input
					class="w-28"
					name="shop"
					aria-invalid={noMoney.includes('shop') ? 'true' : undefined}
					inputmode="decimal"
					autocomplete="off"
					value={shop}
					onchange={choose('shop')}
				/></label
			>
			{#each [...page.url.searchParams].filter(([n]) => n !== 'paid' && n !== 'shop') as [name, value], nth (nth)}<input
					type="hidden"
					{name}
					{value}
				/>{/each}
			<noscript><button class="btn">Reckon the cost</button></noscript>
		</form>
	</div>
	{#if noMoney.length > 0}<p class="mt-2 font-semibold text-amber" role="alert">
			“{noMoney.includes('paid') ? paid : shop}” is no amount of money; write it such as 12.50. It is left out here.
		</p>{/if}
	<table class="glance w-full">
		<caption class="sr-only">Every way of keeping it, with what it takes and what it costs</caption>
		<thead>
			<tr>
				<th scope="col">Way</th>
				<th scope="col">You get</th>
				<th scope="col">Your hands</th>
				<th scope="col">Start to away</th>
				<th scope="col">Energy</th>
				<th scope="col">Room</th>
				<th scope="col">Keeps until</th>
				<th scope="col">Costs</th>
			</tr>
		</thead>
		<tbody>
			{#each list as w (w.id)}
				{#if w.kind === 'refused'}
					<tr class="refused">
						<th scope="row"><a href={anchor[w.way]}>{w.name}</a></th>
						<td colspan="7" data-label="Not advised">{w.reason} <b>Instead:</b> {w.instead[0]}.</td>
					</tr>
				{:else if w.kind === 'note'}
					<tr>
						<th scope="row"><a href={anchor[w.way]} class="inline-block first-letter:uppercase">{w.name}</a></th>
						<td colspan="7" data-label="Mind">{w.words}</td>
					</tr>
				{:else}
					<tr>
						<th scope="row"
							><a href={anchor[w.way]} class="inline-block first-letter:uppercase">{w.name}</a>
							{#if w.missing}<span class="block text-sm font-semibold text-amber">{w.missing}</span>{/if}</th
						>
						<td data-label="You get"
							><b class="fig">{w.packs}</b>
							{w.packs === 1 ? w.each : `${w.each}s`}<span class="sub">{sayWeight(w.each_g, units)} in each</span></td
						>
						<td data-label="Your hands"
							>{sayDuration(w.hands_s)}{#if quickest === w.id}<span class="best">least</span>{/if}</td
						>
						<td data-label="Start to away"
							>{w.elapsed_s > 36_000
								? `about ${Math.round(w.elapsed_s / 3600)} h`
								: sayDuration(w.elapsed_s)}{#if soonest === w.id}<span class="best">soonest</span>{/if}</td
						>
						<td data-label="Energy"
							>{kWh(w.energy_kWh)}<span class="sub"
								>{w.keep_kWh_month > 0 ? `and ${kWh(w.keep_kWh_month)} a month` : 'none to keep'}</span
							></td
						>
						<td data-label="Room">{sayVolume(w.litres, units)}<span class="sub">of {w.store}</span></td>
						<td data-label="Keeps until"
							>{w.keepsUntil ? sayMonth(w.keepsUntil) : 'weeks'}{#if longest === w.id}<span class="best">longest</span
								>{/if}</td
						>
						<td data-label="Costs">
							{#if w.cost}
								{sayMoney(w.cost.perPack, currency)} a {w.each}{#if cheapest === w.id}<span class="best">least</span
									>{/if}
								<span class="sub">
									{#if w.cost.saved !== undefined}{w.cost.saved >= 0
											? `${sayMoney(w.cost.saved, currency)} under the shop`
											: `${sayMoney(-w.cost.saved, currency)} over the shop`}
									{:else}{sayMoney(w.cost.perPackWithoutHours, currency)} without your hours{/if}
								</span>
							{:else}–{/if}
						</td>
					</tr>
				{/if}
			{/each}
		</tbody>
	</table>
	<p class="mt-1 text-sm text-soft">
		Energy by heat balances; hours at what yours are worth in the <a href="/kitchen/house#prices">Kitchen</a>. A jar of
		dried food is set against the fresh food in it. {sayCount(open.length, 'way')} open.
	</p>
</section>

<style>
	.glance {
		border-collapse: collapse;
	}
	.glance th,
	.glance td {
		padding: 7px 12px 7px 4px;
		text-align: left;
		vertical-align: top;
	}
	.glance thead th {
		font-size: 14px;
		font-weight: 400;
		color: var(--soft);
	}
	.glance tbody tr {
		border-top: 1px solid var(--line);
	}
	.glance tbody th {
		font-family: var(--font-head);
		font-weight: 700;
		min-width: 9rem;
	}
	.refused {
		background: repeating-linear-gradient(
			135deg,
			transparent 0 10px,
			color-mix(in srgb, var(--line) 35%, transparent) 10px 20px
		);
	}
	@media (max-width: 820px) {
		.glance thead {
			position: absolute;
			width: 1px;
			height: 1px;
			overflow: hidden;
			clip-path: inset(50%);
		}
		.glance,
		.glance tbody {
			display: block;
		}
		.glance tbody tr {
			display: grid;
			grid-template-columns: 1fr 1fr;
			padding: 8px 0;
		}
		.glance tbody th,
		.glance tbody td[colspan] {
			grid-column: 1 / -1;
		}
		.glance td[data-label]::before {
			content: attr(data-label);
			display: block;
			font-size: 14px;
			color: var(--soft);
		}
	}
</style>
