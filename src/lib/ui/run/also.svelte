<script lang="ts">
	import { sayWhen } from '$core/quantities/dates';
	import { sayClock } from '$core/quantities/format';
	import type { Owned } from './stove-state.svelte';
	import type { RunSession } from './run-session.svelte';
	import type { Tap } from '$core/runs/kinds';

	/** What else goes on or could be done: a line each, with its clock and its button; early is asked about. */
	let {
		acts,
		now,
		zone,
		nameOf,
		ontap
	}: {
		acts: readonly Owned[];
		now: number;
		zone: string;
		nameOf: ((who: string) => string) | null;
		ontap: (session: RunSession, tap: Tap) => void;
	} = $props();
	let asking = $state<string | null>(null);
	const figure = (due: number | null, since: number): string => {
		if (due === null) return `${sayClock((now - since) / 1000)} so far`;
		const left = (due - now) / 1000;
		return left <= 0
			? `due ${sayWhen(due, now, zone)}`
			: left > 3600
				? `look ${sayWhen(due, now, zone)}`
				: sayClock(left);
	};
</script>

<ul class="ruled">
	{#each acts as { act, session, key, who } (key)}
		{@const button = act.button}
		<li class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-2">
			<span class="min-w-0 flex-1 basis-60 text-[15px]"
				>{#if nameOf}<b>{nameOf(who)}:</b>
				{/if}<b>{act.sentence}</b> <span class="text-soft">{act.short}</span></span
			>
			{#if act.clock}<b class="head text-lg {act.due !== null && act.due <= now ? 'text-amber' : ''}"
					>{figure(act.due, act.since)}</b
				>{/if}
			{#if button && !act.asks}
				{#if act.ready}<button class="btn" onclick={() => ontap(session, button.tap)}>{button.label}</button>
				{:else if asking === key}<button
						class="btn"
						onclick={() => {
							asking = null;
							ontap(session, button.tap);
						}}>Yes, early: {button.label.toLowerCase()}</button
					>
				{:else}<button
						class="btn btn-plain underline"
						aria-label="Early? {act.short}: {button.label}"
						onclick={() => (asking = key)}>early?</button
					>{/if}
			{/if}
		</li>
	{/each}
</ul>
