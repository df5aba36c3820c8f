<script lang="ts">
	import type { Fact } from './view';

	/** What the open way takes, a line each; where there is little room, minor words are left out. */
	let { facts }: { facts: readonly Fact[] } = $props();
</script>

<dl class="facts mt-3">
	{#each facts as f, n (n)}
		<div>
			<dt class="text-sm text-soft">{f.label}</dt>
			<dd>
				{#if f.strong}<b>{f.strong}</b>{/if}
				<span class:minor={f.minor && f.strong}>{f.words}</span>
				{#if f.warn}<span class="warn font-semibold text-amber">{f.warn}</span>{/if}
			</dd>
		</div>
	{/each}
</dl>

<style>
	.facts {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0 28px;
	}
	.facts > div {
		display: grid;
		grid-template-columns: 6.2rem 1fr;
		align-items: baseline;
		border-top: 1px solid var(--line);
		padding: 5px 0;
	}
	dd {
		font-size: 15px;
	}
	dd b {
		font-size: 16px;
	}
	.warn {
		display: block;
	}
	@media (max-width: 640px) {
		.facts {
			grid-template-columns: 1fr;
		}
		.facts > div {
			grid-template-columns: 5.2rem 1fr;
			padding: 3px 0;
		}
		.minor {
			display: none;
		}
		.warn {
			display: inline;
		}
	}
</style>
