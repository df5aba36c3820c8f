<script lang="ts">
	import { tick } from 'svelte';
	import { enhance } from '$app/forms';
	import { sayWeight, type Units } from '$core/quantities/format';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { WaysPage } from './ways-state.svelte';

	/** The kilos of a lot on a rule, shared out among its ways: a mark between each two is pushed. */
	let { rule, lot, units }: { rule: WaysPage; lot: string; units: Units } = $props();
	const kept = withNotice({ reset: false, after: () => rule.settle() });
	let form = $state<HTMLFormElement>();
	const share = (grams: number) => (100 * grams) / Math.max(1, rule.whole_g);
</script>

<section aria-label="Shared out" class="mt-3">
	<ol class="flex flex-wrap gap-x-5 gap-y-1 text-[15px]">
		{#each rule.shares as s (s.way)}
			<li>
				<b class="head">{sayWeight(s.grams, units)}</b>
				<a href="/ways/{lot}/{s.way}" class="lowercase">{rule.nameOf(s.way)}</a>{#if rule.getsOf(s)}: {rule.getsOf(
						s
					)}{/if}
			</li>
		{/each}
		{#if rule.left_g > 0}<li class="text-soft">
				<b class="head">{sayWeight(rule.left_g, units)}</b> for no way yet
			</li>{/if}
	</ol>
	<div class="rule">
		{#each rule.shares as s, i (s.way)}
			<span
				class="part"
				class:odd={i % 2 === 1}
				style="left: {share((rule.marks[i] ?? 0) - s.grams)}%; width: {share(s.grams)}%"
			></span>
		{/each}
		{#each rule.shares as s, i (s.way)}
			<input
				type="range"
				min="0"
				max={rule.whole_g}
				step={rule.step_g}
				value={rule.marks[i]}
				aria-label="{rule.nameOf(s.way)}, {sayWeight(s.grams, units)}: its mark"
				oninput={(e) => rule.push(i, Number(e.currentTarget.value))}
				onchange={() => void tick().then(() => form?.requestSubmit())}
			/>
		{/each}
	</div>
	<form bind:this={form} method="POST" action="?/share" use:enhance={kept} class="flex flex-wrap items-center gap-3">
		<Marks />
		<input type="hidden" name="shares" value={rule.said} />
		<span class="text-sm text-soft">Push a mark to share the kilos between ways; each Start takes its share.</span>
	</form>
	<form method="POST" action="?/share" use:enhance={kept}>
		<Marks />
		<button class="btn btn-plain underline">Share nothing out: all of it one way</button>
	</form>
</section>

<style>
	.rule {
		position: relative;
		height: 34px;
		margin-top: 6px;
		border: 2px solid var(--rim);
		border-radius: 6px;
		background: repeating-linear-gradient(90deg, var(--line) 0 1px, transparent 1px 5%), var(--enamel);
	}
	.part {
		position: absolute;
		inset-block: 0;
		background: var(--wash);
		border-right: 3px solid var(--rim);
	}
	.odd {
		background: var(--amberbg);
	}
	input[type='range'] {
		position: absolute;
		inset: 0;
		width: 100%;
		min-height: 0;
		height: 100%;
		margin: 0;
		padding: 0;
		border: 0;
		background: none;
		appearance: none;
		pointer-events: none;
	}
	input[type='range']::-webkit-slider-thumb {
		appearance: none;
		pointer-events: auto;
		width: 22px;
		height: 42px;
		border-radius: 8px;
		background: var(--rim);
		border: 3px solid var(--enamel);
		cursor: ew-resize;
	}
	input[type='range']::-moz-range-thumb {
		pointer-events: auto;
		width: 18px;
		height: 36px;
		border-radius: 8px;
		background: var(--rim);
		border: 3px solid var(--enamel);
		cursor: ew-resize;
	}
</style>
