<script lang="ts">
	import type { Units } from '$core/quantities/format';
	import type { RunEvent } from '$core/runs/kinds';
	import type { Outbox } from './outbox/outbox.svelte';
	import { v7 as uuidv7 } from 'uuid';

	/** Taps that the server did not take: read here, said again or let go. They stand in nobody's way. */
	let { outbox, household, units, now }: { outbox: Outbox; household: string; units: Units; now: () => number } =
		$props();
	const tray = $derived(outbox.tray.filter((t) => t.household === household));

	/** The same tap, now said to be so, or at a time of its own where the server took its id for another. */
	function again(n: number, event: RunEvent, sure: boolean) {
		const { device: _device, n: _n, ...rest } = event;
		void outbox.again(n, { ...rest, id: uuidv7(), at: rest.at || now(), ...(sure ? { sure: true as const } : {}) });
	}
</script>

{#if outbox.shut}
	<p class="mb-4 rounded-xl border-2 border-red bg-redbg px-4 py-3 font-semibold" role="alert">
		{outbox.shut}
		{outbox.waiting === 1 ? 'A tap waits here.' : `${outbox.waiting} taps wait here.`}
	</p>
{/if}
{#if !outbox.durable && outbox.waiting > 0}
	<p class="mb-4 rounded-xl border-2 border-amber bg-amberbg px-4 py-3 font-semibold" role="alert">
		This browser keeps nothing on the disk: leave this page open until its taps are sent.
	</p>
{/if}
{#if tray.length > 0}
	<section
		id="tray"
		class="mb-4 rounded-xl border-2 border-amber bg-amberbg px-4 py-3"
		aria-label="Taps that were not kept"
	>
		<h2 class="text-lg">
			{tray.length === 1 ? 'A tap was not kept' : `${tray.length} taps were not kept`}
		</h2>
		<ul class="ruled">
			{#each tray as t (t.n)}
				<li class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-2">
					<span class="max-w-3xl min-w-0 flex-1 basis-72"
						>{#await import('$core/runs/kinds') then { sayTap }}<b>{sayTap(t.event, units)}</b>{/await}<span
							>: {t.why}</span
						></span
					>
					<span class="flex flex-wrap gap-2">
						<a class="btn" href="/stove/{t.run}">Look at the run</a>
						<button class="btn btn-full" onclick={() => again(t.n, t.event, t.code === 'SURPRISE')}
							>{t.code === 'SURPRISE' ? 'It is right: keep it' : 'Send it again'}</button
						>
						<button class="btn" onclick={() => void outbox.drop(t.n)}>Let it go</button>
					</span>
				</li>
			{/each}
		</ul>
	</section>
{/if}
