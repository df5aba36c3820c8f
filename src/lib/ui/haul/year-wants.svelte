<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayWeight, type Units } from '$core/quantities/format';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { FoodWanted } from './view';

	/** What a year takes of the foods of the haul: worked out, until the household says how often it is eaten. */
	let { wants, units }: { wants: readonly FoodWanted[]; units: Units } = $props();
	const kg = (n: number) => sayWeight(Math.round(n * 1000), units);
</script>

<details class="mt-4">
	<summary class="head min-h-11 cursor-pointer text-lg">What a year takes</summary>
	<p class="text-sm text-soft">
		More than that is worth less to the plan. Helpings are one head’s; without a number a usual year is taken.
	</p>
	<form method="POST" action="?/want" use:enhance={withNotice({ reset: false })}>
		<Marks />
		<input type="hidden" name="foods" value={wants.map((w) => w.food).join(',')} />
		{#each wants as w (w.food)}
			<label class="flex min-h-11 items-center justify-between gap-3 border-t border-line">
				<span class="min-w-0"
					><span class="block first-letter:uppercase">{w.name}</span>
					<span class="block text-sm text-soft"
						>{kg(w.year_kg)} as it comes in{#if w.have_kg > 0.05}, {kg(w.have_kg)} of it stands there{/if}</span
					></span
				>
				<span class="flex items-baseline gap-1.5 whitespace-nowrap"
					><input
						name="want.{w.food}"
						inputmode="decimal"
						size="3"
						maxlength="6"
						autocomplete="off"
						value={w.perWeek ?? ''}
						aria-label="{w.name}: helpings a week"
					/> a week</span
				>
			</label>
		{/each}
		<button class="btn mt-2">Keep it</button>
	</form>
</details>
