<script lang="ts">
	import { sayWeight, type Units } from '$core/quantities/format';

	/** Before buying or picking more: what this kitchen could still take on by a day. */
	let {
		asked,
		answer,
		units
	}: {
		asked: { readonly more: string; readonly by: string; readonly least: string };
		answer:
			| { readonly problem: string }
			| {
					readonly name: string;
					readonly days: number;
					readonly ways: readonly {
						readonly name: string;
						readonly kg: number;
						readonly ends: string | null;
						readonly next: string | null;
						readonly missing: string | null;
					}[];
			  }
			| null;
		units: Units;
	} = $props();
</script>

<details class="mt-6 border-t border-line pt-3" open={answer !== null}>
	<summary class="head text-lg">Could we take more?</summary>
	<form method="GET" class="mt-2 flex flex-wrap items-end gap-3" data-sveltekit-noscroll data-sveltekit-keepfocus>
		<label class="field"
			><span>of what</span><input
				name="more"
				required
				maxlength="60"
				autocomplete="off"
				value={asked.more}
				placeholder="runner beans"
				class="w-52"
			/></label
		>
		<label class="field"
			><span>put up by</span><input name="by" type="date" min={asked.least} value={asked.by} class="w-44" /></label
		>
		<button class="btn">Work it out</button>
	</form>
	{#if answer}
		{#if 'problem' in answer}
			<p class="mt-2 font-semibold text-amber" role="status">{answer.problem}</p>
		{:else}
			<table class="mt-3">
				<caption class="text-left text-sm text-soft">
					{answer.name}, in {answer.days === 1 ? 'the day that is left' : `${answer.days} days`}, if nothing else is put
					up: the most that each way stands
				</caption>
				<thead class="sr-only"
					><tr><th scope="col">Way</th><th scope="col">At most</th><th scope="col">What ends it</th></tr></thead
				>
				<tbody>
					{#each answer.ways as w, wNth (wNth)}
						<tr class="border-t border-line">
							<th scope="row" class="py-1.5 pr-6 text-left font-normal first-letter:uppercase">{w.name}</th>
							<td class="pr-6 text-right whitespace-nowrap"
								><b class="head text-xl">{w.missing ? '–' : sayWeight(w.kg * 1000, units)}</b></td
							>
							<td class="text-[15px] text-soft">
								{#if w.missing}<b class="text-amber">{w.missing}</b>{:else if w.ends}ends with {w.ends}{#if w.next},
										then {w.next}{/if}{/if}
							</td>
						</tr>
					{:else}<tr><td>There is no way of keeping it here.</td></tr>{/each}
				</tbody>
			</table>
			<p class="mt-1 text-sm text-soft">
				Plain sums by the <a href="/kitchen">Kitchen</a>’s hours, ice, room, bags and trays.
			</p>
		{/if}
	{/if}
</details>
