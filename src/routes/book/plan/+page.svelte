<script lang="ts">
	import { sum } from 'd3-array';
	import { sayCount, sayWeight } from '$core/quantities/format';
	import type { PageData } from './$types';

	/** From what is eaten to what is set: every food of the book over the months of a year. */
	let { data }: { data: PageData } = $props();
	const units = $derived(data.household.units);
	const kg = (n: number) => sayWeight(Math.round(n * 1000), units);
	const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
	const all = $derived(sum(data.plan, (r) => r.raw_kg));
	const byMonth = $derived(months.map((_, m) => sum(data.plan, (r) => r.byMonth_kg[m] ?? 0)));
	const top = $derived(byMonth.indexOf(Math.max(...byMonth)));
	const most = $derived(Math.max(0.001, ...data.plan.flatMap((r) => r.byMonth_kg)));
	const number = (n: number) => (n >= 10 ? `${Math.round(n)}` : n.toFixed(1));
</script>

<h1 class="text-3xl">The plan of {data.year}</h1>
{#if data.plan.length === 0}
	<p class="mt-2 text-soft">
		Once something was kept and eaten, or <a href="/book/foods">wanted</a>, what a year takes of it is worked out here:
		packs, kilos, plants.
	</p>
{:else}
	<p class="text-soft">
		<b class="head text-xl text-ink">{kg(all)}</b> to come in over the year for {sayCount(
			data.plan.length,
			'food'
		)}{#if (byMonth[top] ?? 0) > 0}, most of it in {months[top]}: {kg(byMonth[top] ?? 0)}{/if}.
	</p>
	<div class="mt-4 overflow-x-auto">
		<table class="w-full min-w-[60rem] border-collapse text-right">
			<thead class="border-b-[3px] border-rim text-sm text-soft">
				<tr
					><th class="py-2 text-left">food</th><th>a week</th><th>packs</th><th>to come in</th><th class="pr-4"
						>last year</th
					><th class="text-left">set or bought</th>{#each months as m (m)}<th class="w-11 text-center">{m}</th
						>{/each}</tr
				>
			</thead>
			<tbody>
				{#each data.plan as r (r.food)}
					<tr class="border-t border-line">
						<td class="py-2 text-left"
							><a class="head text-lg first-letter:uppercase" href="/book/foods/{r.food}">{r.name}</a><span
								class="block text-sm text-soft">{r.from}</span
							></td
						>
						<td class="head text-lg">{number(r.perWeek)}</td>
						<td class="head text-lg">{r.packs}</td>
						<td
							><b class="head text-xl text-rim">{kg(r.raw_kg)}</b>{#if r.high_kg > r.low_kg * 1.001}<span
									class="block text-sm text-soft">{kg(r.low_kg)} to {kg(r.high_kg)}</span
								>{/if}</td
						>
						<td class="pr-4">{r.last_kg > 0 ? kg(r.last_kg) : ''}</td>
						<td class="text-left"
							>{#if r.plants !== null}<b class="head text-lg">{r.plants} plants</b><span class="block text-sm text-soft"
									>{r.plantsLow} to {r.plantsHigh}{r.set === null ? '' : `; ${r.set} written down`}</span
								>{:else if r.set !== null}<b class="head text-lg">{sayCount(r.set, 'plant')}</b><span
									class="block text-sm text-soft">written down</span
								>{:else if r.buy}<b class="head text-lg">{r.buy}</b><span class="block text-sm text-soft">bought</span
								>{:else}<a class="text-sm" href="/book/foods/{r.food}">say how many plants</a>{/if}{#if r.sow}<span
									class="block text-sm text-soft">sown {r.sow}</span
								>{/if}{#if r.pick}<span class="block text-sm text-soft">picked {r.pick}</span>{/if}</td
						>
						{#each r.byMonth_kg as m, i (i)}<td class="text-center align-bottom text-sm"
								>{#if m >= 0.05}<span class="bar" style="height: {4 + (30 * m) / most}px" aria-hidden="true"
									></span>{number(m)}{/if}</td
							>{/each}
					</tr>
				{/each}
			</tbody>
			<tfoot class="border-t-[3px] border-rim">
				<tr
					><td class="py-2 text-left">kilos in all</td><td></td><td class="head">{sum(data.plan, (r) => r.packs)}</td
					><td class="head">{kg(all)}</td><td class="pr-4">{kg(sum(data.plan, (r) => r.last_kg))}</td><td
					></td>{#each byMonth as m, i (i)}<td class="text-center text-sm font-bold">{m >= 0.05 ? number(m) : ''}</td
						>{/each}</tr
				>
			</tfoot>
		</table>
	</div>
	<p class="mt-3 text-sm text-soft">
		Months are in kilos: by the picking days that you wrote down, or as it came in before. Kilos to come in lie between
		the two figures nine times in ten, by your own yields. Plants are worked out where plants and a harvest were counted
		once.
	</p>
{/if}

<style>
	.bar {
		display: block;
		width: 22px;
		margin: 0 auto;
		background: var(--rim);
	}
</style>
