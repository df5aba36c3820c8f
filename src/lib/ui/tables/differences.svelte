<script lang="ts">
	interface Practice {
		readonly id: string;
		readonly question: string;
		readonly schools: readonly string[];
		readonly ours: string;
		readonly why: string;
		readonly wayName: string;
		readonly way: string;
		readonly safety: boolean;
		readonly whose: string;
	}
	let { practices, level = 'h2' }: { practices: readonly Practice[]; level?: 'h2' | 'h3' } = $props();
</script>

<div class="ruled">
	{#each practices as p (p.id)}
		<article id={p.id} class="grid scroll-mt-4 gap-x-8 gap-y-1 py-4 lg:grid-cols-[1fr_1.2fr]" data-practice={p.id}>
			<div>
				<svelte:element this={level} class="head text-lg">{p.question}</svelte:element>
				<ul class="mt-1 space-y-0.5 text-soft">
					{#each p.schools as school, schoolNth (schoolNth)}<li>“{school}”</li>{/each}
				</ul>
			</div>
			<div class="border-l-[3px] pl-4 {p.safety ? 'border-red' : 'border-rim'}">
				<p>
					<b class={p.safety ? 'text-red' : 'text-rim'}>{p.safety ? 'For safety:' : 'Root Jar:'}</b>
					<b>{p.ours}</b>
				</p>
				<p class="mt-1">{p.why}</p>
				<p class="source mt-1"><a href="/tables/way/{p.way}">{p.wayName}</a> · {p.whose}</p>
			</div>
		</article>
	{/each}
</div>
