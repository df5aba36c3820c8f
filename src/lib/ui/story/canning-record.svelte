<script lang="ts">
	import { kPaOf } from '$core/canning/find-process';
	import { heatWords, lostWords, restartWords, wordWords } from '$core/canning/record-words';
	import type { CanningLog } from '$core/runs/engine/book';
	import { boardOf } from '$core/runs/kinds/can/board';
	import type { CanState } from '$core/runs/kinds/can/fold';
	import { mark_Pa, type CanPlan } from '$core/runs/kinds/can/plan';
	import { sayDate, sayTime } from '$core/quantities/dates';
	import { sayDuration, sayPressure, type Units } from '$core/quantities/format';
	import GaugeChart from '$lib/ui/run/gauge-chart.svelte';

	/** The process of these jars, load by load, with its gauge against the clock: the record that is printed and kept. */
	let {
		log,
		plan,
		state,
		units,
		zone
	}: { log: CanningLog; plan: CanPlan; state: CanState; units: Units; zone: string } = $props();
</script>

<section class="mt-8 break-inside-avoid" aria-label="Canning record">
	<h2 class="text-xl">Canning record</h2>
	<dl class="mt-2 grid grid-cols-[auto_1fr] gap-x-5 gap-y-0.5">
		<dt class="text-soft">product</dt>
		<dd class="font-semibold">{log.product}, {log.style} pack, {log.jar}s</dd>
		<dt class="text-soft">heated in</dt>
		<dd class="font-semibold">
			{heatWords[log.heat] ?? log.heat}{log.psi === null
				? ''
				: `, ${sayPressure(log.psi, kPaOf(log.psi), units)} by a ${log.gauge === 'dial' ? 'dial' : 'weight'}`}, {log.canner}
		</dd>
		<dt class="text-soft">altitude</dt>
		<dd class="font-semibold">{Math.round(log.altitude_m)} m</dd>
		{#if log.dialTested}<dt class="text-soft">dial tested</dt>
			<dd class="font-semibold">{sayDate(log.dialTested)}</dd>{/if}
		<dt class="text-soft">table</dt>
		<dd>{log.table}</dd>
	</dl>
	<div class="mt-3 overflow-x-auto">
		<table class="w-full border-collapse">
			<thead class="border-b-2 border-rim text-left text-sm text-soft"
				><tr
					><th class="py-1.5">Load</th><th>jars</th>{#if log.loads.some((l) => l.acid)}<th>acid in each</th
						>{/if}{#if log.heat === 'pressure'}<th>vented</th>{/if}<th>held</th><th class="text-right">by the table</th
					><th class="text-right">held for</th></tr
				></thead
			>
			<tbody class="ruled">
				{#each log.loads as l (l.n)}
					<tr
						><td class="py-1.5">{l.n}</td><td>{l.jars}</td>{#if log.loads.some((x) => x.acid)}<td>{l.acid ?? ''}</td
							>{/if}{#if log.heat === 'pressure'}<td
								>{l.ventFrom !== null && l.ventTo !== null
									? `${sayTime(l.ventFrom, zone)} to ${sayTime(l.ventTo, zone)}`
									: ''}</td
							>{/if}<td>{sayTime(l.heldFrom, zone)} to {sayTime(l.heatOff, zone)}</td><td class="text-right"
							>{l.minutes} min</td
						><td class="text-right font-bold">{sayDuration((l.heatOff - l.heldFrom) / 1000)}</td></tr
					>
				{/each}
			</tbody>
		</table>
	</div>
	{#each log.loads as l (l.n)}
		{#if l.restarts.length + l.words.length > 0}
			<ul class="mt-2 list-disc pl-5 text-[15px]">
				{#each l.restarts as r, i (i)}<li>
						Load {l.n}, {sayTime(r.at, zone)}: {restartWords[r.why] ?? r.why}{lostWords(r.lost_s)}.
					</li>{/each}
				{#each l.words as w, i (i)}<li>
						Load {l.n}, {sayTime(w.from, zone)} to {sayTime(w.to, zone)} without a reading: {wordWords(w.word)}.
					</li>{/each}
			</ul>
		{/if}
	{/each}
	{#if log.heat === 'pressure'}
		<div class="mt-3 grid gap-4 lg:grid-cols-2">
			{#each state.loads.filter((l) => log.loads.some((x) => x.n === l.n)) as load (load.n)}
				{@const board = boardOf(plan, { ...state, loads: [load] }, load.doneAt ?? 0)}
				{#if load.readings.some((r) => r.Pa !== null) && board}
					<figure class="min-w-0">
						<figcaption class="head">Load {load.n}: {load.readings.length} readings</figcaption>
						<GaugeChart
							readings={load.readings}
							restarts={load.restarts}
							held={board.held}
							mark_Pa={mark_Pa(plan)}
							from={load.lidAt ?? load.since}
							now={load.readings.at(-1)?.at ?? load.since}
							{units}
							{zone}
						/>
						<details class="mt-1">
							<summary class="text-[15px]">as a table</summary>
							<table class="text-[15px]">
								<thead
									><tr
										><th class="pr-5 text-left">at</th><th class="pr-5 text-left">psi</th><th class="text-left">held</th
										></tr
									></thead
								>
								<tbody
									>{#each load.readings as r, i (i)}<tr
											><td class="pr-5">{sayTime(r.at, zone)}</td><td class="pr-5"
												>{r.Pa === null ? 'weight' : (r.Pa / 6894.757).toFixed(1)}</td
											><td>{r.held ? 'yes' : 'no'}</td></tr
										>{/each}</tbody
								>
							</table>
						</details>
					</figure>
				{/if}
			{/each}
		</div>
	{/if}
	{#if state.handed.length > 0}<p class="mt-2 text-[15px]">
			{#each state.handed as h, i (i)}{i > 0 ? '; ' : ''}{h.to} from {sayTime(h.at, zone)}{/each}.
		</p>{/if}
</section>
