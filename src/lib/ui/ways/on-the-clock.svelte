<script lang="ts">
	import { sayTime } from '$core/quantities/dates';
	import type { Lane, OnTheClock } from '$core/ways/on-the-clock';

	/** The steps of a way on the clock, started now: hands, pot and machines apart. */
	let { clock, at, zone }: { clock: OnTheClock; at: number; zone: string } = $props();
	const names: Record<Lane, string> = { hands: 'Hands', pot: 'Pot', basin: 'Cold', freezer: 'Freezer', dryer: 'Dryer', canner: 'Canner' }; // prettier-ignore
	const lanes = $derived(
		(Object.keys(names) as Lane[]).filter((lane) => lane === 'hands' || clock.spans.some((s) => s.lane === lane))
	);
	let width = $state(700);
	const left = 62;
	const rowHeight = 33;
	const height = $derived(lanes.length * rowHeight + 22);
	/** Where an hour from the start lies. */
	const x = (h: number) => left + ((width - 14 - left) * h * 3600) / Math.max(1, clock.end_s);
	/** Every so many whole hours, so that there are no more than that. */
	const everyHours = (most: number) =>
		[1, 2, 3, 6, 12, 24, 48, 96, 240].find((h) => clock.end_s / 3600 / h <= most) ?? 480;
	const y = (lane: Lane) => lanes.indexOf(lane) * rowHeight + 35;
	/** A word stands over its stretch where there is room for it. */
	const fits = (words: string, from: number, to: number) => (to - from) * 1.0 >= words.length * 6.6;
	/** While it is of one day by the clock, at whole hours; longer by hours from the start. */
	const short = $derived(clock.end_s < 14 * 3600);
	const ticks = $derived.by(() => {
		if (!short) {
			const each = everyHours(width < 500 ? 4 : 7);
			const list = Array.from({ length: Math.floor(clock.end_s / 3600 / each) + 1 }, (_, i) => i * each);
			return list.map((h) => ({ h, words: h === 0 ? 'start' : `${h} h` }));
		}
		const each = everyHours(width < 500 ? 4 : 8);
		const first = (3_600_000 - (at % 3_600_000)) / 3_600_000;
		const last = clock.end_s / 3600;
		const whole: number[] = [];
		for (let h = first; h < last - each * 0.45; h += each) if (h > each * 0.45) whole.push(h);
		return [0, ...whole, last].map((h) => ({ h, words: sayTime(at + h * 3_600_000, zone) }));
	});
	const ends = $derived(new Set([0, clock.end_s / 3600]));
</script>

<figure class="min-h-24" bind:clientWidth={width}>
	<svg
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		class="block max-w-full"
		role="img"
		aria-label={clock.spans
			.map((s) => `${names[s.lane]}: ${s.words}, ${Math.round((s.to_s - s.from_s) / 60)} min`)
			.join('; ')}
	>
		{#each ticks as t (t.h)}
			<line x1={x(t.h)} x2={x(t.h)} y1="16" y2={height - 6} stroke="var(--line)" />
			<text
				x={x(t.h)}
				y="11"
				text-anchor={t.h === 0 ? 'start' : x(t.h) > width - 40 ? 'end' : 'middle'}
				font-size="13"
				font-weight={short && ends.has(t.h) ? 700 : 400}
				fill={short && ends.has(t.h) ? 'var(--ink)' : 'var(--soft)'}>{t.words}</text
			>
		{/each}
		{#each lanes as lane (lane)}
			<text x="0" y={y(lane) + 5} font-size="14" font-weight="700" fill="var(--ink)">{names[lane]}</text>
			<line x1={left} x2={width - 14} y1={y(lane)} y2={y(lane)} stroke="var(--line)" />
		{/each}
		{#each clock.spans as s (`${s.lane}${s.from_s}${s.words}`)}
			{@const from = x(s.from_s / 3600)}
			{@const to = Math.max(from + 3, x(s.to_s / 3600))}
			<line
				x1={from}
				x2={to}
				y1={y(s.lane)}
				y2={y(s.lane)}
				stroke="var(--rim)"
				stroke-width={s.lane === 'hands' ? 5 : 4}
				stroke-opacity={s.lane === 'hands' ? 1 : 0.55}
			/>
			<circle cx={from} cy={y(s.lane)} r="4" fill="var(--enamel)" stroke="var(--rim)" stroke-width="2" />
			{#if fits(s.words, from, to)}<text x={from} y={y(s.lane) - 9} font-size="13" fill="var(--ink)">{s.words}</text
				>{/if}
		{/each}
		{#if clock.free && x(clock.free.to_s / 3600) - x(clock.free.from_s / 3600) > 60}
			<text
				x={(x(clock.free.from_s / 3600) + x(clock.free.to_s / 3600)) / 2}
				y={y('hands') - 9}
				text-anchor="middle"
				font-size="13"
				fill="var(--soft)">free</text
			>
		{/if}
		<circle cx={x(clock.end_s / 3600)} cy={y('hands')} r="5" fill="var(--rim)" />
	</svg>
</figure>
