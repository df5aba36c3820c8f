<script lang="ts">
	import type { Failed } from '$lib/ui/notice/types';
	import Begin from '$lib/ui/run/begin.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<Begin
	view={data.view}
	lot={data.lot}
	heading="Into the pan: {data.view.amount} {data.view.name}"
	foot="The mark on the stick decides, not the clock."
	failed={form as Failed | null}
/>
