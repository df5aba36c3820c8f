<script lang="ts">
	import Marks from '$lib/ui/notice/marks.svelte';
	import { enhance } from '$app/forms';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sayAs, sayMonth } from '$core/quantities/dates';
	import { editWeight } from '$core/quantities/parse-weight';
	import { sayCount, sayDuration, sayTemperature, sayVolume, sayWeight } from '$core/quantities/format';
	import NotAdvised from '$lib/ui/ways/not-advised.svelte';
	import CoolFirst from '$lib/ui/ways/cool-first.svelte';
	import Dryer from '$lib/ui/ways/dryer.svelte';
	import DryerCompany from '$lib/ui/ways/dryer-company.svelte';
	import FreezerCharts from '$lib/ui/ways/freezer-charts.svelte';
	import Chips from '$lib/ui/ways/chips.svelte';
	import Glance from '$lib/ui/ways/glance.svelte';
	import Jars from '$lib/ui/ways/jars.svelte';
	import Quality from '$lib/ui/ways/quality.svelte';
	import Stopped from '$lib/ui/ways/stopped.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import { withChoice } from '$lib/ui/ways/address';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const faultIn = (field: string) => data.faults.find((f) => f.field === field);
	const units = $derived(data.household.units);
	type Shown = PageData['ways'][number];
	type Open = Extract<Shown, { kind: 'way' }>;
	const open = $derived(data.ways.filter((w): w is Open => w.kind === 'way'));
	const refused = $derived(data.ways.filter((w) => w.kind === 'refused'));
	/** The best of a row is marked in words, where more than one way differs. */
	const best = (value: (w: Open) => number, least: boolean): string | null => {
		if (open.length < 2) return null;
		const sorted = [...open].sort((a, b) => (least ? value(a) - value(b) : value(b) - value(a)));
		const [first, second] = sorted;
		return first && second && value(first) !== value(second) ? first.id : null;
	};
	const leastHands = $derived(best((w) => Math.round(w.hands_s / 300), true));
	const leastTime = $derived(best((w) => Math.round(w.elapsed_s / 300), true));
	const longest = $derived(best((w) => w.months[1], false));

	const choose = (name: string) => (event: Event) =>
		void goto(withChoice(page.url.search, name, (event.currentTarget as HTMLInputElement).value), {
			keepFocus: true,
			noScroll: true,
			replaceState: true
		});

	/** A number goes to the Start of its way; only Enter on the button starts it. */
	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.altKey || event.metaKey) return;
		if (/^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) return;
		const n = Number(event.key);
		if (n >= 1 && n <= open.length) document.querySelector<HTMLButtonElement>(`[data-start="${n}"]`)?.focus();
	}
	const grid = $derived(`minmax(5.2rem, 10rem) repeat(${open.length}, minmax(13rem, 1fr))`);
	const late = $derived(open.some((w) => w.line?.reboilLate));
</script>

<svelte:window {onkeydown} />
<div class="flex flex-wrap items-baseline gap-x-4">
	<h1 class="text-3xl first-letter:uppercase">{sayWeight(data.lot.shown_g, units)} {data.lot.name}</h1>
	<p class="text-soft">
		{[data.lot.form, data.lot.place].filter(Boolean).join(' · ')} · best by {sayAs(
			data.lot.bestBy,
			data.household.zone,
			'EEE d MMM, HH:mm'
		)} ·
		{#if !data.stop}<a href="#freezer">freezer</a> · <a href="#dryer">dryer</a> · <a href="#jars">jars</a> ·{/if}
		<a href="/tables/{data.lot.food}">every number</a>
	</p>
</div>
<Faults {failed} />
{#if data.goodFor}
	<p class="mt-3 max-w-3xl rounded-xl bg-amberbg px-4 py-3">
		<b>{data.lot.past === 'end' ? 'Past its time.' : 'Past its best.'}</b>
		{data.goodFor}
	</p>
{/if}
{#if data.stop}<Stopped stop={data.stop} lot={data.lot} />{:else}
	<form method="GET" class="mt-3 flex flex-wrap items-end gap-3" data-sveltekit-noscroll data-sveltekit-replacestate>
		{#if data.cuts.length > 0}
			<fieldset class="flex flex-wrap items-center gap-1">
				<legend class="text-sm text-soft">cut as</legend>
				{#each data.cuts as c (c.id)}
					<a
						class="btn {c.id === data.cut.id ? 'btn-full' : ''}"
						aria-current={c.id === data.cut.id ? 'true' : undefined}
						data-sveltekit-noscroll
						data-sveltekit-replacestate
						href={withChoice(page.url.search, 'cut', c.id)}>{c.name}</a
					>
				{/each}
			</fieldset>
		{/if}
		<input type="hidden" name="cut" value={data.cut.id} />
		{#if data.styles.length > 1}<Chips label="packed" name="packed" value={data.style} options={data.styles} />{/if}
		<label class="field"
			><span>a pack</span><input
				class="w-28"
				name="portion"
				autocomplete="off"
				aria-invalid={faultIn('portion') ? 'true' : undefined}
				value={faultIn('portion')?.typed ??
					(data.portionWords || data.portionSaid.includes('+') ? data.portionSaid : editWeight(data.portion_g, units))}
				list="portions"
				title="500 g, 2 cups, 4 ears, for 4, two sizes as 500 g + 250 g, or a recipe of yours"
				onchange={choose('portion')}
			/>{#if data.portionWords}<span class="!text-ink">{data.portionWords}</span>{/if}</label
		>
		<datalist id="portions"
			>{#each [...data.recipes, `for ${data.people}`, '1 pint', '2 cups'] as p (p)}<option value={p}
				></option>{/each}</datalist
		>
		<label class="field"
			><span>how much of it</span><input
				class="w-32"
				name="grams"
				autocomplete="off"
				aria-invalid={faultIn('grams') ? 'true' : undefined}
				value={faultIn('grams')?.typed ?? editWeight(data.lot.shown_g, units)}
				onchange={choose('grams')}
			/></label
		>
		{#if data.pots.length > 1 && data.ways.some((w) => w.kind === 'refused' || w.pot)}
			<label class="field"
				><span>pot</span>
				<select name="pot" value={data.pot || data.pots.at(-1)?.id} onchange={choose('pot')}>
					{#each data.pots as p (p.id)}<option value={p.id}>{p.name}, {sayVolume(p.litres, units)}</option>{/each}
				</select>
			</label>
		{/if}
		<label class="field"
			><span>into</span>
			<select name="container" value={data.container} onchange={choose('container')}>
				<option value="">smallest that fits</option>
				{#each data.containers as c (c.id)}<option value={c.id}>{c.name} ({c.count})</option>{/each}
			</select>
		</label>
		{#if late || data.potfuls === 'small'}
			<label class="flex min-h-11 items-center gap-2">
				<input
					type="checkbox"
					name="potfuls"
					value="small"
					checked={data.potfuls === 'small'}
					onchange={(e) =>
						void goto(withChoice(page.url.search, 'potfuls', e.currentTarget.checked ? 'small' : ''), {
							keepFocus: true,
							noScroll: true,
							replaceState: true
						})}
				/>
				potfuls that boil again within a minute
			</label>
		{/if}
		{#each [...page.url.searchParams].filter(([n]) => !['cut', 'portion', 'grams', 'pot', 'container', 'potfuls'].includes(n)) as [name, value], nth (nth)}<input
				type="hidden"
				{name}
				{value}
			/>{/each}
		<noscript><button class="btn">Work it out</button></noscript>
	</form>

	{#each data.faults as f (f.field)}
		<p class="mt-2 font-semibold text-amber" role="alert">
			“{f.typed}”: {f.message} The ways below are worked out without it.
		</p>
	{/each}

	<Glance
		list={data.glance}
		noMoney={data.noMoney}
		currency={data.currency}
		paid={data.chosen.paid}
		shop={data.chosen.shop}
		{units}
	/>

	<h2 id="freezer" class="mt-8 scroll-mt-4 text-2xl">Into the freezer</h2>
	{#if open.length > 0 && data.lot.free_g > 0}<p class="mt-1">
			<a href="/stove/new?lot-{data.lot.id}=yes">Together with other foods</a>, in one evening at one pot.
		</p>{/if}
	{#if data.cooling}<CoolFirst cooling={data.cooling} {units} />{/if}
	{#if open.length > 0}
		<div class="mt-2 overflow-x-auto {open.length === 1 ? 'max-w-3xl' : ''}">
			<div
				role="table"
				aria-label="Ways side by side, for the whole item"
				class="ways min-w-full"
				style="--grid: {grid}"
			>
				<div role="row" class="row border-b-[3px] border-rim">
					<div role="columnheader" class="cell"><span class="sr-only">What</span></div>
					{#each open as w (w.id)}
						<div role="columnheader" class="cell">
							<h3 class="text-xl">{w.name}</h3>
							<p class="text-sm text-soft">{w.gist}</p>
						</div>
					{/each}
				</div>
				{#snippet line(label: string, cell: import('svelte').Snippet<[Open]>)}
					<div role="row" class="row">
						<div role="rowheader" class="cell text-sm text-soft">{label}</div>
						{#each open as w (w.id)}<div role="cell" class="cell">{@render cell(w)}</div>{/each}
					</div>
				{/snippet}
				{#snippet get(w: Open)}
					<b class="fig">{w.packs.count}</b>
					{w.packs.count === 1 ? 'pack' : 'packs'} of {sayWeight(w.packs.portion_g, units)}
					{#if w.second}<span class="block"
							>and <b class="fig">{w.second.count}</b> of {sayWeight(
								w.second.portion_g,
								units
							)}{#if w.second.problem}<span class="block text-sm font-semibold text-amber">{w.second.problem}</span
								>{:else if w.second.short > 0}<span class="block text-sm font-semibold text-amber"
									>short: {w.second.short} more {w.second.container} needed</span
								>{:else}<span class="sub">{w.second.container}</span>{/if}</span
						>{/if}
					{#if w.packs.remainder_g > 0}<span class="sub">and {sayWeight(w.packs.remainder_g, units)} over</span>{/if}
					<span class="sub">{sayWeight(w.prepared_g, units)} ready, {Math.round(w.yieldShare * 100)} % of it</span>
					{#if w.packs.problem}<span class="block text-sm font-semibold text-amber">{w.packs.problem}</span>
					{:else if w.packs.short > 0}<span class="block text-sm font-semibold text-amber"
							>short: {w.packs.short} more {w.packs.container} needed</span
						>
					{:else}<span class="sub">{w.packs.container}; {w.packs.headspace}</span>{/if}
				{/snippet}
				{@render line('You get', get)}
				{#snippet heat(w: Open)}
					<b class="fig">{w.blanchWords.split(',')[0]}</b>
					{#if w.blanchWords.includes(',')}<span class="sub">{w.blanchWords.split(',').slice(1).join(',')}</span>{/if}
					{#if w.line}
						<span class="sub"
							>{sayCount(w.line.potfuls, 'potful')} of {sayWeight(w.line.potful_kg * 1000, units)} in {w.row?.method ===
							'steam'
								? 'the steamer'
								: sayVolume(w.line.water_L, units)}, {w.pot}</span
						>
						<span class="sub"
							>{sayDuration(w.line.toBoil_s)} to the boil; it boils again after {w.row?.method === 'steam'
								? 'no wait'
								: `${sayDuration(w.line.reboil_s)} at most`}</span
						>
					{/if}
					<span class="source block"
						>{w.confidence === 'practice'
							? 'common practice, no published source'
							: `${w.source} · ${w.confidence}`}</span
					>
				{/snippet}
				{@render line('In the heat', heat)}
				{#snippet chill(w: Open)}
					{#if w.line}
						<b class="fig">{sayDuration(w.line.chill_s)}</b>
						{#if w.line.ice_kg > 0}
							<span class="sub"
								><b>{sayWeight(w.line.ice_kg * 1000, units)} of ice</b> in all, {sayWeight(
									w.line.icePerPotful_kg * 1000,
									units
								)} a potful</span
							>
							{#if w.ice && w.ice.short_kg > 0.05}<span class="block text-sm font-semibold text-amber"
									>short: {sayWeight(w.ice.short_kg * 1000, units)} more to make or buy</span
								>{/if}
						{:else}<span class="sub">cold tap water is enough</span>{/if}
					{:else if w.method === 'cook'}until cold through
					{:else}none{/if}
				{/snippet}
				{@render line('In the ice', chill)}
				{#snippet trays(w: Open)}
					{#if w.style === 'mould'}
						<b class="fig">{w.trays.rounds}</b>
						{w.trays.rounds === 1 ? 'filling' : 'fillings'} of {sayWeight(w.trays.perTray_kg * 1000, units)}
					{:else}
						<b class="fig">{w.trays.needed}</b>
						{w.trays.needed === 1 ? 'trayful' : 'trayfuls'}{#if w.trays.rounds > 1}, {w.trays.rounds} rounds with your {data.trays}{/if}
					{/if}
					<span class="sub">look after {w.firstLook_h} h <span class="source">(practice)</span></span>
				{/snippet}
				{@render line('To freeze', trays)}
				{#snippet hands(w: Open)}<b class="fig">{sayDuration(w.hands_s)}</b>{#if leastHands === w.id}<span class="best"
							>least</span
						>{/if}{/snippet}
				{@render line('Your hands', hands)}
				{#snippet elapsed(w: Open)}<b class="fig">{sayDuration(w.elapsed_s)}</b>{#if leastTime === w.id}<span
							class="best">least</span
						>{/if}{/snippet}
				{@render line('From start to away', elapsed)}
				{#snippet space(w: Open)}
					<b class="fig">{sayVolume(w.packs.volume_L + (w.second?.volume_L ?? 0), units)}</b> of freezer
					{#if !w.freezer.fits}<span class="block text-sm font-semibold text-amber"
							>only {sayVolume(data.freezerFree_L, units)} free</span
						>{/if}
					{#if w.freezer.overload}<span class="block text-sm font-semibold text-amber"
							>more than the {sayWeight(w.freezer.dayLoad_kg * 1000, units)} your freezer should take in a day ({data
								.rules.load})</span
						>{/if}
				{/snippet}
				{@render line('Space', space)}
				{#snippet keeps(w: Open)}
					<b class="fig">{sayMonth(w.keepsUntil)}</b>{#if longest === w.id}<span class="best">longest</span>{/if}
					<span class="sub"
						>{w.months[0] === w.months[1] ? w.months[1] : `${w.months[0]} to ${w.months[1]}`} months at {sayTemperature(
							-18,
							units
						)}, best quality</span
					>
				{/snippet}
				{@render line('Keeps until', keeps)}
				{#snippet use(w: Open)}<span class="text-[15px]">{w.use}</span>{/snippet}
				{@render line('How to use', use)}
				<div role="row" class="row">
					<div role="rowheader" class="cell"><span class="sr-only">Start</span></div>
					{#each open as w, i (w.id)}
						<div role="cell" class="cell">
							<form method="POST" action="?/start" use:enhance={withNotice()}>
								<Marks />

								<input type="hidden" name="way" value={w.id} />
								<input type="hidden" name="cut" value={data.cut.id} />
								{#if data.portionSaid}<input type="hidden" name="portion" value={data.portionSaid} />{/if}
								<input type="hidden" name="grams" value={data.lot.shown_g} />
								{#if data.pot}<input type="hidden" name="pot" value={data.pot} />{/if}
								{#if data.container}<input type="hidden" name="container" value={data.container} />{/if}
								{#if data.packed}<input type="hidden" name="packed" value={data.packed} />{/if}
								{#if data.potfuls}<input type="hidden" name="potfuls" value={data.potfuls} />{/if}
								<button
									class="btn {i === 0 ? 'btn-full' : ''}"
									data-start={i + 1}
									disabled={data.lot.free_g === 0}
									aria-label="Start: {w.name}">Start <span class="key">{i + 1}</span></button
								>
							</form>
						</div>
					{/each}
				</div>
			</div>
		</div>
	{/if}
	<details class="mt-4">
		<summary class="text-[15px]">A pack for a recipe of ours: weigh it once</summary>
		<form
			method="POST"
			action="?/portion"
			use:enhance={withNotice()}
			class="mt-2 flex flex-wrap items-end gap-3"
			aria-label="A pack for a recipe"
		>
			<Marks />
			<input type="hidden" name="food" value={data.lot.food} /><input type="hidden" name="form" value={data.cut.id} />
			<label class="field"
				><span>for</span><input name="name" required maxlength="40" placeholder="one loaf" class="w-36" /></label
			>
			<label class="field"
				><span>measured as</span><input
					name="said"
					required
					maxlength="60"
					placeholder="2 cups, squeezed"
					class="w-44"
				/></label
			>
			<label class="field"
				><span>it weighs</span><input
					name="grams"
					required
					autocomplete="off"
					placeholder="310 g"
					class="w-28"
				/></label
			>
			<button class="btn">Remember it</button>
		</form>
	</details>
	{#each refused as w (w.id)}<NotAdvised title="{w.name}: no." refusal={w} />{/each}
	{#if data.lot.free_g === 0}<p class="mt-3">All of it is at the <a href="/stove">Stove</a> already.</p>{/if}

	<div class="mt-6 grid gap-6 md:grid-cols-2">
		{#each open as w (w.id)}
			<details class="border-t border-line pt-3">
				<summary class="head text-lg">{w.name}, step by step</summary>
				<ol class="mt-2 list-decimal space-y-1 pl-6">
					{#each w.steps as s, sNth (sNth)}<li>{s}</li>{/each}
				</ol>
				{#each w.notes as n, nNth (nNth)}<p class="mt-2 text-[15px] text-soft">{n}</p>{/each}
			</details>
		{/each}
	</div>
	{#if data.freezing}<FreezerCharts asks={data.freezing} {units} />{/if}
	{#if open[0]}
		<section class="mt-6 rounded-xl border border-line bg-enamel px-5 py-4">
			<h2 class="text-lg">Mind</h2>
			<ul class="mt-1 list-disc space-y-1 pl-5 text-[15px]">
				{#each open[0].cautions as c (c.id)}<li>
						{c.text}
						{#if c.source}<span class="source">({c.source})</span>{/if}
					</li>{/each}
			</ul>
		</section>
	{/if}

	<Dryer dry={data.dry} chosen={data.chosen} {units} />
	{#if data.company}<DryerCompany company={data.company} name={data.lot.name} {units} />{/if}

	<Jars
		jars={data.jars}
		style={data.chosen.style}
		glance={data.glance}
		gather={data.gather}
		zone={data.household.zone}
		jar={data.jar}
		altitude_m={data.household.altitude_m}
		gauge={data.gauge}
		dial={data.dial}
		{units}
	/>
	<Quality bars={data.quality} />
{/if}

<style>
	.row {
		display: grid;
		grid-template-columns: var(--grid);
	}
	.row + .row {
		border-top: 1px solid var(--line);
	}
	.cell {
		padding: 9px 14px 9px 4px;
		min-width: 0;
	}
</style>
