<script lang="ts">
	import { sayTime } from '$core/quantities/dates';
	import { sayMeasure, sayWeight, type Units } from '$core/quantities/format';
	import { slots, trayView } from '$core/runs/kinds/dry/board';
	import type { Tap } from '$core/runs/kinds';
	import WeightField from '$lib/ui/notice/weight-field.svelte';
	import Scale from '$lib/ui/live/scale.svelte';
	import DryerChart from './dryer-chart.svelte';
	import type { RunSession } from './run-session.svelte';

	/** The dryer from above, tray by tray; one of them opened beside it: its curve, and what can be done with it. */
	let {
		session,
		units,
		now,
		zone,
		at,
		ontap
	}: {
		session: RunSession;
		units: Units;
		now: number;
		zone: string;
		at: string | null;
		ontap: (tap: Tap) => boolean;
	} = $props();
	const run = $derived(
		session.plan.kind === 'dry' && 'power' in session.state ? { plan: session.plan, state: session.state } : null
	);
	const places = $derived(run ? slots(run.plan, run.state, now) : []);
	let picked = $state<number | null>(null);
	let grams = $state<number | null>(null);
	const inside = $derived(places.flatMap((p) => (p.tray ? [p.tray] : [])));
	/** The one that wants hands next. */
	const soonest = $derived(
		[...places].sort((a, b) => (a.at ?? Infinity) - (b.at ?? Infinity)).find((p) => p.tray)?.tray
	);
	const open = $derived(
		inside.find((t) => t.tray === picked) ?? inside.find((t) => at === `t${t.tray}`) ?? soonest ?? null
	);
	const view = $derived(run && open ? trayView(run.plan, run.state, open, now) : null);
	const cooling = $derived(run ? run.state.trays.filter((t) => t.spot === 'cooling') : []);
	const free = $derived(places.filter((p) => !p.tray).map((p) => p.slot));
	const amount = (t: { grams: number | null; mL: number | null }) =>
		t.grams !== null ? sayWeight(t.grams, units) : t.mL !== null ? sayMeasure(t.mL, units) : '';
	const band = $derived(view?.done ? Math.max(5, Math.round((view.done.to - view.done.from) / 2 / 300_000) * 5) : 0);
	const tapped = (tap: Tap) => {
		if (ontap(tap)) grams = null;
	};
</script>

{#if run}
	<div class="board">
		<div class="min-w-0">
			{#if !run.state.power.on}<p class="font-semibold text-amber">The dryer is off.</p>{/if}
			<ol class="rack" data-heater={run.plan.dryer.heater}>
				{#each places as p (p.slot)}
					<li>
						<b class="head n">{p.slot}</b>
						{#if p.tray && p.subject}
							{@const on = open?.tray === p.tray.tray}
							<button
								class="tray"
								class:on
								class:due={p.next === 'feel' || (p.at !== null && p.at <= now)}
								aria-pressed={on}
								onclick={() => {
									picked = p.tray?.tray ?? null;
									grams = null;
								}}
							>
								<span class="name">{p.subject.food.name}</span>
								<span class="in">{amount(p.tray)}, {sayTime(p.tray.loadedAt, zone)}</span>
								<span class="next"
									>{#if p.at !== null}{p.next === 'feel' ? 'feel' : p.next}
										<b class="head">{p.at <= now ? 'now' : sayTime(p.at, zone)}</b>{/if}</span
								>
								<span class="wire" aria-hidden="true"></span>
							</button>
						{:else}<span class="empty">free</span>{/if}
					</li>
				{/each}
			</ol>
			{#if cooling.length > 0}
				<p class="mt-2 text-[15px]">
					<b>Off, cooling:</b>
					{#each cooling as t, i (t.tray)}{i > 0 ? '; ' : ''}{run.plan.subjects
							.find((s) => s.n === t.subject)
							?.food.name.toLowerCase()}{t.dry_g !== null ? `, ${sayWeight(t.dry_g, units)}` : ''} since {sayTime(
							t.since,
							zone
						)}{/each}
				</p>
			{/if}
		</div>
		{#if view && open}
			<section class="rimmed opened" aria-label="Tray {open.slot}">
				<p class="text-[15px] text-soft">
					Tray {open.slot}, {view.subject.food.name.toLowerCase()}, {view.subject.piece}
				</p>
				<h3 class="text-2xl">
					{#if view.done}Dry about {sayTime(view.done.middle, zone)}, ± {band < 60
							? `${band} min`
							: `${Math.round(band / 6) / 10} h`}{:else}The dryer is off.{/if}
				</h3>
				<DryerChart {view} {units} {zone} {now} />
				{#if view.odd}<p class="font-semibold text-amber">
						One of its weighings fits no drying: weighed with the tray, or another one?
					</p>{/if}
				<p class="mt-1"><b>The hand decides, not the clock:</b> {view.subject.test}.</p>
				<div class="mt-2 flex flex-wrap items-end gap-2">
					{#if view.wet_g !== null && !view.subject.forecast.asPrinted}
						<WeightField
							label="on it now, without the tray"
							grams={grams ?? 0}
							placeholder="weigh it"
							{units}
							width="w-36"
							onweight={(g) => (grams = g)}
						/>
						<button
							class="btn"
							disabled={grams === null}
							onclick={() => grams !== null && tapped({ type: 'scale', tray: open.tray, grams: Math.round(grams) })}
							>Weighed</button
						>
					{/if}
					<button
						class="btn"
						onclick={() =>
							tapped({ type: 'pull', tray: open.tray, ...(grams === null ? {} : { grams: Math.round(grams) }) })}
						>Dry: off it comes</button
					>
					<button class="btn" onclick={() => tapped({ type: 'felt', tray: open.tray, found: 'wet' })}>Still wet</button>
					{#if places.length > 1}
						<label class="field"
							><span>to place</span><select
								value=""
								onchange={(e) => {
									const slot = Number(e.currentTarget.value);
									e.currentTarget.value = '';
									if (slot > 0) tapped({ type: 'swap', tray: open.tray, slot });
								}}
								><option value="">…</option>{#each places.filter((p) => p.slot !== open.slot) as p (p.slot)}<option
										value={p.slot}>{p.slot}{free.includes(p.slot) ? ', free' : ''}</option
									>{/each}</select
							></label
						>
					{/if}
				</div>
				<Scale {units} {now} tare onweight={(g) => (grams = g)} />
				<p class="source mt-2">{view.subject.source}; a forecast</p>
			</section>
		{/if}
	</div>
{/if}

<style>
	.board {
		display: grid;
		gap: 16px;
	}
	.rack {
		margin-top: 6px;
		border-inline: 4px solid var(--rim);
		border-bottom: 6px solid var(--rim);
		margin-left: 1.8rem;
		padding-top: 4px;
	}
	.rack li {
		position: relative;
		min-height: 46px;
	}
	.n {
		position: absolute;
		left: -2rem;
		top: 10px;
		font-size: 1.15rem;
		color: var(--rim);
		width: 1.5rem;
		text-align: right;
	}
	.tray {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		column-gap: 8px;
		align-items: baseline;
		width: 100%;
		min-height: 46px;
		padding: 3px 8px 0;
		text-align: left;
		font-size: 15px;
	}
	.tray .name {
		font-weight: 700;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.tray .in {
		grid-column: 1;
		grid-row: 2;
		font-size: 13px;
		color: var(--soft);
	}
	.tray .next {
		grid-row: 1 / span 2;
		grid-column: 2;
		align-self: center;
		font-size: 14px;
	}
	.tray .next b {
		font-size: 1.2rem;
		color: var(--rim);
	}
	.tray.due .next b {
		color: var(--amber);
	}
	.wire {
		grid-column: 1 / -1;
		height: 6px;
		border: 3px solid var(--rim);
		border-top: 0;
		margin-inline: -4px;
	}
	.tray.on {
		background: var(--enamel);
	}
	.tray.on .wire {
		border-width: 5px;
		border-top: 0;
	}
	.empty {
		display: block;
		padding: 12px 8px;
		font-size: 13px;
		color: var(--soft);
		border-bottom: 1px dashed var(--line);
	}
	.opened {
		padding: 14px 18px;
		align-self: start;
	}
	@media (min-width: 72rem) {
		.board {
			grid-template-columns: minmax(0, 20rem) minmax(0, 1fr);
		}
	}
</style>
