<script lang="ts">
	import type { Failed } from '$lib/ui/notice/types';
	import Begin from '$lib/ui/run/begin.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<Begin
	view={data.view}
	lot={data.lot}
	heading="In whole sets: {data.view.amount} {data.view.name}"
	foot="Every cup is counted, whoever comes in."
	failed={form as Failed | null}
/>
