<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayTime } from '$core/quantities/dates';
	import { sayTemperature, sayWeight } from '$core/quantities/format';
	import Rooms from '$lib/ui/kitchen/rooms.svelte';
	import LineChart from '$lib/ui/chart/line-chart.svelte';
	import { useLive } from '$lib/ui/live/live-state.svelte';
	import type { LiveInstrument } from '$lib/ui/live/types';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import { page } from '$app/state';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const live = useLive();
	const units = $derived(data.household.units);
	const zone = $derived(data.household.zone);
	/** As the page was read, and what has come since by itself. */
	const all = $derived(
		data.instruments.map((i) => ({ ...i, ...(live.instruments.find((l) => l.id === i.id) ?? {}), edit: i.edit }))
	);
	const quantities = { mass: 'weight', temperature: 'temperature', 'gauge-pressure': 'pressure' } as const;
	const kinds = { ...quantities, print: 'nothing: it prints labels' } as const;
	const watches = {
		nothing: 'nothing by itself',
		freezer: 'a freezer that gets warm',
		basin: 'a basin that gets warm',
		dryer: 'a dryer that is off'
	} as const;
	const say = (quantity: LiveInstrument['quantity'], value: number) =>
		quantity === 'mass'
			? sayWeight(value, units)
			: quantity === 'temperature'
				? sayTemperature(Math.round(value * 10) / 10, units)
				: `${Math.round(value / 100) / 10} kPa`;
	const state = { steady: 'steady', moving: 'comes to rest', silent: 'silent', faulty: 'faulty' } as const;
	const token = $derived(form && 'token' in form ? (form.token as string) : null);
</script>

<h1 class="text-3xl">Scales and probes</h1>
<Rooms />
<Faults failed={form as Failed | null} />
<p class="mt-4 max-w-3xl text-soft">
	What weighs and measures by itself fills the fields of the Stove; what a person writes always counts before it. A
	probe that hangs in a freezer tells the packs in it how long they keep.
</p>
{#if token}
	<section class="mt-4 max-w-3xl rounded-xl border-2 border-rim px-4 py-3" aria-label="Its token">
		<p class="font-semibold">Its token, shown this once:</p>
		<p class="my-2 overflow-x-auto rounded-lg bg-wash px-3 py-2 font-mono text-sm select-all">{token}</p>
		<p class="text-[15px] text-soft">
			It sends JSON lines to <code>{page.url.origin}/instruments/readings</code> with this token as
			<code>Authorization: Bearer</code>: <code>{'{"value": 412, "unit": "g"}'}</code>. More in docs/devices.md.
		</p>
	</section>
{/if}
{#if all.length === 0}<p class="mt-6 text-lg">Nothing measures by itself here yet.</p>{/if}
<ul class="ruled mt-4 border-y border-line">
	{#each all as i (i.id)}
		<li class="py-3">
			<div class="flex flex-wrap items-baseline gap-x-6 gap-y-1">
				<span class="min-w-0 flex-1 basis-52"
					><b class="text-lg">{i.name}</b>
					<span class="block text-[15px] text-soft"
						>{quantities[i.quantity]}, rings for {watches[i.watch]}{i.standIn ? ', simulated' : ''}</span
					></span
				>
				<span class="basis-44"
					><b class="head text-3xl {i.trusted ? 'text-rim' : 'text-soft line-through'}"
						>{i.standing.reading ? say(i.quantity, i.standing.reading.value) : '–'}</b
					>
					<span class="block text-[15px] text-soft"
						>{i.trusted ? state[i.standing.is] : 'not believed'}{i.standing.reading
							? `, ${sayTime(i.standing.reading.at, zone)}`
							: ''}{i.standing.reading?.battery === undefined
							? ''
							: `, battery ${Math.round(i.standing.reading.battery * 100)} %`}</span
					></span
				>
				<span class="flex flex-wrap gap-2">
					{#if i.quantity === 'temperature'}<a class="btn" href="?of={i.id}" data-sveltekit-noscroll>Two days</a>{/if}
					<form method="POST" action="?/mistrust" use:enhance={withNotice()}>
						<Marks />
						<input type="hidden" name="id" value={i.id} />
						<input type="hidden" name="on" value={i.trusted ? 'yes' : 'no'} />
						<button class="btn">{i.trusted ? 'Do not believe it' : 'Believe it again'}</button>
					</form>
				</span>
			</div>
			<details class="mt-1 text-[15px]">
				<summary class="py-1">name it, say what it rings for, remove it</summary>
				<div class="flex flex-wrap items-end gap-3 py-2">
					<form
						method="POST"
						action="?/change"
						use:enhance={withNotice({ reset: false })}
						class="flex flex-wrap items-end gap-3"
					>
						<Marks />
						<input type="hidden" name="id" value={i.id} />
						<label class="field"
							><span>its name</span><input name="name" required maxlength="60" value={i.name} /></label
						>
						{#if i.quantity === 'mass'}<label class="field"
								><span>the tray that lies on it weighs</span><input name="tare" class="w-32" value={i.edit} /></label
							>
						{:else}<label class="field"
								><span>rings for</span><select name="watch" value={i.watch}
									>{#each Object.entries(watches) as [value, words] (value)}<option {value}>{words}</option
										>{/each}</select
								></label
							>
							{#if i.quantity === 'temperature' && data.freezers.length > 0}<label class="field"
									><span>it hangs in</span><select name="placeId" value={i.placeId ?? ''}
										><option value="">no freezer</option>{#each data.freezers as f (f.id)}<option value={f.id}
												>{f.name}</option
											>{/each}</select
									></label
								>{/if}{/if}
						<button class="btn">Save</button>
					</form>
					<form method="POST" action="?/remove" use:enhance={withNotice()}>
						<Marks />
						<input type="hidden" name="id" value={i.id} />
						<button class="btn btn-plain underline" aria-label="Remove {i.name}">remove</button>
					</form>
				</div>
			</details>
		</li>
	{/each}
</ul>
{#if data.printers.length > 0}
	<section class="mt-6" aria-label="Printers">
		<h2 class="text-xl">Printers of labels</h2>
		<ul class="ruled mt-2 border-y border-line">
			{#each data.printers as p (p.id)}
				<li class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 py-3">
					<span
						><b class="text-lg">{p.name}</b>
						<span class="text-[15px] text-soft"
							>{p.standIn ? 'simulated; ' : ''}{p.waiting > 0
								? `${p.waiting} labels wait for it`
								: p.printedAt
									? `printed at ${sayTime(p.printedAt, zone)}`
									: 'nothing was sent to it yet'}</span
						></span
					>
					<form method="POST" action="?/remove" use:enhance={withNotice()}>
						<Marks />
						<input type="hidden" name="id" value={p.id} />
						<button class="btn btn-plain underline" aria-label="Remove {p.name}">remove</button>
					</form>
					{#each p.failed as f (f.id)}
						<form
							method="POST"
							action="?/again"
							use:enhance={withNotice()}
							class="flex basis-full flex-wrap items-center gap-3 font-semibold text-amber"
						>
							<Marks />
							<input type="hidden" name="id" value={f.id} />
							{f.count} × {f.title}: {f.fault}
							<button class="btn">Print again</button>
						</form>
					{/each}
				</li>
			{/each}
		</ul>
	</section>
{/if}
{#if data.shown && data.history.length > 1}
	<section class="mt-6 max-w-3xl">
		<LineChart
			title="{data.shown.name}, two days"
			says="What it read over the last two days."
			xName="hours ago"
			yName={units === 'us' ? '°F' : '°C'}
			series={[
				{
					name: data.shown.name,
					look: 'full',
					points: data.history.map(
						([at, v]) => [(at - data.now) / 3_600_000, units === 'us' ? v * 1.8 + 32 : v] as const
					)
				}
			]}
			sayX={(x) => `${Math.round(-x)}`}
		/>
	</section>
{/if}
<form method="POST" action="?/pair" use:enhance={withNotice()} class="mt-8 max-w-3xl border-t border-line pt-4">
	<Marks />
	<h2 class="text-xl">Pair another</h2>
	<div class="mt-2 flex flex-wrap items-end gap-3">
		<label class="field"
			><span>its name</span><input name="name" required maxlength="60" placeholder="Kitchen scale" /></label
		>
		<label class="field"
			><span>measures</span><select name="quantity"
				>{#each Object.entries(kinds) as [value, words] (value)}<option {value}>{words}</option>{/each}</select
			></label
		>
		<label class="field"
			><span>rings for</span><select name="watch"
				>{#each Object.entries(watches) as [value, words] (value)}<option {value}>{words}</option>{/each}</select
			></label
		>
		<button class="btn btn-full">Pair it</button>
	</div>
</form>
