<script lang="ts">
	import { sayAs } from '$core/quantities/dates';
	import { sayCount, sayWeight, type Units } from '$core/quantities/format';

	/** Pickings toward a canner load: what is missing, when it fills, what the oldest allows. */
	let {
		gather,
		zone,
		units
	}: {
		gather: {
			readonly product: string;
			readonly jar: string;
			readonly perLoad: number;
			readonly need_kg: number;
			readonly have_kg: number;
			readonly short_kg: number;
			readonly pickings: number;
			readonly deadline: number | null;
			readonly fills: { readonly likely: number; readonly from: number; readonly to: number } | null;
			readonly verdict: string;
			readonly words: string;
		};
		zone: string;
		units: Units;
	} = $props();
	const day = (at: number) => sayAs(at, zone, 'EEE d MMM');
	const share = $derived(Math.min(1, gather.have_kg / gather.need_kg));
</script>

<div class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1">
	<progress max="1" value={share} aria-label="Toward a canner load"></progress>
	<p>
		A load of <b>{sayCount(gather.perLoad, gather.jar)}</b>, {gather.product}, takes
		<b>{sayWeight(gather.need_kg * 1000, units)}</b>:
		{#if gather.short_kg > 0}<b>{sayWeight(gather.short_kg * 1000, units)} short</b>, with {sayWeight(
				gather.have_kg * 1000,
				units
			)} from {sayCount(gather.pickings, 'picking')}.
		{:else}there {gather.pickings === 1 ? 'is' : 'are'} {sayWeight(gather.have_kg * 1000, units)}.{/if}
		{#if gather.fills}
			Full about <b>{day(gather.fills.likely)}</b> ({day(gather.fills.from)} to {day(gather.fills.to)}).
		{/if}
		{#if gather.short_kg > 0 && gather.deadline !== null && Number.isFinite(gather.deadline)}
			<span class={gather.verdict === 'too late' || gather.verdict === 'close' ? 'font-semibold text-amber' : ''}
				>The oldest is best by {day(gather.deadline)}. {gather.words}</span
			>
		{/if}
	</p>
</div>
