<script lang="ts">
	import type { Units } from '$core/quantities/format';
	import Differences from './differences.svelte';
	import type { RunSession } from './run-session.svelte';

	/** What the server had to say of a run: where the book differs, a tap that could not count, a place that is back. */
	let { session, units }: { session: RunSession; units: Units } = $props();
</script>

{#if session.differences.length > 0}<Differences runId={session.id} differences={session.differences} {units} />{/if}
{#each session.notes as note (note)}
	<p role="alert" class="fault mt-3">
		{note} <button class="btn btn-plain underline" onclick={() => session.clearNotes()}>good</button>
	</p>
{/each}
