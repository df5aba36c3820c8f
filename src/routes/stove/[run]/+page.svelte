<script lang="ts">
	import LabelsNote from '$lib/ui/notice/labels-note.svelte';
	import { onMount, untrack } from 'svelte';
	import { Dialog } from 'bits-ui';
	import { invalidateAll } from '$app/navigation';
	import { sayTime, sayTimeExact } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
	import { nextActs, type Tap } from '$core/runs/next';
	import { surpriseOf } from '$core/runs/surprise';
	import { troubles } from '$core/runs/trouble';
	import { tally } from '$core/runs/fold';
	import type { Clock } from '$lib/ui/clock/clock-state.svelte';
	import Differences from '$lib/ui/run/differences.svelte';
	import Figure from '$lib/ui/run/figure.svelte';
	import Lanes from '$lib/ui/run/lanes.svelte';
	import PackForm from '$lib/ui/run/pack-form.svelte';
	import { allowSound, keepAwake } from '$lib/ui/run/ring';
	import { useClock, useRuns } from '$lib/ui/run/runs-state.svelte';
	import WeightField from '$lib/ui/notice/weight-field.svelte';
	import { eventWords } from '$lib/ui/run/words';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const clock = useClock<Clock>();
	const runs = useRuns();
	const session = $derived.by(() => {
		const wire = data.run;
		return untrack(() => runs.of(wire));
	});
	const units = $derived(data.household.units);
	const zone = $derived(data.household.zone);
	const plan = $derived(session.plan);
	const run = $derived(session.state);
	const acts = $derived(nextActs(plan, run, clock.now));
	const main = $derived(acts[0] ?? null);
	/** What comes after, with its time where one is known. */
	const then = $derived.by(() => {
		const words = acts.slice(1, 4).map((a) => {
			const who = a.about.potful ? `potful ${a.about.potful}: ` : '';
			if (!a.ready && a.due !== null && a.button)
				return `${who}${a.button.label.toLowerCase()} at ${sayTime(a.due, zone)}`;
			return `${who}${a.sentence.replace(/\.$/, '')}`;
		});
		const next = run.potfuls.find((p) => p.spot === 'waiting');
		if (next && run.weighed && !acts.some((a) => a.kind === 'in')) words.push(`potful ${next.n} goes in`);
		return words;
	});
	const sums = $derived(tally(run));
	/** Taps that lie ahead of now: a clock was set back meanwhile. */
	const skew_ms = $derived(Math.max(0, ...session.events.map((e) => e.at)) - clock.now);
	let grams = $state<number | null>(null);
	let asking = $state<string | null>(null);
	let helpOpen = $state(false);
	let awake = $state<boolean | null>(null);
	let earlier_min = $state(0);
	let stopOpen = $state(false);
	let stopReason = $state('');

	onMount(() => {
		const lock = () => {
			if (document.visibilityState === 'visible') void keepAwake().then((can) => (awake = can));
		};
		lock();
		document.addEventListener('visibilitychange', lock);
		return () => document.removeEventListener('visibilitychange', lock);
	});

	/** A figure far from what is likely, asked about before it is kept. */
	let surprise = $state<{ why: string; tap: Tap } | null>(null);

	/** @returns whether it counts; else it is asked about first */
	function tap(what: Tap & { sure?: true }): boolean {
		allowSound();
		const into = what.type === 'pack' ? data.containers.find((c) => c.id === what.containerId)?.volume_mL : undefined;
		const why = what.sure ? undefined : surpriseOf(plan, what, run, into);
		if (why !== undefined) {
			surprise = { why, tap: what };
			return false;
		}
		const late = earlier_min > 0 ? earlier_min * 60_000 : 0;
		session.tap(what, clock.at(Date.now()) - late);
		earlier_min = 0;
		asking = null;
		surprise = null;
		return true;
	}
	/** The places of packs and the drawer have changed with the closing: read anew, once the server has told of it. */
	let read = untrack(() => session.batchCode);
	$effect(() => {
		if (session.batchCode === read) return;
		read = session.batchCode;
		void invalidateAll();
	});
	function press() {
		if (!main?.button) return;
		if (main.kind === 'weigh') return tap({ type: 'weigh', grams: Math.round(grams ?? plan.load_g) });
		if (!main.ready && asking !== main.key) {
			asking = main.key;
			return;
		}
		tap(main.button.tap);
	}
	const undo = () => run.last && tap({ type: 'undo', target: run.last.id });

	function onkeydown(event: KeyboardEvent) {
		const target = event.target as HTMLElement;
		if (/^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName) || helpOpen || stopOpen) return;
		// Held down is not pressed twice, and with Ctrl or Alt it is the browser's.
		if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || surprise) return;
		if (event.key === ' ' && target.tagName !== 'BUTTON' && target.tagName !== 'A' && target.tagName !== 'SUMMARY') {
			event.preventDefault();
			press();
		} else if (event.key === 'u') undo();
	}
</script>

<svelte:window {onkeydown} />
{#snippet said()}
	{#each session.notes as note (note)}
		<p role="alert" class="fault mt-3">
			{note} <button class="btn btn-plain underline" onclick={() => session.clearNotes()}>good</button>
		</p>
	{/each}
{/snippet}
{#snippet differs()}
	{#if session.differences.length > 0}
		<Differences runId={session.id} differences={session.differences} {units} />
	{/if}
{/snippet}
{#if run.phase !== 'working'}
	<section class="rimmed mx-auto max-w-2xl p-8">
		<h1 class="text-3xl">{run.phase === 'finished' ? 'Done and away.' : 'Stopped.'}</h1>
		<p class="mt-3 text-lg">
			{#if sums.packed_g > 0}<b
					>{sayCount(
						run.packed.reduce((s, p) => s + p.packs, 0),
						'pack'
					)}</b
				>, {sayWeight(sums.packed_g, units)}, in {sayDuration(
					((run.endedAt ?? 0) - run.startedAt) / 1000
				)}.{:else}Nothing was packed.{/if}
			{#if sums.supper_g > 0}{sayWeight(sums.supper_g, units)} went to supper.{/if}
			{#if run.phase === 'stopped'}What had not been in the heat or on a tray is still in the Basket.{/if}
		</p>
		{@render differs()}
		{#if session.waiting > 0}
			<p class="mt-3 font-semibold text-amber">
				{runs.offline ? 'No connection: it' : 'It'} is kept on this device and goes into the book as soon as the server has
				it.
			</p>
		{:else if session.batchCode}
			<p class="mt-6 flex flex-wrap gap-3">
				<a class="btn btn-full" href="/book/{session.batchCode}">Its page in the book</a><a class="btn" href="/shelves"
					>To the Shelves</a
				><a class="btn" href="/basket">Back to the Basket</a>
			</p>
		{/if}
		{@render said()}
		<p class="mt-6">
			<button class="btn btn-plain underline" onclick={() => session.openAgain(clock.at(Date.now()))}
				>A mistake? Open the run again</button
			>
		</p>
	</section>
{:else}
	<div class="grid gap-6 lg:grid-cols-[1fr_25rem]">
		<section
			class="rimmed flex min-h-[30rem] flex-col p-5 sm:p-8 lg:sticky lg:top-4 lg:min-h-[min(40rem,calc(100dvh-10.5rem))] lg:self-start"
			aria-label="What to do now"
		>
			<p class="text-lg text-soft first-letter:uppercase">
				{plan.food.name}, {plan.cut.name} · {plan.way.name}
				{#if main?.about.potful}· potful {main.about.potful} of {main.about.of}, {sayWeight(
						main.about.grams ?? 0,
						units
					)}{/if}
			</p>
			{#if main}
				<h1 class="mt-1 text-3xl sm:text-[2.75rem]" aria-live="polite">{main.sentence}</h1>
				{#if main.kind === 'weigh'}
					<div class="mt-4 max-w-sm text-lg">
						<WeightField
							label="ready, weighed (expected {sayWeight(plan.load_g, units)})"
							grams={grams ?? plan.load_g}
							{units}
							onweight={(g) => (grams = g)}
							big
						/>
					</div>
				{:else if main.kind === 'stage' || main.kind === 'boil'}
					<Figure due={main.due} latest={main.latest} since={main.since} now={clock.now} />
				{/if}
				<p class="mt-2 max-w-2xl text-lg text-soft">{main.hint}</p>
				{#if main.kind === 'pack'}<PackForm
						runId={session.id}
						{plan}
						state={run}
						freezers={data.freezers}
						containers={data.containers}
						{units}
						ontap={tap}
					/>{/if}
			{:else if run.held}
				<h1 class="mt-1 text-3xl">On hold.</h1>
				<p class="mt-2 text-lg text-soft">The basin is to be cold again first.</p>
				<button class="btn btn-full mt-4 min-h-16 self-start text-xl" onclick={() => tap({ type: 'hold', on: false })}
					>The basin is cold: go on</button
				>
			{:else}
				<h1 class="mt-1 text-3xl">All is under way.</h1>
			{/if}
			<div class="mt-auto flex flex-wrap items-end justify-between gap-4 pt-6">
				<div class="max-w-md min-w-0 flex-1 basis-60 text-[15px]">
					{#if then.length > 0}
						<b>Then:</b>
						<span class="text-soft">{then.join(' · ')}</span>
					{/if}
				</div>
				{#if main?.button}
					<button class="btn min-h-20 px-8 text-2xl {main.ready ? 'btn-full' : ''}" onclick={press}>
						{#if main.ready}{main.button.label}{:else if asking === main.key}Yes, early: {main.button.label.toLowerCase()}{:else}Early?
							{main.button.label}{/if}
						<span class="key hidden sm:inline">space</span>
					</button>
				{/if}
			</div>
			{#if surprise}
				{@const { why, tap: unlikely } = surprise}
				<div
					role="alertdialog"
					aria-label="Is that right?"
					class="mt-3 rounded-xl border-2 border-amber bg-amberbg px-4 py-3"
				>
					<p class="text-lg font-semibold">{why}</p>
					<p class="mt-2 flex flex-wrap gap-3">
						<button class="btn btn-full" onclick={() => tap({ ...unlikely, sure: true })}>Yes, keep it</button>
						<button class="btn" onclick={() => (surprise = null)}>No, let me change it</button>
					</p>
				</div>
			{/if}
			{@render differs()}
			{@render said()}
		</section>

		<aside class="space-y-3">
			<Lanes {plan} state={run} {acts} main={main?.key ?? null} now={clock.now} {zone} {units} ontap={tap} />
			<div class="ruled border-t border-line">
				<div class="py-2.5">
					<Dialog.Root bind:open={helpOpen}>
						<Dialog.Trigger class="btn w-full">What now?</Dialog.Trigger>
						<Dialog.Portal>
							<Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
							<Dialog.Content
								class="rimmed fixed top-1/2 left-1/2 z-50 max-h-[90dvh] w-[min(40rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto p-6"
							>
								<Dialog.Title class="head text-2xl">What now?</Dialog.Title>
								<Dialog.Description class="text-soft">When it went otherwise than planned.</Dialog.Description>
								{#each troubles(plan, run) as t (t.id)}
									<details class="mt-3 border-t border-line pt-2" open={t.id === 'too-long'}>
										<summary class="head text-lg">{t.title}</summary>
										<ul class="mt-1 list-disc space-y-1 pl-5">
											{#each t.advice as a, aNth (aNth)}<li>{a}</li>{/each}
										</ul>
										<p class="mt-2 flex flex-wrap gap-2">
											{#each t.choices as c, cNth (cNth)}<button
													class="btn"
													onclick={() => {
														tap(c.tap);
														helpOpen = false;
													}}>{c.label}</button
												>{/each}
										</p>
									</details>
								{/each}
								<Dialog.Close class="btn btn-full mt-5">Back to the stove</Dialog.Close>
							</Dialog.Content>
						</Dialog.Portal>
					</Dialog.Root>
				</div>
				<div class="flex flex-wrap items-center justify-between gap-2 py-2 text-[15px]">
					<span class="text-soft"
						>{#if run.last}Last: {eventWords(run.last, units)}, {sayTimeExact(run.last.at, zone)}{:else}Nothing tapped
							yet.{/if}</span
					>
					{#if run.last}<button class="btn" onclick={undo}>Undo <span class="key">U</span></button>{/if}
				</div>
				<label class="flex flex-wrap items-center justify-between gap-2 py-2 text-[15px]">
					<span class="text-soft">Tapping late? The next tap was</span>
					<select bind:value={earlier_min} class="!min-h-11"
						><option value={0}>just now</option>{#each [1, 2, 3, 5, 10, 20, 30] as m, mNth (mNth)}<option value={m}
								>{m} min ago</option
							>{/each}</select
					>
				</label>
				{#if skew_ms > 120_000}
					<p class="py-2 font-semibold text-amber" role="status">
						A clock was changed by about {sayDuration(skew_ms / 1000)} since the last tap: go by your own watch until the
						next one.
					</p>
				{/if}
				{#if runs.offline || session.waiting > 0}
					<p class="py-2 font-semibold text-amber" role="status">
						{runs.offline ? 'No connection. ' : ''}{session.waiting}
						{session.waiting === 1 ? 'tap' : 'taps'} kept here with their times; sent when the server is back.
					</p>
				{/if}
				<p class="py-2 text-sm text-soft">
					{#if awake === true}The screen stays on.{:else if awake === false}This browser cannot keep the screen on: a
						sleeping phone cannot ring. Set it to stay awake.{/if}
					Any other phone can open this page and go on.
				</p>
				{#if main?.kind !== 'pack'}
					<p class="py-2 text-[15px]">
						<a href="/stove/{session.id}/labels" target="_blank" rel="noopener">Print the labels</a>: nothing sticks to
						a frozen pack.
					</p>
					<LabelsNote />
					{#if sums.firm_g > 0 || run.packed.length > 0}
						<details class="py-2">
							<summary class="font-bold">Pack what is firm</summary><PackForm
								runId={session.id}
								{plan}
								state={run}
								freezers={data.freezers}
								containers={data.containers}
								{units}
								ontap={tap}
							/>
						</details>
					{/if}
				{/if}
				<details class="py-2">
					<summary class="text-[15px] font-bold">Mind</summary>
					<ul class="mt-1 list-disc space-y-1 pl-5 text-sm">
						{#each plan.cautions as c, cNth (cNth)}<li>{c}</li>{/each}
					</ul>
					<p class="source mt-1">{plan.source}</p>
				</details>
				<div class="py-2">
					<Dialog.Root bind:open={stopOpen}>
						<Dialog.Trigger class="btn btn-plain underline">Stop here and record what there is</Dialog.Trigger>
						<Dialog.Portal>
							<Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
							<Dialog.Content
								class="rimmed fixed top-1/2 left-1/2 z-50 w-[min(34rem,94vw)] -translate-x-1/2 -translate-y-1/2 p-6"
							>
								<Dialog.Title class="head text-2xl">Stop this run?</Dialog.Title>
								<Dialog.Description class="mt-1 text-soft">
									Packs booked so far stay. {sayWeight(sums.waiting_g, units)} not yet begun goes back to the Basket; {sayWeight(
										sums.under_g,
										units
									)} under way counts as used.
								</Dialog.Description>
								<label class="field mt-3"
									><span>why (for the book, may be empty)</span><input bind:value={stopReason} maxlength="300" /></label
								>
								<p class="mt-4 flex flex-wrap gap-3">
									<button
										class="btn btn-full"
										onclick={() => {
											stopOpen = false;
											tap({ type: 'stop', reason: stopReason });
										}}>Stop and record</button
									>
									<Dialog.Close class="btn">Go on cooking</Dialog.Close>
								</p>
							</Dialog.Content>
						</Dialog.Portal>
					</Dialog.Root>
				</div>
			</div>
		</aside>
	</div>
{/if}
