<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { sayTimeExact } from '$core/quantities/dates';
	import { kindOf, planOf, type Tap } from '$core/runs/kinds';
	import { away_ms } from '$core/runs/kinds/can/rehearse';
	import { sayGauge } from '$core/runs/kinds/can/say';
	import ActPanel from '$lib/ui/run/act-panel.svelte';
	import CanBoard from '$lib/ui/run/can-board.svelte';
	import { RehearsalSession, speeds } from '$lib/ui/run/rehearsal.svelte';
	import type { Typed } from '$lib/ui/run/types';
	import type { PageData } from './$types';

	/** The canner gone through dry: the screens of the real one, a clock of its own, what goes wrong, and what it would have come to. */
	let { data }: { data: PageData } = $props();
	const units = $derived(data.household.units);
	const zone = $derived(data.household.zone);
	const fresh = () => {
		if (!data.plan) return null;
		const plan = planOf(JSON.parse(data.plan) as object);
		return new RehearsalSession(plan, Date.parse('2026-08-27T08:00:00Z'), data.seed);
	};
	let session = $state.raw(untrack(fresh));
	let begun = $state(false);
	let looked = $state(false);
	const key = $derived(`root-jar-rehearsal ${data.back}`);
	onMount(() => {
		try {
			const kept = sessionStorage.getItem(key);
			if (kept && session) {
				session.resume(kept);
				begun = true;
			}
		} catch {
			// A browser that keeps nothing begins anew.
		}
		const timer = setInterval(() => session?.tick(Date.now()), 250);
		return () => clearInterval(timer);
	});
	$effect(() => {
		if (!session || !begun || session.events.length === 0) return;
		const kept = session.kept();
		try {
			sessionStorage.setItem(key, kept);
		} catch {
			// It lasts as long as this page then.
		}
	});
	const acts = $derived(
		session
			? kindOf(session.plan)
					.acts(session.plan, session.state, session.now)
					.filter((a) => a.asks !== 'packs')
			: []
	);
	const main = $derived(acts[0] ?? null);
	const rest = $derived(acts.slice(1).filter((a) => !a.drawn));
	const scene = $derived(session?.scene ?? null);
	const review = $derived(session?.review ?? null);
	const called = $derived(scene?.choices.some((c) => c.what.startsWith('away-')) ?? false);
	let asking = $state<string | null>(null);
	const typed: Record<string, Typed> = {};
	const typedAt = (act: string): Typed => (typed[act] ??= proxied());
	function proxied(): Typed {
		const one = $state<Typed>({});
		return one;
	}
	let panel = $state<ActPanel>();
	function onkeydown(event: KeyboardEvent) {
		const { tagName } = event.target as HTMLElement;
		if (event.key !== ' ' || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
		if (/^(INPUT|SELECT|TEXTAREA|BUTTON|A|SUMMARY)$/.test(tagName)) return;
		event.preventDefault();
		panel?.press();
	}
	function tap(what: Tap): boolean {
		asking = null;
		return session?.tap(what) ?? false;
	}
	function react(what: string) {
		session?.react(what);
		// Gone for a quarter of an hour, with nobody there, or the day passes.
		if (what === 'away-went') session?.goOn(away_ms);
		if (what === 'away-off') tap({ type: 'heat-off', load: load() });
		if (what === 'next-day') session?.goOn(16 * 3_600_000);
	}
	const load = (): number => {
		const state = session?.state;
		return state && 'printed' in state ? (state.loads.at(-1)?.n ?? 1) : 1;
	};
	let wrong = $state<string[]>(['fell', 'away', 'unsealed']);
	function begin() {
		session?.play(wrong);
		begun = true;
		if (session) session.held = false;
	}
	function again() {
		try {
			sessionStorage.removeItem(key);
		} catch {
			// Nothing was kept.
		}
		session = fresh();
		begun = false;
		looked = false;
	}
</script>

<svelte:window {onkeydown} />
<div class="dry">
	<p role="note">
		<b>Rehearsal.</b> Dry: no food, no heat. Nothing is booked, nothing is taken from the drawer, and no run can be made of
		it.
	</p>
	{#if session && begun}
		<div class="mt-1.5 flex flex-wrap items-center gap-x-3 gap-y-2">
			<b class="head text-2xl text-rim" role="timer" aria-live="off">{sayTimeExact(session.now, zone)}</b>
			<span class="flex flex-wrap gap-2" role="group" aria-label="Its clock">
				<button class="btn" aria-pressed={session.held} onclick={() => session && (session.held = !session.held)}
					>{session.held ? 'Go on' : 'Stand still'}</button
				>
				{#each speeds as s (s)}<button
						class="btn {session.speed === s ? 'btn-full' : ''}"
						aria-pressed={session.speed === s}
						onclick={() => session && (session.speed = s)}>{s}×</button
					>{/each}
			</span>
			<button class="btn btn-plain underline" onclick={() => session?.undo()} disabled={!session.state.last}
				>Undo</button
			>
		</div>
	{/if}
</div>
{#if !session}
	<h1 class="mt-4 text-3xl">There is nothing to rehearse</h1>
	<p class="mt-2 text-lg text-amber">{data.stop}</p>
	<p class="mt-3"><a class="btn" href={data.back}>Back</a></p>
{:else if !begun}
	<h1 class="mt-4 text-3xl">Go through it dry: {kindOf(session.plan).head(session.plan).way}</h1>
	<p class="mt-2 max-w-3xl text-lg text-soft">
		The same screens as at the Stove, on a clock of its own. Tap what you would do; beside them stands what is to be
		seen and heard. At the end it says what was done rightly, and what would have made it unsafe.
	</p>
	<fieldset class="mt-4">
		<legend class="text-xl font-bold">What goes wrong</legend>
		{#each session.mishaps as m (m.id)}
			<label class="flex min-h-11 items-center gap-3"
				><input type="checkbox" value={m.id} bind:group={wrong} />
				<span class="first-letter:uppercase">{m.name}</span></label
			>
		{/each}
	</fieldset>
	<p class="mt-4 flex flex-wrap gap-3">
		<button class="btn btn-full min-h-16 px-8 text-xl" onclick={begin}>Begin the rehearsal</button>
		<a class="btn min-h-16 px-6 text-lg" href={data.back}>Back</a>
	</p>
{:else}
	{#if scene}
		<section
			class="mt-3 rounded-xl border-2 px-5 py-2 {scene.loud ? 'border-amber bg-amberbg' : 'border-dashed border-rim'}"
			aria-label="What is to be seen"
			aria-live="polite"
		>
			<p class="text-xl">
				{#if scene.gauge_Pa !== null}<b class="head text-3xl text-rim">{sayGauge(scene.gauge_Pa, units)}</b>
					<span class="mr-1">on the gauge.</span>{/if}<b>{scene.words}</b>
			</p>
			{#if scene.choices.length > 0}<p class="mt-2 flex flex-wrap gap-3">
					{#each scene.choices as c (c.what)}<button class="btn" onclick={() => react(c.what)}>{c.label}</button>{/each}
				</p>{/if}
		</section>
	{/if}
	{#if review && (looked || scene?.over)}
		<section class="rimmed mt-4 px-6 py-5" aria-label="What it came to">
			<h1 class="text-3xl">
				{#if review.unsafe.length > 0}It would not have been safe.{:else if scene?.over}It would have been right.{:else}So
					far{/if}
			</h1>
			{#if review.unsafe.length > 0}
				<h2 class="mt-3 text-xl text-red">Unsafe</h2>
				<ul class="list-disc pl-6 text-lg">
					{#each review.unsafe as w (w)}<li>{w}</li>{/each}
				</ul>
			{/if}
			{#if review.mended.length > 0}
				<h2 class="mt-3 text-xl text-amber">Went wrong, and was mended</h2>
				<ul class="list-disc pl-6 text-lg">
					{#each review.mended as w (w)}<li>{w}</li>{/each}
				</ul>
			{/if}
			{#if review.right.length > 0}
				<h2 class="mt-3 text-xl text-leaf">Rightly done</h2>
				<ul class="list-disc pl-6 text-lg">
					{#each review.right as w (w)}<li>{w}</li>{/each}
				</ul>
			{/if}
			<p class="mt-4 flex flex-wrap gap-3">
				<button class="btn btn-full" onclick={again}>Once more</button>
				<a class="btn" href={data.back}>Done: to the real one</a>
			</p>
		</section>
	{/if}
	<div class="mt-4 grid gap-6 lg:grid-cols-[minmax(0,28rem)_minmax(0,1fr)]">
		<section class="rimmed flex min-h-[26rem] flex-col p-6" style:--most-figure="6rem" aria-label="What to do now">
			{#if main && !called}
				{#key main.key}
					<ActPanel
						bind:this={panel}
						act={main}
						who=""
						{units}
						now={session.now}
						asking={asking === main.key}
						then={rest.slice(0, 2).map((a) => a.sentence)}
						typed={typedAt(main.key)}
						cup_mL={237}
						ontap={tap}
						onask={() => (asking = main.key)}
					>
						{#snippet more()}{/snippet}
					</ActPanel>
				{/key}
			{:else if called}<h2 class="text-3xl">Somebody calls.</h2>
				<p class="mt-2 text-lg text-soft">What do you do? Say it above.</p>
			{:else}<h2 class="text-3xl">The jars are out.</h2>{/if}
		</section>
		<div class="min-w-0">
			<h2 class="text-xl">At the canner</h2>
			<CanBoard {session} {units} now={session.now} {zone} helpers={data.helpers} ontap={tap} />
			{#if rest.length > 0}
				<ul class="ruled mt-2">
					{#each rest as a (a.key)}
						{@const button = a.button}
						<li class="flex flex-wrap items-center justify-between gap-3 py-2">
							<span><b>{a.sentence}</b> <span class="text-soft">{a.short}</span></span>
							{#if button && !a.asks && a.ready}<button class="btn" onclick={() => tap(button.tap)}
									>{button.label}</button
								>{/if}
						</li>
					{/each}
				</ul>
			{/if}
			{#if !looked && !scene?.over}<button class="btn btn-plain mt-2 underline" onclick={() => (looked = true)}
					>How was it so far?</button
				>{/if}
		</div>
	</div>
{/if}

<style>
	.dry {
		position: sticky;
		top: 0;
		z-index: 5;
		border: 2px solid var(--rim);
		padding: 8px 18px;
		font-size: 1.05rem;
		background: repeating-linear-gradient(135deg, var(--wash) 0 14px, var(--ground) 14px 28px);
	}
</style>
