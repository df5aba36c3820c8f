<script lang="ts">
	import type { Snippet } from 'svelte';

	/** What is worked out, with large figures in its sentence, and beside it what it hangs on; one below the other on a phone. */
	let { label, children, beside }: { label: string; children: Snippet; beside: Snippet } = $props();
</script>

<div class="columns">
	<section class="min-w-0" aria-labelledby={label}>{@render children()}</section>
	<aside class="min-w-0">{@render beside()}</aside>
</div>

<style>
	.columns {
		display: grid;
		gap: 16px 32px;
	}
	@media (min-width: 1024px) {
		.columns {
			grid-template-columns: minmax(0, 1fr) 22rem;
		}
	}
	.columns :global(.figure) {
		font-size: 1.8em;
		line-height: 1;
		color: var(--rim);
	}
</style>
