<script lang="ts">
	import { sayAs } from '$core/quantities/dates';
	import { sayCount } from '$core/quantities/format';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import LastsRow from '$lib/ui/lasts/lasts-row.svelte';
	import type { PageData } from './$types';

	/** By food over all places: how long it lasts, nine in ten; what of it stands without power and without fire. */
	let { data }: { data: PageData } = $props();
	const { lasts } = $derived(data);
	const day = 86_400_000;
	/** A year is what a shelf is looked at over; less where all of it is gone sooner. */
	const until = $derived(
		Math.min(data.at + 366 * day, Math.max(data.at + 60 * day, ...lasts.rows.map((r) => r.late ?? data.at + 366 * day)))
	);
	const months = $derived.by(() => {
		const found: { at: number; name: string }[] = [];
		const start = new Date(data.at);
		for (let m = 0; ; m++) {
			const at = Date.UTC(start.getUTCFullYear(), start.getUTCMonth() + m, 1);
			if (at > until) return found;
			if (at > data.at && at < until - 12 * day) found.push({ at, name: sayAs(at + day, 'UTC', 'MMM') });
		}
	});
	const share = (at: number) => (100 * (at - data.at)) / (until - data.at);
	const days = (n: number) => (n < 1 ? 'less than a day' : sayCount(Math.round(n), 'day'));
	const list = [
		['all', 'everything'],
		['unpowered', 'keeps without power'],
		['uncooked', 'and needs no fire']
	] as const;
	let only = $state<'all' | 'unpowered' | 'uncooked'>('all');
	const shown = $derived(lasts.rows.filter((r) => only === 'all' || r[only] > 0));
</script>

{#if lasts.rows.length === 0}
	<section class="py-14 text-center">
		<h1 class="text-3xl">Nothing stands on the shelves.</h1>
		<p class="mt-2 text-soft">What is there, and how fast it goes, is worked out here once something is.</p>
		<p class="mt-6"><a class="btn btn-full" href="/shelves/add">Add what is here already</a></p>
	</section>
{:else}
	<TwoColumns label="lasts-title">
		<h1 id="lasts-title" class="text-2xl leading-tight sm:text-3xl">
			<b class="figure">{lasts.helpings}</b> helpings, <b class="figure">{days(lasts.days)}</b> if we ate of nothing else
		</h1>
		<p class="mt-1 text-soft">
			What is gone first comes first. Of ten such foods nine are gone between the two dates; it goes by what was taken
			till now, the newer the more.
		</p>
		<div class="no-print mt-3 flex flex-wrap gap-2" role="group" aria-label="Which foods">
			{#each list as [id, words] (id)}
				<button class="btn {only === id ? 'btn-full' : ''}" aria-pressed={only === id} onclick={() => (only = id)}
					>{words}</button
				>
			{/each}
		</div>
		<div class="months" aria-hidden="true">
			{#each months as m (m.at)}<span style="left: {share(m.at)}%">{m.name}</span>{/each}
		</div>
		<ul>
			{#each shown as row (row.food)}<LastsRow {row} from={data.at} {until} />{/each}
		</ul>
		{#snippet beside()}
			<h2 class="text-xl">When the power goes</h2>
			<dl class="mt-1">
				<div class="line">
					<dt>Keeps without power</dt>
					<dd>
						<b class="head text-3xl tabular-nums">{days(lasts.unpoweredDays)}</b>
						<span class="block text-sm text-soft"
							>jars, crates and what is dried; {sayCount(
								lasts.rows.reduce((s, r) => s + r.unpowered, 0),
								'helping'
							)}</span
						>
					</dd>
				</div>
				<div class="line">
					<dt>… and needs no fire</dt>
					<dd>
						<b class="head text-3xl tabular-nums">{days(lasts.uncookedDays)}</b>
						<span class="block text-sm text-soft">fruit, pickles and ferments as they are</span>
					</dd>
				</div>
			</dl>
			<p class="mt-3"><a class="btn btn-full w-full" href="/shelves/power">The power is out</a></p>
			<p class="mt-3 text-sm text-soft">
				A helping is 150 g as it is kept, dried food four times its weight; a day is {lasts.helpingsDay} of them for each
				of the {lasts.people} at table. Low-acid jars are boiled ten minutes before they are tasted, and count among what
				needs fire.
			</p>
			<button class="btn no-print mt-3" onclick={() => print()}>Print the list</button>
		{/snippet}
	</TwoColumns>
{/if}

<style>
	.months {
		position: relative;
		height: 1.4rem;
		margin: 10px 0 0 calc(6.2rem + 12px);
		font-size: 0.8rem;
		color: var(--color-soft);
	}
	.months span {
		position: absolute;
		transform: translateX(-50%);
		white-space: nowrap;
	}
	.line {
		padding: 8px 0;
		border-top: 1px solid var(--line);
	}
</style>
