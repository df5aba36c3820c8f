<script lang="ts">
	import { sayTime } from '$core/quantities/dates';
	import { sayClock, sayHeadspace, type Units } from '$core/quantities/format';
	import { boardOf, places } from '$core/runs/kinds/can/board';
	import { inCanner, jarsIn, loadAt, type CanState } from '$core/runs/kinds/can/fold';
	import { subjectOf, type CanPlan } from '$core/runs/kinds/can/plan';
	import { filling } from '$core/runs/kinds/can/fill-acts';
	import { acidNames, acidOf, markWords, sayGauge } from '$core/runs/kinds/can/say';
	import type { RunSession } from './run-session.svelte';
	import { saidTap } from './said-tap';
	import type { Tap } from '$core/runs/kinds';
	import GaugeChart from './gauge-chart.svelte';
	import PressureField from './pressure-field.svelte';
	import type { Typed } from './types';

	/** The canner: its gauge against the clock, its jars from above, its day on a line; who stays with it. */
	let {
		session,
		units,
		now,
		zone,
		helpers,
		ontap
	}: {
		session: Pick<RunSession, 'plan' | 'state'>;
		units: Units;
		now: number;
		zone: string;
		/** Names of those who help. */
		helpers: readonly string[];
		ontap: (tap: Tap) => boolean;
	} = $props();
	const run = $derived(
		session.plan.kind === 'can' && 'loads' in session.state && 'printed' in session.state
			? { plan: session.plan as CanPlan, state: session.state as CanState }
			: null
	);
	const board = $derived(run ? boardOf(run.plan, run.state, now) : null);
	const hot = $derived(run ? loadAt(run.state, inCanner) : undefined);
	const next = $derived(run && !hot ? filling(run.plan, run.state) : null);
	/** Jars that are drawn: those in the canner, else those that are being filled. */
	const shown = $derived(hot ?? next?.load ?? board?.load);
	const jars = $derived(
		run && shown
			? shown.filled.flatMap((f) => {
					const subject = subjectOf(run.plan, f.subject);
					return Array.from({ length: f.jars }, (_, i) => ({ subject, acid: f.acid, broken: i >= f.jars - f.broken }));
				})
			: []
	);
	const round = $derived(places(jars.length));
	const typed = $state<Typed>({});
	let missing = $state(false);
	let to = $state('');
	const who = $derived(run?.state.handed.at(-1)?.to ?? '');
	const reading = $derived(hot && ['up', 'hold', 'short'].includes(hot.spot) && run?.plan.heat === 'pressure');
	function read() {
		const tap = hot && saidTap({ type: 'gauge', load: hot.n }, typed, units, 237);
		missing = !tap;
		if (tap && ontap(tap)) typed.pressure = '';
	}
	function hand(event: SubmitEvent) {
		event.preventDefault();
		if (to.trim() !== '' && ontap({ type: 'handed', to: to.trim() })) to = '';
	}
	const lost = $derived(board?.load.restarts.at(-1));
	const lostWords = $derived(
		lost
			? lost.why === 'vent'
				? `${sayTime(lost.at, zone)}: the vent was closed too early. Ten minutes anew.`
				: lost.why === 'changed'
					? `${sayTime(lost.at, zone)}: the Kitchen was changed. The full time again.`
					: `${sayTime(lost.at, zone)}: ${lost.lost_s < 60 ? 'less than a minute' : `${Math.round(lost.lost_s / 60)} min`} lost${board?.held ? `. The clock began again at ${sayTime(board.held.from, zone)}` : ''}.`
			: ''
	);
</script>

{#if run}
	<div class="board">
		<div class="min-w-0">
			{#if board && board.mark_Pa !== null && (hot ? hot.spot !== 'heat' : true) && board.load.readings.some((r) => r.Pa !== null)}
				<div class="flex flex-wrap items-baseline justify-between gap-x-4">
					<h3 class="text-xl">
						{run.plan.instrument
							? `By ${run.plan.instrument.name}`
							: run.plan.canner.gauge === 'weighted'
								? 'The pressure'
								: 'The dial, read by eye'}
					</h3>
					{#if board.last_Pa !== null && hot}<span
							>now <b class="head text-2xl {board.last_Pa < board.mark_Pa ? 'text-amber' : 'text-rim'}"
								>{sayGauge(board.last_Pa, units)}</b
							>{#if board.lastAt !== null}<span class="text-sm text-soft">, {sayTime(board.lastAt, zone)}</span
								>{/if}</span
						>{/if}
				</div>
				{#if lostWords}<p class="font-semibold text-amber">{lostWords}</p>{/if}
				<GaugeChart
					readings={board.load.readings}
					restarts={board.load.restarts}
					held={board.held}
					mark_Pa={board.mark_Pa}
					from={board.load.lidAt ?? now}
					{now}
					{units}
					{zone}
				/>
			{:else if board && hot}
				<h3 class="text-xl">{run.plan.heat === 'pressure' ? markWords(run.plan) : 'At the boil'}</h3>
				{#if lostWords}<p class="font-semibold text-amber">{lostWords}</p>{/if}
				{#if board.held}<p class="mt-1">
						<b class="head text-3xl text-rim">{sayClock((board.held.to - board.held.from) / 1000)}</b> held since
						<b>{sayTime(board.held.from, zone)}</b>; full at <b>{sayTime(board.held.until, zone)}</b>, not before.
					</p>{:else}<p class="mt-1 text-soft">No minutes are counted yet.</p>{/if}
				{#if board.load.readings.length > 0}
					<ol class="ruled mt-2 max-w-xs" aria-label="What was seen">
						{#each board.load.readings.slice(-4).reverse() as r, i (`${r.at} ${i}`)}
							<li class="flex justify-between gap-3 py-1">
								<b>{sayTime(r.at, zone)}</b>
								<span class={r.held ? 'text-leaf' : 'text-amber'}
									>{run.plan.heat === 'pressure'
										? r.held
											? 'the weight moves'
											: 'the weight is still'
										: r.held
											? 'a full boil'
											: 'off the boil'}</span
								>
							</li>
						{/each}
					</ol>
				{/if}
			{:else}
				<h3 class="text-xl">Loads</h3>
				<ol class="ruled">
					{#each run.plan.loads as l, i (i)}
						{@const there = run.state.loads.find((x) => x.n === i + 1)}
						<li class="flex justify-between gap-3 py-1.5">
							<span
								><b>{i + 1}</b>
								{l.map((p) => `${p.jars} ${subjectOf(run.plan, p.subject).product.name}`).join(', ')}</span
							>
							<span class="text-soft"
								>{there?.spot === 'out'
									? 'out'
									: there?.spot === 'lost'
										? 'no process'
										: there && jarsIn(there) > 0
											? `${jarsIn(there)} filled`
											: 'to come'}</span
							>
						</li>
					{/each}
				</ol>
			{/if}
			{#if reading && run.plan.canner.gauge !== 'weighted'}
				<div class="flex flex-wrap items-end gap-2">
					<PressureField {typed} {missing} small />
					<button class="btn" onclick={read}>Dial reads so much</button>
				</div>
			{/if}
		</div>
		<div class="min-w-0">
			<svg viewBox="-1.12 -1.06 2.24 2.12" class="canner" role="img" aria-label="{jars.length} jars, from above">
				<rect
					x="-1.1"
					y="-0.12"
					width="2.2"
					height="0.24"
					rx="0.06"
					fill="none"
					stroke="var(--rim)"
					stroke-width="0.03"
				/>
				<circle r="1.02" fill="var(--enamel)" stroke="var(--rim)" stroke-width="0.035" />
				{#each jars as j, i (i)}
					{@const p = round[i]}
					{#if p}
						<circle
							cx={p.x}
							cy={p.y}
							r={p.r}
							fill={j.subject.n % 2 === 0 ? 'var(--wash)' : 'var(--enamel)'}
							stroke={j.broken ? 'var(--red)' : 'var(--rim)'}
							stroke-width="0.022"
							stroke-dasharray={j.broken ? '0.05 0.05' : ''}
						/>
						<text
							x={p.x}
							y={p.y - (p.r > 0.2 ? 0.03 : -0.05)}
							text-anchor="middle"
							font-size={Math.min(0.2, p.r * 0.8)}
							font-weight="800"
							fill="var(--rim)">{j.broken ? '×' : i + 1}</text
						>
						{#if p.r > 0.2 && !j.broken}<text
								x={p.x}
								y={p.y + 0.13}
								text-anchor="middle"
								font-size="0.1"
								fill="var(--leaf)">✓ {j.acid ? 'acid' : 'full'}</text
							>{/if}
					{/if}
				{/each}
			</svg>
			<p class="text-[14px] text-soft">
				{#if jars.length === 0}Nothing in it yet.{:else}{#each shown?.filled.filter((f) => f.jars > 0) ?? [] as f, i (f.subject)}{@const s =
							subjectOf(run.plan, f.subject)}{i > 0 ? '; ' : ''}<b class="text-ink">{f.jars}</b>
						{s.product.name}, {sayHeadspace(s.headspace_in, units)} free{#if f.acid && s.acid}, {acidOf(
								s.acid,
								f.acid,
								units
							)}
							{acidNames[f.acid]}{/if}{/each}{/if}
			</p>
		</div>
	</div>
	{#if board && hot}
		<ol class="line" aria-label="Load {hot.n} on the clock">
			{#each board.phases as p (p.id)}
				<li data-is={p.is} data-id={p.id}>
					<b class="head">{p.name}</b>
					<span class="bar" aria-hidden="true"></span>
					<span class="at">{p.about && p.is === 'ahead' ? 'about ' : ''}{sayTime(p.from, zone)}</span>
					{#if p.words}<span class="at">{p.words}</span>{/if}
				</li>
			{/each}
		</ol>
		{#if run.plan.heat === 'pressure'}
			<div class="danger">
				<p>
					<b>Danger: never leave it</b> while it is under pressure. {who
						? `${who} stays with it.`
						: 'Someone stays with it.'}
				</p>
				<p><b>Danger: never open it</b> under pressure, lift the weight early, or cool it with water.</p>
			</div>
		{/if}
		<form onsubmit={hand} class="mt-2 flex flex-wrap items-end gap-2 text-[15px]">
			<label class="field w-44"
				><span>handed over to</span><input list="who-stays" maxlength="80" bind:value={to} /></label
			><datalist id="who-stays"
				>{#each helpers as h (h)}<option value={h}></option>{/each}</datalist
			>
			<button class="btn" disabled={to.trim() === ''}>Handed over</button>
			{#if who}<span class="pb-2 text-soft">{who} since {sayTime(run.state.handed.at(-1)?.at ?? now, zone)}</span>{/if}
		</form>
	{/if}
	<p class="source mt-2">
		{run.plan.psi === null
			? ''
			: `${markWords(run.plan)} by the table for a ${run.plan.canner.gauge === 'weighted' ? 'weight' : 'dial'} at `}{Math.round(
			run.plan.altitude_m
		)} m{run.plan.canner.dialTested ? `; the dial was tested on ${run.plan.canner.dialTested}` : ''}. {run.plan.table}.
		Your local food authority has the last word.
	</p>
{/if}

<style>
	.board {
		display: grid;
		gap: 18px;
		margin-top: 6px;
	}
	.canner {
		width: 100%;
		max-width: 15rem;
	}
	.line {
		display: flex;
		margin-top: 10px;
	}
	.line li {
		flex: 1 1 0;
		min-width: 0;
		display: flex;
		flex-direction: column;
	}
	.line li[data-id='hold'] {
		flex-grow: 1.8;
	}
	.line b {
		font-size: 1rem;
		color: var(--soft);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.line [data-is='now'] b {
		color: var(--rim);
		font-size: 1.15rem;
	}
	.bar {
		height: 12px;
		border-bottom: 3px solid var(--rim);
		border-left: 3px solid var(--rim);
	}
	[data-is='over'] .bar {
		background: linear-gradient(transparent 60%, var(--rim) 60%);
	}
	[data-is='now'] .bar {
		background: var(--wash);
		border: 3px solid var(--rim);
	}
	.at {
		font-size: 13px;
		color: var(--soft);
	}
	.danger {
		display: grid;
		gap: 4px 24px;
		border-top: 3px solid var(--red);
		margin-top: 10px;
		padding-top: 6px;
	}
	.danger b {
		color: var(--red);
	}
	@media (min-width: 40rem) {
		.board {
			grid-template-columns: minmax(0, 1fr) minmax(0, 15rem);
		}
		.danger {
			grid-template-columns: 1fr 1fr;
		}
	}
	@media (max-width: 40rem) {
		.line {
			flex-direction: column;
			gap: 2px;
		}
		.line li {
			flex-direction: row;
			align-items: baseline;
			gap: 8px;
			border-left: 4px solid var(--line);
			padding-left: 8px;
		}
		.line [data-is='now'] {
			border-left-color: var(--rim);
		}
		.bar {
			display: none;
		}
		.line li .at + .at {
			display: none;
		}
	}
</style>
