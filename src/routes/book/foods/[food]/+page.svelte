<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayAs, sayDate } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
	import LineChart from '$lib/ui/chart/line-chart.svelte';
	import type { YieldLearned } from '$core/forecast/yields';
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
	const minutes = (h: number) => sayDuration(Math.round(h * 3600));
	const hoursWords = (l: YieldLearned) => `${minutes(l.share)}, between ${minutes(l.low)} and ${minutes(l.high)},`;
	const most = $derived(Math.max(0.001, ...(next?.byMonth_kg ?? [])));
	const monthNames = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
	const windows = [
		['sowFrom', 'sown from'],
		['sowTo', 'to'],
		['pickFrom', 'picked from'],
		['pickTo', 'to']
	] as const;
	const months = ['J', 'F', 'M', 'A', 'M', 'J', 'J', 'A', 'S', 'O', 'N', 'D'] as const;
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
		)}{#if book.variety}. Of its kinds “{book.variety}” kept best{/if}{#if book.hours}; hands {hoursWords(book.hours)} a kilo{/if}
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
							<td class="pt-2 text-left"
								><b class="head text-2xl text-rim">{s.year}</b>{#if s.plants !== null}<span
										class="block text-sm text-soft">{sayCount(s.plants, 'plant')}</span
									>{/if}</td
							>
							<td class="head text-xl">{sayWeight(s.raw_g, units)}</td>
							<td class="head text-xl">{s.kept === null ? '' : percent(s.kept)}</td>
							<td class="head text-xl">{s.packs}</td>
							<td class="head text-xl">{s.hands_s_kg === null ? '' : sayDuration(s.hands_s_kg)}</td>
							<td
								><b class="head text-xl">{s.perPack}</b>{#if s.against}<span class="block text-sm text-soft"
										>{s.against}</span
									>{/if}</td
							>
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
						<tr
							><td></td><td colspan="7" class="pb-2 text-left"
								><span aria-hidden="true"
									>{#each marks(s.eaten) as m (m)}<i class="pack eaten"></i>{/each}{#each marks(s.thrown) as m (m)}<i
											class="pack thrown">×</i
										>{/each}{#each marks(s.left) as m (m)}<i class="pack"></i>{/each}</span
								>{#if s.costs}<span class="block text-sm text-soft">{s.costs}</span>{/if}</td
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
		{#if book.packsPerL !== null || book.drying || book.shrinks || book.varieties.length > 1}
			<h2 class="mt-6 text-xl">Also learned</h2>
			<ul class="ruled">
				{#if book.packsPerL !== null}<li class="py-1.5">
						A litre as it comes in, lying loosely, makes <b>{book.packsPerL.toFixed(1)} packs</b>.
					</li>{/if}
				{#if book.drying}<li class="py-1.5">
						Your dryer takes <b>{percent(book.drying.share)}</b> of the table’s hours, between {percent(
							book.drying.low
						)} and
						{percent(book.drying.high)}; the next load is planned by it.
					</li>{/if}
				{#if book.shrinks}<li class="py-1.5">
						Of a litre on the trays <b>{percent(book.shrinks.share)}</b> is left, between {percent(book.shrinks.low)} and
						{percent(book.shrinks.high)}.
					</li>{/if}
				{#each book.varieties.length > 1 ? book.varieties : [] as v (v.name)}<li class="py-1.5">
						<b>{v.name}</b>: {sayCount(v.packs, 'pack')}{#if v.kept}, kept {percent(v.kept.share)} ({percent(
								v.kept.low
							)} to
							{percent(v.kept.high)}){/if}{v.thrown > 0 ? `, ${v.thrown} thrown` : ', none thrown'}
					</li>{/each}
			</ul>
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
		<h2 class="text-xl">{next ? next.year : 'Next year'}</h2>
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
				<b class="head text-4xl text-rim">{kg(next.raw_kg)}</b> to come in
				<span class="block text-soft"
					>{next.high_kg > next.low_kg * 1.001
						? `between ${kg(next.low_kg)} and ${kg(next.high_kg)}`
						: 'by what was weighed'}{#if next.last_kg > 0}; the year before it was {kg(next.last_kg)}{/if}</span
				>
			</p>
			{#if next.plants !== null && next.plant_kg !== null}
				<p class="mt-2">
					<b class="head text-6xl leading-none text-rim">{next.plants}</b> <b class="head text-2xl">plants</b>
					<span class="block text-soft"
						>between {next.plantsLow} and {next.plantsHigh}; one bears {kg(next.plant_kg)}</span
					>
				</p>
			{:else if next.buy}<p class="mt-2">or bought for about <b>{next.buy}</b>, by the last price paid</p>{/if}
			{#if next.byMonth_kg.some((m) => m > 0)}
				<svg
					viewBox="0 0 240 70"
					class="mt-3 block w-full"
					role="img"
					aria-label="Kilos to come in by month: {next.byMonth_kg
						.map((m, i) => (m > 0 ? `${monthNames[i]} ${kg(m)}` : ''))
						.filter(Boolean)
						.join(', ')}"
				>
					{#each next.byMonth_kg as m, i (i)}
						<rect x={i * 20 + 2} width="16" y={52 - (50 * m) / most} height={(50 * m) / most} class="month" />
						<text x={i * 20 + 10} y="66" text-anchor="middle" class="letter">{months[i]}</text>
					{/each}
					<line x1="0" x2="240" y1="52.5" y2="52.5" class="ground" />
				</svg>
			{/if}
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
		<form method="POST" action="?/planting" use:enhance={withNotice({ reset: false })} class="mt-5">
			<Marks />
			<h3 class="text-lg">In the garden in {book.planting.year}</h3>
			<input type="hidden" name="year" value={book.planting.year} />
			<label class="field mt-1"
				><span>plants</span><input
					name="plants"
					inputmode="numeric"
					maxlength="6"
					autocomplete="off"
					value={book.planting.plants ?? ''}
					placeholder={next?.plants ? `${next.plants}` : ''}
				/></label
			>
			<div class="mt-2 grid grid-cols-2 gap-2">
				{#each windows as [name, words] (name)}
					<label class="field"><span>{words}</span><input type="date" {name} value={book.planting[name] ?? ''} /></label
					>
				{/each}
			</div>
			<button class="btn mt-2">Write into {book.planting.year}</button>
		</form>
		<p class="mt-4"><a href="/book/plan">The plan of the whole year</a>, <a href="/book/prices">prices</a></p>
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
	.month {
		fill: var(--rim);
	}
	.letter {
		font-size: 11px;
		fill: var(--soft);
	}
	.ground {
		stroke: var(--rim);
		stroke-width: 1.5;
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
