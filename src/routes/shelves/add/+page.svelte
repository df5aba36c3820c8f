<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { HaulLine, type Echo } from '$lib/ui/haul/echo-state.svelte';
	import EchoLine from '$lib/ui/haul/echo-line.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	let place = $state(untrack(() => (form as Failed | null)?.typed?.placeId ?? data.place ?? data.places[0]?.id ?? ''));
	let jars = $state<string>(untrack(() => (form as Failed | null)?.typed?.jars ?? data.jars ?? ''));
	const here = $derived(data.places.find((p) => p.id === place));
	const line = new HaulLine(
		async (text) => {
			const query = new URLSearchParams({ q: text, place, ...(jars ? { jars } : {}) });
			const reply = await fetch(`/shelves/add/echo?${query}`).catch(() => null);
			return reply?.ok ? ((await reply.json()) as Echo) : null;
		},
		untrack(() => (form as Failed | null)?.typed?.text ?? '')
	);
	let input: HTMLInputElement;
	const half = 'shelf-line';
	onMount(() => {
		const kept = line.text === '' ? sessionStorage.getItem(half) : null;
		if (kept) line.set(kept);
		else if (line.text !== '') void line.look();
	});
	$effect(() => {
		if (line.text === '') sessionStorage.removeItem(half);
		else sessionStorage.setItem(half, line.text);
	});
	const example = $derived(
		here?.kind === 'freezer'
			? '12 × 500 g green beans, August · 4 bags spinach, 300 g · 3 × 1 L chicken stock, Oct'
			: here?.kind === 'pantry'
				? '7 quarts crushed tomatoes, canned Sep 2025 · 3 half-pints plum jam · 2 pint jars dried apple'
				: here?.kind === 'cellar' || here?.kind === 'cool'
					? '9 butternut squash, 11 kg · 14 kg beetroot in sand · 12 kg potatoes'
					: here?.kind === 'ground'
						? '6 kg carrots'
						: '1.5 kg chicken, cooked, yesterday · 12 eggs · 300 g butter'
	);
</script>

<div class="flex flex-wrap items-end justify-between gap-3">
	<div>
		<h1 class="text-3xl">What is here already</h1>
		<p class="text-soft">Go from place to place, a line for each kind. Every line can be taken back.</p>
	</div>
	<a class="btn" href="/shelves">Done: to the Shelves</a>
</div>

<form
	method="POST"
	action="?/add"
	use:enhance={withNotice({
		path: '/shelves/add',
		reset: false,
		after: () => {
			line.set('');
			line.changed();
			input.focus();
		}
	})}
	class="rimmed mt-4 px-5 py-4 focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-amber"
>
	<Marks />
	<fieldset class="flex flex-wrap gap-2">
		<legend class="sr-only">The place that you stand at</legend>
		{#each data.places as p (p.id)}
			<label class="chip"
				><input
					type="radio"
					name="placeId"
					value={p.id}
					bind:group={place}
					onchange={() => {
						line.changed();
						input.focus();
					}}
				/>{p.name}</label
			>
		{/each}
	</fieldset>
	<div class="mt-3 flex flex-wrap items-center gap-3">
		<input
			bind:this={input}
			bind:value={line.text}
			oninput={() => line.changed()}
			name="text"
			maxlength="200"
			autocomplete="off"
			autocapitalize="off"
			enterkeyhint="done"
			aria-label="What stands there, for example 12 × 500 g green beans, frozen August"
			aria-describedby="echo"
			aria-invalid={failed?.error ? 'true' : undefined}
			placeholder="12 × 500 g green beans, August"
			class="head min-w-0 flex-1 basis-full !border-transparent !bg-transparent !px-0 !text-2xl font-bold !outline-none sm:basis-0 sm:!text-3xl"
		/>
		<button class="btn btn-full">It stands there <span class="key">Enter</span></button>
	</div>
	<div id="echo" aria-live="polite" class="min-h-7 text-base">
		<EchoLine
			echo={line.echo}
			{example}
			onchoose={(text) => {
				line.set(text);
				input.focus();
			}}
		/>
	</div>
	{#if here?.kind === 'pantry' || here?.kind === 'cellar' || here?.kind === 'cool'}
		<label class="mt-2 flex flex-wrap items-center gap-2 text-sm text-soft"
			>Our own jars of low-acid food and tomatoes:
			<select name="jars" bind:value={jars} onchange={() => line.changed()} class="!min-h-11">
				<option value="">say it jar by jar</option>
				<option value="tested">by tested recipes, for our altitude</option>
				<option value="unknown">nobody knows any more</option>
			</select></label
		>
	{/if}
</form>
<Faults {failed} />

{#if data.put.length > 0}
	<h2 class="mt-6 text-xl">In this sitting</h2>
	<ul class="ruled border-y border-line">
		{#each data.put as p (p.groupId)}
			<li class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-1.5">
				<span
					><b>{p.words}</b>, {p.place}{#if p.code}
						· <a href="/book/{p.code}">{p.code}</a>{/if}
					<span class="block text-sm text-soft">“{p.said}”</span>
					{#if p.unknown}<span class="block text-sm font-bold text-red"
							>Nobody knows by what process: not for eating until someone does.</span
						>{/if}</span
				>
				<form method="POST" action="?/undo" use:enhance={withNotice()}>
					<Marks />
					<button class="btn btn-plain underline" name="groupId" value={p.groupId} aria-label="Undo: {p.words}"
						>undo</button
					>
				</form>
			</li>
		{/each}
	</ul>
{/if}

<style>
	.chip {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		min-height: 44px;
		padding: 6px 14px;
		border: 2px solid var(--line);
		border-radius: 12px;
		cursor: pointer;
	}
	.chip:has(:checked) {
		border-color: var(--rim);
		background: var(--wash);
		font-weight: 700;
	}
	.chip input {
		min-height: 0;
		width: 18px;
		height: 18px;
		accent-color: var(--rim);
	}
</style>
