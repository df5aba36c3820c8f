<script lang="ts">
	import { sayDuration, sayVolume, type Units } from '$core/quantities/format';

	/** Hot food before it goes into the freezer: how it gets through the two published stages, and how it does not. */
	let {
		cooling,
		units
	}: {
		cooling: {
			readonly litres: number;
			readonly rows: readonly {
				readonly words: string;
				readonly first_s: number | null;
				readonly whole_s: number | null;
				readonly verdict: 'in time' | 'tight' | 'too slow';
			}[];
			readonly rule: string;
			readonly source: string;
		};
		units: Units;
	} = $props();
	const say = (s: number | null) => (s === null ? 'never' : `about ${sayDuration(Math.round(s / 600) * 600 || 300)}`);
</script>

<section class="mt-4" aria-labelledby="cool-title">
	<h3 id="cool-title" class="text-xl">Cooling {sayVolume(cooling.litres, units)} of it first</h3>
	<p class="text-[15px]">{cooling.rule} <b>A thermometer in the middle decides; this is a forecast.</b></p>
	<table class="mt-2">
		<caption class="sr-only">How long each way of cooling takes through the two stages</caption>
		<thead>
			<tr class="text-left text-sm text-soft">
				<th scope="col" class="pr-6 font-normal">How</th>
				<th scope="col" class="pr-6 font-normal">first stage</th>
				<th scope="col" class="pr-6 font-normal">both</th>
				<th scope="col" class="font-normal"><span class="sr-only">Verdict</span></th>
			</tr>
		</thead>
		<tbody>
			{#each cooling.rows as r, rNth (rNth)}
				<tr class="border-t border-line align-top">
					<th scope="row" class="max-w-md py-1.5 pr-6 text-left font-normal">{r.words}</th>
					<td class="py-1.5 pr-6 whitespace-nowrap">{say(r.first_s)}</td>
					<td class="py-1.5 pr-6 whitespace-nowrap">{say(r.whole_s)}</td>
					<td
						class="font-semibold whitespace-nowrap {r.verdict === 'in time'
							? 'text-leaf'
							: r.verdict === 'tight'
								? 'text-amber'
								: 'text-red'}">{r.verdict}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="source mt-1">{cooling.source}</p>
</section>
