<script lang="ts">
	import ByHand from './by-hand.svelte';
	import RecipePack from './recipe-pack.svelte';
	import type { ByHand as Hand, Panel, WaysView } from './view';

	/** What belongs to the open way and is read when it is wanted: recipe, cautions, steps, and what leads on. */
	let { panel, lot, hand }: { panel: Panel; lot: WaysView['lot']; hand: Hand | null } = $props();
	const [first, ...others] = $derived(panel.cautions);
	/** The most dangerous job of the year says all of it at once; where a screen is small, Start comes before its length. */
	const whole = $derived(panel.slug.startsWith('can:'));
</script>

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
			{first.text}{#if first.source}<span class="source ml-1">({first.source})</span>{/if}
		</p>
		{#if others.length > 0}
			<details class:whole>
				<summary class="py-1">{others.length} more{whole ? ', to be read before the lid goes on' : ''}</summary>
				<ul class="list-disc space-y-1 pl-5">
					{#each others as c (c.id)}<li>
							{c.text}{#if c.source}<span class="source ml-1">({c.source})</span>{/if}
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
	{#if lot.pan}<a class="py-2" href="/stove/pan?lot={lot.id}">into the pan</a>{/if}
	{#if lot.sets}<a class="py-2" href="/stove/ratio?lot={lot.id}">in whole sets of a recipe</a>{/if}
	{#if lot.ferments}<a class="py-2" href="/stove/ferment?lot={lot.id}">into the crock, in salt</a>{/if}
	{#if lot.seals}<a class="py-2" href="/stove/seal?lot={lot.id}">into bags without air</a>{/if}
	{#if lot.stores}<a class="py-2" href="/stove/store?lot={lot.id}">whole, into store</a>{/if}
	<a class="py-2" href="/stove/gather?food={encodeURIComponent(lot.name)}">gather more of it</a>
	<a class="py-2" href="/tables/{lot.food}">every number</a>
	<p class="source py-2 sm:ml-auto">{panel.source}</p>
</div>

<style>
	@supports selector(::details-content) {
		@media (min-width: 641px) {
			.whole > summary {
				display: none;
			}
			.whole::details-content {
				content-visibility: visible;
				display: block;
				block-size: auto;
			}
		}
	}
	@media (max-width: 640px) {
		.also {
			font-size: 14px;
		}
		.also > :global(*),
		.also :global(summary) {
			padding-block: 4px;
		}
	}
</style>
