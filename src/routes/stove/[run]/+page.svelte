<script lang="ts">
	import { untrack } from 'svelte';
	import type { Clock } from '$lib/ui/clock/clock-state.svelte';
	import Closed from '$lib/ui/run/closed.svelte';
	import Said from '$lib/ui/run/said.svelte';
	import { useClock, useRuns } from '$lib/ui/run/runs-state.svelte';
	import type { RunView } from '$core/runs/wire';
	import { fromWireText } from '$core/runs/wire-text';
	import { sessionOf } from '$lib/ui/run/session-of';
	import Stove from '$lib/ui/run/stove.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const clock = useClock<Clock>();
	const runs = useRuns();
	const session = $derived.by(() => {
		const [wire] = fromWireText<readonly RunView[]>(data.run);
		if (!wire) throw new Error('The page has no run.');
		return untrack(() => sessionOf(runs, wire));
	});
	const units = $derived(data.household.units);
	const now = () => clock.at(Date.now());
</script>

{#if session.state.phase !== 'working'}
	<section class="rimmed mx-auto max-w-2xl p-8">
		<Closed
			{session}
			{units}
			counter={data.things.counter}
			offline={runs.offline}
			ontap={(what) => session.tap(what, now())}
			onopen={() => session.openAgain(now())}
		/>
		<Said {session} {units} />
	</section>
{:else}
	<Stove sessions={[session]} things={data.things} {units} zone={data.household.zone} />
{/if}
