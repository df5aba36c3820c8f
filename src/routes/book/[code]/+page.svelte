<script lang="ts">
	import SendLabels from '$lib/ui/notice/send-labels.svelte';
	import LabelsNote from '$lib/ui/notice/labels-note.svelte';
	import { sayAs, sayDate } from '$core/quantities/dates';
	import { sayClock, sayDuration, sayWeight } from '$core/quantities/format';
	import { foldRun } from '$core/runs/kinds';
	import Differences from '$lib/ui/run/differences.svelte';
	import CanningRecord from '$lib/ui/story/canning-record.svelte';
	import DriedTrays from '$lib/ui/story/dried-trays.svelte';
	import RunChart from '$lib/ui/story/run-chart.svelte';
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const units = $derived(data.household.units);
	const zone = $derived(data.household.zone);
	const b = $derived(data.batch);
	const c = $derived(b.closing);
	const run = $derived(data.run ? foldRun(data.run.plan, data.run.startedAt, data.run.events) : null);
	const percent = (x: number) => `${Math.round(x * 100)} %`;
	const stageNames: Record<string, string> = {
		return: 'back to the boil',
		blanch: 'in the heat',
		chill: 'in the ice',
		drain: 'draining',
		freeze: 'until firm'
	};
	const stages = $derived(Object.keys(stageNames).filter((s) => c.potfuls.some((p) => p.stages[s] !== undefined)));
</script>

<div class="flex flex-wrap items-start justify-between gap-4">
	<div>
		<h1 class="text-3xl first-letter:uppercase">{b.title}</h1>
		<p class="text-lg text-soft">
			{b.way} · packed {sayDate(b.packedOn)} · use first by {sayDate(b.keepsUntil)} · <b class="text-ink">{b.code}</b>
		</p>
		{#if b.voided}<p class="font-semibold text-amber">
				The run was opened again: this entry counts when it is closed.
				{#if data.run?.open}<a href="/stove/{data.run.id}">To the run</a>{/if}
			</p>{/if}
	</div>
	<p class="no-print flex gap-2">
		<a class="btn" href="/book/{b.code}/labels" target="_blank" rel="noopener">Labels</a><SendLabels
			href="/book/{b.code}/labels"
			printers={data.printers}
		/>{#if c.canning}<a class="btn" href="/book/{data.batch.code}/record.pdf" target="_blank" rel="noopener"
				>Canning record, PDF</a
			>{/if}<button class="btn" onclick={() => print()}>Print</button>
	</p>
</div>
{#if data.run && data.run.differences.length > 0}
	<Differences runId={data.run.id} differences={data.run.differences} {units} />
{/if}
<div class="no-print max-w-3xl"><LabelsNote /></div>

<dl class="mt-5 grid grid-cols-2 gap-y-4 border-y-2 border-rim py-4 sm:grid-cols-5">
	<div>
		<dt class="text-sm text-soft">in</dt>
		<dd class="head text-3xl font-bold">{sayWeight(c.raw_g, units)}</dd>
	</div>
	<div>
		<dt class="text-sm text-soft">out</dt>
		<dd class="head text-3xl font-bold">{sayWeight(c.packed_g, units)}</dd>
	</div>
	<div>
		<dt class="text-sm text-soft">kept of it</dt>
		<dd class="head text-3xl font-bold">{c.yield === null ? 'none' : percent(c.yield)}</dd>
		{#if data.tableYield}<dd class="source">
				table: {percent(data.tableYield.value)}, {data.tableYield.confidence}
			</dd>{/if}
	</div>
	<div>
		<dt class="text-sm text-soft">packs</dt>
		<dd class="head text-3xl font-bold">{c.packs}</dd>
		<dd class="text-sm text-soft">{data.left} left</dd>
	</div>
	<div>
		<dt class="text-sm text-soft">start to away</dt>
		<dd class="head text-3xl font-bold">{sayDuration(c.elapsed_s)}</dd>
		<dd class="text-sm text-soft">
			hands {b.handsSaid_s === null ? 'about ' : ''}{sayDuration(b.handsSaid_s ?? c.hands_s)}{b.handsSaid_s === null
				? ''
				: `, planned ${sayDuration(c.hands_s)}`}{c.energy_kWh === undefined
				? ''
				: `, ${c.energy_kWh < 10 ? c.energy_kWh.toFixed(1) : Math.round(c.energy_kWh)} kWh`}
		</dd>
	</div>
</dl>
{#if !b.voided && c.raw_g > 0}
	<details class="no-print mt-3">
		<summary class="cursor-pointer underline">What did hands really take?</summary>
		<Faults failed={form as Failed | null} />
		<form
			method="POST"
			action="?/hands"
			use:enhance={withNotice({ reset: false })}
			class="mt-2 flex flex-wrap items-end gap-3"
		>
			<Marks />
			{#each [{ name: 'hours', most: 3, value: Math.floor((b.handsSaid_s ?? 0) / 3600) }, { name: 'minutes', most: 2, value: Math.round(((b.handsSaid_s ?? 0) % 3600) / 60) }] as f (f.name)}
				<label class="field w-24"
					><span>{f.name}</span><input
						name={f.name}
						inputmode="numeric"
						maxlength={f.most}
						autocomplete="off"
						value={b.handsSaid_s === null ? '' : f.value}
					/></label
				>
			{/each}
			<button class="btn">Write it down</button>
		</form>
		<p class="mt-1 text-sm text-soft">
			The clock cannot see hands. Hours a kilo go by your word; from the second run that froze or dried this cut, the
			next plan’s knife does too. Empty, it is the plan’s word again.
		</p>
	</details>
{/if}
{#if c.supper_g > 0}<p class="mt-2">{sayWeight(c.supper_g, units)} went to supper.</p>{/if}
<p class="mt-3"><b>How to use:</b> {b.use}</p>

<div class="mt-6 grid gap-8 lg:grid-cols-2">
	<section>
		<h2 class="text-xl">Where it stands</h2>
		<ul class="ruled border-y border-line">
			{#each data.lots as l (l.id)}<li class="flex justify-between gap-3 py-2">
					<span
						>{l.place}{#if l.container}<span class="text-soft">, {l.container}</span>{/if}</span
					><b>{l.left}</b>
				</li>{:else}<li class="py-2 text-soft">Nothing was packed.</li>{/each}
		</ul>
		<p class="no-print mt-2"><a href="/shelves">Take from the Shelves</a></p>
		{#if data.went.length > 0}
			<h2 class="mt-6 text-xl">What went into it</h2>
			<ul class="ruled border-y border-line" aria-label="What went into it">
				{#each data.went as w (w.id)}<li class="flex justify-between gap-3 py-2">
						<span
							>{#if w.code}<a href="/book/{w.code}">{w.title}</a>{:else}{w.title}{/if}
							<span class="text-soft">since {sayDate(w.since)}</span></span
						><b>{w.amount}</b>
					</li>{/each}
			</ul>
		{/if}
		<h2 class="mt-6 text-xl">What happened since</h2>
		<ol class="ruled border-y border-line">
			{#each data.moves as m (m.id)}<li class="flex justify-between gap-3 py-1.5 text-[15px]">
					<span
						>{sayAs(m.at, zone, 'd MMM yyyy, HH:mm')} · {m.reversesId ? 'undone: ' : ''}{m.verb}{m.cause &&
						m.cause !== 'undo'
							? ` (${m.cause})`
							: ''} <span class="text-soft">{m.by}</span></span
					><span class="whitespace-nowrap">{m.amount}</span>
				</li>{/each}
		</ol>
	</section>
	{#if data.planned}
		{@const p = data.planned}
		<section>
			<h2 class="text-xl">Actual against plan</h2>
			<table class="w-full border-collapse">
				<thead class="border-b-2 border-rim text-left text-sm text-soft"
					><tr><th class="py-1.5">What</th><th class="text-right">planned</th><th class="text-right">actual</th></tr
					></thead
				>
				<tbody class="ruled">
					<tr
						><td class="py-1.5">Prepared</td><td class="text-right">{sayWeight(p.load_g, units)}</td><td
							class="text-right font-bold">{sayWeight(c.load_g, units)}</td
						></tr
					>
					<tr
						><td class="py-1.5">Packed</td><td class="text-right">{sayWeight(p.packed_g, units)}</td><td
							class="text-right font-bold">{sayWeight(c.packed_g, units)}</td
						></tr
					>
					<tr
						><td class="py-1.5">Start to away</td><td class="text-right">{sayDuration(p.elapsed_s)}</td><td
							class="text-right font-bold">{sayDuration(c.elapsed_s)}</td
						></tr
					>
				</tbody>
			</table>
			{#if c.trays && c.trays.length > 0}<DriedTrays trays={c.trays} {units} />{/if}
			{#if c.potfuls.length > 0 && stages.length > 0}
				<h3 class="mt-5 text-lg">Potfuls</h3>
				<div class="overflow-x-auto">
					<table class="w-full border-collapse text-[15px]">
						<thead class="border-b-2 border-rim text-left text-sm text-soft"
							><tr
								><th class="py-1.5">No.</th><th class="text-right">weight</th>{#each stages as s, sNth (sNth)}<th
										class="pl-3 text-right"
										>{stageNames[s]}{#if p.stages[s]}<span class="block font-normal">plan {sayClock(p.stages[s])}</span
											>{/if}</th
									>{/each}<th class="pl-3">became</th></tr
							></thead
						>
						<tbody class="ruled">
							{#each c.potfuls as q (q.n)}<tr
									><td class="py-1.5">{q.n}</td><td class="text-right">{sayWeight(q.grams, units)}</td
									>{#each stages as s, sNth (sNth)}<td class="pl-3 text-right"
											>{q.stages[s] === undefined ? '' : sayClock(q.stages[s])}</td
										>{/each}<td class="pl-3">{q.outcome === 'firm' ? 'packs' : q.outcome}</td></tr
								>{/each}
						</tbody>
					</table>
				</div>
			{/if}
			{#if run && run.notes.length > 0}<h3 class="mt-4 text-lg">Notes</h3>
				<ul class="list-disc pl-5">
					{#each run.notes as n (n.at)}<li>{n.text}</li>{/each}
				</ul>{/if}
			{#if data.batch.again}<p class="mt-2">
					<b>Again?</b>
					{{ yes: 'Yes, just so.', changed: 'Yes, but otherwise.', no: 'No.' }[data.batch.again]}
					{data.batch.change}
				</p>{/if}
			{#if run?.stopReason}<p class="mt-2"><b>Stopped:</b> {run.stopReason}</p>{/if}
		</section>
	{/if}
</div>
{#if c.canning && data.run?.plan.kind === 'can' && run && 'printed' in run}<CanningRecord
		log={c.canning}
		plan={data.run.plan}
		state={run}
		{units}
		{zone}
	/>{/if}
{#if run && data.run && 'potfuls' in run}<section class="mt-8">
		<h2 class="mb-2 text-xl">The run on the clock</h2>
		<RunChart food={data.batch.title} subject={data.run.of} state={run} {zone} />
	</section>{/if}
{#if b.byHand && data.lots.length === 0 && !b.voided}
	<Faults failed={form as Failed | null} />
	<form method="POST" action="?/strike" use:enhance={withNotice()} class="no-print mt-6">
		<Marks />
		<p class="text-soft">Written down by hand. <button class="btn btn-plain underline">Strike this entry</button></p>
	</form>
{/if}
