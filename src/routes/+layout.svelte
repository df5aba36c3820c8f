<script lang="ts">
	import '../app.css';
	import { onMount, untrack, type Snippet } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { toast, Toaster } from 'svelte-sonner';
	import { sayAltitude } from '$core/quantities/format';
	import { sayDay, sayTime } from '$core/quantities/dates';
	import type { RunHead } from '$core/runs/wire';
	import { Clock } from '$lib/ui/clock/clock-state.svelte';
	import { keepOffset, knownOffset } from '$lib/ui/clock/offset';
	import { browserOutbox, sendByFetch } from '$lib/ui/run/outbox/browser';
	import { Outbox } from '$lib/ui/run/outbox/outbox.svelte';
	import TrayNote from '$lib/ui/run/tray.svelte';
	import { provideClock, provideRuns, Runs } from '$lib/ui/run/runs-state.svelte';
	import { ring } from '$lib/ui/run/ring';
	import { Rung } from '$lib/ui/run/rung';
	import Alarms from '$lib/ui/live/alarms.svelte';
	import { Live, provideLive } from '$lib/ui/live/live-state.svelte';
	import { places } from '$lib/ui/shell/places';
	import Rail from '$lib/ui/shell/rail.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();

	const browser = typeof window !== 'undefined';
	const clock = provideClock(
		new Clock(
			untrack(() => data.now),
			browser ? Date.now() : untrack(() => data.now)
		)
	);
	const household = untrack(() => data.household.id);
	const clockNow = () => clock.at(Date.now());
	const outbox = browser ? browserOutbox(clockNow, household) : new Outbox(sendByFetch, clockNow);
	const runs = provideRuns(new Runs(outbox, sendByFetch, household));
	const live = provideLive(new Live());
	const headsOf = ({ heads }: LayoutData) => JSON.parse(heads) as readonly RunHead[];
	untrack(() => runs.sync(headsOf(data)));
	$effect.pre(() => {
		const heads = headsOf(data);
		const { now } = data;
		untrack(() => {
			runs.sync(heads);
			// A page that was kept on this device says an old time: what is known of the server's clock holds then.
			clock.syncPage(now, Date.now(), browser ? knownOffset() : null);
			if (browser && !clock.kept) keepOffset(clock.offset_ms);
		});
	});
	// Another household is another kitchen: its runs and clocks begin anew.
	$effect.pre(() => {
		const { id } = data.household;
		untrack(() => runs.enter(id));
	});

	// What comes by itself is of one household: in another one it is heard anew.
	let heardOf = '';
	$effect(() => {
		const { id } = data.household;
		const anew = heardOf !== '' && heardOf !== id;
		heardOf = id;
		return untrack(() => live.start(anew));
	});

	// Put aside while the eyes are elsewhere: it is told where they are.
	let asideBefore = 0;
	$effect(() => {
		const { length } = outbox.tray;
		const last = outbox.tray.at(-1);
		if (length > asideBefore && last)
			toast.error(`Not kept: ${last.why}`, {
				duration: 15_000,
				action: { label: 'Look', onClick: () => document.getElementById('tray')?.scrollIntoView({ block: 'center' }) }
			});
		asideBefore = length;
	});

	let keysOpen = $state(false);
	let wentKey = 0;
	const rung = new Rung();
	/** Undone and done again is a new clock, and rings again. */
	const ringOf = (t: (typeof runs.timers)[number]) => `${t.runId} ${t.key} ${t.since}`;
	const overdue = $derived(runs.timers.filter((t) => t.due !== null && t.due <= clock.now));

	onMount(() => {
		// Says that taps count from here on.
		document.documentElement.dataset.alive = '';
		rung.add(overdue.map(ringOf));
		const tick = setInterval(() => clock.tick(Date.now()), 250);
		const follow = setInterval(() => awake(), 3000);
		const again = async () => {
			const heard = await runs.follow();
			if (!heard) return;
			if (clock.hear(heard.now, heard.askedAt, heard.answeredAt)) keepOffset(clock.offset_ms);
			document.documentElement.dataset.asked = `${heard.now}`;
		};
		// A device that slept: its clocks and what others have tapped, at once.
		const awake = () => {
			if (document.visibilityState === 'visible') void again();
		};
		live.ontaps = () => void again();
		window.addEventListener('online', again);
		document.addEventListener('visibilitychange', awake);
		void again();
		return () => {
			clearInterval(tick);
			clearInterval(follow);
			window.removeEventListener('online', again);
			document.removeEventListener('visibilitychange', awake);
		};
	});

	// As "alive" and "asked": whoever looks at the page from outside sees where it is.
	$effect(() => {
		document.documentElement.toggleAttribute('data-unsent', outbox.waiting > 0);
	});

	$effect(() => {
		if (rung.add(overdue.map(ringOf)).length > 0) ring();
	});

	const title = $derived(
		`${overdue.length > 0 ? `(${overdue.length}) now: ${overdue[0]?.label} · ` : ''}${page.data.title ?? 'Root Jar'} · Root Jar`
	);

	function onkeydown(event: KeyboardEvent) {
		const target = event.target as HTMLElement;
		if (event.ctrlKey || event.metaKey || event.altKey || /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName)) return;
		if (event.key === '?') keysOpen = true;
		else if (event.key === 'g') wentKey = Date.now();
		else if (Date.now() - wentKey < 1500) {
			const place = places.find((p) => p.key === event.key);
			if (place) {
				event.preventDefault();
				wentKey = 0;
				void goto(place.href);
			}
		}
	}
</script>

<svelte:head><title>{title}</title></svelte:head>
<svelte:window {onkeydown} />

<a href="#main" class="btn btn-full absolute -top-20 left-2 z-50 focus:top-2">To the content</a>
<div class="flex min-h-dvh flex-col">
	<header class="no-print flex flex-wrap items-end gap-x-6 border-b-[3px] border-rim bg-enamel px-4 sm:px-6">
		<a href="/basket" class="head py-2.5 text-2xl font-extrabold text-rim no-underline">Root Jar</a>
		<nav
			aria-label="Places"
			class="order-last -mx-2 -mb-[3px] flex w-[calc(100%+1rem)] justify-between overflow-x-auto sm:order-none sm:mx-0 sm:w-auto sm:flex-1 sm:justify-start sm:gap-0.5"
		>
			{#each places as p (p.href)}
				{@const on = page.url.pathname.startsWith(p.href)}
				<a
					href={p.href}
					aria-current={on ? 'page' : undefined}
					class="flex min-h-11 items-center rounded-t-xl border-2 border-b-0 px-px text-[13px] no-underline min-[430px]:px-[3px] min-[430px]:text-[14px] sm:px-3 sm:text-[15px] {on
						? 'border-rim bg-ground font-bold text-rim'
						: 'border-transparent text-ink hover:underline'}"
				>
					{p.name}
				</a>
			{/each}
		</nav>
		<div class="ml-auto py-1.5 text-right text-sm leading-tight text-soft">
			<div>
				{data.household.name} ·
				{#if data.household.altitude_m === null}
					<a href="/kitchen" class="font-bold text-red">altitude not set</a>
				{:else}
					<a href="/kitchen" class="text-soft">{sayAltitude(data.household.altitude_m, data.household.units)}</a>
				{/if}
			</div>
			<div>
				{sayDay(clock.now, data.household.zone)}, {sayTime(clock.now, data.household.zone)}
				<button class="ml-1 hidden underline sm:inline" onclick={() => (keysOpen = true)}>keys</button>
			</div>
		</div>
	</header>
	<main id="main" tabindex="-1" class="mx-auto w-full max-w-[84rem] flex-1 px-4 py-5 outline-none sm:px-6">
		<Alarms units={data.household.units} zone={data.household.zone} />
		<TrayNote {outbox} household={data.household.id} units={data.household.units} now={() => clock.at(Date.now())} />
		{@render children()}
	</main>
	<Rail timers={runs.timers} second={data.second} now={clock.now} zone={data.household.zone} />
</div>
<!-- Its dialog is fetched when it is asked for: no page waits for it. -->
{#if keysOpen}
	{#await import('$lib/ui/shell/keys.svelte') then { default: Keys }}<Keys bind:open={keysOpen} />{/await}
{/if}
<Toaster position="bottom-center" />
