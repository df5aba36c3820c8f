<script lang="ts">
	import { sayAs } from '$core/quantities/dates';
	import { sayCount, sayDuration, sayWeight, type Units } from '$core/quantities/format';
	import type { Instead } from '$core/haul/explain';
	import type { Explained, RuleRow } from './haul-state.svelte';
	import { dayWords, type WayNamed } from './words';

	/** One lot of the haul on its rule: its parts from left to right, each pushed and set by hand. */
	let {
		row,
		units,
		zone,
		now,
		onlock,
		onwhy,
		why,
		sayWhy,
		nameOf
	}: {
		row: RuleRow;
		units: Units;
		zone: string;
		now: number;
		onlock: (way: string, kg: number | null) => void;
		onwhy: () => void;
		why: Explained | null;
		sayWhy: (one: Instead) => string;
		nameOf: (way: string) => WayNamed;
	} = $props();
	const share = (kg: number) => (100 * kg) / Math.max(1e-6, row.kg);
	const from = (i: number) => row.parts.slice(0, i).reduce((sum, p) => sum + p.kg, 0);
	const soon = $derived(row.lot.bestBy - now < 36 * 3_600_000);
	const day = (d: number) => dayWords(d, now, zone);
	const comes = (p: RuleRow['parts'][number]) => (p.each && p.packs > 0 ? sayCount(p.packs, p.each) : '');
</script>

<li class="lot">
	<div class="min-w-0">
		<a class="head block text-lg first-letter:uppercase" href="/ways/{row.lot.id}">{row.lot.name}</a>
		<span class="text-sm text-soft">{sayWeight(row.lot.grams, units)}</span>
		<span class="block text-sm {soon ? 'font-bold text-amber' : 'text-soft'}"
			>{soon ? 'soon: ' : 'by '}{sayAs(row.lot.bestBy, zone, 'EEE d MMM')}</span
		>
	</div>
	<div class="min-w-0">
		<div class="rule" aria-hidden="true">
			{#each row.parts as p, i (p.way)}
				<span class="part" class:odd={i % 2 === 1} style="left: {share(from(i))}%; width: {share(p.kg)}%"></span>
			{/each}
			{#if row.left_kg > 0.01}<span
					class="left"
					style="left: {share(row.kg - row.left_kg)}%; width: {share(row.left_kg)}%"
				></span>{/if}
		</div>
		<ul class="parts">
			{#each row.parts as p (p.way)}
				<li>
					<b class="head">{sayWeight(p.kg * 1000, units)}</b>
					<span
						>{#if p.href === null}{p.name}{:else}<a class="lowercase" href={p.href}>{p.name}</a>{/if}{#if comes(p)}: {comes(
								p
							)}{/if}</span
					>
					{#if p.days.length > 0 && p.slug !== 'fresh'}<span class="text-soft">{p.days.map(day).join(', ')}</span>{/if}
					<span class="set">
						<button class="btn small" aria-pressed={p.locked} onclick={() => onlock(p.way, p.locked ? null : p.kg)}
							>{p.locked ? 'Set: let go' : 'Set'}</button
						>
						<input
							type="range"
							min="0"
							max={row.kg}
							step={Math.max(0.05, Math.round(row.kg) / 50)}
							value={p.kg}
							aria-label="{row.lot.name}, {p.name}: how much"
							onchange={(e) => onlock(p.way, Number(e.currentTarget.value))}
						/>
					</span>
				</li>
			{/each}
			{#if row.left_kg > 0.05}<li class="text-soft">
					<b class="head">{sayWeight(row.left_kg * 1000, units)}</b> not placed
				</li>{/if}
		</ul>
		{#if why}
			<div class="why" role="status">
				{#each why.found as one (one.other)}
					<p>Instead {nameOf(one.other).way}: {sayWhy(one)}.</p>
				{:else}
					<p class="text-soft">
						{why.failed
							? `It could not be worked out: ${why.failed}`
							: why.done
								? 'It has no other way here.'
								: 'Trying its other ways …'}
					</p>
				{/each}
			</div>
		{/if}
	</div>
	<div class="text-right">
		{#if row.hands_h > 0}<b class="head text-lg">{sayDuration(row.hands_h * 3600)}</b><span
				class="block text-sm text-soft">hands</span
			>{/if}
		<button
			class="btn btn-plain underline"
			aria-expanded={why !== null}
			aria-label="Why so: {row.lot.name}"
			onclick={onwhy}>Why?</button
		>
	</div>
</li>

<style>
	.lot {
		display: grid;
		grid-template-columns: 9.5rem minmax(0, 1fr) 5.5rem;
		gap: 4px 14px;
		padding: 10px 0;
		border-top: 1px solid var(--line);
	}
	@media (max-width: 640px) {
		.lot {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.lot > :nth-child(2) {
			grid-column: 1 / -1;
			grid-row: 2;
		}
	}
	.rule {
		position: relative;
		height: 30px;
		border: 2px solid var(--rim);
		border-radius: 6px;
		background: repeating-linear-gradient(90deg, var(--line) 0 1px, transparent 1px 10%), var(--enamel);
		overflow: hidden;
	}
	.part,
	.left {
		position: absolute;
		inset-block: 0;
		background: var(--wash);
		border-right: 3px solid var(--rim);
	}
	.odd {
		background: var(--amberbg);
	}
	.left {
		border: 0;
		background: repeating-linear-gradient(135deg, var(--line) 0 8px, transparent 8px 16px);
	}
	.parts {
		margin-top: 4px;
		font-size: 15px;
	}
	.parts > li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 8px;
	}
	.set {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		margin-left: auto;
	}
	.set input {
		accent-color: var(--rim);
		width: 7rem;
		min-height: 44px;
	}
	.why {
		margin-top: 4px;
		padding-left: 10px;
		border-left: 3px solid var(--rim);
		font-size: 15px;
	}
	.small {
		font-size: 14px;
		padding: 0 10px;
	}
</style>
