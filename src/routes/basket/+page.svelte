<script lang="ts">
	import Marks from '$lib/ui/notice/marks.svelte';
	import { onMount, untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { sayAs } from '$core/quantities/dates';
	import { dateIn, daysBetween } from '$core/freezing/keep';
	import { editWeight } from '$core/quantities/parse-weight';
	import { sayWeight } from '$core/quantities/format';
	import { HaulLine, type Echo } from '$lib/ui/haul/echo-state.svelte';
	import DayCells from '$lib/ui/haul/day-cells.svelte';
	import TakeOn from '$lib/ui/haul/take-on.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const zone = $derived(data.household.zone);
	const units = $derived(data.household.units);

	const line = new HaulLine(
		async (text) => {
			const reply = await fetch(`/basket/echo?q=${encodeURIComponent(text)}`).catch(() => null);
			return reply?.ok ? ((await reply.json()) as Echo) : null;
		},
		untrack(() => (form as Failed | null)?.typed?.text ?? data.typed)
	);
	let input: HTMLInputElement;
	/** Ticked to be worked on together. */
	let ticked = $state<string[]>([]);
	let opened = $state<string | null>(untrack(() => data.open));

	// A half-typed line outlives a look at another place: it is kept for this tab until it is sent.
	const half = 'basket-line';
	onMount(() => {
		const kept = line.text === '' ? sessionStorage.getItem(half) : null;
		if (kept) line.set(kept);
		else if (line.text !== '') void line.look();
	});
	$effect(() => {
		if (line.text === '') sessionStorage.removeItem(half);
		else sessionStorage.setItem(half, line.text);
	});

	/** In words, when it should be used by. */
	function by(at: number, now: number): string {
		const days = daysBetween(dateIn(zone, now), dateIn(zone, at));
		if (at <= now) return 'today, or it is gone';
		if (days === 0) {
			const hour = Number(sayAs(at, zone, 'H'));
			return hour < 12 ? 'before noon' : hour < 18 ? 'this afternoon' : 'tonight';
		}
		if (days === 1) return 'tomorrow';
		if (days < 7) return sayAs(at, zone, 'EEEE');
		return sayAs(at, zone, days < 300 ? 'd MMM' : 'MMM yyyy');
	}
	const soon = (at: number) => at - data.today < 1.5 * 86_400_000;

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		if (event.key === 'n' && !/^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) {
			event.preventDefault();
			input.focus();
		}
	}
</script>

<svelte:window {onkeydown} />
<h1 class="sr-only">Basket: what came in and what turns first</h1>

{#if data.household.altitude_m === null}
	<p class="mb-4 rounded-xl border-2 border-red bg-redbg px-4 py-3">
		<b>First, the altitude of this kitchen.</b> Times hang on it. <a href="/kitchen/first">Set the kitchen up</a> in three
		answers.
	</p>
{/if}

<form
	method="POST"
	action="?/add"
	use:enhance={withNotice({
		path: '/basket',
		reset: false,
		after: () => {
			line.set('');
			line.changed();
			input.focus();
		}
	})}
	class="rimmed px-5 py-4 focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-amber"
>
	<Marks />

	<div class="flex flex-wrap items-center gap-3">
		<input
			bind:this={input}
			bind:value={line.text}
			oninput={() => line.changed()}
			name="text"
			maxlength="200"
			autocomplete="off"
			autocapitalize="off"
			enterkeyhint="done"
			aria-label="What came in, for example 9 kg runner beans"
			aria-describedby="echo"
			aria-invalid={failed?.error ? 'true' : undefined}
			placeholder={units === 'us' ? '20 lb runner beans' : '9 kg runner beans'}
			class="head min-w-0 flex-1 basis-full !border-transparent !bg-transparent !px-0 !text-2xl font-bold !outline-none sm:basis-0 sm:!text-3xl"
		/>
		<label class="flex items-center gap-2 text-sm text-soft">
			stands in
			<select name="placeId" class="!min-h-11">
				{#each data.places as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
			</select>
		</label>
		<button class="btn btn-full">Keep it <span class="key">Enter</span></button>
	</div>
	<div id="echo" aria-live="polite" class="min-h-7 text-base">
		{#if line.echo}
			{#if line.echo.kind === 'understood'}
				<span class="font-bold text-leaf">= {line.echo.words}</span>
				<span class="text-sm text-soft">{line.echo.detail}</span>
			{:else if line.echo.kind === 'refused'}
				<span class="font-bold text-red">No: {line.echo.words}</span>
				<span><b>Instead:</b> {line.echo.instead?.join('; ')}.</span>
				<span class="source">{line.echo.detail}</span>
			{:else}
				<span class="font-semibold text-amber">{line.echo.words}</span>
				{#each line.echo.choices as c, cNth (cNth)}
					<button
						type="button"
						class="btn ml-2 !min-h-11"
						onclick={() => {
							line.set(c.text);
							// Enter keeps it, without a way back to the line first.
							input.focus();
						}}>{c.label}</button
					>
				{/each}
				{#if line.echo.confirm}
					<button class="btn btn-full ml-2" name="sure" value="yes">{line.echo.confirm}</button>
				{/if}
			{/if}
		{:else if failed?.error?.code === 'SURPRISE'}
			<button class="btn btn-full" name="sure" value="yes">Yes, that much: keep it</button>
		{:else}
			<span class="text-soft"
				>Say it as you would: {units === 'us' ? '3 lb 4 oz' : '1.5 kg'} peas in the pod · ½ bushel tomatoes, ripe · 40 ears
				sweetcorn, fridge · 2 big bowls raspberries</span
			>
		{/if}
	</div>
</form>
{#if line.echo?.weigh}
	{@const w = line.echo.weigh}
	<form
		method="POST"
		action="?/weigh"
		use:enhance={withNotice({ reset: true, after: () => void line.look() })}
		class="mt-2 flex flex-wrap items-end gap-3 rounded-xl bg-amberbg px-5 py-3"
	>
		<Marks />
		<input type="hidden" name="measure" value={w.measure} /><input type="hidden" name="food" value={w.food} /><input
			type="hidden"
			name="text"
			value={line.text}
		/>
		<label class="field"
			><span class="!text-ink">One {w.measure} of {w.foodName} weighs (850 g, 2 lb 3 oz)</span><input
				name="grams"
				autocomplete="off"
				required
				class="w-40"
			/></label
		>
		<button class="btn btn-full">Remember it</button>
	</form>
{/if}
<Faults {failed} />

{#if data.rows.length === 0}
	<section class="py-14 text-center">
		<h2 class="text-2xl">Nothing waits.</h2>
		<p class="mt-2 text-soft">
			Type above what came from the garden or the market, and see how long it keeps and what can become of it.
		</p>
		{#if !data.household.demo}<p class="mt-4">
				Want to look around first? <a href="/kitchen/house#demo">Load the demo</a> in the Kitchen.
			</p>{/if}
	</section>
{:else}
	<form id="together" method="GET" action="/ways/together" class="mt-4 flex min-h-11 flex-wrap items-center gap-3">
		{#if ticked.length > 1}<button class="btn btn-full">Ways of these {ticked.length} together</button>
		{:else}<span class="text-sm text-soft">What turns first, at the top. Tick several to see what they may share.</span
			>{/if}
		<noscript><button class="btn">Together</button></noscript>
	</form>
	<table class="block w-full border-collapse md:table">
		<caption class="sr-only">What turns first, at the top</caption>
		<thead class="sr-only"
			><tr><th>Item</th><th>Amount</th><th>Time left</th><th>Could become</th><th>What next</th></tr></thead
		>
		<tbody class="ruled block border-y border-line md:table-row-group">
			{#each data.rows as row, i (row.id)}
				<tr class="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 py-2.5 md:table-row">
					<th scope="row" class="text-left font-normal md:py-2.5 md:pl-2">
						{#if !row.stop && row.atStove_g < row.grams}<input
								type="checkbox"
								name="lot"
								value={row.id}
								form="together"
								bind:group={ticked}
								aria-label="{row.name}, together with others"
								class="mr-2 align-middle"
							/>{/if}
						<span class="head inline-block text-xl font-bold first-letter:uppercase">{row.name}</span>
						<span class="block text-sm text-soft"
							>{[row.form, row.condition, row.place, row.note].filter(Boolean).join(' · ')}</span
						>
					</th>
					<td class="text-right whitespace-nowrap md:px-4">
						<span class="head text-2xl font-bold">{sayWeight(row.grams, units)}</span>
						{#if /^\s*[\d½¼¾]/.test(row.said) && !/\b(kg|g|lb|oz)\b/.test(row.said)}<span
								class="block text-sm text-soft">{row.said.split(',')[0]}</span
							>{/if}
					</td>
					<td class="md:px-2">
						{#if row.stop?.kind === 'out'}
							<span class="font-bold text-red">out: {row.stop.reason}</span>
						{:else if row.stop?.kind === 'flagged'}
							<span class="font-bold text-amber">say it again: it may be another thing than was kept</span>
						{:else}
							<span class="flex flex-wrap items-center gap-x-3 gap-y-1">
								<DayCells now={data.today} bestBy={row.bestBy} />
								<span class={soon(row.bestBy) ? 'font-bold text-amber' : ''} title="Keeping time: {row.source}"
									>{row.past === 'no'
										? `${soon(row.bestBy) ? 'soon: ' : ''}${by(row.bestBy, data.today)}`
										: row.past === 'best'
											? 'past its best'
											: 'past its time'}</span
								>
							</span>
							{#if row.goodFor}<span class="block text-sm">{row.goodFor}</span>{/if}
							{#if row.ripens}<span class="block text-sm">{row.ripens}</span>{/if}
							{#if row.warning}<span class="block text-sm text-amber">{row.warning}</span>{/if}
							{#if row.stop?.kind === 'identify'}<span class="block text-sm font-semibold text-amber"
									>who has seen them? Ways asks</span
								>{/if}
						{/if}
					</td>
					<td class="hidden text-[15px] text-soft lg:table-cell lg:px-3">{row.couldBecome}</td>
					<td class="text-right whitespace-nowrap md:pr-1">
						{#if row.atStove_g > 0}
							<a class="btn" href="/stove"
								>{row.atStove_g < row.grams ? `${sayWeight(row.atStove_g, units)} at the stove` : 'At the stove'}</a
							>
						{/if}
						{#if row.atStove_g < row.grams}
							<a
								class="btn {i === 0 && !row.stop ? 'btn-full' : ''}"
								href="/ways/{row.id}"
								aria-label="{row.stop?.kind === 'out' ? 'Why out' : 'Ways'} for {row.name}"
								>{row.stop?.kind === 'out' ? 'Why' : 'Ways'}</a
							>
						{/if}
						<button
							class="btn btn-plain"
							aria-expanded={opened === row.id}
							aria-label="More for {row.name}"
							onclick={() => (opened = opened === row.id ? null : row.id)}>…</button
						>
					</td>
				</tr>
				{#if opened === row.id}
					<tr class="block md:table-row">
						<td colspan="5" class="block pb-4 md:table-cell md:pl-2">
							<p class="mb-2 text-sm text-soft">
								<b>At intake:</b>
								{row.intake} <span class="source">Keeping time: {row.source}.</span>
							</p>
							<form
								method="POST"
								action="?/away"
								use:enhance={withNotice({ path: '/basket' })}
								class="flex flex-wrap items-end gap-2"
							>
								<Marks />
								<input type="hidden" name="lotId" value={row.id} />
								<!-- Enter in the box does none of the four: which one is said by a button. -->
								<button disabled hidden>which?</button>
								<label class="field"
									><span>how much</span><input
										name="grams"
										autocomplete="off"
										value={editWeight(row.grams, units)}
										class="w-32"
									/></label
								>
								<!-- Left as it stands, it is all of it, however it was rounded to be shown. -->
								<input type="hidden" name="shown" value={editWeight(row.grams, units)} />
								<input type="hidden" name="exact" value={row.grams} />
								{#if row.stop?.kind !== 'out'}
									<button class="btn" name="kind" value="take">Eaten fresh</button>
									<button class="btn" name="kind" value="give">Given away</button>
								{/if}
								<button class="btn" name="kind" value="spoil">Spoiled</button>
								<button class="btn" name="kind" value="count">Weighed again: this much</button>
							</form>
							<form
								method="POST"
								action="?/move"
								use:enhance={withNotice({ path: '/basket' })}
								class="mt-3 flex flex-wrap items-end gap-2"
							>
								<Marks />
								<input type="hidden" name="lotId" value={row.id} />
								<label class="field"
									><span>move</span><input
										name="grams"
										autocomplete="off"
										value={editWeight(row.grams, units)}
										class="w-32"
									/></label
								>
								<!-- Left as it stands, it is all of it, however it was rounded to be shown. -->
								<input type="hidden" name="shown" value={editWeight(row.grams, units)} />
								<input type="hidden" name="exact" value={row.grams} />
								<label class="field"
									><span>to</span>
									<select name="placeId">
										{#each data.places.filter((p) => p.id !== row.placeId) as p (p.id)}<option value={p.id}
												>{p.name}</option
											>{/each}
									</select></label
								>
								<button class="btn">Move it</button>
								<span class="text-sm text-soft">What its clock used up here goes along.</span>
							</form>
							{#if row.makes.length > 0}
								<form
									method="POST"
									action="?/make"
									use:enhance={withNotice({ path: '/basket' })}
									class="mt-3 flex flex-wrap items-end gap-2"
									aria-label="Make something of {row.name}"
								>
									<Marks />
									<input type="hidden" name="lotId" value={row.id} />
									<input type="hidden" name="shown" value={editWeight(row.grams, units)} />
									<input type="hidden" name="exact" value={row.grams} />
									<label class="field"
										><span>make of</span><input
											name="grams"
											autocomplete="off"
											value={editWeight(row.grams, units)}
											class="w-32"
										/></label
									>
									<label class="field min-w-0"
										><span>this first</span><select name="transform" class="max-w-[22rem]"
											>{#each row.makes as m (m.id)}<option value={m.id}
													>{m.name}: {m.out}{m.hands}{m.off ? `, and ${m.off}` : ''}</option
												>{/each}</select
										></label
									>
									<label class="field"
										><span>weighed after</span><input
											name="out"
											autocomplete="off"
											placeholder="by the scale"
											class="w-32"
										/></label
									>
									<label class="flex min-h-11 items-center gap-2"
										><input type="checkbox" name="keep" value="yes" checked /> keep what comes off</label
									>
									<button class="btn">It is made</button>
									<span class="source basis-full"
										>Yields: {[...new Set(row.makes.map((m) => m.source))].join('; ')}.</span
									>
								</form>
							{/if}
							<form
								method="POST"
								action="?/keep"
								use:enhance={withNotice({ path: '/basket' })}
								class="mt-3 flex flex-wrap items-end gap-2"
							>
								<Marks />
								<input type="hidden" name="lotId" value={row.id} />
								<input type="hidden" name="shown" value={editWeight(row.grams, units)} />
								<input type="hidden" name="exact" value={row.grams} />
								<label class="field"
									><span>as they are</span><input
										name="grams"
										autocomplete="off"
										value={editWeight(row.grams, units)}
										class="w-32"
									/></label
								>
								<button class="btn">Keep in {row.place}, on the Shelves</button>
							</form>
							<form
								method="POST"
								action="?/tell"
								use:enhance={withNotice({ reset: false })}
								class="mt-3 flex flex-wrap items-end gap-2"
								aria-label="More about {row.name}"
							>
								<Marks />
								<input type="hidden" name="lotId" value={row.id} />
								<label class="field"
									><span>variety</span><input name="variety" maxlength="60" value={row.variety} class="w-36" /></label
								>
								<label class="field"
									><span>from</span><select name="origin"
										><option value="" selected={row.origin === ''}>not said</option
										>{#each [['own', 'own garden'], ['bought', 'bought'], ['given', 'given'], ['wild', 'gathered wild']] as [v, n] (v)}<option
												value={v}
												selected={row.origin === v}>{n}</option
											>{/each}</select
									></label
								>
								<label class="field"
									><span>paid for all of it</span><input
										name="price"
										maxlength="20"
										inputmode="decimal"
										placeholder={row.price || '4.20'}
										class="w-28"
									/></label
								>
								<label class="field"><span>picked or bought on</span><input type="date" name="day" /></label>
								<button class="btn">Keep that</button>
								{#if row.price}<span class="text-sm text-soft">paid {row.price}</span>{/if}
							</form>
							{#if row.identified !== null}
								<form
									method="POST"
									action="?/identify"
									use:enhance={withNotice()}
									class="mt-3 flex flex-wrap items-center gap-2"
								>
									<Marks />
									<input type="hidden" name="lotId" value={row.id} />
									<span class="text-sm"
										>{row.identified ? 'Seen by someone who knows them.' : 'Not seen by anyone who knows them.'}</span
									>
									<button class="btn btn-plain underline" name="answer" value={row.identified ? 'no' : 'yes'}
										>{row.identified ? 'No, that was wrong' : 'They have been seen now'}</button
									>
								</form>
							{/if}
						</td>
					</tr>
				{/if}
			{/each}
		</tbody>
	</table>
{/if}
<p class="mt-4"><a href="/basket/receipt">A whole receipt at once</a></p>
<TakeOn asked={data.more.asked} answer={data.more.answer} {units} />
{#if data.steps.length > 0}
	<form
		method="POST"
		action="?/undo"
		use:enhance={withNotice()}
		class="mt-4 flex flex-wrap items-center gap-2 text-sm text-soft"
	>
		<Marks />

		<span>Last: {data.steps[0]?.words}</span>
		<button class="btn btn-plain underline" name="groupId" value={data.steps[0]?.groupId}>undo</button>
	</form>
{/if}
