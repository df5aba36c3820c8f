<script lang="ts">
	import { tick } from 'svelte';
	import { enhance } from '$app/forms';
	import { goto, invalidateAll } from '$app/navigation';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Switch } from './view';

	/** The choices of the open way: kept as soon as they are made, and there again when one comes back. */
	let { list, also, slug }: { list: readonly Switch[]; also: readonly Switch[]; slug: string } = $props();
	const kept = withNotice({ reset: false });
	let form = $state<HTMLFormElement>();
	const send = () => void tick().then(() => form?.requestSubmit());
	/** A few short words stand beside one another; more of them open. */
	const short = (s: Extract<Switch, { kind: 'one-of' }>) =>
		s.options.length <= 3 && s.options.reduce((sum, o) => sum + o.words.length + (o.off?.length ?? 0), 0) <= 22;
</script>

{#snippet one(s: Switch)}
	{#if s.kind === 'typed'}
		<label class="field"
			><span>{s.label}</span><input
				name={s.name}
				aria-label={s.label}
				value={s.value}
				autocomplete="off"
				list="suggest-{s.name}"
				title={s.hint}
				aria-invalid={s.fault ? 'true' : undefined}
				onchange={send}
				class="w-32"
			/>{#if s.words}<span class="!text-ink">{s.words}</span>{/if}</label
		>
		<datalist id="suggest-{s.name}"
			>{#each s.suggest as v (v)}<option value={v}></option>{/each}</datalist
		>
	{:else if short(s)}
		<fieldset class="field">
			<legend class="text-sm text-soft">{s.label}</legend>
			<span class="pills">
				{#each s.options as o (o.value)}
					<label class:off={o.off}
						><input
							type="radio"
							name={s.name}
							value={o.value}
							checked={o.value === s.value}
							disabled={o.off !== undefined}
							onchange={send}
						/><span
							>{o.words}{#if o.off}<small>: {o.off}</small>{/if}</span
						></label
					>
				{/each}
			</span>
		</fieldset>
	{:else}
		<label class="field"
			><span>{s.label}</span><select name={s.name} aria-label={s.label} value={s.value} onchange={send} class="max-w-60"
				>{#each s.options as o (o.value)}<option value={o.value} disabled={o.off !== undefined}
						>{o.words}{o.off ? `: ${o.off}` : ''}</option
					>{/each}</select
			></label
		>
	{/if}
{/snippet}

<form
	bind:this={form}
	method="POST"
	action="?/choose"
	aria-label="How it is done"
	use:enhance={(input) => {
		const after = kept(input);
		return async (result) => {
			if (result.result.type !== 'success' || !location.search) return (await after)?.(result);
			// What an old address said is kept now, and would only say it again.
			await goto(location.pathname, { replaceState: true, noScroll: true, keepFocus: true });
			await invalidateAll();
		};
	}}
>
	<Marks />
	<input type="hidden" name="way" value={slug} />
	<div class="row">
		{#each list as s (s.name)}{@render one(s)}{/each}
	</div>
	{#if also.length > 0}
		<details class="mt-1">
			<summary class="text-[15px]">{also.map((s) => s.label).join(', ')}</summary>
			<div class="row mt-1">
				{#each also as s (s.name)}{@render one(s)}{/each}
			</div>
		</details>
	{/if}
	<noscript><button class="btn mt-2">Work it out</button></noscript>
</form>

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 8px 16px;
	}
	@media (max-width: 640px) {
		.row {
			display: grid;
			grid-template-columns: 1fr 1fr;
		}
		.row select,
		.row input:not([type='radio']) {
			width: 100%;
			max-width: none;
		}
	}
	fieldset {
		min-width: 0;
	}
	.pills {
		display: inline-flex;
		border: 2px solid var(--rim);
		border-radius: 10px;
		overflow: hidden;
		background: var(--enamel);
	}
	.pills label {
		position: relative;
		display: flex;
		align-items: center;
		min-height: 44px;
		padding: 0 14px;
		font-weight: 600;
		color: var(--rim);
		cursor: pointer;
	}
	/* A short word is never broken; the reason beside it may run over two lines. */
	.pills label:not(.off) {
		flex: none;
	}
	.pills label:has(:checked) {
		background: var(--rim);
		color: var(--onrim);
	}
	.pills label:has(:focus-visible) {
		outline: 3px solid var(--amber);
		outline-offset: -3px;
	}
	.pills input {
		position: absolute;
		inset: 0;
		width: 100%;
		min-height: 100%;
		margin: 0;
		opacity: 0;
		cursor: pointer;
	}
	.off {
		color: var(--soft) !important;
		font-weight: 400 !important;
	}
</style>
