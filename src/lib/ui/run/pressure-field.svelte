<script module lang="ts">
	/** In which unit this household's dial is, as it was last said here. */
	const kept = 'root-jar-dial';
	export const units = ['psi', 'kPa', 'bar'] as const;
</script>

<script lang="ts">
	import { onMount } from 'svelte';
	import type { Typed } from './types';

	/** What a dial shows, with its unit beside it: a bare number is never guessed at. */
	let { typed, missing, small = false }: { typed: Typed; missing: boolean; small?: boolean } = $props();
	onMount(() => {
		try {
			typed.pressureUnit ??= localStorage.getItem(kept) ?? undefined;
		} catch {
			// A browser that keeps nothing asks in psi.
		}
	});
	function unit(value: string) {
		typed.pressureUnit = value;
		try {
			localStorage.setItem(kept, value);
		} catch {
			// It holds for this page then.
		}
	}
</script>

<div class="mt-2 flex items-end gap-2 {small ? '' : 'text-lg'}">
	<label class="field {small ? 'w-24' : 'w-32'}"
		><span>the dial shows</span><input
			inputmode="decimal"
			value={typed.pressure ?? ''}
			oninput={(e) => (typed.pressure = e.currentTarget.value)}
			aria-invalid={missing ? 'true' : undefined}
			class={small ? '' : '!min-h-16 !text-3xl'}
		/></label
	>
	<label class="field"
		><span>in</span><select value={typed.pressureUnit ?? 'psi'} onchange={(e) => unit(e.currentTarget.value)}
			>{#each units as u (u)}<option value={u}>{u}</option>{/each}</select
		></label
	>
</div>
{#if missing}<span class="fault">Read the dial, and write what it shows.</span>{/if}
