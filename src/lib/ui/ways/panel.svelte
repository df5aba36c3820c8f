<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayWeight, type Units } from '$core/quantities/format';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import Facts from './facts.svelte';
	import Foot from './panel-foot.svelte';
	import OnTheClock from './on-the-clock.svelte';
	import ShareRule from './share-rule.svelte';
	import Switches from './switches.svelte';
	import type { WaysPage } from './ways-state.svelte';
	import type { ByHand as Hand, Panel, WaysView } from './view';

	/** The way that is open: what comes of it, Start, its switches, what it takes, its hours, its cautions. */
	let {
		panel,
		view,
		hand,
		rule,
		zone,
		units
	}: { panel: Panel; view: WaysView; hand: Hand | null; rule: WaysPage; zone: string; units: Units } = $props();
	const { lot } = $derived(view);
	const some = $derived(panel.part_g < lot.free_g);
	const amount = $derived(sayWeight(panel.part_g, units));
</script>

<p class="name head text-lg font-bold first-letter:uppercase" aria-hidden="true">{panel.name}</p>
<div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
	<div class="flex min-w-0 items-end gap-3">
		<span class="big head" class:long={panel.figure.count.length > 3}>{panel.figure.count}</span>
		<span class="min-w-0 pb-1">
			<span class="gist block text-[15px] text-soft first-letter:uppercase">{panel.gist}</span>
			<b class="head block text-3xl text-rim">{panel.figure.unit}</b>
			<span class="block text-[15px] text-soft">{panel.figure.each}</span>
		</span>
	</div>
	{#if panel.sums.length > 0}
		<dl class="sums">
			{#each panel.sums as s (s.label)}
				<div>
					<dt class="text-sm text-soft">{s.label}</dt>
					<dd><b class="fig">{s.figure}</b><span class="note text-sm text-soft">{s.words}</span></dd>
				</div>
			{/each}
		</dl>
	{/if}
</div>
<div class="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2 border-t-2 border-rim pt-3">
	{#if panel.start.kind === 'start'}
		<form method="POST" action="?/start" use:enhance={withNotice()}>
			<Marks />
			<input type="hidden" name="way" value={panel.slug} />
			{#each Object.entries(panel.says) as [name, value] (name)}<input type="hidden" {name} {value} />{/each}
			<button class="btn btn-full text-lg" data-start aria-label="Start: {panel.name}"
				>Start: {some ? `${amount} of ${sayWeight(lot.free_g, units)}` : `all ${amount}`}
				<span class="key">1</span></button
			>
		</form>
	{:else if panel.start.kind === 'page'}
		<a class="btn btn-full text-lg" data-start href={panel.start.href} aria-label="{panel.start.words}: {panel.name}"
			>{panel.start.words} <span class="key">1</span></a
		>
	{:else}
		<p class="max-w-xl text-[15px]" data-start tabindex="-1">
			{panel.start.words}
			{#if panel.start.kind === 'no'}<a href="/stove">To the Stove</a>{/if}
		</p>
	{/if}
	{#if lot.free_g > 0 && !rule.has(panel.slug)}
		<form method="POST" action="?/share" use:enhance={withNotice({ reset: false })}>
			<Marks />
			<input type="hidden" name="part" value={panel.slug} />
			<button class="btn" data-part>Part of it <span class="key">P</span></button>
		</form>
	{/if}
</div>
{#if rule.shares.length > 0}<ShareRule {rule} lot={lot.id} {units} />{/if}
<div class="mt-3"><Switches list={panel.switches} also={panel.more} slug={panel.slug} /></div>
<Facts facts={panel.facts} />
{#if panel.clock}<div class="mt-3 border-t border-line pt-2">
		<OnTheClock clock={panel.clock} at={panel.at} {zone} />
	</div>{/if}
<Foot {panel} {lot} {hand} />

<style>
	.big {
		font-size: clamp(4.5rem, 9vw, 7rem);
		line-height: 0.86;
		color: var(--rim);
		letter-spacing: -0.04em;
	}
	.long {
		font-size: 4rem;
	}
	.sums {
		display: grid;
		grid-template-columns: 10.5rem 10.5rem;
		gap: 8px 20px;
	}
	.note {
		display: block;
		line-height: 1.25;
	}
	@media (min-width: 1024px) {
		.name {
			display: none;
		}
	}
	@media (max-width: 1023px) {
		.gist {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.key {
			display: none;
		}
		.sums {
			display: flex;
			flex-wrap: wrap;
			gap: 2px 16px;
			width: 100%;
		}
		.sums .fig {
			font-size: 1.15rem;
		}
		.note {
			display: none;
		}
	}
</style>
