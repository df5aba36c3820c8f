<script lang="ts">
	import { onMount } from 'svelte';
	import { enhance } from '$app/forms';
	import { invalidateAll } from '$app/navigation';
	import { wishKinds, type Wishes } from '$core/haul/from-ways';
	import { sayAs } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
	import DaysChoice from '$lib/ui/haul/days-choice.svelte';
	import { dayWords, insteadWords, namesOf, percentWords, untilWords } from '$lib/ui/haul/words';
	import { hereOrServer, inSolver } from '$lib/ui/haul/in-worker';
	import { HaulPage } from '$lib/ui/haul/haul-state.svelte';
	import Binds from '$lib/ui/haul/binds.svelte';
	import YearWants from '$lib/ui/haul/year-wants.svelte';
	import LotRule from '$lib/ui/haul/lot-rule.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import type { Failed } from '$lib/ui/notice/types';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Clock } from '$lib/ui/clock/clock-state.svelte';
	import { useClock } from '$lib/ui/run/runs-state.svelte';
	import type { Answer } from '$core/haul/solve';
	import type { Instead } from '$core/haul/explain';
	import type { Worth } from '$core/haul/worths';
	import TwoColumns from '$lib/ui/haul/two-columns.svelte';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const { view } = $derived(data);
	const units = $derived(data.household.units);
	const clock = useClock<Clock>();
	const seconds = 12;
	let elsewhere = $state(false);
	const haul: HaulPage = new HaulPage(
		() => data.view,
		() => clock.at(Date.now()),
		{
			solve: (one, onBetter) =>
				hereOrServer(
					() =>
						inSolver((work, tell) => work.share(one, { seconds, gap: 0.005 }, tell), onBetter as (a: Answer) => void),
					() => ({ days: haul.days, wishes: haul.wishes, locks: haul.locks }),
					() => (elsewhere = true)
				),
			worths: (one, answer, onFound) =>
				inSolver((work, tell) => work.worths(one, answer, tell), onFound as (w: Worth) => void),
			why: (one, answer, lot, onFound) =>
				inSolver((work, tell) => work.why(one, answer, lot, tell), onFound as (i: Instead) => void)
		}
	);
	onMount(() => {
		if (view.lots.length > 0) void haul.work();
		return () => haul.end();
	});
	/** What comes in on another device while this page is looked at. */
	const lookAgain_ms = 5_000;
	async function lookAgain() {
		if (document.visibilityState !== 'visible') return;
		const reply = await fetch('/ways/stamp').catch(() => null);
		// Without a connection there is nothing new, and the plan that stands goes on standing.
		if (reply?.ok && (await reply.text()) !== data.basketIs) await invalidateAll();
	}
	onMount(() => {
		const timer = setInterval(() => void lookAgain(), lookAgain_ms);
		return () => clearInterval(timer);
	});
	/** Another basket is another haul. */
	let of = '';
	$effect(() => {
		const now = view.lots.map((l) => `${l.id} ${l.grams} ${l.want_kg}`).join();
		if (of !== '' && of !== now) void haul.work();
		of = now;
	});

	const wishWords: Record<keyof Wishes, string> = {
		leastWork: 'Least work',
		closestToFresh: 'Closest to fresh',
		leastFreezer: 'Least freezer',
		keepsLongest: 'Keeps longest',
		costsLeast: 'Costs least',
		variety: 'Variety'
	};
	const until = $derived(untilWords(haul.days, data.now, data.household.zone));
	const standing = $derived.by(() => {
		const { answer, phase } = haul;
		if (phase === 'failed') return `It could not be worked out: ${haul.why}`;
		if (!answer) return phase === 'working' ? 'Working it out …' : '';
		if (answer.proven) return 'Proven: within these limits no share is better.';
		const near = `Within ${percentWords(answer.gap)} of what is possible`;
		if (phase === 'working') return `${near}; still looking.`;
		return haul.why ? `${near}. What one more is worth could not be worked out: ${haul.why}` : `${near}.`;
	});
	const nameOf = $derived(namesOf(view.lots));
	const lotName = (id: string) => view.lots.find((l) => l.id === id)?.name ?? '';
	const limitName = (id: string) => haul.haul?.limits.find((l) => l.id === id)?.name ?? id;
	const unplaced = $derived(haul.answer ? haul.rows.filter((r) => r.left_kg > 0.05) : []);

	/** 1 goes to the plan's button, as on every way; only Enter on it takes it. */
	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.altKey || event.metaKey || event.key !== '1') return;
		if (/^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) return;
		document.querySelector<HTMLElement>('[data-start]')?.focus();
	}
</script>

<svelte:window {onkeydown} />
<svelte:document onvisibilitychange={() => void lookAgain()} />

{#if view.lots.length === 0}
	<section class="py-14 text-center">
		<h1 class="text-3xl">Nothing to choose for yet.</h1>
		<p class="mt-2 text-soft">
			{#if view.apart.length > 0}{view.apart[0]?.name}: {view.apart[0]?.why}{:else}Put something in the Basket, and its
				ways stand here side by side.{/if}
		</p>
		<p class="mt-6 flex flex-wrap justify-center gap-3">
			<a class="btn btn-full" href="/basket">To the Basket</a>
			<a class="btn" href="/ways/offer">Before the haul: can we?</a>
		</p>
	</section>
{:else}
	<TwoColumns label="haul-title">
		<Faults failed={form as Failed | null} />
		<h1 id="haul-title" class="head text-2xl leading-tight sm:text-3xl" aria-live="polite">
			{#if haul.answer}
				{#if haul.sums.packs > 0}<b class="figure">{haul.sums.packs}</b>
					{haul.sums.packs === 1 ? 'pack' : 'packs'},{/if}
				{#if haul.sums.jars > 0}<b class="figure">{haul.sums.jars}</b> {haul.sums.jars === 1 ? 'jar' : 'jars'},{/if}
				<b class="figure">{sayDuration(haul.sums.hands_h * 3600)}</b> of hands by {until}
			{:else}The whole haul, shared out{/if}
		</h1>
		<p class="mt-1 text-soft" role="status">
			{standing}{#if elsewhere}
				Worked out on the server: this browser has no thread for it.{/if}
			{#if haul.phase === 'working'}<button class="btn btn-plain underline" onclick={() => haul.stop()}
					>That will do</button
				>{/if}
			{#if haul.phase === 'failed' || haul.phase === 'stopped'}<button
					class="btn btn-plain underline"
					onclick={() => haul.work()}>Look on</button
				>{/if}
		</p>
		{#if haul.impossible}
			<div class="mt-2 rounded-xl bg-amberbg px-4 py-2" role="alert">
				<b>What is set cannot all be done.</b>
				{#each haul.impossible.gives as g (g.way)}
					{@const n = nameOf(g.way)}
					<p>
						{n.lot}, {n.way}: {sayWeight(g.by_kg * 1000, units)} of the {sayWeight(g.set_kg * 1000, units)} must give.
						<button class="btn" onclick={() => haul.lock(g.way, Math.max(0, g.set_kg - g.by_kg))}>Let it give</button>
					</p>
				{/each}
			</div>
		{/if}
		<ul class="mt-3">
			{#each haul.rows as row (row.lot.id)}
				<LotRule
					{row}
					{units}
					zone={data.household.zone}
					now={data.now}
					onlock={(way, kg) => haul.lock(way, kg)}
					onwhy={() => haul.explain(row.lot.id)}
					why={haul.explained?.lot === row.lot.id ? haul.explained : null}
					sayWhy={(one) => insteadWords(one, { lot: row.lot, nameOf, lotName, limitName, units })}
					{nameOf}
				/>
			{/each}
		</ul>
		{#if view.more > 0}<p class="mt-2 text-soft">
				{sayCount(view.more, 'lot')} more wait; the most urgent are shared out first.
			</p>{/if}
		{#each view.apart as a (a.id)}
			<p class="mt-2">
				<a href="/ways/{a.id}" class="first-letter:uppercase">{a.name}</a>: <span class="text-soft">{a.why}</span>
			</p>
		{/each}
		{#snippet beside()}
			<form method="POST" action="?/take" use:enhance={withNotice({ reset: false })}>
				<Marks />
				<input type="hidden" name="plan" value={JSON.stringify(haul.plan)} />
				<button class="btn btn-full w-full text-lg" data-start disabled={!haul.answer || haul.impossible !== null}
					>Take this as the plan <span class="key">1</span></button
				>
			</form>
			{#if data.planned > 0}
				<p class="mt-2"><a href="/ways/plan">The plan that was taken: {sayCount(data.planned, 'item')}</a></p>
			{/if}
			{#if haul.answer}
				<Binds
					uses={haul.uses}
					found={haul.found}
					{units}
					{nameOf}
					dayName={(day) => dayWords(day, data.now, data.household.zone)}
					looking={haul.phase === 'done' && haul.found.length < haul.uses.filter((u) => u.full).length}
				/>
				{#if unplaced.length > 0}
					<h2 class="mt-4 text-lg">Not placed</h2>
					<ul>
						{#each unplaced as r (r.lot.id)}
							<li>
								<b>{sayWeight(r.left_kg * 1000, units)} {r.lot.name}</b>, {r.lot.bestBy - data.now < 36 * 3_600_000
									? 'turns by'
									: 'keeps until'}
								{sayAs(r.lot.bestBy, data.household.zone, 'EEE d MMM')}
							</li>
						{/each}
					</ul>
				{/if}
			{/if}
			<h2 class="mt-4 text-lg">Until</h2>
			<DaysChoice days={haul.days} onpick={(d) => haul.within(d)} />
			<form method="GET" action="/ways/offer" class="mt-4">
				<label class="field"
					><span>Before you take on more</span>
					<span class="flex gap-2"
						><input
							name="say"
							maxlength="200"
							autocomplete="off"
							placeholder="20 kg plums at 0.90"
							class="min-w-0 flex-1"
						/>
						<button class="btn">Can we?</button></span
					></label
				>
			</form>
			<h2 class="mt-4 flex justify-between text-lg">
				What matters to us <span class="text-sm font-normal text-soft">little … much</span>
			</h2>
			{#each wishKinds as kind (kind)}
				<label class="flex min-h-11 items-center justify-between gap-3 border-t border-line"
					>{wishWords[kind]}
					<input
						type="range"
						min="0"
						max="4"
						step="1"
						value={haul.wishes[kind]}
						class="min-h-11 w-36"
						style="accent-color: var(--rim)"
						onchange={(e) => haul.wish(kind, Number(e.currentTarget.value))}
					/></label
				>
			{/each}
			<YearWants wants={view.wants} {units} />
		{/snippet}
	</TwoColumns>
{/if}
