<script lang="ts">
	import { scaleLinear } from 'd3-scale';
	import { area, line } from 'd3-shape';
	import type { Band, Level, Series } from './types';

	/** Lines over an axis, said in words and as a table too. All marks are in the markup: it draws on the server as well. */
	let {
		title,
		says,
		xName,
		yName,
		series,
		band,
		levels = [],
		yMin,
		yMax,
		sayX = (x: number) => `${Math.round(x * 10) / 10}`,
		sayY = (y: number) => `${Math.round(y)}`.replace('-', '−'),
		rows = 8
	}: {
		title: string;
		/** The chart in a sentence. */
		says: string;
		xName: string;
		yName: string;
		series: readonly Series[];
		band?: Band;
		levels?: readonly Level[];
		yMin?: number;
		yMax?: number;
		sayX?: (x: number) => string;
		sayY?: (y: number) => string;
		rows?: number;
	} = $props();
	const id = $props.id();
	const width = 560;
	const height = 260;
	const [left, right, top, bottom] = [46, 18, 26, 36];
	const xs = $derived(
		series.flatMap((s) => s.points.map((p) => p[0])).concat(band ? band.points.map((p) => p[0]) : [])
	);
	const ys = $derived([
		...series.flatMap((s) => s.points.map((p) => p[1])),
		...(band ? band.points.flatMap((p) => [p[1], p[2]]) : []),
		...levels.map((l) => l.y)
	]);
	const x = $derived(
		scaleLinear()
			.domain([Math.min(0, ...xs), Math.max(...xs)])
			.range([left, width - right])
	);
	const y = $derived(
		scaleLinear()
			.domain([yMin ?? Math.min(...ys), yMax ?? Math.max(...ys)])
			.nice(5)
			.range([height - bottom, top])
	);
	const path = $derived(
		line<readonly [number, number]>()
			.x((p) => x(p[0]))
			.y((p) => y(p[1]))
	);
	const shade = $derived(
		area<readonly [number, number, number]>()
			.x((p) => x(p[0]))
			.y0((p) => y(p[1]))
			.y1((p) => y(p[2]))
	);
	const dash = { full: '', dashed: '9 5', dotted: '2 5' } as const;
	const tone = (s: Series) => `var(--${s.tone ?? 'rim'})`;
	/** A value of a line at an x, between its points. */
	function at(s: Series, value: number): number | undefined {
		const i = s.points.findIndex((p) => p[0] >= value - 1e-9);
		const next = s.points[i];
		if (!next) return undefined;
		const before = s.points[i - 1] ?? next;
		const share = next[0] === before[0] ? 1 : (value - before[0]) / (next[0] - before[0]);
		return before[1] + share * (next[1] - before[1]);
	}
	const steps = $derived.by(() => {
		const [from = 0, to = 1] = x.domain();
		return Array.from({ length: rows + 1 }, (_, i) => from + ((to - from) * i) / rows);
	});
</script>

<figure aria-labelledby="{id}-title" class="min-w-0">
	<figcaption id="{id}-title" class="head text-lg">{title}</figcaption>
	<p class="text-[15px]">{says}</p>
	<svg viewBox="0 0 {width} {height}" class="mt-1 w-full max-w-[42rem]" role="img" aria-label="{title}. {says}">
		{#each y.ticks(5) as t, tNth (tNth)}
			<line x1={left} x2={width - right} y1={y(t)} y2={y(t)} stroke="var(--line)" />
			<text x={left - 8} y={y(t) + 4} text-anchor="end" font-size="13" fill="var(--soft)">{sayY(t)}</text>
		{/each}
		{#each x.ticks(6) as t, tNth (tNth)}
			<text x={x(t)} y={height - bottom + 18} text-anchor="middle" font-size="13" fill="var(--soft)">{sayX(t)}</text>
		{/each}
		<text x={width - right} y={height - 6} text-anchor="end" font-size="13" fill="var(--soft)">{xName}</text>
		<text x={0} y={12} font-size="13" fill="var(--soft)">{yName}</text>
		{#if band}<path d={shade([...band.points])} fill="var(--wash)" stroke="none" />{/if}
		{#each series as s, sNth (sNth)}
			<path
				d={path([...s.points])}
				fill="none"
				stroke={tone(s)}
				stroke-width={s.look === 'dotted' ? 1.5 : 2.5}
				stroke-dasharray={dash[s.look]}
				opacity={s.look === 'dotted' ? 0.75 : 1}
			/>
		{/each}
		{#each levels as l, lNth (lNth)}
			<line
				x1={left}
				x2={width - right}
				y1={y(l.y)}
				y2={y(l.y)}
				stroke="var(--amber)"
				stroke-width="1.5"
				stroke-dasharray="3 4"
			/>
			<text
				x={width - right}
				y={y(l.y) - 5}
				text-anchor="end"
				font-size="13"
				font-weight="600"
				fill="var(--amber)"
				stroke="var(--ground)"
				stroke-width="5"
				paint-order="stroke">{l.words}</text
			>
		{/each}
	</svg>
	<ul class="flex flex-wrap gap-x-5 gap-y-1 text-sm text-soft">
		{#each series as s, sNth (sNth)}
			<li class="flex items-center gap-2">
				<svg width="30" height="8" aria-hidden="true"
					><line
						x1="0"
						x2="30"
						y1="4"
						y2="4"
						stroke={tone(s)}
						stroke-width="2.5"
						stroke-dasharray={dash[s.look]}
					/></svg
				>{s.name}
			</li>
		{/each}
		{#if band}<li class="flex items-center gap-2">
				<span class="inline-block h-3.5 w-7 border border-line bg-wash" aria-hidden="true"></span>{band.name}
			</li>{/if}
	</ul>
	<details class="mt-1">
		<summary class="text-[15px]">as a table</summary>
		<div class="overflow-x-auto">
			<table class="mt-1 text-[15px]">
				<caption class="sr-only">{title}</caption>
				<thead>
					<tr class="border-b border-line">
						<th scope="col" class="pr-5 text-left font-semibold">{xName}</th>
						{#each series as s, sNth (sNth)}<th scope="col" class="pr-5 text-left font-semibold">{s.name}, {yName}</th
							>{/each}
					</tr>
				</thead>
				<tbody>
					{#each steps as step, stepNth (stepNth)}
						<tr>
							<th scope="row" class="pr-5 text-left font-normal">{sayX(step)}</th>
							{#each series as s, sNth (sNth)}
								{@const value = at(s, step)}
								<td class="pr-5">{value === undefined ? '–' : sayY(value)}</td>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	</details>
</figure>
