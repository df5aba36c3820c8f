<script lang="ts">
	import { mindOf } from '$core/runs/kinds';
	import { setSpeaks, canSpeak } from './voice';
	import type { StoveState } from './stove-state.svelte';
	import type { StoveThings } from './types';

	/** What stands around the work: who helps, whether it speaks, what to mind. */
	let {
		stove,
		things,
		awake,
		voice = $bindable(),
		onvoice
	}: {
		stove: StoveState;
		things: StoveThings;
		awake: boolean | null;
		voice: boolean;
		onvoice: () => void;
	} = $props();
	const several = $derived(stove.open.length > 1);
</script>

<details class="py-2">
	<summary class="text-[15px] font-bold">Helpers, voice, cautions</summary>
	{#if things.helpers.length > 0}
		<div class="flex flex-wrap items-center gap-x-4 gap-y-1 py-1 text-[15px]">
			<span class="font-bold">Helping now</span>
			{#each things.helpers as h (h.id)}<label class="flex min-h-11 items-center gap-2"
					><input
						type="checkbox"
						checked={stove.helping.includes(h.id)}
						onchange={(e) => {
							stove.help(h.id, e.currentTarget.checked);
						}}
					/>{h.name}</label
				>{/each}
			{#if stove.helpers.length > 0}<label class="flex items-center gap-2"
					>at this device <select bind:value={stove.me} onchange={() => stove.keepWho()}
						><option value="">the cook</option>{#each stove.helpers as h (h.id)}<option value={h.id}>{h.name}</option
							>{/each}</select
					></label
				>{/if}
		</div>
	{/if}
	<p class="py-2 text-sm text-soft">
		{#if awake === true}The screen stays on.{:else if awake === false}This browser cannot keep the screen on: a sleeping
			phone cannot ring. Set it to stay awake.{/if}
		Any other phone can open this page and go on.
		{#if canSpeak()}<label class="ml-2 inline-flex min-h-11 items-center gap-2 align-middle"
				><input
					type="checkbox"
					checked={voice}
					onchange={(e) => {
						voice = e.currentTarget.checked;
						setSpeaks(voice);
						onvoice();
					}}
				/>say it aloud</label
			>{/if}
	</p>
	{#each stove.open as s (s.id)}
		<section class="mt-2">
			<h3 class="text-[15px]">Mind{several ? `: ${s.food}` : ''}</h3>
			<ul class="mt-1 list-disc space-y-1 pl-5 text-sm">
				{#each mindOf(s.plan).cautions as c (c)}<li>{c}</li>{/each}
			</ul>
			<p class="source mt-1">{mindOf(s.plan).sources.join(' · ')}</p>
		</section>
	{/each}
</details>
