<script lang="ts">
	import type { Failed } from '$lib/ui/notice/types';
	import Begin from '$lib/ui/run/begin.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<Begin
	view={data.view}
	lot={data.lot}
	heading="Into bags without air: {data.view.amount} {data.view.name}"
	foot="Everything is filled first, then sealed in one go."
	failed={form as Failed | null}
/>
