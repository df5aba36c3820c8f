<script lang="ts">
	import { sayVolume, sayWeight, type Units } from '$core/quantities/format';
	import type { WayNamed } from './words';
	import type { Use, Worth } from '$core/haul/worths';

	/** What the kitchen is used for by the plan, the fullest first, and what one more of it would gain. */
	let {
		uses,
		found,
		units,
		nameOf,
		dayName,
		looking
	}: {
		uses: readonly Use[];
		found: readonly Worth[];
		units: Units;
		nameOf: (way: string) => WayNamed;
		dayName: (day: number) => string;
		looking: boolean;
	} = $props();
	const round = (n: number) => `${n >= 20 ? Math.round(n) : Math.round(n * 10) / 10}`;
	const say = (n: number, unit: string) =>
		unit === 'kg'
			? sayWeight(n * 1000, units)
			: unit === 'L'
				? sayVolume(n, units)
				: `${round(n)} ${round(n) === '1' ? unit.replace(/s$/, '') : unit}`;
	const says = (use: Use) => {
		const one = found.find((f) => f.limit === use.limit.id && f.day === use.day);
		if (!one) return use.full && looking ? 'What one more is worth is being worked out …' : '';
		const what = `${say(one.more, use.limit.unit)} more`;
		if (one.way === null) return `${what} would gain nothing: something else is full first.`;
		const { lot, way } = nameOf(one.way);
		const kg = (n: number) => sayWeight(Math.round(n * 1000), units);
		if (one.kg > 0.02) return `${what}: ${kg(one.kg)} more kept, of ${lot}: ${way}.`;
		return `${what}: ${kg(one.moved_kg)} of ${lot} would go a better way: ${way}.`;
	};
</script>

<h2 class="mt-4 text-lg">What binds</h2>
<ul>
	{#each uses.filter((u) => u.full || u.taken > 0.4 * u.have).slice(0, 8) as use (use.limit.id)}
		<li class="border-t border-line py-1.5">
			<div class="flex items-baseline justify-between gap-2">
				<b class="first-letter:uppercase">{use.limit.name}{use.day === null ? '' : `, ${dayName(use.day)}`}</b>
				{#if use.full}<b class="text-amber">full</b>{/if}
			</div>
			<div class="flex items-center gap-3">
				<span class="bar" aria-hidden="true"
					><span style="width: {Math.min(100, (100 * use.taken) / Math.max(1e-9, use.have))}%"></span></span
				>
				<span class="whitespace-nowrap">{say(use.taken, use.limit.unit)} of {say(use.have, use.limit.unit)}</span>
			</div>
			{#if says(use)}<p class="text-sm text-soft">{says(use)}</p>{/if}
		</li>
	{/each}
</ul>

<style>
	.bar {
		flex: 1;
		height: 12px;
		border: 2px solid var(--rim);
		background: var(--enamel);
	}
	.bar > span {
		display: block;
		height: 100%;
		background: var(--rim);
	}
</style>
