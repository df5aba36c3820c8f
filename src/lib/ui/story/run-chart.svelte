<script lang="ts">
	import { scaleBand, scaleTime } from 'd3-scale';
	import { sayTime } from '$core/quantities/dates';
	import type { FreezeState } from '$core/runs/kinds/freeze/fold';

	/** How the potfuls went through pot, ice and cloth: a row a potful, on the clock. */
	let { food, subject, state, zone }: { food: string; subject: number; state: FreezeState; zone: string } = $props();
	const width = 720;
	const left = 64;
	const begun = $derived(state.potfuls.filter((p) => p.subject === subject && p.path.length > 0));
	const bars = $derived(
		begun.flatMap((p) =>
			p.path
				.map((s, i) => ({ n: p.n, spot: s.spot, from: s.at, to: p.path[i + 1]?.at ?? state.endedAt ?? s.at }))
				.filter((b) => ['return', 'blanch', 'chill', 'drain'].includes(b.spot))
		)
	);
	const height = $derived(Math.max(1, begun.length) * 26 + 34);
	const x = $derived(
		scaleTime()
			.domain([Math.min(...bars.map((b) => b.from)), Math.max(...bars.map((b) => b.to))])
			.range([left, width - 34])
	);
	const y = $derived(
		scaleBand<number>()
			.domain(begun.map((p) => p.n))
			.range([4, height - 28])
			.padding(0.25)
	);
	const look: Record<string, { fill: string; word: string }> = {
		return: { fill: 'var(--line)', word: 'back to the boil' },
		blanch: { fill: 'var(--rim)', word: 'in the heat' },
		chill: { fill: 'color-mix(in srgb, var(--rim) 45%, var(--enamel))', word: 'in the ice' },
		drain: { fill: 'var(--amberbg)', word: 'draining' }
	};
</script>

{#if bars.length > 0}
	<figure>
		<div class="overflow-x-auto">
			<svg
				viewBox="0 0 {width} {height}"
				class="w-full min-w-[36rem]"
				role="img"
				aria-label="When each potful of {food} was in the heat, in the ice and draining; the same in the table."
			>
				{#each x.ticks(6) as t, tNth (tNth)}
					<line x1={x(t)} x2={x(t)} y1="0" y2={height - 24} stroke="var(--line)" />
					<text x={x(t)} y={height - 8} text-anchor="middle" font-size="12" fill="var(--soft)"
						>{sayTime(t.getTime(), zone)}</text
					>
				{/each}
				{#each begun as p (p.n)}<text x="0" y={(y(p.n) ?? 0) + y.bandwidth() * 0.75} font-size="13" fill="var(--ink)"
						>potful {p.n}</text
					>{/each}
				{#each bars as b (`${b.n}${b.spot}`)}
					<rect
						x={x(b.from)}
						y={y(b.n)}
						width={Math.max(1.5, x(b.to) - x(b.from))}
						height={y.bandwidth()}
						rx="4"
						fill={look[b.spot]?.fill}
						stroke="var(--rim)"
						stroke-width="1"
					/>
				{/each}
			</svg>
		</div>
		<figcaption class="flex flex-wrap gap-4 text-sm text-soft">
			{#each Object.entries(look) as [spot, l] (spot)}
				{#if bars.some((b) => b.spot === spot)}<span class="inline-flex items-center gap-1.5"
						><span class="inline-block h-3.5 w-5 rounded border border-rim" style="background: {l.fill}"
						></span>{l.word}</span
					>{/if}
			{/each}
		</figcaption>
	</figure>
{/if}
