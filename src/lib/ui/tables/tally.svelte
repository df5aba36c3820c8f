<script lang="ts">
	/** Counting cups aloud fails when someone comes in: a tap for each keeps count, also through a reload. */
	let { id, counts }: { id: string; counts: readonly { what: string; of: number }[] } = $props();
	let done = $state<Record<string, number>>({});
	const store = $derived(`tally-${id}`);

	$effect(() => {
		let kept: unknown;
		try {
			kept = JSON.parse(sessionStorage.getItem(store) ?? '{}');
		} catch {
			// Storage is off, or holds something else: counting starts at nothing.
			kept = {};
		}
		const entries = typeof kept === 'object' && kept !== null ? Object.entries(kept) : [];
		done = Object.fromEntries(entries.filter((e): e is [string, number] => typeof e[1] === 'number'));
	});
	function set(what: string, to: number) {
		done = { ...done, [what]: to };
		try {
			sessionStorage.setItem(store, JSON.stringify(done));
		} catch {
			// Storage is off: the count lasts as long as the page.
		}
	}
</script>

{#if counts.length > 0}
	<section class="no-print mt-4" aria-label="Counting cups of one set">
		<h2 class="text-lg">Count the cups of one set</h2>
		<ul class="mt-1 flex flex-wrap gap-3">
			{#each counts as c (c.what)}
				{@const n = Math.min(done[c.what] ?? 0, c.of)}
				<li class="flex items-center gap-1">
					<button
						class="btn"
						onclick={() => set(c.what, n >= c.of ? 0 : n + 1)}
						aria-label="{c.what}: {n} of {c.of} in, one more"
					>
						<b class="head text-2xl">{n}</b> of {c.of} <span class="font-normal">{c.what}</span>
						{#if n >= c.of}<span class="text-leaf">all in</span>{/if}
					</button>
					<button
						class="btn btn-plain"
						disabled={n === 0}
						onclick={() => set(c.what, n - 1)}
						aria-label="{c.what}: one back">−1</button
					>
				</li>
			{/each}
		</ul>
	</section>
{/if}
