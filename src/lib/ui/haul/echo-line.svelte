<script lang="ts">
	import type { Echo } from './echo-state.svelte';

	/** What the line that is being typed is understood as, with the choices where one answer is missing. */
	let { echo, example, onchoose }: { echo: Echo | null; example: string; onchoose: (text: string) => void } = $props();
</script>

{#if !echo}
	<span class="text-soft">{example}</span>
{:else if echo.kind === 'understood'}
	<span class="font-bold text-leaf">= {echo.words}</span>
	<span class="text-sm text-soft">{echo.detail}</span>
	{#if echo.danger}<span class="block font-bold text-red">{echo.danger}</span>{/if}
{:else if echo.kind === 'refused'}
	<span class="font-bold text-red">No: {echo.words}</span>
	{#if echo.instead?.length}<span><b>Instead:</b> {echo.instead.join('; ')}.</span>{/if}
	<span class="source">{echo.detail}</span>
{:else}
	<span class="font-semibold text-amber">{echo.words}</span>
	{#each echo.choices as c, nth (nth)}
		<button type="button" class="btn ml-2 !min-h-11" onclick={() => onchoose(c.text)}>{c.label}</button>
	{/each}
	{#if echo.confirm}
		<button class="btn btn-full ml-2" name="sure" value="yes">{echo.confirm}</button>
	{/if}
{/if}
