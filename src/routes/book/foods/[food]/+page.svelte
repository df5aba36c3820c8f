<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayAs, sayDate } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
	import LineChart from '$lib/ui/chart/line-chart.svelte';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** One food over its years: what came in, what it gave, who ate it by when; the share learned; next year's sum. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { book } = $derived(data);
	const units = $derived(data.household.units);
	const zone = $derived(data.household.zone);
	const kg = (n: number) => sayWeight(Math.round(n * 1000), units);
	const percent = (share: number) => `${Math.round(share * 100)} %`;
	const { yields, next } = $derived(book);
	const xs = $derived(yields?.steps.map((_, i) => i + 1) ?? []);
	const mostPacks = $derived(Math.max(1, ...book.seasons.map((s) => s.packs)));
	/** A pack a mark, as long as they fit; else each mark is several. */
	const perMark = $derived(Math.ceil(mostPacks / 36));
	const marks = (n: number) => Array.from({ length: Math.round(n / perMark) }, (_, i) => i);
	const number = (n: number) => (n >= 10 ? `${Math.round(n)}` : n.toFixed(1));
</script>

<TwoColumns label="food-title">
	<Faults failed={form as Failed | null} />
	<div class="flex flex-wrap items-baseline justify-between gap-3">
		<h1 id="food-title" class="text-3xl first-letter:uppercase">{book.name}</h1>
		<a href="/book?q={encodeURIComponent(book.name)}">all its batches</a>
	</div>
	<p class="text-soft">
		{sayWeight(book.raw_g, units)} in, {sayCount(book.packs, 'pack')} out, {sayCount(
			book.seasons.length,
			'year'
		)}{#if book.variety}. Of its kinds “{book.variety}” kept best{/if}
	</p>
	{#if book.seasons.length === 0}
		<p class="mt-6">No batch of it yet. <a href="/book">The book</a></p>
	{:else}
		<div class="mt-4 overflow-x-auto">
			<table class="w-full border-collapse text-right">
				<thead class="border-b-[3px] border-rim text-sm text-soft"
					><tr
						><th class="py-2 text-left">year</th><th>in</th><th>kept</th><th>packs</th><th>hands a kilo</th><th
							>cost a pack</th
						><th class="pl-4 text-left">eaten by</th><th class="text-left">thrown</th></tr
					></thead
				>
				<tbody>
					{#each book.seasons as s (s.year)}
						<tr class="border-t border-line">
							<td class="head pt-2 text-left text-2xl text-rim">{s.year}</td>
							<td class="head text-xl">{sayWeight(s.raw_g, units)}</td>
							<td class="head text-xl">{s.kept === null ? '' : percent(s.kept)}</td>
							<td class="head text-xl">{s.packs}</td>
							<td class="head text-xl">{s.hands_s_kg === null ? '' : sayDuration(s.hands_s_kg)}</td>
							<td class="head text-xl">{s.perPack}</td>
							<td class="pl-4 text-left"
								>{#if s.left > 0}<b class="head text-xl">{s.left} left</b>{:else if s.lastAt !== null}<b
										class="head text-xl">{sayAs(s.lastAt, zone, 'd MMM')}</b
									>{/if}</td
							>
							<td class="text-left"
								><b class="head text-xl">{s.thrown}</b>
								<span class="block text-sm text-soft">{s.causes}</span></td
							>
						</tr>
						<tr aria-hidden="true"
							><td></td><td colspan="7" class="pb-2 text-left"
								>{#each marks(s.eaten) as m (m)}<i class="pack eaten"></i>{/each}{#each marks(s.thrown) as m (m)}<i
										class="pack thrown">×</i
									>{/each}{#each marks(s.left) as m (m)}<i class="pack"></i>{/each}</td
							></tr
						>
					{/each}
				</tbody>
			</table>
		</div>
		{#if yields}
			<section class="mt-6">
				<LineChart
					title="Your {book.name} keep {percent(yields.now.share)}, between {percent(yields.now.low)} and {percent(
						yields.now.high
					)}{yields.table === null ? '' : `; the table says ${percent(yields.table)}`}"
					says="By {yields.what}, {sayCount(
						yields.now.batches,
						'batch',
						'batches'
					)}. Nine in ten such kitchens lie in the band; the next batch comes out between {percent(
						yields.now.nextLow
					)} and {percent(yields.now.nextHigh)}."
					xName="batch"
					yName="into packs, %"
					series={[
						{ name: 'learned', look: 'full', points: yields.steps.map((s, i) => [xs[i] ?? 0, s.learned.share * 100]) },
						{
							name: 'each batch',
							look: 'dotted',
							tone: 'leaf',
							points: yields.steps.map((s, i) => [xs[i] ?? 0, s.share * 100])
						}
					]}
					band={{
						name: 'nine in ten',
						points: yields.steps.map((s, i) => [xs[i] ?? 0, s.learned.low * 100, s.learned.high * 100])
					}}
					levels={yields.table === null ? [] : [{ y: yields.table * 100, words: `table ${percent(yields.table)}` }]}
					sayX={(x) => `${Math.round(x)}`}
					rows={Math.min(8, yields.steps.length)}
				/>
			</section>
		{/if}
		{#if book.again.length > 0}
			<h2 class="mt-6 text-xl">Would we do it again?</h2>
			<ul class="ruled">
				{#each book.again as a (a.code)}
					<li class="py-2">
						<a class="text-sm text-soft" href="/book/{a.code}"
							>{sayDate(a.packedOn)} · {sayWeight(a.raw_g, units)}, {sayCount(a.packs, 'pack')}</a
						>
						<span class="block"><b>{a.would}</b>{a.change ? `: ${a.change}` : ''}</span>
					</li>
				{/each}
			</ul>
		{/if}
	{/if}
	{#snippet beside()}
		<h2 class="text-xl">Next year</h2>
		{#if next}
			<dl class="sum">
				<dt>{next.weeks}</dt>
				<dd>weeks</dd>
				<dt>− {next.freshWeeks}</dt>
				<dd>weeks with fresh ones</dd>
				<dt>× {number(next.perWeek)}</dt>
				<dd>packs a week <span class="text-soft">{next.from}</span></dd>
				<dt class="all">= {next.packs}</dt>
				<dd class="all">packs wanted</dd>
				<dt>× {sayWeight(Math.round(next.pack_g), units)}</dt>
				<dd>a pack</dd>
				<dt>÷ {next.kept.toFixed(2)}</dt>
				<dd>kept, <span class="text-soft">{yields ? 'your own' : 'as weighed'}</span></dd>
			</dl>
			<p class="mt-2 border-t-[3px] border-rim pt-2">
				<b class="figure text-4xl">{kg(next.raw_kg)}</b> to come in
				<span class="block text-soft"
					>between {kg(next.low_kg)} and {kg(next.high_kg)}{#if next.last_kg > 0}; last year it was {kg(
							next.last_kg
						)}{/if}</span
				>
			</p>
		{:else}<p class="mt-1 text-soft">
				Say how often you want it, or take some from the shelves, and it is worked out.
			</p>{/if}
		<form method="POST" action="?/want" use:enhance={withNotice({ reset: false })} class="mt-4">
			<Marks />
			<label class="field"
				><span>helpings wanted a week, one head’s of 150 g</span><input
					name="perWeek"
					inputmode="decimal"
					maxlength="6"
					autocomplete="off"
					value={data.perWeek ?? ''}
					placeholder="as eaten till now"
				/></label
			>
			<button class="btn mt-2">Write it down</button>
		</form>
	{/snippet}
</TwoColumns>

<style>
	.pack {
		display: inline-block;
		width: 13px;
		height: 15px;
		margin: 2px 3px 0 0;
		border-radius: 4px 4px 1px 1px;
		background: var(--rim);
		font-style: normal;
		font-size: 12px;
		line-height: 14px;
		text-align: center;
		vertical-align: top;
	}
	.pack.eaten {
		border: 1px dashed var(--soft);
		background: none;
	}
	.pack.thrown {
		border: 1px solid var(--soft);
		background: none;
		color: var(--color-ink);
	}
	.sum {
		display: grid;
		grid-template-columns: 7rem minmax(0, 1fr);
		gap: 4px 14px;
		margin-top: 8px;
	}
	.sum dt {
		font-family: var(--font-head);
		font-size: 1.25rem;
		font-weight: 700;
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	.sum dd {
		align-self: center;
	}
	.sum .all {
		padding-top: 4px;
		border-top: 2px solid var(--rim);
		font-weight: 700;
	}
</style>
