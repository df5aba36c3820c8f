<script lang="ts">
	import Differences from '$lib/ui/tables/differences.svelte';
	import type { PageData } from './$types';
	let { data }: { data: PageData } = $props();
	let only = $state<'all' | 'safety' | 'taste'>('all');
	const shown = $derived(data.practices.filter((p) => only === 'all' || p.safety === (only === 'safety')));
</script>

<h1 class="text-4xl">Where people differ</h1>
<p class="max-w-[46rem] text-lg">
	Good kitchens do things differently. What each school says, the side that Root Jar takes, and why. Where someone can
	be hurt it is not a matter of taste, and the mark is red and says so.
</p>
<label class="field no-print mt-3 w-56"
	><span>show</span>
	<select bind:value={only}>
		<option value="all">all {data.practices.length}</option>
		<option value="safety">where someone can be hurt</option>
		<option value="taste">where it is quality or taste</option>
	</select></label
>
<Differences practices={shown} />
