<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { invalidateAll } from '$app/navigation';
	import { atWhen, sayTimeExact } from '$core/quantities/dates';
	import { sayDuration, type Units } from '$core/quantities/format';
	import { kindOf, thingsMade, type Tap } from '$core/runs/kinds';
	import type { Clock } from '$lib/ui/clock/clock-state.svelte';
	import ActPanel from './act-panel.svelte';
	import Also from './also.svelte';
	import Around from './around.svelte';
	import CanBoard from './can-board.svelte';
	import DryerBoard from './dryer-board.svelte';
	import MeatBoard from './meat-board.svelte';
	import Packing from './packing.svelte';
	import PackForm from './pack-form.svelte';
	import { allowSound, keepAwake } from './ring';
	import type { RunSession } from './run-session.svelte';
	import { useClock, useRuns } from './runs-state.svelte';
	import Said from './said.svelte';
	import StopHere from './stop-here.svelte';
	import { StoveState } from './stove-state.svelte';
	import type { StoveThings, Typed } from './types';
	import { canKeep, keepPages } from './keep';
	import { speak, speaks } from './voice';
	import WhatNow from './what-now.svelte';
	import Worktop from './worktop.svelte';

	/** One screen over all the runs that it is given: what to do now, what is where, what else there is. */
	let {
		sessions,
		things,
		units,
		zone
	}: { sessions: readonly RunSession[]; things: StoveThings; units: Units; zone: string } = $props();
	const clock = useClock<Clock>();
	const runs = useRuns();
	const stove = new StoveState(
		() => sessions,
		() => clock.now,
		() => things.helpers
	);
	const main = $derived(stove.main);
	const session = $derived(main?.session ?? stove.open[0] ?? sessions[0]);
	/** What has a line of its own: what a board shows needs none. */
	const lines = $derived(stove.rest.filter((a) => !a.act.drawn));
	const then = $derived(
		stove.rest.slice(0, 3).map(({ act }) => {
			if (act.then) return act.due === null ? act.then : `${act.then} ${atWhen(act.due, clock.now, zone)}`;
			const who = act.unit ? `${act.short}: ` : '';
			if (!act.ready && act.due !== null && act.button)
				return `${who}${act.button.label.toLowerCase()} ${atWhen(act.due, clock.now, zone)}`;
			return `${who}${act.sentence.replace(/\.$/, '')}`;
		})
	);
	/** Taps that lie ahead of now: a clock was set back meanwhile. */
	const skew_ms = $derived(Math.max(0, ...(session?.events ?? []).map((e) => e.at)) - clock.now);
	let asking = $state<string | null>(null);
	let helpOpen = $state(false);
	let stopOpen = $state(false);
	let awake = $state<boolean | null>(null);
	let voice = $state(false);
	let earlier_min = $state(0);
	let panel = $state<ActPanel>();
	/** A figure far from what is likely, asked about before it is kept. */
	let surprise = $state<{ why: string; tap: Tap; of: RunSession } | null>(null);

	onMount(() => {
		voice = speaks();
		stove.load();
		const lock = () => {
			if (document.visibilityState === 'visible') void keepAwake().then((can) => (awake = can));
		};
		lock();
		document.addEventListener('visibilitychange', lock);
		return () => document.removeEventListener('visibilitychange', lock);
	});
	/** Spoken once for each act, and once more when it is due. */
	let spoken = '';
	$effect(() => {
		const is = main ? `${main.key} ${main.act.ready}` : '';
		if (!voice || !main || is === spoken) return;
		spoken = is;
		const { sentence, about } = main.act;
		untrack(() => speak(main.act.ready || main.act.due === null ? `${sentence} ${about}` : sentence));
	});

	/** @returns whether it counts; else it is asked about first */
	function tap(of: RunSession, what: Tap & { sure?: true }): boolean {
		allowSound();
		const into = what.type === 'pack' ? things.containers.find((c) => c.id === what.containerId)?.volume_mL : undefined;
		const why = what.sure ? undefined : kindOf(of.plan).surprise(of.plan, what, of.state, into);
		if (why !== undefined) {
			surprise = { why, tap: what, of };
			return false;
		}
		const late = kindOf(of.plan).onTime?.includes(what.type) === true ? 0 : earlier_min;
		of.tap(what, clock.at(Date.now()) - late * 60_000);
		earlier_min = 0;
		asking = null;
		surprise = null;
		return true;
	}
	/** What was typed, by its act; gone with its tap. */
	const typed: Record<string, Typed> = {};
	function typedAt(key: string): Typed {
		return (typed[key] ??= proxied());
	}
	function proxied(): Typed {
		const one = $state<Typed>({});
		return one;
	}
	/** The tap of the act itself: what was typed for it is said with it. */
	function tapMain(what: Tap) {
		if (!main) return;
		const { key } = main;
		if (tap(main.session, what)) delete typed[key];
	}
	const press = () => panel?.press();
	/** Of all that go on, the one that was tapped last: its tap is what is taken back. */
	const lately = $derived(
		[...stove.open].sort((a, b) => (b.state.last?.at ?? 0) - (a.state.last?.at ?? 0))[0] ?? session
	);
	const undo = () => lately?.state.last && tap(lately, { type: 'undo', target: lately.state.last.id });
	/** The places of packs and the drawer have changed with a closing: read anew, once the server has told of it. */
	const entered = $derived(sessions.map((s) => s.entries.length).join());
	let read = untrack(() => entered);
	$effect(() => {
		if (entered === read) return;
		read = entered;
		void invalidateAll();
	});

	/** As it is now it can be opened here without the server: kept anew a moment after each change. */
	const kept = $derived(sessions.map((s) => `${s.id} ${s.seq} ${s.status}`).join());
	$effect(() => {
		const paths = ['/stove', ...kept.split(',').map((k) => `/stove/${k.split(' ')[0]}`)];
		const timer = setTimeout(() => void keepPages(paths), 800);
		return () => clearTimeout(timer);
	});

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
	/** Foods that still go into the pot, in their order. */
	const queue = $derived(session ? (kindOf(session.plan).queue?.(session.plan, session.state) ?? []) : []);
	const closed = $derived(sessions.filter((s) => s.state.phase !== 'working'));
	const several = $derived(stove.open.length > 1);
	const nameOf = (who: string) => stove.nameOf(who);
	const packing = $derived(main?.act.asks === 'packs');
</script>

<svelte:window {onkeydown} />
{#if session}
	<div class="stove">
		<section class="rimmed panel" aria-label="What to do now">
			{#if main}
				{#key main.key}
					<ActPanel
						bind:this={panel}
						act={main.act}
						who={stove.helpers.length > 0 ? nameOf(main.who) : ''}
						{units}
						now={clock.now}
						asking={asking === main.key}
						{then}
						typed={typedAt(main.key)}
						cup_mL={things.cup_mL}
						ontap={tapMain}
						onask={() => (asking = main.key)}
					>
						{#snippet more()}
							{#if main.act.asks === 'packs'}<PackForm
									session={main.session}
									subject={main.act.subject ?? 1}
									places={things.places}
									containers={things.containers}
									printers={things.printers}
									{units}
									ontap={(what) => tap(main.session, what)}
								/>{/if}
						{/snippet}
					</ActPanel>
				{/key}
			{:else if session.state.held}
				<h1 class="mt-1 text-3xl">On hold.</h1>
				<p class="mt-2 text-lg text-soft">The basin is to be cold again first.</p>
			{:else if stove.open.length === 0}
				<h1 class="mt-1 text-3xl">All is closed.</h1>
			{:else}
				<h1 class="mt-1 text-3xl">All is under way.</h1>
			{/if}
			{#each closed as s (s.id)}<p class="mt-3">
					{s.food} is closed: <a href="/stove/{s.id}">what came of it, and would you do it again?</a>
				</p>{/each}
			{#if session.state.held}<button
					class="btn btn-full mt-4 min-h-16 self-start text-xl"
					onclick={() => tap(session, { type: 'hold', on: false })}>The basin is cold: go on</button
				>{/if}
			{#if surprise}
				{@const { why, tap: unlikely, of } = surprise}
				<div
					role="alertdialog"
					aria-label="Is that right?"
					class="mt-3 rounded-xl border-2 border-amber bg-amberbg px-4 py-3"
				>
					<p class="text-lg font-semibold">{why}</p>
					<p class="mt-2 flex flex-wrap gap-3">
						<button class="btn btn-full" onclick={() => tap(of, { ...unlikely, sure: true })}>Yes, keep it</button>
						<button class="btn" onclick={() => (surprise = null)}>No, let me change it</button>
					</p>
				</div>
			{/if}
			<Said {session} {units} />
		</section>

		<div class="min-w-0">
			{#if stove.loud.length > 0 || stove.others.length > 0}
				<section class="mb-3 rounded-xl border-2 border-amber bg-amberbg px-4 py-1" aria-label="At the same time">
					<Also
						acts={[...stove.loud, ...stove.others]}
						now={clock.now}
						{zone}
						nameOf={stove.helpers.length > 0 ? nameOf : null}
						ontap={tap}
					/>
				</section>
			{/if}
			{#each stove.open as s (s.id)}
				<section aria-label="On the worktop{several ? `: ${s.food}` : ''}" class="mb-3">
					<div class="flex flex-wrap items-baseline justify-between gap-x-4">
						<h2 class="text-xl">{several ? s.food : kindOf(s.plan).worktop}</h2>
						<span class="text-[15px] text-soft"
							>{thingsMade(s.plan).length > 1 ? `${thingsMade(s.plan).length} foods share what there is` : ''}</span
						>
					</div>
					{#if s.plan.kind === 'dry'}<DryerBoard
							session={s}
							{units}
							now={clock.now}
							{zone}
							at={main?.session === s ? main.act.unit : null}
							ontap={(what) => tap(s, what)}
						/>{:else if s.plan.kind === 'can'}<CanBoard
							session={s}
							{units}
							now={clock.now}
							{zone}
							helpers={things.helpers.map((h) => h.name)}
							ontap={(what) => tap(s, what)}
						/>{:else if s.plan.kind === 'break-down'}<MeatBoard
							session={s}
							{units}
							now={clock.now}
							{zone}
							ontap={(what) => tap(s, what)}
						/>{:else}<Worktop
							stations={kindOf(s.plan).stations?.(s.plan, s.state, clock.now) ?? []}
							now={clock.now}
							{zone}
							at={main?.session === s ? main.act.unit : null}
						/>{/if}
				</section>
			{/each}
			<div class="ruled border-t border-line">
				{#if lines.length > 0}
					<section class="py-1" aria-label="Going on">
						<Also acts={lines.slice(0, 6)} now={clock.now} {zone} nameOf={null} ontap={tap} />
						{#if lines.length > 6}<p class="py-1 text-sm text-soft">and {lines.length - 6} more</p>{/if}
					</section>
				{/if}
				<div class="flex flex-wrap items-center justify-between gap-2 py-2">
					<span class="text-[15px]"
						><b>Wrong turn?</b> <span class="text-soft">{kindOf(session.plan).wrongTurns}</span></span
					>
					<WhatNow {session} now={clock.now} bind:open={helpOpen} ontap={(what) => tap(session, what)} />
				</div>
				{#if queue.length > 1}
					<div class="flex flex-wrap items-center justify-between gap-2 py-2">
						<span class="text-[15px]"
							><b>Into the pot:</b>
							<span class="text-soft">{queue.map((s) => s.name).join(', then ')}.</span></span
						>
						<span class="flex flex-wrap gap-2"
							>{#each queue.slice(1, 4) as s (s.n)}<button
									class="btn"
									onclick={() => tap(session, { type: 'order', subjects: [s.n] })}>{s.name} next</button
								>{/each}</span
						>
					</div>
				{/if}
				<div class="flex flex-wrap items-center justify-between gap-2 py-2 text-[15px]">
					<span class="text-soft"
						>{#if lately?.state.last}Last: {kindOf(lately.plan).say(lately.state.last, units, lately.plan)}, {sayTimeExact(
								lately.state.last.at,
								zone
							)}{:else}Nothing tapped yet.{/if}</span
					>
					<span class="flex flex-wrap items-center gap-2">
						<label class="flex items-center gap-2"
							><span class="text-soft">Tapping late? The next tap was</span>
							<select bind:value={earlier_min} class="!min-h-11"
								><option value={0}>just now</option>{#each [1, 2, 3, 5, 10, 20, 30] as m, mNth (mNth)}<option value={m}
										>{m} min ago</option
									>{/each}</select
							></label
						>
						{#if earlier_min > 0 && kindOf(session.plan).onTime}<span class="text-amber"
								>Minutes at heat count from their own tap all the same.</span
							>{/if}
						{#if lately?.state.last}<button class="btn" onclick={undo}>Undo <span class="key">U</span></button>{/if}
					</span>
				</div>
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
						{#if runs.offline && !canKeep()}Do not close this page: this browser cannot open it again without the
							server.{/if}
					</p>
				{/if}
				<Packing
					{session}
					{things}
					{units}
					except={packing && main?.session === session ? (main.act.subject ?? 1) : null}
					ontap={(what) => tap(session, what)}
				/>
				<Around {stove} {things} {awake} bind:voice onvoice={() => (spoken = '')} />
				<div class="flex flex-wrap justify-between gap-2 py-2">
					<StopHere {session} {units} bind:open={stopOpen} ontap={(what) => tap(session, what)} />
					<a class="py-2" href="/stove/new">Start another</a>
					{#if several}<span class="flex flex-wrap gap-3"
							>{#each stove.open as s (s.id)}<a href="/stove/{s.id}">{s.food} alone</a>{/each}</span
						>{/if}
				</div>
			</div>
		</div>
	</div>
{/if}

<style>
	.stove {
		display: grid;
		gap: 24px;
	}
	.panel {
		display: flex;
		flex-direction: column;
		min-height: 30rem;
		padding: 20px;
	}
	@media (min-width: 64rem) {
		.stove {
			grid-template-columns: minmax(0, 28rem) minmax(0, 1fr);
		}
		.panel {
			position: sticky;
			top: 1rem;
			align-self: start;
			min-height: min(40rem, calc(100dvh - 10.5rem));
			padding: 28px;
		}
	}
</style>
