<script lang="ts">
	import { sayCount, sayMinutes, sayTemperature, sayVolume, sayWeight, type Units } from '$core/quantities/format';
	import LineChart from '$lib/ui/chart/line-chart.svelte';
	import NotAdvised from './not-advised.svelte';
	import type { DryShown } from './types';

	/** Drying it: hours with their interval, trays, what is left, and its curve. */
	let {
		dry,
		units
	}: {
		dry: DryShown;
		units: Units;
	} = $props();
	const hours = (h: number) =>
		h < 10 ? `${Math.round(h * 2) / 2}`.replace('.5', '½').replace(/^0½/, '½') : `${Math.round(h)}`;
</script>

<section class="mt-6" aria-labelledby="dryer-title">
	<h2 id="dryer-title" class="text-xl">In the dryer</h2>
	{#if dry.kind === 'refused'}
		<NotAdvised title="Not in the dryer." refusal={dry} />
	{:else}
		{#if dry.usualDryer}<p class="mt-2 font-semibold text-amber">
				There is no dryer in the <a href="/kitchen#dryer">Kitchen</a>: this is for one of {dry.dryer.trays} trays.
			</p>{/if}
		<div class="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(18rem,26rem)_1fr]">
			<div>
				<p>
					<b class="head text-5xl"
						>{dry.asPrinted ? `${dry.printed_h[0]} to ${dry.printed_h[1]} h` : `about ${hours(dry.hours)} h`}</b
					>
				</p>
				{#if !dry.asPrinted}<p class="text-lg">
						<b>{hours(dry.interval_h[0])} to {hours(dry.interval_h[1])} h</b> for nine of ten; look from {hours(
							dry.interval_h[0]
						)} h on
					</p>{/if}
				<p class="text-[15px] text-soft">{dry.why}</p>
				<dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
					<dt class="text-soft">first</dt>
					<dd>
						{#if dry.blanch}<b>{sayMinutes(dry.blanch.minutes)}</b>
							{dry.blanch.dip
								? 'dip in boiling water, to crack the skins'
								: dry.blanch.method === 'water'
									? 'in boiling water, then cold water'
									: 'in steam'}.
						{/if}
						{dry.row.pretreat}
						{#each dry.heat as h, hNth (hNth)}<span class="block font-semibold">{h}</span>{/each}
					</dd>
					<dt class="text-soft">air</dt>
					<dd>{sayTemperature(dry.air_C, units)}, {Math.round(dry.humidity * 100)} % humid from this room’s air</dd>
					<dt class="text-soft">trays</dt>
					<dd>
						<b>{dry.trays.needed}</b> of {sayWeight(dry.trays.perTray_kg * 1000, units)}{#if dry.trays.loads > 1}, in {sayCount(
								dry.trays.loads,
								'load'
							)} of your {dry.dryer.trays}{/if}{#if dry.trays.needed < (dry.dryer.leastTrays ?? 1)}<span
								class="block text-amber"
								>Your dryer wants {dry.dryer.leastTrays} at the least: dry something beside it, or leave empty trays in.</span
							>{/if}
					</dd>
					<dt class="text-soft">done at</dt>
					<dd><b>{sayWeight(dry.trayDry_kg * 1000, units)} a tray</b>, {dry.row.test}</dd>
					<dt class="text-soft">in all</dt>
					<dd>
						<b>{sayWeight(dry.dry_kg * 1000, units)}</b>, {sayCount(dry.jars.quarts, 'quart jar')} ({sayVolume(
							dry.jars.litres,
							units
						)}); {sayWeight(dry.water_kg * 1000, units)} of {dry.asPrinted ? 'water, fat and juice' : 'water'} goes{#if dry.byproduct_kg > 0.005},
							{sayWeight(dry.byproduct_kg * 1000, units)} of peel and trimmings{/if}
					</dd>
					{#if dry.keeps}
						<dt class="text-soft">keeps</dt>
						<dd>
							{dry.keeps.time[0] === dry.keeps.time[1] ? dry.keeps.time[1] : dry.keeps.time.join(' to ')}
							{dry.keeps.time[1] === 1 ? dry.keeps.unit : `${dry.keeps.unit}s`}{#if dry.keeps.at}, {dry.keeps.at}{/if}
							{#if dry.row.blanches && !dry.blanch}<b class="text-amber">not blanched: use it within a month</b>{/if}
						</dd>
					{/if}
					{#if dry.odour}<dt class="text-soft">beside</dt>
						<dd>{dry.odour}</dd>{/if}
				</dl>
				<p class="source mt-2">
					{dry.confidence === 'practice'
						? 'common practice, no published source'
						: `${dry.source} · ${dry.confidence}`}; {dry.asPrinted ? 'hours as printed' : 'a forecast'}: the test by
					hand decides
				</p>
			</div>
			{#if dry.curve}
				<LineChart
					title="What is left on the tray"
					says="Of 100 g that go on, {Math.round(dry.curve.target)} g are left when it is done, after about {hours(
						dry.hours
					)} h ({hours(dry.interval_h[0])} to {hours(dry.interval_h[1])} h)."
					xName="hours"
					yName="g of 100"
					yMin={0}
					yMax={100}
					series={[{ name: 'likely', points: dry.curve.middle, look: 'full' }]}
					band={{ name: 'nine of ten', points: dry.curve.band }}
					levels={[{ y: dry.curve.target, words: `done: ${Math.round(dry.curve.target)} g` }]}
				/>
			{/if}
		</div>
		<ul class="mt-3 list-disc space-y-1 pl-5 text-[15px]">
			{#each dry.cautions as c (c.id)}<li>
					{c.text}
					{#if c.source}<span class="source">({c.source})</span>{/if}
				</li>{/each}
		</ul>
	{/if}
</section>
