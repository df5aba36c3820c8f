<script lang="ts">
	import { Dialog } from 'bits-ui';
	import { sayWeight, type Units } from '$core/quantities/format';
	import { kindOf, type Tap } from '$core/runs/kinds';
	import type { RunSession } from './run-session.svelte';

	let {
		session,
		units,
		open = $bindable(),
		ontap
	}: { session: RunSession; units: Units; open: boolean; ontap: (tap: Tap) => void } = $props();
	const sums = $derived(kindOf(session.plan).sums(session.plan, session.state));
	let reason = $state('');
</script>

<Dialog.Root bind:open>
	<Dialog.Trigger class="btn btn-plain underline">Stop here and record what there is</Dialog.Trigger>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
		<Dialog.Content
			class="rimmed fixed top-1/2 left-1/2 z-50 w-[min(34rem,94vw)] -translate-x-1/2 -translate-y-1/2 p-6"
		>
			<Dialog.Title class="head text-2xl">Stop this run?</Dialog.Title>
			<Dialog.Description class="mt-1 text-soft">
				Packs booked so far stay. {sayWeight(sums.waiting_g, units)} not yet begun goes back to the Basket; {sayWeight(
					sums.under_g,
					units
				)} under way counts as used.
			</Dialog.Description>
			<label class="field mt-3"
				><span>why (for the book, may be empty)</span><input bind:value={reason} maxlength="300" /></label
			>
			<p class="mt-4 flex flex-wrap gap-3">
				<button
					class="btn btn-full"
					onclick={() => {
						open = false;
						ontap({ type: 'stop', reason });
					}}>Stop and record</button
				>
				<Dialog.Close class="btn">Go on cooking</Dialog.Close>
			</p>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
