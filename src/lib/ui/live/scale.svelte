<script lang="ts">
	import { sayWeight, type Units } from '$core/quantities/format';
	import { useLive } from './live-state.svelte';
	import type { LiveInstrument } from './types';

	/**
	 * What the scales show now, a tap away from the field: it fills the field and is still to be tapped as weighed. One that
	 * moves, is silent or is not believed offers nothing.
	 */
	let { units, now, tare, onweight }: { units: Units; now: number; tare: boolean; onweight: (grams: number) => void } =
		$props();
	const live = useLive();
	/** Asked anew with every tick: what was said a while ago is not of now. */
	const scales = $derived(now > 0 ? live.scales(Date.now()) : []);
	const grams = (s: LiveInstrument) => Math.round((s.standing.reading?.value ?? 0) - (tare ? s.tare_g : 0));
</script>

{#each scales as s (s.id)}
	<p class="mt-1 flex min-h-11 flex-wrap items-center gap-x-3 text-[15px]">
		<span class="text-soft">{s.name}{tare && s.tare_g > 0 ? `, less ${sayWeight(s.tare_g, units)} of tray` : ''}:</span>
		{#if s.standing.is === 'steady' && grams(s) > 0}
			<b class="head text-xl">{sayWeight(grams(s), units)}</b> <b class="text-leaf">steady</b>
			<button type="button" class="btn" onclick={() => onweight(grams(s))}>Take it</button>
		{:else if s.standing.is === 'steady'}<b>nothing on it</b>
		{:else if s.standing.is === 'moving'}<b class="head text-xl">{sayWeight(Math.max(0, grams(s)), units)}</b>
			<span class="text-soft">comes to rest</span>
		{:else if s.standing.is === 'faulty'}<b class="text-amber">{s.standing.reading.fault}</b>
		{:else}<span class="text-soft">silent</span>{/if}
	</p>
{/each}
