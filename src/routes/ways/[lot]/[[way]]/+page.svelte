<script lang="ts">
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sayAs, sayDate } from '$core/quantities/dates';
	import { sayWeight } from '$core/quantities/format';
	import Faults from '$lib/ui/notice/faults.svelte';
	import type { Failed } from '$lib/ui/notice/types';
	import List from '$lib/ui/ways/list.svelte';
	import NotAdvised from '$lib/ui/ways/not-advised.svelte';
	import OpenWay from '$lib/ui/ways/panel.svelte';
	import Stopped from '$lib/ui/ways/stopped.svelte';
	import { WaysPage } from '$lib/ui/ways/ways-state.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const { view, hand } = $derived(data);
	const { lot, panel } = $derived(view);
	const units = $derived(data.household.units);
	const ways = new WaysPage(() => data.view);
	/** A way that is refused may be opened too: its reason whole. */
	const refused = $derived(panel ? undefined : (view.no.find((w) => w.slug === page.params.way) ?? view.no[0]));
	const open = $derived(panel?.slug ?? refused?.slug ?? null);

	/** Parts of the page of before lead on. */
	onMount(() => {
		const first = (test: (slug: string) => boolean) => [...view.rows, ...view.notNow].find((r) => test(r.slug))?.slug;
		const slug = { '#dryer': first((s) => s === 'dry'), '#jars': first((s) => s.startsWith('can:')), '#freezer': first((s) => s !== 'dry' && !s.startsWith('can')) }[location.hash]; // prettier-ignore
		if (slug) void goto(`/ways/${lot.id}/${slug}${location.search}`, { replaceState: true });
	});

	/** 1 goes to Start, P to the part; only Enter on the button does it. */
	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.altKey || event.metaKey) return;
		if (/^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) return;
		const which = { '1': '[data-start]', p: '[data-part]' }[event.key.toLowerCase()];
		if (which) document.querySelector<HTMLElement>(which)?.focus();
	}
</script>

<svelte:window {onkeydown} />
<div class="ways">
	<header class="head-of">
		<h1 class="text-2xl first-letter:uppercase sm:text-3xl">{sayWeight(lot.whole_g, units)} {lot.name}</h1>
		<p class="text-soft">
			{[lot.form, lot.place].filter(Boolean).join(' · ')} ·
			<span class={lot.soon ? 'font-bold text-amber' : ''}
				>{lot.soon ? 'soon: ' : 'best by '}{sayAs(lot.bestBy, data.household.zone, 'EEE d MMM, HH:mm')}</span
			>
		</p>
		{#if data.lastTime}
			<p class="text-[15px]">
				Again? <b>{{ yes: 'Yes', changed: 'Yes, changed', no: 'No' }[data.lastTime.would] ?? ''}</b>{data.lastTime
					.change
					? `: ${data.lastTime.change}`
					: ''},
				<a href="/book/{data.lastTime.code}">last time, {sayDate(data.lastTime.packedOn)}</a>
			</p>
		{/if}
	</header>
	<div class="open-way" class:rimmed={panel !== null}>
		<Faults {failed} />
		{#if view.goodFor}
			<p class="mb-3 rounded-xl bg-amberbg px-4 py-2">
				<b>{lot.past === 'end' ? 'Past its time.' : 'Past its best.'}</b>
				{view.goodFor}
			</p>
		{/if}
		{#each view.faults as f (f.field + f.typed)}
			<p class="mb-2 font-semibold text-amber" role="alert">
				“{f.typed}”: {f.message} The ways below are worked out without it.
			</p>
		{/each}
		{#if view.stop}<Stopped stop={view.stop} {lot} />
		{:else if panel}
			<h2 class="sr-only">{panel.name}</h2>
			<OpenWay {panel} {view} {hand} rule={ways} zone={data.household.zone} {units} />
		{:else if refused}<NotAdvised title="{refused.name}: no." refusal={refused} />{/if}
	</div>
	{#if !view.stop}<div class="list-of"><List {view} {open} /></div>{/if}
</div>

<style>
	.ways {
		display: grid;
		gap: 6px 0;
	}
	.open-way {
		padding: 10px 16px;
		min-width: 0;
	}
	.open-way:not(.rimmed) {
		padding: 0;
	}
	@media (min-width: 1024px) {
		.ways {
			grid-template: 'head open' auto 'list open' 1fr / 26rem minmax(0, 1fr);
		}
		.head-of {
			grid-area: head;
			padding-right: 20px;
		}
		.open-way {
			grid-area: open;
			padding: 18px 24px;
			align-self: start;
			min-height: 30rem;
		}
		.list-of {
			grid-area: list;
			min-width: 0;
		}
	}
</style>
