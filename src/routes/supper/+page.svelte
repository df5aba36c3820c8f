<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayCount } from '$core/quantities/format';
	import type { Clock } from '$lib/ui/clock/clock-state.svelte';
	import { useClock } from '$lib/ui/run/runs-state.svelte';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	/** What we take out: meals from what is there, taken in one tap; what goes to the fridge for tomorrow; what is open. */
	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { supper } = $derived(data);
	const clock = useClock<Clock>();
	let ticks = $state(0);
	$effect(() => {
		const timer = setInterval(() => ticks++, 10_000);
		return () => clearInterval(timer);
	});
	const left_min = $derived((void ticks, Math.ceil((supper.atMs - clock.at(Date.now())) / 60_000)));
	const clockWords = (min: number) => `${Math.floor(min / 60)}:${String(min % 60).padStart(2, '0')}`;
	const minutes = [20, 40, 60, 90] as const;
	const until = (hours: number) =>
		hours < 1 ? 'under an hour' : hours < 48 ? `${Math.floor(hours)} h` : `${Math.floor(hours / 24)} days`;
	const ask = (more: Record<string, string | number>) =>
		`/supper?${new URLSearchParams(Object.entries({ people: supper.people, at: supper.at, within: supper.within, ...more }).map(([k, v]) => [k, String(v)])).toString()}`;
	/** 1 goes to the first meal's button; only Enter on it takes it. */
	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.altKey || event.metaKey || event.key !== '1') return;
		if (/^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) return;
		document.querySelector<HTMLElement>('[data-take]')?.focus();
	}
</script>

<svelte:window {onkeydown} />

<TwoColumns label="supper-title">
	<Faults failed={form as Failed | null} />
	<div class="flex flex-wrap items-end justify-between gap-4">
		<div>
			<h1 id="supper-title" class="text-3xl">What do we take out?</h1>
			<form method="GET" class="mt-2 flex flex-wrap items-center gap-2" data-sveltekit-keepfocus>
				<label class="flex items-center gap-2"
					>for <input type="number" name="people" min="1" max="40" value={supper.people} class="w-20" /></label
				>
				<label class="flex items-center gap-2">at <input type="time" name="at" value={supper.at} /></label>
				<input type="hidden" name="within" value={supper.within} />
				<button class="btn">Look</button>
			</form>
			<div class="mt-2 flex flex-wrap items-center gap-2" role="group" aria-label="Ready within">
				<span>ready within</span>
				{#each minutes as m (m)}<a
						class="btn {supper.within === m ? 'btn-full' : ''}"
						aria-current={supper.within === m ? 'true' : undefined}
						href={ask({ within: m })}>{m} min</a
					>{/each}
			</div>
		</div>
		{#if left_min > 0}<p class="text-right">
				<b class="head text-6xl leading-none text-rim tabular-nums">{clockWords(left_min)}</b>
				<span class="block text-sm text-soft">until the table is laid</span>
			</p>{/if}
	</div>
	{#if supper.meals.length === 0}
		<section class="py-10">
			<h2 class="text-2xl">Nothing makes a meal in {supper.within} minutes.</h2>
			<p class="mt-1 text-soft">
				Give it longer, or put something to thaw for tomorrow. What stands there is on the <a href="/shelves">Shelves</a
				>.
			</p>
		</section>
	{:else}
		<ul class="mt-4 border-t-[3px] border-rim">
			{#each supper.meals as m, n (m.take)}
				<li class="meal">
					<p class="whitespace-nowrap text-rim">
						<b class="head text-5xl leading-none tabular-nums">{m.minutes}</b> <span class="text-sm">min</span>
					</p>
					<div class="min-w-0">
						<h2 class="text-xl">{m.title}</h2>
						{#each m.parts as p (p.name + p.place)}
							<p class="text-[15px]">
								{p.amount}
								{p.name} <span class="text-soft">{p.place.toLowerCase()}{p.how ? `, ${p.how}` : ''}</span>
							</p>
						{/each}
					</div>
					<p class="text-[15px]">
						<span class={m.soon ? 'font-bold text-amber' : 'text-soft'}>{m.why}</span>
						{#if m.short}<span class="block text-soft">a little short for {supper.people}</span>{/if}
					</p>
					<div>
						<form method="POST" action="?/take" use:enhance={withNotice({ path: '/supper' })}>
							<Marks />
							<input type="hidden" name="title" value={m.title} />
							<button
								class="btn {n === 0 ? 'btn-full' : ''} text-lg"
								data-take={n === 0 ? '' : undefined}
								name="take"
								value={m.take}
								aria-label="Take: {m.title}"
								>Take{#if n === 0}&nbsp;<span class="key">1</span>{/if}</button
							>
						</form>
						<details class="mt-1 text-sm">
							<summary class="min-h-11 py-2 text-soft" aria-label="Keep for another day: {m.title}">keep for…</summary>
							<form method="POST" action="?/keep" use:enhance={withNotice()} class="flex flex-wrap items-end gap-2">
								<Marks />
								<input type="hidden" name="title" value={m.title} />
								<input type="date" name="day" required value={supper.tomorrow} aria-label="The day for {m.title}" />
								<button class="btn" name="take" value={m.take} aria-label="Keep: {m.title}">Keep</button>
							</form>
						</details>
					</div>
				</li>
			{/each}
		</ul>
		{#if supper.lowAcid}<p class="mt-3 text-sm">
				Low-acid jars are boiled ten minutes before they are tasted, a minute more for each 1,000 ft (300 m) of height.
			</p>{/if}
		<p class="mt-2 text-sm text-soft">
			Minutes are from where it lies to the table, as is common practice; meat, poultry and dishes reach their
			temperature inside. What is left over is in the fridge within two hours.
		</p>
	{/if}
	{#snippet beside()}
		{#if supper.planned.length > 0}
			<h2 class="text-xl">Kept for its day</h2>
			<ul class="ruled mb-5">
				{#each supper.planned as p (p.claims)}
					<li class="py-2">
						<p><b class="text-rim">{p.when}</b> <b>{p.title}</b></p>
						<p class="text-sm text-soft">{p.parts}</p>
						<form
							method="POST"
							action="?/planned"
							use:enhance={withNotice({ path: '/supper' })}
							class="mt-1 flex gap-2"
						>
							<Marks />
							<input type="hidden" name="claims" value={p.claims} /><input type="hidden" name="title" value={p.title} />
							<button class="btn" name="what" value="take" aria-label="Take what was kept: {p.title}">Take it</button>
							<button class="btn btn-plain underline" name="what" value="let" aria-label="Let go: {p.title}"
								>let go</button
							>
						</form>
					</li>
				{/each}
			</ul>
		{/if}
		{#if supper.taken.length > 0}
			<h2 class="text-xl">Anything left over?</h2>
			<ul class="ruled mb-5">
				{#each supper.taken as t (t.groupId)}
					<li class="py-2">
						<p><b>{t.title}</b></p>
						<form
							method="POST"
							action="?/left"
							use:enhance={withNotice({ path: '/supper' })}
							class="mt-1 flex flex-wrap items-center gap-2"
						>
							<Marks />
							<input type="hidden" name="groupId" value={t.groupId} />
							{#each [[0.25, 'a quarter'], [0.5, 'half']] as const as [share, words] (share)}<button
									class="btn"
									name="share"
									value={share}
									aria-label="{words} of {t.title} into the fridge">{words}</button
								>{/each}
							<span class="text-sm text-soft">into the fridge, within two hours</span>
						</form>
					</li>
				{/each}
			</ul>
		{/if}
		{#if supper.thaws.length > 0}
			<h2 class="text-xl">To the fridge tonight, for tomorrow</h2>
			<ul class="ruled">
				{#each supper.thaws as t (t.lot)}
					<li class="flex items-center gap-3 py-2">
						<p class="w-14 text-rim"><b class="head text-3xl tabular-nums">{t.hours}</b> h</p>
						<p class="min-w-0 flex-1">
							<b class="first-letter:uppercase">{t.title}</b>, {t.amount}
							<span class="block text-sm {t.inTime ? 'text-soft' : 'text-amber'}"
								>{t.place.toLowerCase()}{t.inTime ? '' : '; too late for tomorrow, for the day after'}</span
							>
						</p>
						{#if supper.fridge}
							<form method="POST" action="?/thaw" use:enhance={withNotice({ path: '/supper' })}>
								<Marks />
								<input type="hidden" name="lotId" value={t.lot} /><input
									type="hidden"
									name="placeId"
									value={supper.fridge}
								/><input type="hidden" name="unit" value={t.unit} /><input
									type="hidden"
									name="amount"
									value={t.units}
								/>
								<button class="btn" aria-label="Move to the fridge: {t.title}">Move</button>
							</form>
						{/if}
					</li>
				{/each}
			</ul>
		{/if}
		{#if supper.second.length > 0}
			<h2 class="mt-5 text-xl">Opened and thawed</h2>
			<ul class="ruled">
				{#each supper.second as s (s.title + s.all)}
					<li class="flex gap-3 py-2">
						<b class="head w-20 text-xl {s.hours < 24 ? 'text-amber' : 'text-rim'}">{until(s.hours)}</b>
						<span
							><b class="first-letter:uppercase">{s.title}</b>, {s.all}
							<span class="block text-sm text-soft">{s.until}</span></span
						>
					</li>
				{/each}
			</ul>
		{/if}
		{#if supper.eatDown}
			<h2 class="mt-5 text-xl">Before the new crop</h2>
			<p>
				<b class="first-letter:uppercase">{supper.eatDown.name}</b>, {supper.eatDown.stands}: {supper.eatDown.ration}.
			</p>
		{/if}
		<h2 class="mt-5 text-xl">Not at our table</h2>
		<ul>
			{#each supper.avoids as a (a.food)}
				<li class="flex items-center justify-between gap-2 border-t border-line">
					<span>{a.name}{a.who ? `: ${a.who}` : ''}</span>
					<form method="POST" action="?/eats" use:enhance={withNotice()}>
						<Marks /><input type="hidden" name="food" value={a.food} />
						<button class="btn btn-plain underline" aria-label="Eaten again: {a.name}">eaten again</button>
					</form>
				</li>
			{:else}<li class="text-soft">Everybody eats everything.</li>
			{/each}
		</ul>
		<form method="POST" action="?/avoid" use:enhance={withNotice()} class="mt-2 flex flex-wrap items-end gap-2">
			<Marks />
			<label class="field"
				><span>a food</span><input name="food" required maxlength="60" autocomplete="off" class="w-32" /></label
			>
			<label class="field"><span>who</span><input name="who" maxlength="60" autocomplete="off" class="w-28" /></label>
			<button class="btn">Leave out</button>
		</form>
		<p class="mt-3 text-sm text-soft">{sayCount(supper.people, 'person', 'people')} at table.</p>
	{/snippet}
</TwoColumns>

<style>
	.meal {
		display: grid;
		grid-template-columns: 7rem minmax(0, 1fr) 11rem auto;
		gap: 4px 16px;
		align-items: center;
		padding: 10px 0;
		border-top: 1px solid var(--line);
	}
	@media (max-width: 760px) {
		.meal {
			grid-template-columns: 6rem minmax(0, 1fr);
		}
		.meal > :nth-child(n + 3) {
			grid-column: 2;
		}
	}
</style>
