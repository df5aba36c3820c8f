<script lang="ts">
	import { sayAltitude } from '$core/quantities/format';
	import Differences from '$lib/ui/tables/differences.svelte';
	import Lines from '$lib/ui/tables/lines.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const acid = { low: 'low in acid', high: 'acid', borderline: 'between acid and low in acid' } as const;
</script>

<article class="card rimmed px-5 py-5 sm:px-8 sm:py-6">
	<header class="flex flex-wrap items-start justify-between gap-x-8 gap-y-3">
		<div class="max-w-[40rem]">
			<h1 class="text-4xl first-letter:uppercase">{data.food.name}</h1>
			<p class="text-soft">{data.food.names.slice(0, 6).join(', ')}</p>
			<p>{data.food.group}, {acid[data.food.acid]}</p>
		</div>
		<div class="no-print flex flex-wrap gap-2">
			<a class="btn" href="/tables/compare?food={data.food.id}">Beside another</a>
			<a
				class="btn"
				href="/tables/{data.food.id}/card.pdf{data.kind ? `?kind=${data.kind}` : ''}"
				target="_blank"
				rel="noopener">As PDF</a
			>
			<button class="btn btn-full" onclick={() => print()}>Print the card</button>
		</div>
	</header>

	<dl class="mt-4 flex flex-wrap gap-x-9 gap-y-3 border-y-[3px] border-rim py-3">
		{#each data.large as l, lNth (lNth)}
			<div>
				<dt class="text-sm text-soft">{l.label}</dt>
				<dd class="head text-2xl sm:text-3xl">{l.main}</dd>
			</div>
		{/each}
	</dl>

	<nav
		class="no-print -mx-2 mt-3 flex gap-x-1 overflow-x-auto whitespace-nowrap sm:flex-wrap"
		aria-label="Ways of {data.food.name}"
	>
		<a
			class="btn btn-plain"
			href="/tables/{data.food.id}"
			aria-current={data.way === '' ? 'true' : undefined}
			class:on={data.way === ''}>everything</a
		>
		{#each data.ways as w (w.id)}
			<a
				class="btn btn-plain"
				href="/tables/{data.food.id}?way={w.id}"
				aria-current={data.way === w.id ? 'true' : undefined}
				class:on={data.way === w.id}
				data-sveltekit-noscroll>{w.name.split(':')[0]}</a
			>
		{/each}
	</nav>

	<div class="cols mt-3 gap-x-12 lg:columns-2">
		{#each data.sections as s (s.way)}
			<section
				class="mb-6 {s.main.length < 14 ? 'break-inside-avoid' : ''}"
				aria-labelledby="s-{s.way}"
				data-section={s.way}
			>
				<h2 id="s-{s.way}" class="text-xl text-rim">
					<a href="/tables/way/{s.way}" class="no-underline hover:underline">{s.name}</a>
				</h2>
				{#if s.partly}
					<div class="border-l-[3px] border-red py-1 pl-3" data-partly={s.way}>
						<p><b class="text-red">Not as it is.</b> {s.partly.reason}</p>
						<p class="text-[0.94rem]"><b>Instead:</b> {s.partly.instead.join('; ')}.</p>
						<p class="source">{s.partly.source}</p>
					</div>
				{/if}
				<Lines lines={s.main} notes={s.notes} />
				{#if s.words.length > 0}
					<ul class="mt-2 list-disc space-y-0.5 pl-5 text-[0.94rem]">
						{#each s.words as w, wNth (wNth)}<li>{w}</li>{/each}
					</ul>
				{/if}
				{#if s.recipes.length > 0}
					<p class="mt-2 text-[0.94rem]">
						Ratios:
						{#each s.recipes as r, i (r.id)}<a href="/tables/ratio/{r.id}">{r.name}</a>{i < s.recipes.length - 1
								? ', '
								: ''}{/each}
					</p>
				{/if}
				{#if s.minor.length > 0}
					<details class="no-print mt-2 text-[0.94rem]" open={data.way !== ''}>
						<summary class="min-h-11 py-2 text-soft">numbers behind the plans, {s.minor.length}</summary>
						<Lines lines={s.minor} notes={s.notes} />
					</details>
				{/if}
			</section>
		{/each}
		{#if data.refused.length > 0}
			<section class="mb-6 break-inside-avoid" aria-labelledby="not">
				<h2 id="not" class="text-xl text-red">Not advised</h2>
				<div class="ruled">
					{#each data.refused as s (s.way)}
						<div class="py-2" data-refused={s.way}>
							<p><b>{s.name}:</b> {s.refusal?.reason}</p>
							<p class="text-[0.94rem]"><b>Instead:</b> {s.refusal?.instead.join('; ')}.</p>
							<p class="source">{s.refusal?.source}</p>
						</div>
					{/each}
				</div>
			</section>
		{/if}
	</div>

	<section aria-label="Mind" class="border-t-2 border-line pt-3">
		<ul class="space-y-1 gap-x-12 text-[0.94rem] lg:columns-2">
			{#each data.cautions as c (c.id)}<li class="break-inside-avoid">{c.text}</li>{/each}
		</ul>
	</section>
	<p class="source mt-3">
		For {data.kitchen.name}{data.kitchen.altitude_m === null
			? ', altitude not set: no canning time is shown'
			: `, ${sayAltitude(data.kitchen.altitude_m, data.household.units)}`}. “From memory” means recalled from the
		publication, not looked up: check it in your own copy.
	</p>
</article>

{#if data.practices.length > 0}
	<section class="no-print mt-8" aria-labelledby="differ">
		<h2 id="differ" class="text-2xl">Where people differ</h2>
		<Differences practices={data.practices} level="h3" />
	</section>
{/if}

<style>
	.on {
		text-decoration: underline;
		text-decoration-thickness: 3px;
	}
	/* The card on paper: dense enough that most foods take two sides. */
	@media print {
		:global(html:has(.card)),
		:global(html:has(.card) body) {
			font-size: 9.5px;
		}
		.card :global(.source) {
			font-size: 8px;
		}
		.card {
			border: 0;
			box-shadow: none;
			padding: 0;
			line-height: 1.3;
		}
		.card :global(.cols) {
			columns: 2;
			column-gap: 2rem;
		}
		.card :global(section) {
			break-inside: auto;
			margin-bottom: 1rem;
		}
		.card :global(dl > div),
		.card :global(h2) {
			break-inside: avoid;
			padding-block: 1px;
		}
		.card :global(h2) {
			break-after: avoid;
		}
	}
</style>
