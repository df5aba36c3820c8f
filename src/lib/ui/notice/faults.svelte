<script lang="ts">
	import type { Failed } from './types';
	let { failed }: { failed: Failed | null | undefined } = $props();
</script>

{#if failed?.error}
	<div role="alert" class="my-3 rounded-xl border-2 border-red bg-redbg px-4 py-3">
		<p class="font-semibold">{failed.error.message}</p>
	</div>
{/if}
