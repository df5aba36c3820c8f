<script lang="ts">
	import { scaleLinear } from 'd3-scale';
	import { sayTime } from '$core/quantities/dates';
	import type { Units } from '$core/quantities/format';
	import type { Reading, Restart } from '$core/runs/kinds/can/fold';
	import { Pa_psi } from '$core/runs/kinds/can/plan';
	import { sayGauge } from '$core/runs/kinds/can/say';

	/** The gauge against the clock: what was read, the mark, what is held, what was lost. */
	let {
		readings,
		restarts,
		held,
		mark_Pa,
		from,
		now,
		units,
		zone
	}: {
		readings: readonly Reading[];
		restarts: readonly Restart[];
		held: { readonly from: number; readonly to: number; readonly until: number } | null;
		mark_Pa: number;
		from: number;
		now: number;
		units: Units;
		zone: string;
	} = $props();
	const width = 460;
	const height = 230;
	const [left, right, top, bottom] = [44, 12, 14, 24];
	const known = $derived(readings.filter((r): r is Reading & { Pa: number } => r.Pa !== null));
	const end = $derived(Math.max(now, held?.until ?? 0, from + 20 * 60_000));
	const x = $derived(
		scaleLinear()
			.domain([from, end])
			.range([left, width - right])
	);
	const psi = (Pa: number) => Pa / Pa_psi;
	const most = $derived(Math.max(psi(mark_Pa) * 1.35, ...known.map((r) => psi(r.Pa) * 1.05)));
	const y = $derived(
		scaleLinear()
			.domain([0, most])
			.range([height - bottom, top])
	);
	const path = $derived(known.map((r, i) => `${i === 0 ? 'M' : 'L'}${x(r.at)} ${y(psi(r.Pa))}`).join(''));
	const floor = $derived(y(0));
	const minutes = (ms: number) => Math.max(0, Math.floor(ms / 60_000));
	const left_ms = $derived(held ? Math.max(0, held.until - held.to) : 0);
</script>

<svg
	viewBox="0 0 {width} {height}"
	class="w-full"
	role="img"
	aria-label="The gauge: {known.length} readings, the last {known.length > 0
		? sayGauge(known.at(-1)?.Pa ?? 0, units)
		: 'none'}; the mark is {Math.round(psi(mark_Pa))} psi. {held
		? `${minutes(held.to - held.from)} minutes held, ${minutes(left_ms)} to go.`
		: 'No minutes are counted now.'}"
>
	{#each y.ticks(4) as t (t)}
		<line x1={left} x2={width - right} y1={y(t)} y2={y(t)} stroke="var(--line)" />
		<text x={left - 6} y={y(t) + 4} text-anchor="end" font-size="13" fill="var(--soft)">{t}</text>
	{/each}
	<text x={2} y={height - 6} font-size="12" fill="var(--soft)">psi</text>
	{#each x.ticks(4) as t (t)}
		<text x={x(t)} y={height - 6} text-anchor="middle" font-size="13" fill="var(--soft)">{sayTime(t, zone)}</text>
	{/each}
	{#if held}
		<rect
			x={x(held.from)}
			y={y(psi(mark_Pa))}
			width={Math.max(0, x(held.to) - x(held.from))}
			height={floor - y(psi(mark_Pa))}
			fill="var(--wash)"
		/>
		<rect
			x={x(held.from)}
			y={y(psi(mark_Pa))}
			width={Math.max(1, x(held.until) - x(held.from))}
			height={floor - y(psi(mark_Pa))}
			fill="none"
			stroke="var(--rim)"
			stroke-width="1.5"
		/>
		{#if x(held.to) - x(held.from) > 34}<text
				x={(x(held.from) + x(held.to)) / 2}
				y={floor - 26}
				text-anchor="middle"
				font-size="20"
				font-weight="800"
				fill="var(--rim)"
				>{minutes(held.to - held.from)}<tspan
					x={(x(held.from) + x(held.to)) / 2}
					dy="15"
					font-size="12"
					font-weight="400">held</tspan
				></text
			>{/if}
		{#if left_ms > 0 && x(held.until) - x(held.to) > 34}<text
				x={(x(held.to) + x(held.until)) / 2}
				y={floor - 26}
				text-anchor="middle"
				font-size="20"
				font-weight="800"
				fill="var(--rim)"
				>{Math.ceil(left_ms / 60_000)}<tspan
					x={(x(held.to) + x(held.until)) / 2}
					dy="15"
					font-size="12"
					font-weight="400">to go</tspan
				></text
			>{/if}
	{/if}
	{#each restarts.filter((r) => r.why !== 'vent' && r.lost_s >= 60) as r, i (i)}
		<g stroke="var(--amber)" stroke-width="2.5" fill="none">
			<line x1={x(r.at - r.lost_s * 1000)} x2={x(r.at)} y1={floor - 54} y2={floor - 54} />
			<line x1={x(r.at - r.lost_s * 1000)} x2={x(r.at - r.lost_s * 1000)} y1={floor - 60} y2={floor - 48} />
			<line x1={x(r.at)} x2={x(r.at)} y1={floor - 60} y2={floor - 48} />
		</g>
		<text
			x={x(r.at - r.lost_s * 500)}
			y={floor - 34}
			text-anchor="middle"
			font-size="13"
			font-weight="700"
			fill="var(--amber)">{Math.round(r.lost_s / 60)} min lost</text
		>
	{/each}
	<line x1={left} x2={width - right} y1={y(psi(mark_Pa))} y2={y(psi(mark_Pa))} stroke="var(--rim)" stroke-width="2.5" />
	<text
		x={left + 4}
		y={y(psi(mark_Pa)) - 6}
		font-size="14"
		font-weight="700"
		fill="var(--rim)"
		stroke="var(--ground)"
		stroke-width="4"
		paint-order="stroke">the mark, {Math.round(psi(mark_Pa))} psi</text
	>
	<path d={path} fill="none" stroke="var(--rim)" stroke-width="3" stroke-linejoin="round" />
	{#each known as r, i (i)}
		<circle
			cx={x(r.at)}
			cy={y(psi(r.Pa))}
			r={i === known.length - 1 ? 6 : known.length > 30 ? 0 : 4}
			fill={r.held || i === known.length - 1 ? 'var(--rim)' : 'var(--ground)'}
			stroke={r.held ? 'var(--rim)' : 'var(--amber)'}
			stroke-width="2"
		/>
	{/each}
</svg>
