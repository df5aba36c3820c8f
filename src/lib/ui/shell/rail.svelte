<script lang="ts">
	import { sayClock } from '$core/quantities/format';
	import { sayWhen } from '$core/quantities/dates';
	import type { RailTimer } from '$lib/ui/run/runs-state.svelte';

	let {
		timers,
		second,
		now,
		zone
	}: {
		timers: readonly RailTimer[];
		/** What is opened, thawed or cooked, by when it is eaten. */
		second: readonly { readonly id: string; readonly title: string; readonly by: number }[];
		now: number;
		zone: string;
	} = $props();
	const shown = $derived(timers.slice(0, 6));
	const words = (t: RailTimer) => `${t.label} · ${t.food}${t.unit ? `, ${t.unit}` : ''}`;
</script>

{#if shown.length + second.length > 0}
	<aside aria-label="Running clocks" class="no-print sticky bottom-0 z-20 bg-rim text-onrim">
		<ul class="flex gap-5 overflow-x-auto px-4 py-2 sm:px-6">
			{#each shown as t (t.runId + t.key)}
				{@const left = t.due === null ? null : (t.due - now) / 1000}
				<li class="shrink-0">
					<a
						href="/stove/{t.runId}"
						class="block min-h-11 border-l-4 pl-3 no-underline"
						style="color: inherit; border-color: {left !== null && left <= 0
							? '#ffd27a'
							: 'color-mix(in srgb, currentColor 35%, transparent)'}"
					>
						<b class="head block text-xl leading-tight">
							{#if left === null}
								{sayClock((now - t.since) / 1000)} so far
							{:else if left <= 0}
								now <span class="text-sm font-semibold">due {sayWhen(t.due ?? 0, now, zone)}</span>
							{:else if left > 3600}
								look {sayWhen(t.due ?? 0, now, zone)}
							{:else}
								{sayClock(left)}
							{/if}
						</b>
						<span class="text-[13px] whitespace-nowrap">{words(t)}</span>
					</a>
				</li>
			{/each}
			{#if timers.length > shown.length}
				<li class="self-center text-sm whitespace-nowrap">and {timers.length - shown.length} more</li>
			{/if}
			{#each second as s (s.id)}
				<li class="shrink-0 first:ml-0 sm:ml-auto">
					<a
						href="/supper"
						class="block min-h-11 border-l-4 pl-3 no-underline"
						style="color: inherit; border-color: {s.by <= now
							? '#ffd27a'
							: 'color-mix(in srgb, currentColor 35%, transparent)'}"
					>
						<b class="head block text-xl leading-tight"
							>{s.by <= now ? 'over' : `${Math.max(1, Math.floor((s.by - now) / 3_600_000))} h`}</b
						>
						<span class="text-[13px] whitespace-nowrap">eat: {s.title}</span>
					</a>
				</li>
			{/each}
		</ul>
	</aside>
{/if}
