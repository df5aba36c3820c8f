<script lang="ts">
	import { enhance } from '$app/forms';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { ByHand, WaysView } from './view';

	/** Done already, without the Stove: what came of it, and what of the lot went into it. One step, which undo takes back. */
	let {
		hand,
		lot,
		path = `/ways/${lot.id}`,
		open = false
	}: {
		hand: ByHand;
		lot: Pick<WaysView['lot'], 'id'>;
		/** Where its undo is. */
		path?: string;
		open?: boolean;
	} = $props();
</script>

<details class="open:w-full" {open}>
	<summary class="py-2">done: write it down</summary>
	<form
		method="POST"
		action="?/hand"
		use:enhance={withNotice({ path, reset: false })}
		class="flex flex-wrap items-end gap-3 pb-2"
		aria-label="What came of it"
	>
		<Marks />
		<input type="hidden" name="lot" value={lot.id} />
		<label class="field grow"
			><span>what came of it</span><input
				name="text"
				required
				maxlength="200"
				autocomplete="off"
				value={hand.text}
				class="w-full"
			/></label
		>
		<label class="field"
			><span>of it went in</span><input
				name="grams"
				required
				autocomplete="off"
				value={hand.grams}
				class="w-28"
			/></label
		>
		<label class="field"
			><span>stands in</span><select name="placeId" class="max-w-48"
				><option value="">its usual place</option>{#each hand.places as p (p.id)}<option value={p.id}>{p.name}</option
					>{/each}</select
			></label
		>
		{#if hand.jars}<label class="flex min-h-11 w-full items-center gap-2"
				><input type="checkbox" name="tested" value="yes" /> by this tested process, its full time held, the seals checked;
				else they are kept as jars of which nobody knows it, not for eating</label
			>{/if}
		<button class="btn">Write it down</button>
	</form>
</details>
