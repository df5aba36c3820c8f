<script lang="ts">
	import type { Failed } from '$lib/ui/notice/types';
	import Begin from '$lib/ui/run/begin.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<Begin
	view={data.view}
	lot={data.lot}
	heading="Into the crock: {data.view.amount} {data.view.name}"
	foot="The salt goes by what is really cut."
	failed={form as Failed | null}
/>
