<script lang="ts">
	import { scaleLinear } from 'd3-scale';
	import { area, line } from 'd3-shape';
	import { sayTime } from '$core/quantities/dates';
	import { sayWeight, type Units } from '$core/quantities/format';
	import type { TrayView } from '$core/runs/kinds/dry/board';

	/** Weight against the clock, with its band, what was weighed, and under it how the forecast has narrowed. */
	let { view, units, zone, now }: { view: TrayView; units: Units; zone: string; now: number } = $props();
	const width = 440;
	const plot = 200;
	const left = 52;
	const right = 12;
	const rowHeight = 24;
	const { curve, stood, tray, target_g } = $derived(view);
	const most = $derived(Math.max(...stood.map((s) => s.interval_h[1]), curve.at(-1)?.[0] ?? 1));
	const x = $derived(
		scaleLinear()
			.domain([0, most])
			.range([left, width - right])
	);
	const y = $derived(
		scaleLinear()
			.domain([0, view.wet_g ?? 1])
			.nice(4)
			.range([plot - 22, 10])
	);
	/** Hours of work as a time of day: as if the dryer had run on from now. */
	const time = (h: number) => sayTime(now + (h - view.hours) * 3_600_000, zone);
	const middle = $derived(
		line<(typeof curve)[number]>()
			.x((p) => x(p[0]))
			.y((p) => y(p[1]))([...curve])
	);
	const band = $derived(
		area<(typeof curve)[number]>()
			.x((p) => x(p[0]))
			.y0((p) => y(p[2]))
			.y1((p) => y(p[3]))([...curve])
	);
	const done = $derived(stood.at(-1));
	const half = ([low, high]: readonly [number, number]) => {
		const h = (high - low) / 2;
		return h < 1 ? `± ${Math.max(5, Math.round((h * 60) / 5) * 5)} min` : `± ${Math.round(h * 10) / 10} h`;
	};
	const height = $derived(plot + stood.length * rowHeight + 6);
</script>

{#if curve.length > 0 && done}
	<svg
		viewBox="0 0 {width} {height}"
		class="w-full"
		role="img"
		aria-label="Tray {tray.slot}: from {sayWeight(view.wet_g ?? 0, units)} down to {sayWeight(
			target_g ?? 0,
			units
		)} about {time(done.done_h)}, {half(done.interval_h)}. {tray.weights.length} weighings."
	>
		{#each y.ticks(4) as t (t)}
			<line x1={left} x2={width - right} y1={y(t)} y2={y(t)} stroke="var(--line)" />
			<text x={left - 6} y={y(t) + 4} text-anchor="end" font-size="12" fill="var(--soft)">{sayWeight(t, units)}</text>
		{/each}
		{#each x.ticks(6) as t (t)}
			<text x={x(t)} y={plot - 6} text-anchor="middle" font-size="12" fill="var(--soft)">{time(t)}</text>
		{/each}
		<path d={band} fill="var(--wash)" />
		<path d={middle} fill="none" stroke="var(--rim)" stroke-width="3" />
		{#if target_g !== null}
			<line
				x1={left}
				x2={width - right}
				y1={y(target_g)}
				y2={y(target_g)}
				stroke="var(--ink)"
				stroke-width="1.5"
				stroke-dasharray="2 5"
			/>
			<text x={left + 4} y={y(target_g) - 5} font-size="13" fill="var(--ink)"
				>dry at <tspan font-weight="700">{sayWeight(target_g, units)}</tspan></text
			>
			<circle cx={x(done.done_h)} cy={y(target_g)} r="5" fill="var(--rim)" />
			<line
				x1={x(done.done_h)}
				x2={x(done.done_h)}
				y1={y(target_g)}
				y2={plot + (stood.length - 0.5) * rowHeight}
				stroke="var(--rim)"
				stroke-width="1.5"
			/>
		{/if}
		<circle cx={x(0)} cy={y(view.wet_g ?? 0)} r="5" fill="var(--rim)" />
		{#each tray.weights as w (w.hours)}<circle cx={x(w.hours)} cy={y(w.grams)} r="5" fill="var(--rim)" />{/each}
		{#each stood as s, i (s.at)}
			{@const at = plot + (i + 0.5) * rowHeight}
			{@const last = i === stood.length - 1}
			{@const roomy = x(s.interval_h[0]) - left > 160}
			<g stroke="var(--rim)" stroke-width={last ? 4 : 1.5}>
				<line x1={x(s.interval_h[0])} x2={x(s.interval_h[1])} y1={at} y2={at} />
				<line x1={x(s.interval_h[0])} x2={x(s.interval_h[0])} y1={at - 6} y2={at + 6} />
				<line x1={x(s.interval_h[1])} x2={x(s.interval_h[1])} y1={at - 6} y2={at + 6} />
			</g>
			<text
				x={roomy ? x(s.interval_h[0]) - 8 : x(s.interval_h[1]) + 8}
				y={at + 4}
				text-anchor={roomy ? 'end' : 'start'}
				font-size="13"
				font-weight={last ? 700 : 400}
				fill={last ? 'var(--ink)' : 'var(--soft)'}
				>{s.at === null ? 'by the table' : `weighed ${sayTime(s.at, zone)}`}, {half(s.interval_h)}</text
			>
		{/each}
	</svg>
{/if}
