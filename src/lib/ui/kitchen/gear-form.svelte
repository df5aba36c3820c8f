<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Units } from '$core/quantities/format';
	import { fieldUnit, type MeasureKind } from '$core/quantities/parse-measure';
	import { gearFields, type Field, type GearKind } from '$core/ways/equipment-fields';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, type Failed } from '$lib/ui/notice/types';

	/** One thing of the kitchen: its name and the few figures that its kind has. */
	let {
		kind,
		id = null,
		name = '',
		values,
		units,
		failed,
		button,
		placeholder = ''
	}: {
		kind: GearKind;
		id?: string | null;
		name?: string;
		values: Readonly<Record<string, string>>;
		units: Units;
		failed: Failed | null;
		button: string;
		placeholder?: string;
	} = $props();
	// What was typed and not saved goes back to the one form that it came from.
	const mine = $derived(
		failed?.action === '/gear' && failed.typed?.kind === kind && (failed.typed.id ?? '') === (id ?? '') ? failed : null
	);
	const typed = (field: string, value: string) => mine?.typed?.[field] ?? (mine ? '' : value);
	const bad = (field: string) => (mine && faultOf(mine, field) ? 'true' : undefined);
	const unitOf = (f: Field): string => {
		if (f.as === 'count' || f.as === 'choice' || f.as === 'yes' || f.as === 'date' || f.as === 'many') return '';
		if (f.as === 'number') return f.unit ? `, ${f.unit}` : '';
		return `, ${fieldUnit[f.as === 'list' ? 'length' : (f.as as MeasureKind)][units]}`;
	};
</script>

<form
	method="POST"
	action="/kitchen?/gear"
	use:enhance={withNotice({ reset: id === null })}
	class="grid grid-cols-2 gap-3 py-3 sm:grid-cols-3"
>
	<Marks />
	<input type="hidden" name="kind" value={kind} />
	{#if id}<input type="hidden" name="id" value={id} />{/if}
	<label class="field col-span-2 sm:col-span-1"
		><span>its name</span><input
			name="name"
			required
			maxlength="60"
			autocomplete="off"
			{placeholder}
			aria-invalid={bad('name')}
			value={typed('name', name)}
		/></label
	>
	{#each gearFields[kind] as f (f.name)}
		{#if f.as === 'choice'}
			<label class="field"
				><span>{f.label}</span><select name={f.name} aria-invalid={bad(f.name)}
					>{#each Object.entries(f.choices) as [v, n] (v)}<option
							value={v}
							selected={typed(f.name, values[f.name] ?? '') === v}>{n}</option
						>{/each}</select
				></label
			>
		{:else if f.as === 'yes'}
			<label class="flex min-h-11 items-center gap-2 self-end"
				><input type="checkbox" name={f.name} value="yes" checked={typed(f.name, values[f.name] ?? '') === 'yes'} />
				{f.label}</label
			>
		{:else if f.as === 'many'}
			<fieldset class="col-span-full flex flex-wrap gap-x-5">
				<legend class="text-sm text-soft">{f.label}</legend>
				{#each Object.entries(f.choices) as [v, n] (v)}
					<label class="flex min-h-11 items-center gap-2"
						><input
							type="checkbox"
							name="{f.name}-{v}"
							value="yes"
							checked={typed(`${f.name}-${v}`, values[`${f.name}-${v}`] ?? '') === 'yes'}
						/>
						{n}</label
					>
				{/each}
			</fieldset>
		{:else}
			<label class="field"
				><span>{f.label}{unitOf(f)}{f.optional ? ' (or nothing)' : ''}</span><input
					name={f.name}
					type={f.as === 'date' ? 'date' : 'text'}
					inputmode={f.as === 'date' ? undefined : 'decimal'}
					required={!f.optional && f.as !== 'list'}
					autocomplete="off"
					aria-invalid={bad(f.name)}
					value={typed(f.name, values[f.name] ?? '')}
				/></label
			>
		{/if}
	{/each}
	<button class="btn btn-full col-span-full justify-self-start">{button}</button>
</form>
