<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayAs, sayDate } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { dateIn } from '$core/freezing/keep';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import type { PageData } from './$types';

	/** The plan that was taken: day by day, each step with its Start; what it takes of the drawer; for the kitchen wall. */
	let { data }: { data: PageData } = $props();
	const { plan } = $derived(data);
	const units = $derived(data.household.units);
	const zone = $derived(data.household.zone);
	const kg = (grams: number) => sayWeight(Math.round(grams), units);
	const steps = $derived(plan.days.flatMap((d) => d.steps));
	const hands = $derived(plan.days.reduce((sum, d) => sum + d.hands_s, 0));
	const today = $derived(dateIn(zone, data.now));
	const dayName = (on: string) => (on === today ? 'Today' : on < today ? `Left from ${sayDate(on)}` : sayDay(on));
	const sayDay = (on: string) => sayAs(Date.parse(`${on}T12:00:00Z`), 'UTC', 'EEEE d MMMM');
	const amount = (n: number, unit: string) => (unit === 'kg' ? kg(n * 1000) : `${Math.ceil(n - 1e-6)}`);
	const short = (t: (typeof plan.takes)[number]) => (t.have === null ? 0 : Math.max(0, t.need - t.have));
	const toGet = $derived(plan.takes.filter((t) => short(t) > 0.01 || t.have === null));
</script>

{#if steps.length === 0}
	<section class="py-14 text-center">
		<h1 class="text-3xl">Nothing is planned.</h1>
		<p class="mt-2 text-soft">
			The haul is shared out under Ways; what is taken there as the plan stands here day by day.
		</p>
		<p class="mt-6"><a class="btn btn-full" href="/ways">Share the haul out</a></p>
	</section>
{:else}
	<TwoColumns label="plan-title">
		<h1 id="plan-title" class="text-2xl leading-tight sm:text-3xl">
			<b class="figure">{steps.length}</b>
			{steps.length === 1 ? 'step' : 'steps'}, <b class="figure">{sayDuration(hands)}</b> of hands
		</h1>
		{#each plan.days as day (day.on)}
			<h2 class="mt-5 flex flex-wrap items-baseline gap-x-3 border-b-2 border-rim pb-1 text-xl">
				{dayName(day.on)}
				<span class="text-base font-normal text-soft"
					>{sayDuration(day.hands_s)} of hands{#if day.freeze_kg > 0.05}, {kg(day.freeze_kg * 1000)} into the freezer{/if}{#if day.ice_kg > 0.05},
						{kg(day.ice_kg * 1000)} of ice{/if}</span
				>
			</h2>
			<ul>
				{#each day.steps as s (`${s.lotId} ${s.slug}`)}
					<li class="step">
						<b class="head text-xl">{kg(s.grams)}</b>
						<span class="min-w-0"
							><span class="font-semibold first-letter:uppercase">{s.lot}</span>,
							{#if s.href}<a class="lowercase" href={s.href}>{s.way}</a>{:else}<span class="lowercase">{s.way}</span
								>{/if}
							<span class="block text-[15px] text-soft"
								>{s.packs > 0 ? sayCount(s.packs, s.each) : 'no whole pack'} · {sayDuration(s.hands_s)} of hands · {sayDuration(
									s.elapsed_s
								)} until put away</span
							></span
						>
						<span class="go">
							{#if s.start.kind === 'start'}
								<form method="POST" action="/ways/{s.lotId}/{s.slug}?/start" use:enhance={withNotice()}>
									<Marks />
									<input type="hidden" name="way" value={s.slug} />
									{#each Object.entries(s.says) as [name, value] (name)}<input type="hidden" {name} {value} />{/each}
									<button class="btn btn-full" aria-label="Start: {s.lot}, {s.way}">Start</button>
								</form>
							{:else if s.start.kind === 'page'}
								<a class="btn btn-full" href={s.start.href} aria-label="{s.start.words}: {s.lot}, {s.way}">Start</a>
							{:else}<span class="text-soft">{s.start.words}</span>{/if}
						</span>
					</li>
				{/each}
			</ul>
		{/each}
		{#snippet beside()}
			<button class="btn btn-full no-print w-full text-lg" onclick={() => print()}>Print it for the wall</button>
			{#if toGet.length > 0}
				<h2 class="mt-4 text-lg">To get</h2>
				<ul>
					{#each toGet as t (t.name)}
						<li class="border-t border-line py-1.5">
							{#if t.have === null}<b class="head text-lg">{amount(t.need, t.unit)}</b>
								{t.name}: <span class="text-soft">nobody has counted what lies there</span>
							{:else}<b class="head text-lg text-amber">{amount(short(t), t.unit)}</b> {t.name}{/if}
						</li>
					{/each}
				</ul>
			{/if}
			<h2 class="mt-4 text-lg">What it takes</h2>
			<ul>
				{#each plan.takes as t (t.name)}
					<li class="flex justify-between gap-3 border-t border-line py-1.5">
						<span>{t.name}</span>
						<span><b>{amount(t.need, t.unit)}</b>{t.have === null ? '' : ` of ${amount(t.have, t.unit)}`}</span>
					</li>
				{/each}
			</ul>
			{#if plan.rest.length > 0}
				<h2 class="mt-4 text-lg">Not in the plan</h2>
				<ul>
					{#each plan.rest as r (r.lotId)}
						<li class="border-t border-line py-1.5">
							<b>{kg(r.grams)}</b>
							{r.lot},
							<span class="text-soft"
								>{r.bestBy < data.now ? 'past its best since' : 'by'} {sayAs(r.bestBy, zone, 'EEE d MMM')}</span
							>
						</li>
					{/each}
				</ul>
			{/if}
			<form class="no-print mt-5" method="POST" action="?/drop" use:enhance={withNotice()}>
				<Marks />
				<button class="btn">Let go of the plan</button>
				<a class="btn btn-plain underline" href="/ways">Share it out anew</a>
			</form>
		{/snippet}
	</TwoColumns>
{/if}

<style>
	.step {
		display: grid;
		grid-template-columns: 5.5rem minmax(0, 1fr) auto;
		gap: 4px 14px;
		align-items: center;
		padding: 8px 0;
		border-top: 1px solid var(--line);
	}
	@media (max-width: 480px) {
		.step {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.step > :nth-child(2) {
			grid-column: 1 / -1;
			grid-row: 2;
		}
	}
	@media print {
		.go {
			visibility: hidden;
		}
	}
</style>
