<script lang="ts">
	import { untrack } from 'svelte';
	import { Dialog } from 'bits-ui';
	import { kindOf, type Tap } from '$core/runs/kinds';
	import type { RunSession } from './run-session.svelte';

	/** When it went otherwise than planned: what to do, a tap away. */
	let {
		session,
		now,
		open = $bindable(),
		ontap
	}: { session: RunSession; now: number; open: boolean; ontap: (tap: Tap) => void } = $props();
	/** What somebody unfolded stays so, whatever comes in from elsewhere meanwhile. */
	let unfolded = $state<Record<string, boolean>>({});
	// As it is when it is opened or tapped, not anew at every tick.
	const list = $derived(
		open
			? kindOf(session.plan).troubles(
					session.plan,
					session.state,
					untrack(() => now)
				)
			: []
	);
</script>

<Dialog.Root bind:open>
	<Dialog.Trigger class="btn">What now?</Dialog.Trigger>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
		<Dialog.Content
			class="rimmed fixed top-1/2 left-1/2 z-50 max-h-[90dvh] w-[min(40rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto p-6"
		>
			<Dialog.Title class="head text-2xl">What now?</Dialog.Title>
			<Dialog.Description class="text-soft">When it went otherwise than planned.</Dialog.Description>
			{#each list as t (t.id)}
				{@const is = unfolded[t.id] ?? t.id === 'too-long'}
				<details class="mt-3 border-t border-line pt-2" open={is}>
					<!-- Said at once, not by the browser a moment later: a tap from elsewhere in between would fold it up again. -->
					<summary
						class="head text-lg"
						onclick={(e) => {
							e.preventDefault();
							unfolded[t.id] = !is;
						}}>{t.title}</summary
					>
					<ul class="mt-1 list-disc space-y-1 pl-5">
						{#each t.advice as a, aNth (aNth)}<li>{a}</li>{/each}
					</ul>
					<p class="mt-2 flex flex-wrap gap-2">
						{#each t.choices as c, cNth (cNth)}<button
								class="btn"
								onclick={() => {
									ontap(c.tap);
									open = false;
								}}>{c.label}</button
							>{/each}
					</p>
				</details>
			{/each}
			<Dialog.Close class="btn btn-full mt-5">Back to the stove</Dialog.Close>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
