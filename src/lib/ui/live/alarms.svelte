<script lang="ts">
	import { sayTime } from '$core/quantities/dates';
	import { sayTemperature, type Units } from '$core/quantities/format';
	import { useLive } from './live-state.svelte';

	/** What an instrument rings for, on every page. */
	let { units, zone }: { units: Units; zone: string } = $props();
	const live = useLive();
</script>

{#each live.alarms as i (i.id)}
	{#if i.alarm}
		<p class="mb-4 rounded-xl border-2 border-red bg-redbg px-4 py-3 font-semibold print:hidden" role="alert">
			{i.name}: {sayTemperature(Math.round(i.alarm.value_C * 10) / 10, units)} since {sayTime(i.alarm.since, zone)}, {i
				.alarm.words}
			<a class="ml-2" href="/kitchen/instruments">Instruments</a>
		</p>
	{/if}
{/each}
