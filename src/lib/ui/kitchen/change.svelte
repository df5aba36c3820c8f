<script lang="ts">
	import type { GearChange } from '$core/ways/gear-changes';

	/** A thing and what it changes: the figure is the biggest of it. */
	let { name, words, change }: { name: string; words: string; change: GearChange } = $props();
</script>

<span class="inline-grid w-[calc(100%-1.25rem)] grid-cols-[1fr_auto] items-start gap-x-4 align-top">
	<span>
		<b class="text-lg">{name}</b>
		{#if words}<span class="sub">{words}</span>{/if}
		{#if change.words}<span class="sub">{change.words}</span>{/if}
		{#if change.warning}<span class="fault block">{change.warning}</span>{/if}
	</span>
	{#if change.big}<span class="text-right"
			><b class="head text-2xl whitespace-nowrap text-rim">{change.big}</b><span class="sub">{change.of}</span></span
		>{/if}
</span>
