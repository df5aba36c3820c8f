<script lang="ts">
	import { sayWeight } from '$core/quantities/format';
	import CoolFirst from '$lib/ui/ways/cool-first.svelte';
	import Costs from '$lib/ui/ways/costs.svelte';
	import Dryer from '$lib/ui/ways/dryer.svelte';
	import DryerCompany from '$lib/ui/ways/dryer-company.svelte';
	import FreezerCharts from '$lib/ui/ways/freezer-charts.svelte';
	import Gather from '$lib/ui/ways/gather.svelte';
	import Loads from '$lib/ui/ways/loads.svelte';
	import Quality from '$lib/ui/ways/quality.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const units = $derived(data.household.units);
</script>

<p>
	<a href="/ways/{data.lot.id}/{data.panel.slug}"
		>‹ {data.panel.name}, {sayWeight(data.lot.shown_g, units)} {data.lot.name}</a
	>
</p>
<h1 class="text-3xl">Why: <span class="lowercase">{data.panel.name}</span></h1>
{#if data.freezing}<FreezerCharts asks={data.freezing} {units} />{/if}
{#if data.cooling}<CoolFirst cooling={data.cooling} {units} />{/if}
{#if data.dry}<Dryer dry={data.dry} {units} />{/if}
{#if data.company}<DryerCompany company={data.company} name={data.lot.name} {units} />{/if}
{#if data.row?.loads}<Loads loads={data.row.loads} />{/if}
{#if data.gather}<div class="mt-6"><Gather gather={data.gather} zone={data.household.zone} {units} /></div>{/if}
<Quality bars={data.quality} />
{#if data.row}<Costs row={data.row} currency={data.currency} shop={data.shop} noMoney={data.noMoney} {units} />{/if}
<p class="source mt-4">{data.panel.source}</p>
