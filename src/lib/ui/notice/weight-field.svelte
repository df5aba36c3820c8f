<script lang="ts">
	import { editWeight, parseWeight } from '$core/quantities/parse-weight';
	import type { Units } from '$core/quantities/format';

	/** A weight as a person writes it; says at once when it is none. */
	let {
		label,
		grams,
		units,
		onweight,
		big = false,
		placeholder = '',
		width = ''
	}: {
		label: string;
		grams: number;
		units: Units;
		onweight: (grams: number) => void;
		big?: boolean;
		/** Shown where nothing was weighed yet: no weight by itself. */
		placeholder?: string;
		width?: string;
	} = $props();
	let typed = $state<string | null>(null);
	const wrong = $derived(
		typed !== null && !(placeholder !== '' && typed.trim() === '') && parseWeight(typed) === undefined
	);
	const id = $props.id();

	function changed(event: Event & { currentTarget: HTMLInputElement }) {
		typed = event.currentTarget.value;
		const weight = parseWeight(typed);
		if (weight !== undefined) onweight(weight);
	}
</script>

<label class="field">
	<span>{label}</span>
	<input
		value={typed ?? (placeholder !== '' && grams === 0 ? '' : editWeight(grams, units))}
		{placeholder}
		oninput={changed}
		onblur={() => {
			if (!wrong) typed = null;
		}}
		aria-invalid={wrong ? 'true' : undefined}
		aria-describedby={wrong ? `${id}-wrong` : undefined}
		autocomplete="off"
		class="{width} {big ? 'head !min-h-16 text-3xl font-bold' : ''}"
	/>
	{#if wrong}<span id="{id}-wrong" class="fault">Write a weight, such as 7.8 kg, 850 g or 3 lb 4 oz.</span>{/if}
</label>
