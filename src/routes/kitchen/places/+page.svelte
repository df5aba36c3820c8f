<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayTemperature, sayVolume } from '$core/quantities/format';
	import { fieldUnit } from '$core/quantities/parse-measure';
	import Change from '$lib/ui/kitchen/change.svelte';
	import Rooms from '$lib/ui/kitchen/rooms.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Fold from '$lib/ui/notice/fold.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, type Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const units = $derived(data.units);
	const bad = (action: string, name: string) =>
		failed?.action === action && faultOf(failed, name) ? 'true' : undefined;
	const kinds = {
		counter: 'counter',
		fridge: 'fridge',
		freezer: 'freezer',
		cool: 'cool room',
		cellar: 'cellar',
		pantry: 'pantry',
		ground: 'row in the ground',
		crock: 'crock'
	} as const;
</script>

{#snippet remove(id: string, name: string)}
	<form method="POST" action="?/remove" use:enhance={withNotice()}>
		<Marks />
		<input type="hidden" name="id" value={id} />
		<button class="btn btn-plain underline" aria-label="Remove {name}">remove</button>
	</form>
{/snippet}
<h1 class="text-3xl">Places</h1>
<Rooms />
<Faults {failed} />
<p class="mt-4 max-w-3xl text-soft">
	Freezers: {sayVolume(data.freezerUsed_L, units)} of {sayVolume(data.freezer_L, units)} taken by packs.
	{#if data.outage}Without power, shut, they keep about {data.outage.hours} h{data.outage.published
			? ' (USDA FSIS, from memory)'
			: ': less than half full nothing is printed, so never more than half a freezer’s hours'}.{/if}
</p>
<ul class="ruled mt-3 border-t-4 border-b border-rim border-b-line lg:columns-2 lg:gap-x-10">
	{#each data.places as p (p.id)}
		<li class="break-inside-avoid">
			<Fold wanted={failed?.action === '/at' && failed.typed?.id === p.id} headingClass="py-2.5">
				{#snippet heading()}
					{#if p.view}<Change name={p.name} words={p.view.words} change={p.view.change} />{:else}<span
							><b>{p.name}</b>, {kinds[p.kind]}, {sayTemperature(p.tempC, units)}</span
						>{/if}
				{/snippet}
				<form
					method="POST"
					action="?/at"
					use:enhance={withNotice({ reset: false })}
					class="flex flex-wrap items-end gap-3 py-3"
				>
					<Marks />
					<input type="hidden" name="id" value={p.id} />
					<label class="field"
						><span>measured now, {fieldUnit.temperature[units]}</span><input
							name="tempC"
							inputmode="text"
							required
							class="w-28"
							value={p.edit.tempC}
						/></label
					>
					{#if p.view}
						<label class="field"
							><span>inside, {fieldUnit.volume[units]}</span><input
								name="litres"
								inputmode="decimal"
								required
								class="w-28"
								value={p.edit.litres}
							/></label
						>
						<label class="field"
							><span>it freezes in a day, {fieldUnit.weight[units]} (its plate; or nothing)</span><input
								name="dayKg"
								inputmode="decimal"
								class="w-28"
								value={p.edit.dayKg}
							/></label
						>
					{/if}
					<label class="flex min-h-11 basis-full items-center gap-2"
						><input type="checkbox" name="allAlong" value="yes" /> it was so all along: what stood here before was typed wrong</label
					>
					<button class="btn btn-full" aria-label="Save {p.name}">Save</button>
				</form>
				{@render remove(p.id, p.name)}
			</Fold>
		</li>
	{/each}
</ul>
<h2 class="mt-6 text-xl">Another place</h2>
<form method="POST" action="?/place" use:enhance={withNotice()} class="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
	<Marks />
	<label class="field"
		><span>a place, by name</span><input name="name" required maxlength="60" placeholder="garage freezer" /></label
	>
	<label class="field"
		><span>kind</span><select name="kind"
			>{#each Object.entries(kinds) as [v, n] (v)}<option value={v}>{n}</option>{/each}</select
		></label
	>
	<label class="field"
		><span>its temperature, {fieldUnit.temperature[units]}</span><input
			name="tempC"
			inputmode="text"
			required
			aria-invalid={bad('/place', 'tempC')}
		/></label
	>
	<label class="field"
		><span>inside, {fieldUnit.volume[units]} or cu ft (freezers)</span><input
			name="litres"
			inputmode="decimal"
		/></label
	>
	<label class="field"
		><span>it freezes in a day, {fieldUnit.weight[units]} (or nothing)</span><input
			name="dayKg"
			inputmode="decimal"
		/></label
	>
	<button class="btn self-end">Add the place</button>
</form>
