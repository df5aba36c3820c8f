<script lang="ts">
	import { sayCount, sayDuration, sayWeight, type Units } from '$core/quantities/format';
	import { kindOf, type Tap } from '$core/runs/kinds';
	import { woulds } from '$core/runs/engine/event';
	import type { RunSession } from './run-session.svelte';
	import ByProducts from './by-products.svelte';

	/** A run that is over: what came of it, what came off, and whether you would do it again. */
	let {
		session,
		units,
		counter,
		offline,
		ontap,
		onopen
	}: {
		session: RunSession;
		units: Units;
		counter: string;
		offline: boolean;
		ontap: (tap: Tap) => void;
		onopen: () => void;
	} = $props();
	const run = $derived(session.state);
	const sums = $derived(kindOf(session.plan).sums(session.plan, run));
	const outputs = $derived(kindOf(session.plan).outputs(session.plan));
	let change = $state('');
	const words = { yes: 'Yes, just so', changed: 'Yes, but otherwise', no: 'No' } as const;
</script>

<h1 class="text-3xl">{run.phase === 'finished' ? 'Done and away.' : 'Stopped.'}</h1>
<p class="mt-3 text-lg">
	{#if sums.packed_g > 0}<b
			>{sayCount(
				run.packed.reduce((s, p) => s + p.packs, 0),
				'pack'
			)}</b
		>, {sayWeight(sums.packed_g, units)}, in {sayDuration(((run.endedAt ?? 0) - run.startedAt) / 1000)}.{:else}Nothing
		was packed.{/if}
	{#if sums.supper_g > 0}{sayWeight(sums.supper_g, units)} went to supper.{/if}
	{#if run.phase === 'stopped'}{sums.stoppedWords}{/if}
</p>
{#if outputs.length > 1}
	<ul class="ruled mt-3 border-y border-line">
		{#each outputs as o (o.n)}
			{@const packs = run.packed.filter((p) => p.subject === o.n)}
			{@const entry = session.entries.find((e) => e.n === o.n)}
			<li class="flex flex-wrap justify-between gap-3 py-2">
				<span><b class="first-letter:uppercase">{o.title}</b></span>
				<span
					>{packs.length > 0
						? `${sayCount(
								packs.reduce((s, p) => s + p.packs, 0),
								'pack'
							)}, ${sayWeight(
								packs.reduce((s, p) => s + p.packs * p.pack_g, 0),
								units
							)}`
						: 'no packs'}{#if entry}
						· <a href="/book/{entry.code}">in the book</a>{/if}</span
				>
			</li>
		{/each}
	</ul>
{/if}
{#if session.waiting > 0}
	<p class="mt-3 font-semibold text-amber">
		{offline ? 'No connection: it' : 'It'} is kept on this device and goes into the book as soon as the server has it.
	</p>
{/if}
<ByProducts {session} {units} {counter} {ontap} />
{#if run.phase === 'finished' || sums.packed_g > 0}
	<form
		class="mt-5 border-t border-line pt-4"
		onsubmit={(e) => {
			e.preventDefault();
			ontap({ type: 'again', would: run.again?.would ?? 'changed', change });
		}}
	>
		<h2 class="text-xl">Would you do it again?</h2>
		<div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Would you do it again?">
			{#each woulds as would (would)}<button
					type="button"
					class="btn {run.again?.would === would ? 'btn-full' : ''}"
					aria-pressed={run.again?.would === would}
					onclick={() => ontap({ type: 'again', would, change: change || (run.again?.change ?? '') })}
					>{words[would]}</button
				>{/each}
		</div>
		<div class="mt-3 flex flex-wrap items-end gap-3">
			<label class="field min-w-0 flex-1 basis-60"
				><span>what would you change?</span><input
					maxlength="300"
					value={change || (run.again?.change ?? '')}
					oninput={(e) => (change = e.currentTarget.value)}
				/></label
			>
			<button class="btn">Keep it</button>
		</div>
	</form>
{/if}
<p class="mt-6 flex flex-wrap gap-3">
	{#if session.entries[0]}<a class="btn btn-full" href="/book/{session.entries[0].code}">Its page in the book</a><a
			class="btn"
			href="/shelves">To the Shelves</a
		>{/if}<a class="btn" href="/basket">Back to the Basket</a>
</p>
<p class="mt-6"><button class="btn btn-plain underline" onclick={onopen}>A mistake? Open the run again</button></p>
