<script lang="ts">
	import { untrack, type Snippet } from 'svelte';

	/**
	 * Something folded away under its heading. It opens by itself where something in it was not saved, and is otherwise as the
	 * person left it: what is saved elsewhere on the page never folds it.
	 */
	let {
		wanted = false,
		heading,
		headingClass = '',
		class: own = '',
		children
	}: { wanted?: boolean; heading: Snippet; headingClass?: string; class?: string; children: Snippet } = $props();
	let element: HTMLDetailsElement;
	const first = untrack(() => wanted);
	$effect(() => {
		if (wanted) element.open = true;
	});
</script>

<details bind:this={element} open={first} class={own}>
	<summary class={headingClass}>{@render heading()}</summary>
	{@render children()}
</details>
