<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayWeight, type Units } from '$core/quantities/format';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import ByHand from './by-hand.svelte';
	import RecipePack from './recipe-pack.svelte';
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
	const [first, ...others] = $derived(panel.cautions);
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
			<button class="btn btn-full text-lg" data-start aria-label="Start: {panel.name}"
				>Start: {some ? `${amount} of ${sayWeight(lot.free_g, units)}` : `all ${amount}`}
				<span class="key">1</span></button
			>
		</form>
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
<dl class="facts mt-3">
	{#each panel.facts as f, n (n)}
		<div>
			<dt class="text-sm text-soft">{f.label}</dt>
			<dd>
				{#if f.strong}<b>{f.strong}</b>{/if}
				<span class:minor={f.minor && f.strong}>{f.words}</span>{#if f.warn}<span class="block font-semibold text-amber"
						>{f.warn}</span
					>{/if}
			</dd>
		</div>
	{/each}
</dl>
{#if panel.clock}<div class="mt-3 border-t border-line pt-2">
		<OnTheClock clock={panel.clock} at={panel.at} {zone} />
	</div>{/if}
{#if panel.recipe}
	<section class="mt-3" aria-label="The recipe">
		<p class="font-semibold">
			The time is for just this{panel.recipe.makes ? `, which fills ${panel.recipe.makes}` : ''}:
		</p>
		<ul class="gap-x-6 text-[15px] sm:columns-2">
			{#each panel.recipe.lines as line, n (n)}<li class="border-t border-line py-0.5">{line}</li>{/each}
		</ul>
		<p class="mt-1 text-[15px] font-semibold">Never changed: {panel.recipe.keep.join('; ')}.</p>
	</section>
{/if}
{#if first}
	<section class="mt-3 rounded-xl border border-line px-3 py-1 text-[15px]" aria-label="Mind">
		<p>
			<b>Mind:</b>
			{first.text}{#if first.source}<span class="source"> ({first.source})</span>{/if}
		</p>
		{#if others.length > 0}
			<details>
				<summary class="py-1">{others.length} more</summary>
				<ul class="list-disc space-y-1 pl-5">
					{#each others as c (c.id)}<li>
							{c.text}{#if c.source}<span class="source"> ({c.source})</span>{/if}
						</li>{/each}
				</ul>
			</details>
		{/if}
	</section>
{/if}
<div class="also mt-2 flex flex-wrap items-start gap-x-5 text-[15px]">
	{#if panel.steps.length + panel.notes.length > 0}
		<details class="open:w-full">
			<summary class="py-2">step by step</summary>
			<ol class="list-decimal space-y-1 pl-6">
				{#each panel.steps as s, n (n)}<li>{s}</li>{/each}
			</ol>
			{#each panel.notes as note, n (n)}<p class="mt-2 text-soft">{note}</p>{/each}
		</details>
	{/if}
	{#if hand && lot.free_g > 0}<ByHand {hand} {lot} />{/if}
	{#if panel.cut}<RecipePack food={lot.food} cut={panel.cut} />{/if}
	{#if panel.why}<a class="py-2" href="/ways/{lot.id}/{panel.slug}/why">why: the charts</a>{/if}
	{#if panel.start.kind === 'start'}<a class="py-2" href="/ways/together?lot={lot.id}">with others</a>{/if}
	<a class="py-2" href="/tables/{lot.food}">every number</a>
	<p class="source py-2 sm:ml-auto">{panel.source}</p>
</div>

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
	.facts dd {
		font-size: 15px;
	}
	.facts dd b {
		font-size: 16px;
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
		.also {
			font-size: 14px;
		}
		.minor {
			display: none;
		}
		.facts > div {
			grid-template-columns: 5.2rem 1fr;
		}
		.note {
			display: none;
		}
		.facts {
			grid-template-columns: 1fr;
		}
		.facts > div {
			padding: 3px 0;
		}
	}
</style>
