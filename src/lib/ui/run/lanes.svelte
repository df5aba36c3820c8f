<script lang="ts">
	import { sayClock, sayWeight, type Units } from '$core/quantities/format';
	import { sayTime } from '$core/quantities/dates';
	import type { Act, Tap } from '$core/runs/next';
	import type { RunState } from '$core/runs/fold';
	import type { RunPlan } from '$core/runs/plan';

	let {
		plan,
		state: run,
		acts,
		main,
		now,
		zone,
		units,
		ontap
	}: {
		plan: RunPlan;
		state: RunState;
		acts: readonly Act[];
		main: string | null;
		now: number;
		zone: string;
		units: Units;
		ontap: (tap: Tap) => void;
	} = $props();
	/** What is about to be done before its time: asked about once. */
	let asking = $state<string | null>(null);
	const names = { pot: 'Pot', basin: 'Ice', cloth: 'Cloth', freezer: 'Freezer' } as const;
	const lanes = $derived(
		(['pot', 'basin', 'cloth', 'freezer'] as const)
			.filter((r) => plan.stages.some((s) => s.resource === r))
			.map((resource) => ({
				resource,
				name: names[resource],
				timers: run.timers.filter((t) => t.resource === resource)
			}))
	);
	const waiting = $derived(run.potfuls.filter((p) => p.spot === 'waiting'));
	const firm = $derived(run.potfuls.filter((p) => p.spot === 'firm'));
	const actOf = (key: string) => acts.find((a) => a.key === key && a.key !== main);
</script>

<h2 class="text-xl">Going on</h2>
<ul class="ruled">
	{#each lanes as lane (lane.resource)}
		<li class="py-2.5">
			<h3 class="text-lg">{lane.resource === 'pot' && plan.pot ? plan.pot.name : lane.name}</h3>
			{#each lane.timers as t (t.key)}
				{@const left = t.due === null ? null : (t.due - now) / 1000}
				{@const part = t.due === null ? null : Math.min(1, Math.max(0, (now - t.since) / (t.due - t.since)))}
				{@const act = actOf(t.key)}
				<div class="mt-1.5">
					<div class="flex items-baseline justify-between gap-2">
						<span class="text-[15px]">{t.potful ? `potful ${t.potful}, ` : ''}{t.label}</span>
						<b class="head text-lg {left !== null && left <= 0 ? 'text-amber' : ''}">
							{#if left === null}{sayClock((now - t.since) / 1000)} so far{:else if left <= 0}due {sayTime(
									t.due ?? 0,
									zone
								)}{:else if left > 3600}look {sayTime(t.due ?? 0, zone)}{:else}{sayClock(left)}{/if}
						</b>
					</div>
					{#if part !== null}
						<div class="h-3 overflow-hidden rounded-full border-2 border-rim bg-enamel" aria-hidden="true">
							<div class="h-full bg-rim" style="width: {part * 100}%"></div>
						</div>
					{/if}
					{#if act?.button}
						{@const tap = act.button.tap}
						{#if act.ready}
							<button class="btn mt-1.5 w-full" onclick={() => ontap(tap)}>{act.button.label}</button>
						{:else if asking === act.key}
							<button
								class="btn mt-1.5 w-full"
								onclick={() => {
									asking = null;
									ontap(tap);
								}}>Yes, early: {act.button.label.toLowerCase()}</button
							>
						{:else}
							<button
								class="btn btn-plain -ml-2 underline"
								aria-label="Early? Potful {t.potful}: {act.button.label}"
								onclick={() => (asking = act.key)}>early?</button
							>
						{/if}
					{/if}
				</div>
			{:else}
				<p class="text-[15px] text-soft">
					{#if lane.resource === 'pot' && waiting.length > 0}
						{run.kettle.state === 'boiling' || !plan.pot ? 'free' : run.kettle.state === 'heating' ? 'heating' : 'cold'}
						{@const goIn = acts.find((a) => a.kind === 'in' && a.key !== main)}
						{#if goIn?.button}{@const tap = goIn.button.tap}<button class="btn mt-1.5 w-full" onclick={() => ontap(tap)}
								>Potful {goIn.about.potful}: {goIn.button.label.toLowerCase()}</button
							>{/if}
					{:else if lane.resource === 'freezer' && firm.length > 0}firm: {firm.length} of {run.potfuls.length}
					{:else}empty{/if}
				</p>
			{/each}
		</li>
	{/each}
	<li class="py-2.5 text-[15px] text-soft">
		{#if waiting.length > 0}{waiting.length}
			{waiting.length === 1 ? 'potful' : 'potfuls'} to come, {sayWeight(
				waiting.reduce((s, p) => s + p.grams, 0),
				units
			)}.{:else if firm.length === run.potfuls.length}All of it is firm.{:else}All of it is under way.{/if}
		{#if plan.ice_kg - run.usedIce_kg > 0.05}Ice: about {sayWeight(
				Math.max(0, plan.ice_kg - run.usedIce_kg) * 1000,
				units
			)} still wanted.{/if}
		{#if run.held}<b class="text-amber">On hold.</b>{/if}
	</li>
</ul>
