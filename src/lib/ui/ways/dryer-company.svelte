<script lang="ts">
	import { sayTemperature, type Units } from '$core/quantities/format';

	/** What else of the basket may go into the same dryer load, and what may not. */
	let {
		company,
		name,
		units
	}: {
		company: {
			readonly apart: readonly { readonly name: string; readonly reason: string; readonly safety: boolean }[];
			readonly may: readonly string[];
			readonly run: {
				readonly air_C: number;
				readonly places: readonly {
					readonly name: string | null;
					readonly trays: readonly number[];
					readonly pull_h: readonly [number, number];
					readonly ends: boolean;
				}[];
			} | null;
			readonly words: readonly string[];
		};
		name: string;
		units: Units;
	} = $props();
	const hours = (h: number) => (h < 10 ? `${Math.round(h * 2) / 2}` : `${Math.round(h)}`);
	const spread = (list: readonly number[]) => {
		const sorted = [...list].sort((a, b) => a - b);
		const [low, high] = [sorted[0], sorted.at(-1)];
		return low === high ? `tray ${low}` : `trays ${low} to ${high}`;
	};
</script>

{#if company.may.length + company.apart.length > 0}
	<details class="mt-3 border-t border-line pt-3">
		<summary class="head text-lg">With what else of the basket?</summary>
		{#if company.run}
			<table class="mt-2">
				<caption class="text-left text-sm text-soft"
					>One load at {sayTemperature(Math.round(company.run.air_C), units)}, trays counted from the bottom</caption
				>
				<thead class="sr-only"
					><tr><th scope="col">What</th><th scope="col">Trays</th><th scope="col">Take off</th></tr></thead
				>
				<tbody>
					{#each company.run.places as p (p.trays.join())}
						<tr class="border-t border-line">
							<th scope="row" class="py-1 pr-6 text-left font-normal first-letter:uppercase">{p.name ?? name}</th>
							<td class="pr-6">{spread(p.trays)}</td>
							<td
								>after <b>{hours(p.pull_h[0])} to {hours(p.pull_h[1])} h</b>{#if p.ends}, which sets the end{/if}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{:else if company.may.length > 0}
			<p class="mt-2">The dryer is full with this; {company.may.join(', ')} would go with it otherwise.</p>
		{/if}
		{#if company.apart.length > 0}
			<ul class="mt-2 space-y-1 text-[15px]">
				{#each company.apart as a, aNth (aNth)}<li class={a.safety ? 'font-semibold text-red' : ''}>
						<b class="first-letter:uppercase">{a.safety ? 'Never with' : 'Not with'} {a.name}:</b>
						{a.reason}
					</li>{/each}
			</ul>
		{/if}
		<ul class="mt-2 list-disc pl-5 text-sm text-soft">
			{#each company.words as w, wNth (wNth)}<li>{w}</li>{/each}
		</ul>
	</details>
{/if}
