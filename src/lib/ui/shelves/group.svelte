<script lang="ts">
	import { sayCount, sayTemperature, sayVolume, type Units } from '$core/quantities/format';
	import Panel from './panel.svelte';
	import Stand from './stand.svelte';
	import type { AllLooks, PlaceGroup, ShelfPlace } from './types';

	/** One piece of furniture with what stands in it: a freezer with its fill, a pantry with its boards, the row outside. */
	let {
		group,
		looks,
		places,
		units,
		opened,
		takeForm,
		onopen
	}: {
		group: PlaceGroup;
		looks: AllLooks;
		places: readonly ShelfPlace[];
		units: Units;
		opened: string | null;
		takeForm: string;
		onopen: (id: string | null) => void;
	} = $props();
	const litres = $derived(group.places.reduce((sum, p) => sum + (p.litres ?? 0), 0));
	const used = $derived(group.places.reduce((sum, p) => sum + p.used_L, 0));
	const share = $derived(litres > 0 ? Math.min(1, used / litres) : 0);
	const many = $derived(group.places.length > 1);
	const within = (name: string) => name.split(',').slice(1).join(',').trim() || name;
</script>

<section class="group {group.kind}" aria-label={group.name}>
	<h2 class="flex flex-wrap items-baseline gap-x-2 text-xl">
		{group.name}
		<span class="text-sm font-semibold text-soft"
			>{sayTemperature(group.places[0]?.tempC ?? 0, units)}{#if group.kind === 'freezer' && litres > 0}
				&nbsp;· <b class="text-ink">{sayVolume(used, units)}</b> of {sayVolume(litres, units)}{/if}</span
		>
	</h2>
	<div class="body">
		{#if group.kind === 'freezer' && litres > 0}
			<div
				class="rule"
				role="img"
				aria-label="{Math.round(share * 100)} of 100 parts full"
				style="--share: {share}"
			></div>
		{/if}
		<div class="min-w-0 flex-1">
			{#each group.places as p (p.id)}
				<div class="place" id="p-{p.id}">
					<p class="flex flex-wrap items-baseline gap-x-3 text-sm text-soft">
						{#if many}<span class="head text-base text-ink">{within(p.name)}</span>{/if}
						{#if p.counted}<span>{p.counted}</span>{/if}
						{#if p.apart}<span class="basis-full font-semibold text-amber">{p.apart}</span>{/if}
						{#if p.lots.length > 0}<a class="no-print" href="/shelves/count/{p.id}"
								>count {many ? within(p.name) : p.name}</a
							>{/if}
					</p>
					{#if p.lots.length === 0}
						<p class="py-2 text-soft">Nothing stands here.</p>
					{:else}
						<ul class="board">
							{#each p.lots as l (l.id)}
								<Stand
									lot={l}
									{looks}
									open={opened === l.id}
									{takeForm}
									ontoggle={() => onopen(opened === l.id ? null : l.id)}
								/>
							{/each}
						</ul>
					{/if}
					{#if p.more > 0}
						<p class="no-print mt-1">
							<a href="/shelves?all={p.id}#p-{p.id}">and {sayCount(p.more, 'lot')} more, newer ones</a>
						</p>
					{/if}
					{#each p.lots.filter((l) => l.id === opened) as l (l.id)}
						<Panel lot={l} {looks} place={p} {places} onclose={() => onopen(null)} />
					{/each}
				</div>
			{/each}
		</div>
	</div>
</section>

<style>
	.body {
		display: flex;
		gap: 12px;
		margin-top: 6px;
	}
	.board {
		display: flex;
		flex-wrap: wrap;
		align-items: flex-end;
		gap: 8px 6px;
		padding: 8px 8px 0;
		border-bottom: 6px solid var(--rim);
		border-radius: 0 0 4px 4px;
		min-height: 3rem;
	}
	.place + .place {
		margin-top: 14px;
	}
	/* A chest with its lid; the rule at its side says how full it is. */
	.freezer .body {
		border: 3px solid var(--rim);
		border-top-width: 9px;
		border-radius: 8px 8px 14px 14px;
		padding: 10px;
		background: color-mix(in srgb, var(--enamel) 60%, transparent);
	}
	.rule {
		width: 22px;
		flex: none;
		border: 2px solid var(--rim);
		border-radius: 5px;
		background:
			repeating-linear-gradient(0deg, var(--rim) 0 1px, transparent 1px 14px) right / 7px 100% no-repeat,
			linear-gradient(0deg, var(--wash) calc(var(--share) * 100%), var(--enamel) calc(var(--share) * 100%));
	}
	.pantry .body,
	.cellar .body {
		border: 2px solid var(--rim);
		border-radius: 16px;
		padding: 10px 14px 14px;
		background: var(--enamel);
		box-shadow:
			inset 0 0 0 4px var(--enamel),
			inset 0 0 0 5px var(--line);
	}
	.ground .board {
		border-bottom: 0;
		border-top: 4px solid var(--leaf);
		border-radius: 0;
	}
	@media print {
		.rule {
			display: none;
		}
		.group .body {
			border: 0;
			padding: 0;
			box-shadow: none;
		}
		.board {
			border-bottom-width: 1px;
		}
	}
</style>
