<script lang="ts">
	import { sayDuration } from '$core/quantities/format';
	import type { JarLoads } from './types';

	/** A load of jars on the clock, step by step: what is of the tables and what is an estimate. */
	let { loads }: { loads: JarLoads } = $props();
	const first = $derived(loads.loads[0]);
	const jars = $derived(loads.loads.reduce((sum, l) => sum + l.jars, 0));
</script>

{#if first}
	<section class="mt-6" aria-labelledby="loads-title">
		<h2 id="loads-title" class="text-xl">
			A load, {loads.method === 'pressure' ? 'under pressure' : 'in boiling water'}
		</h2>
		<p>
			{loads.loads.map((l) => l.jars).join(' + ')}
			{jars === 1 ? 'jar' : 'jars'}, {loads.lids} lids
		</p>
		<ol class="mt-1 max-w-3xl text-[15px]">
			{#each first.steps as s, n (n)}
				<li class="grid grid-cols-[7rem_6.5rem_1fr] gap-x-3 border-t border-line py-1">
					<span class="first-letter:uppercase">{s.name}</span>
					<b class={s.kind === 'published' ? 'head' : 'font-normal text-soft'}
						>{s.kind === 'published' ? '' : 'about '}{sayDuration(s.seconds)}</b
					>
					<span>{s.words}{s.attended ? '' : ' Nobody need stand by.'}</span>
				</li>
			{/each}
		</ol>
		<p class="mt-1 text-sm text-soft">
			Bold times are of the tables, the others estimates. Then 12 to 24 hours undisturbed, and the seals are checked.
		</p>
	</section>
{/if}
