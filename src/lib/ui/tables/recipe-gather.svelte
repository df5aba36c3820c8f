<script lang="ts">
	import { sayAs } from '$core/quantities/dates';
	import { sayCount, sayWeight, type Units } from '$core/quantities/format';
	import { editWeight } from '$core/quantities/parse-weight';

	/** What the basket has toward a set: enough, or what is short, when it fills and what the oldest picking allows. */
	let {
		gather,
		zone,
		units
	}: {
		gather: {
			readonly food: string;
			readonly need_kg: number;
			readonly have_kg: number;
			readonly short_kg: number;
			readonly sets: number;
			readonly deadline: number | null;
			readonly fills: { readonly likely: number; readonly from: number; readonly to: number } | null;
			readonly words: string;
			readonly pickings: number;
		};
		zone: string;
		units: Units;
	} = $props();
	const day = (at: number) => sayAs(at, zone, 'EEE d MMM');
	const have = $derived(sayWeight(gather.have_kg * 1000, units));
</script>

<p class="no-print text-[15px]">
	In the basket: <a
		href="?have={encodeURIComponent(editWeight(Math.round(gather.have_kg * 1000), units))}"
		data-sveltekit-noscroll><b>{have}</b> of {gather.food}</a
	>, from {sayCount(gather.pickings, 'picking')}.
	{#if gather.sets > 0}Enough for <b>{sayCount(gather.sets, 'set')}</b> of {sayWeight(gather.need_kg * 1000, units)}.
	{:else}<b>{sayWeight(gather.short_kg * 1000, units)} short</b> of a set, {sayWeight(gather.need_kg * 1000, units)}.
		{#if gather.fills}Full about {day(gather.fills.likely)} ({day(gather.fills.from)} to {day(gather.fills.to)}).{/if}
		{#if gather.deadline !== null && Number.isFinite(gather.deadline)}The oldest is best by {day(gather.deadline)}. {gather.words}{/if}
	{/if}
</p>
