<script lang="ts">
	import { untrack } from 'svelte';
	import { afterNavigate, goto } from '$app/navigation';
	import { search, type Entry } from '$core/tables/search';

	let { entries, q = '' }: { entries: readonly Entry[]; q?: string } = $props();
	let text = $state(untrack(() => q));
	let at = $state(0);
	let open = $state(untrack(() => q !== ''));
	const found = $derived(search(entries, text));
	const chosen = $derived(found[Math.min(at, found.length - 1)]);

	afterNavigate(({ type, to }) => {
		if (type === 'enter') return;
		text = to?.url.searchParams.get('q') ?? '';
		open = false;
	});

	let field: HTMLInputElement | undefined = $state();
	/** "/" goes to the field, from anywhere where nobody is typing. */
	function fromAnywhere(event: KeyboardEvent) {
		const typing = /^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName);
		if (event.key !== '/' || typing || event.ctrlKey || event.metaKey || event.altKey) return;
		event.preventDefault();
		field?.focus();
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
			if (found.length === 0) return;
			event.preventDefault();
			open = true;
			at = (at + (event.key === 'ArrowDown' ? 1 : found.length - 1)) % found.length;
		} else if (event.key === 'Escape') {
			open = false;
			text = '';
		} else if (event.key === 'Enter') {
			// Until the index has come the server looks it up. After that what was found stands on the screen already.
			if (entries.length === 0) return;
			event.preventDefault();
			if (chosen) void goto(chosen.entry.href);
		}
	}
</script>

<svelte:window onkeydown={fromAnywhere} />

<form method="GET" action="/tables" role="search" class="relative w-full max-w-xl">
	<label class="field">
		<span>look up a food, a way, a ratio</span>
		<input
			type="search"
			name="q"
			bind:this={field}
			bind:value={text}
			oninput={() => {
				at = 0;
				open = true;
			}}
			onfocus={() => (open = text !== '')}
			onblur={() => setTimeout(() => (open = false), 150)}
			{onkeydown}
			maxlength="60"
			autocomplete="off"
			placeholder="runner beans, drying, kraut"
			role="combobox"
			aria-expanded={open && text !== '' && entries.length > 0}
			aria-controls="found"
			aria-autocomplete="list"
			aria-activedescendant={open && chosen ? `found-${Math.min(at, found.length - 1)}` : undefined}
		/>
	</label>
	<ul
		id="found"
		role="listbox"
		aria-label="Found"
		class="rimmed ruled absolute inset-x-0 top-full z-30 mt-1 max-h-[60dvh] overflow-auto py-1"
		hidden={!open || text.trim() === '' || entries.length === 0}
	>
		{#each found as f, i (f.entry.href)}
			<li role="option" aria-selected={i === at} id="found-{i}">
				<a
					href={f.entry.href}
					tabindex="-1"
					class="flex min-h-11 items-baseline justify-between gap-3 px-4 py-2 no-underline {i === at ? 'bg-wash' : ''}"
				>
					<span
						><b>{f.entry.name}</b>
						{#if f.by}<span class="text-sm text-soft">{f.by}</span>{/if}</span
					>
					<span class="text-sm text-soft">{f.entry.sort}</span>
				</a>
			</li>
		{:else}
			<li role="option" aria-selected="false" class="px-4 py-2 text-soft">
				Nothing by that name. Try the plain word: “beans”, “drying”.
			</li>
		{/each}
	</ul>
</form>
