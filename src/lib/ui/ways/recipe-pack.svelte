<script lang="ts">
	import { enhance } from '$app/forms';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';

	/** A pack for a recipe of the household's own: weighed once, known ever after. */
	let { food, cut }: { food: string; cut: string } = $props();
</script>

<details class="open:w-full">
	<summary class="py-2">a recipe’s pack</summary>
	<form
		method="POST"
		action="?/portion"
		use:enhance={withNotice()}
		class="flex flex-wrap items-end gap-3 pb-2"
		aria-label="A pack for a recipe"
	>
		<Marks />
		<input type="hidden" name="food" value={food} /><input type="hidden" name="form" value={cut} />
		<label class="field"
			><span>for</span><input name="name" required maxlength="40" placeholder="one loaf" class="w-36" /></label
		>
		<label class="field"
			><span>measured as</span><input
				name="said"
				required
				maxlength="60"
				placeholder="2 cups, squeezed"
				class="w-44"
			/></label
		>
		<label class="field"
			><span>it weighs</span><input name="grams" required autocomplete="off" placeholder="310 g" class="w-28" /></label
		>
		<button class="btn">Remember it</button>
	</form>
</details>
