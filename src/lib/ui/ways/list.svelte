<script lang="ts">
	import type { WayRow, WaysView } from './view';

	/** All ways of a lot, a line each: what one gets, one's hands, until when it keeps. Not now and no below. */
	let { view, open }: { view: WaysView; open: string | null } = $props();
	/** A list that is read at a glance; the rest is one word away. */
	const most = 6;
	const shown = $derived(view.rows.length > most + 1 ? view.rows.slice(0, most) : view.rows);
	const more = $derived(view.rows.slice(shown.length));
	const to = (slug: string) => `/ways/${view.lot.id}/${slug}`;
</script>

{#snippet line(row: WayRow)}
	<li class="way" class:open={row.slug === open}>
		<a href={to(row.slug)} aria-current={row.slug === open ? 'page' : undefined} data-sveltekit-noscroll>
			<span class="flex items-baseline justify-between gap-2">
				<span class="head text-lg font-bold first-letter:uppercase">{row.name}</span>
				{#if row.best}<span class="best whitespace-nowrap">{row.best}</span>{/if}
			</span>
			<span class="cells">
				{#if row.figure}
					<span><b class="fig">{row.figure}</b> {row.unit}</span>
					<span
						><span class="sr-only">your hands </span><b class="fig">{row.hands}</b>
						<span class="word" aria-hidden="true">hands</span></span
					>
					<span><span class="sr-only">keeps until </span><b class="fig">{row.until}</b></span>
				{/if}
			</span>
			{#if row.missing}<span class="block text-sm {row.figure ? 'font-semibold text-amber' : 'text-soft'}"
					>{row.missing}</span
				>{/if}
		</a>
	</li>
{/snippet}

<nav aria-label="All ways of {view.lot.name}">
	{#if view.rows.length > 0}
		<p class="cells titles px-3 text-sm text-soft" aria-hidden="true">
			<span>you get</span><span>your hands</span><span>keeps until</span>
		</p>
		<ul>
			{#each shown as row (row.slug)}{@render line(row)}{/each}
		</ul>
		{#if more.length > 0}
			<details class="border-b border-line px-3" open={more.some((r) => r.slug === open)}>
				<summary class="min-h-11 py-2">{more.length} more ways</summary>
				<ul class="-mx-3">
					{#each more as row (row.slug)}{@render line(row)}{/each}
				</ul>
			</details>
		{/if}
	{/if}
	{#if view.notNow.length > 0}
		<h2 class="mt-3 px-3 text-base">Not now</h2>
		<ul>
			{#each view.notNow as row (row.slug)}{@render line(row)}{/each}
		</ul>
	{/if}
	{#if view.recipes.length > 0}
		<details class="mt-2 px-3" open={view.recipes.some((r) => r.slug === open)}>
			<summary class="min-h-11 py-2">By a tested recipe ({view.recipes.length})</summary>
			<ul class="columns-2 gap-4 pb-2 text-[15px]">
				{#each view.recipes as r (r.slug)}
					<li class="first-letter:uppercase">
						<a
							class="flex min-h-11 items-center"
							href={to(r.slug)}
							aria-current={r.slug === open ? 'page' : undefined}
							data-sveltekit-noscroll>{r.name}</a
						>
					</li>
				{/each}
			</ul>
		</details>
	{/if}
	{#if view.no.length > 0}
		<ul class="mt-2">
			{#each view.no as w (w.slug)}
				<li class="no">
					<a href={to(w.slug)} aria-current={w.slug === open ? 'page' : undefined} data-sveltekit-noscroll>
						<b class="head">{w.name}</b> <b class="text-red">No.</b>
						<span class="why text-[15px] text-ink">{w.reason}</span>
					</a>
				</li>
			{/each}
		</ul>
	{/if}
	{#if view.lot.cuts}<p class="px-3 pt-2">
			<a class="flex min-h-11 items-center font-bold" href="/stove/meat?lot={view.lot.id}">Cut it up, part by part</a>
		</p>{/if}
	<p class="flex flex-wrap justify-between gap-2 px-3 pt-1 text-[15px]">
		{#if view.before}<a class="flex min-h-11 items-center" href="/ways/{view.before.id}">‹ {view.before.name}</a>{/if}
		{#if view.after}<a class="ml-auto flex min-h-11 items-center" href="/ways/{view.after.id}">{view.after.name} ›</a
			>{/if}
	</p>
</nav>

<style>
	.cells {
		display: grid;
		grid-template-columns: 8.5rem 5.5rem 1fr;
		align-items: baseline;
	}
	.way {
		border-bottom: 1px solid var(--line);
	}
	.way a,
	.no a {
		display: block;
		padding: 9px 12px;
		color: inherit;
		text-decoration: none;
	}
	.way a:hover .head {
		text-decoration: underline;
	}
	.way .head {
		color: var(--rim);
	}
	.open {
		background: var(--enamel);
		border: 2px solid var(--rim);
		border-radius: 14px;
	}
	.no {
		border-bottom: 1px solid var(--line);
		background: repeating-linear-gradient(
			135deg,
			transparent 0 10px,
			color-mix(in srgb, var(--line) 35%, transparent) 10px 20px
		);
	}
	@media (max-width: 1023px) {
		.titles {
			display: none;
		}
		.cells {
			grid-template-columns: 7.5rem 7rem 1fr;
		}
		/* It stands above, open. */
		.open {
			display: none;
		}
		.why {
			display: -webkit-box;
			overflow: hidden;
			-webkit-box-orient: vertical;
			-webkit-line-clamp: 1;
			line-clamp: 1;
		}
		.way a {
			padding: 5px 12px;
		}
	}
	@media (min-width: 1024px) {
		.word {
			display: none;
		}
		/* The line that is open runs into its panel. */
		.open {
			border-right: 0;
			border-radius: 14px 0 0 14px;
			margin-right: -2px;
			position: relative;
			z-index: 1;
		}
	}
</style>
