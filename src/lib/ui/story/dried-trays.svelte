<script lang="ts">
	import type { DriedTray } from '$core/runs/engine/book';
	import { sayMeasure, sayWeight, type Units } from '$core/quantities/format';

	/** The trays of a dryer: weight and measure in and out, hours planned and observed. */
	let { trays, units }: { trays: readonly DriedTray[]; units: Units } = $props();
	const amount = (g: number | null, mL: number | null) =>
		[g === null ? '' : sayWeight(g, units), mL === null ? '' : sayMeasure(mL, units)].filter(Boolean).join(', ');
	const hours = (h: number) => `${Math.round(h * 10) / 10} h`;
	const dry = $derived(trays.filter((t) => t.outcome === 'dry'));
	const ratio = $derived(
		dry.length > 0 ? Math.exp(dry.reduce((s, t) => s + Math.log(t.hours / t.table_h), 0) / dry.length) : null
	);
	const outcome = { dry: 'jars', eaten: 'eaten', spoiled: 'thrown out', left: 'left in' } as const;
</script>

<h3 class="mt-5 text-lg">Trays</h3>
{#if ratio !== null}<p class="text-[15px]">
		Your dryer took <b>{ratio.toFixed(2)} times</b> the table’s hours; the next forecast starts from that.
	</p>{/if}
<div class="overflow-x-auto">
	<table class="w-full border-collapse text-[15px]">
		<thead class="border-b-2 border-rim text-left text-sm text-soft"
			><tr
				><th class="py-1.5">Tray</th><th class="text-right">in</th><th class="pl-3 text-right">out</th><th
					class="pl-3 text-right">planned</th
				><th class="pl-3 text-right">took</th><th class="pl-3 text-right">weighed</th><th class="pl-3">became</th></tr
			></thead
		>
		<tbody class="ruled">
			{#each trays as t (t.tray)}<tr
					><td class="py-1.5">{t.tray}</td><td class="text-right">{amount(t.wet_g, t.wet_mL)}</td><td
						class="pl-3 text-right">{amount(t.dry_g, t.dry_mL)}</td
					><td class="pl-3 text-right">{hours(t.planned_h)}</td><td class="pl-3 text-right">{hours(t.hours)}</td><td
						class="pl-3 text-right">{t.weights.length}</td
					><td class="pl-3">{outcome[t.outcome]}</td></tr
				>{/each}
		</tbody>
	</table>
</div>
