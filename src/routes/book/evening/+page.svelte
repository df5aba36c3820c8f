<script lang="ts">
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import ByHand from '$lib/ui/ways/by-hand.svelte';
	import type { ActionData, PageData } from './$types';

	/** What was done without a record, in three taps: what it was, what became of it, write it down. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { chosen } = $derived(data);
	const gone = [
		['take', 'eaten as it was'],
		['give', 'given away'],
		['spoil', 'spoiled']
	] as const;
</script>

<h1 class="text-3xl">What ran today?</h1>
<p class="text-soft">
	Done without the Stove: say what it was and what became of it. The sums stand there; type over what was otherwise.
</p>
<Faults failed={form as Failed | null} />
{#if data.basket.length === 0}
	<p class="mt-6">
		Nothing waits in the <a href="/basket">Basket</a>. What was put up from elsewhere goes
		<a href="/shelves/add">onto the shelves</a>.
	</p>
{:else}
	<ol class="mt-4 grid gap-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
		<li>
			<h2 class="text-xl"><span class="text-rim">1</span> What was it?</h2>
			<ul class="mt-1">
				{#each data.basket as b (b.id)}
					<li>
						<a
							class="btn mt-1.5 w-full justify-between {b.chosen ? 'btn-full' : ''}"
							href="?lot={b.id}"
							aria-current={b.chosen ? 'true' : undefined}
							data-sveltekit-noscroll><span class="first-letter:uppercase">{b.title}</span> <span>{b.amount}</span></a
						>
					</li>
				{/each}
			</ul>
		</li>
		<li>
			{#if chosen}
				<h2 class="text-xl"><span class="text-rim">2</span> What became of the {chosen.lot.name}?</h2>
				{#if chosen.stop}<p class="mt-1 font-semibold text-red">{chosen.stop}</p>{/if}
				<div class="mt-2 flex flex-wrap gap-2">
					{#each chosen.ways as w (w.slug)}
						<a
							class="btn {w.slug === chosen.way ? 'btn-full' : ''}"
							href="?lot={chosen.lot.id}&way={w.slug}"
							aria-current={w.slug === chosen.way ? 'true' : undefined}
							data-sveltekit-noscroll>{w.name}</a
						>
					{/each}
				</div>
				{#if chosen.lot.free_g > 0}
					<form
						method="POST"
						action="?/gone"
						use:enhance={withNotice({ path: '/book/evening' })}
						class="mt-2 flex flex-wrap gap-2"
					>
						<Marks />
						<input type="hidden" name="lot" value={chosen.lot.id} /><input
							type="hidden"
							name="amount"
							value={Math.round(chosen.lot.free_g * 10)}
						/>
						{#each gone as [what, words] (what)}<button class="btn btn-plain underline" name="what" value={what}
								>all {words}</button
							>{/each}
					</form>
				{/if}
				{#if chosen.hand}
					<h2 class="mt-6 text-xl"><span class="text-rim">3</span> Is that so?</h2>
					{#key chosen.lot.id + chosen.way}<ByHand
							hand={chosen.hand}
							lot={chosen.lot}
							path="/book/evening"
							open
						/>{/key}
				{/if}
			{:else}
				<p class="text-soft">Choose what it was.</p>
			{/if}
		</li>
	</ol>
{/if}
