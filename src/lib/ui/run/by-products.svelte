<script lang="ts">
	import { sayWeight, type Units } from '$core/quantities/format';
	import { thingsMade, type Tap } from '$core/runs/kinds';
	import WeightField from '$lib/ui/notice/weight-field.svelte';
	import type { RunSession } from './run-session.svelte';

	/** What came off on the way and can be used: weighed into the Basket, or left. */
	let {
		session,
		units,
		counter,
		ontap
	}: { session: RunSession; units: Units; counter: string; ontap: (tap: Tap) => void } = $props();
	const things = $derived(thingsMade(session.plan));
	const offers = $derived(
		things.flatMap((s) => s.byproducts.map((b) => ({ ...b, subject: s.n, key: `${s.n} ${b.food} ${b.form}` })))
	);
	const keptOf = (subject: number, food: string, form: string) =>
		session.state.byproducts.filter((b) => b.subject === subject && b.food === food && b.form === form);
	let weighed = $state<Record<string, number>>({});
</script>

{#if offers.length > 0 && counter !== ''}
	<section class="mt-5 border-t border-line pt-4" aria-label="What came off">
		<h2 class="text-xl">What came off</h2>
		<p class="text-[15px] text-soft">For stock, jelly, the hens: what is kept stands in the Basket.</p>
		<ul class="ruled mt-2">
			{#each offers as b (b.key)}
				{@const kept = keptOf(b.subject, b.food, b.form)}
				<li class="flex flex-wrap items-end justify-between gap-3 py-2">
					<b class="first-letter:uppercase">{b.name}</b>
					{#if kept.length > 0}
						<span
							>{sayWeight(
								kept.reduce((s, k) => s + k.grams, 0),
								units
							)} in the Basket
							<button
								class="btn btn-plain underline"
								onclick={() => {
									for (const k of kept) ontap({ type: 'undo', target: k.eventId });
								}}>undo</button
							></span
						>
					{:else}
						<span class="flex flex-wrap items-end gap-3">
							<WeightField
								label="weighed, about"
								grams={weighed[b.key] ?? b.grams}
								{units}
								width="w-32"
								onweight={(g) => (weighed[b.key] = g)}
							/>
							<button
								class="btn"
								aria-label="Keep the {b.name}"
								onclick={() =>
									ontap({
										type: 'by-product',
										...(things.length > 1 ? { subject: b.subject } : {}),
										food: b.food,
										form: b.form,
										grams: Math.round(weighed[b.key] ?? b.grams),
										placeId: counter
									})}>Keep it</button
							>
						</span>
					{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
