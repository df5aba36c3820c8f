<script lang="ts">
	import { sayTime } from '$core/quantities/dates';
	import { sayClock, sayDuration, sayWeight, type Units } from '$core/quantities/format';
	import type { Tap } from '$core/runs/kinds';
	import { backBy, balanceOf, hour_ms, outFor, weighedOf, type BreakDownState } from '$core/runs/kinds/break-down/fold';
	import type { BreakDownPlan } from '$core/runs/kinds/break-down/plan';
	import WeightField from '$lib/ui/notice/weight-field.svelte';
	import type { RunSession } from './run-session.svelte';

	/** An animal on the table: the parts as a column of kilos, what is expected and what the scale said; the boxes with their clocks. */
	let {
		session,
		units,
		now,
		zone,
		ontap
	}: { session: RunSession; units: Units; now: number; zone: string; ontap: (tap: Tap) => void } = $props();
	const run = $derived(
		session.plan.kind === 'break-down' ? { plan: session.plan, state: session.state as BreakDownState } : null
	);
	let typed = $state<Record<number, number>>({});
	const rows = $derived.by(() => {
		if (!run) return [];
		const { plan, state } = run;
		const { expected } = balanceOf(plan, state);
		return plan.parts.map((part, i) => ({
			part,
			expected: expected[i] ?? 0,
			weighed: weighedOf(state, part.n),
			done: state.done.includes(part.n),
			packs: part.pack_g > 0 ? Math.max(1, Math.round((expected[i] ?? 0) / part.pack_g)) : 0
		}));
	});
	const balance = $derived(run ? balanceOf(run.plan, run.state) : null);
	const most = $derived(Math.max(1, ...rows.map((r) => r.expected)));
	const sum = $derived(rows.reduce((total, r) => total + r.weighed, 0));
	const boxes = $derived.by(() => {
		if (!run) return [];
		const plan: BreakDownPlan = run.plan;
		return run.state.boxes.map((box) => ({
			box,
			name: plan.boxes.find((b) => b.n === box.n)?.name ?? '',
			by: backBy(plan, box),
			left: Math.max(0, plan.out_h * hour_ms - outFor(box, now)),
			used: outFor(box, now)
		}));
	});
	const packWords = (r: (typeof rows)[number]): string =>
		r.packs === 0
			? ''
			: [`${r.packs} × ${sayWeight(r.part.pack_g, units)}`, r.part.bag ?? '', r.part.style].filter(Boolean).join(' · ');
	function weigh(n: number) {
		const grams = Math.round(typed[n] ?? 0);
		if (!run?.plan.cold || grams < 1) return;
		ontap({ type: 'part', part: n, grams, placeId: run.plan.cold.id });
		typed[n] = 0;
	}
</script>

{#if run}
	<p class="text-soft">
		<b class="text-ink">{sayWeight(sum, units)}</b> weighed of {sayWeight(
			run.plan.table_g,
			units
		)}{#if balance && balance.over_g > 0}<b class="text-amber"
				>; {sayWeight(balance.over_g, units)} more than came onto the table: was something weighed twice?</b
			>{/if}
	</p>
	<ul class="mt-2 border-b border-rim">
		{#each rows as r (r.part.n)}
			<li class="border-t border-rim py-2" class:opacity-60={r.done}>
				<div class="flex flex-wrap items-center gap-x-4 gap-y-1">
					<span class="min-w-0 flex-1 basis-40">
						<b class="head block text-lg first-letter:uppercase">{r.part.name}</b>
						<span class="block h-2 bg-wash" aria-hidden="true"
							><span class="block h-2 bg-rim" style:width="{(r.expected / most) * 100}%"></span></span
						>
						<span class="text-[14px] text-soft">{packWords(r)}</span>
						{#if r.part.short > 0}<b class="text-[14px] text-amber">{r.part.short} bags short</b>{/if}
					</span>
					<span class="w-24 text-right"
						><b class="head text-2xl text-rim">{sayWeight(r.expected, units)}</b><span
							class="block text-[13px] text-soft">{r.done ? 'weighed' : 'expected'}</span
						></span
					>
					{#if r.part.food !== null}
						<form
							class="flex flex-wrap items-center gap-2"
							aria-label={r.part.name}
							onsubmit={(e) => {
								e.preventDefault();
								weigh(r.part.n);
							}}
						>
							{#if r.weighed > 0}<span class="text-[15px]"><b>{sayWeight(r.weighed, units)}</b> in the cold</span>{/if}
							{#if !r.done}
								<WeightField
									label="on the scale"
									grams={typed[r.part.n] ?? 0}
									{units}
									width="w-28"
									placeholder="weigh it"
									onweight={(g) => (typed[r.part.n] = g)}
								/>
								<button class="btn" disabled={(typed[r.part.n] ?? 0) < 1}>Into the cold</button>
								<button
									type="button"
									class="btn btn-plain underline"
									onclick={() => ontap({ type: 'part-done', part: r.part.n })}>all of it</button
								>
							{/if}
						</form>
					{/if}
				</div>
			</li>
		{/each}
	</ul>
	<h3 class="mt-4 text-xl">
		Out of the cold <span class="text-base font-normal text-soft">{sayDuration(run.plan.out_h * 3600)} in all</span>
	</h3>
	<ul class="ruled border-y border-line">
		{#each boxes as b (b.box.n)}
			<li class="flex flex-wrap items-center justify-between gap-3 py-1.5">
				<span
					><b class="head text-xl {b.left === 0 ? 'text-red' : 'text-rim'}">{sayClock(b.left / 1000)}</b>
					<b class="inline-block first-letter:uppercase">{b.name}</b>
					<span class="text-soft"
						>{b.box.empty
							? 'empty'
							: b.by !== null
								? `out, back by ${sayTime(b.by, zone)}`
								: b.used > 0
									? 'in the cold, its clock stands'
									: 'in the cold'}</span
					></span
				>
				{#if b.by !== null}<button class="btn" onclick={() => ontap({ type: 'box-back', box: b.box.n })}
						>It is back</button
					>
				{:else if !b.box.empty && b.left > 0}<button
						class="btn"
						onclick={() => ontap({ type: 'box-out', box: b.box.n })}>Out</button
					>{/if}
			</li>
		{/each}
	</ul>
{/if}
