<script lang="ts">
	import { inHouseholdUnits } from '$core/quantities/household-words';
	import type { FreezerWeek } from '$core/freezing/freezer-week';
	import { sayDuration, sayFraction, sayTemperature, sayWeight, type Units } from '$core/quantities/format';
	import type { FreezerPlan } from '$core/freezing/freezer-week';
	import type { FreezingCurve } from '$core/heat/freezing-curve';
	import type { Refusal } from '$core/errors';
	import LineChart from '$lib/ui/chart/line-chart.svelte';
	import { Forecast } from '$lib/ui/forecast/forecast-state.svelte';
	import { inWorker } from '$lib/ui/forecast/in-worker';
	import Chips from './chips.svelte';
	import NotAdvised from './not-advised.svelte';
	import type { FreezerAsk } from '../../../workers/protocol';
	import type { FreezerAsks } from './types';

	/** The temperature in a pack, and the freezer over days: solved in a worker, with progress and a stop. */
	let { asks, units }: { asks: FreezerAsks; units: Units } = $props();
	const curves = new Forecast<readonly { readonly name: string; readonly curve: FreezingCurve }[]>();
	const week = new Forecast<FreezerPlan | Refusal>();
	// Kept beside the plan: the packs of the question that it answers.
	let shownKg = $state(0);

	const solveWeek = (ask: FreezerAsk, onProgress: (share: number) => void) =>
		inWorker<FreezerPlan | Refusal>(async (models, tell) => models.freezer(ask, tell), onProgress);

	/** Each curve with its name: while new ones are worked out, the old ones keep theirs. */
	const solveCurves = ({ asks: list, names }: FreezerAsks['curves'], onProgress: (share: number) => void) => {
		const { done, stop } = inWorker((models, tell) => models.curves(list, tell), onProgress);
		return { done: done.then((all) => all.map((curve, i) => ({ name: names[i] ?? '', curve }))), stop };
	};

	// The page is read anew for a price too: only another question is worked out again.
	const question = $derived(JSON.stringify(asks));
	$effect(() => {
		const { curves: ask, freezer } = JSON.parse(question) as FreezerAsks;
		void curves.start((onProgress) => solveCurves(ask, onProgress));
		if (freezer)
			void week.start((onProgress) => solveWeek(freezer, onProgress)).then(() => (shownKg = freezer.load.pack_kg));
		return () => {
			curves.stop();
			week.stop();
		};
	});
	const thick = (mm: number) => (units === 'us' ? `${sayFraction(mm / 25.4)} in` : `${mm} mm`);
	const options = $derived([
		...(asks.loose ? [{ value: '', words: 'loose on a tray' }] : []),
		...[20, 30, 50, 80].map((mm) => ({
			value: mm === 30 && !asks.loose ? '' : String(mm),
			words: `${thick(mm)} thick`
		}))
	]);
	/** Charts in the household's degrees. */
	const shown = (c: number) => (units === 'us' ? (c * 9) / 5 + 32 : c);
	const unit = $derived(units === 'us' ? '°F' : '°C');
	const degrees = (c: number) => sayTemperature(Math.round(c), units);
	const lines = $derived(
		(curves.answer ?? []).map(({ name, curve }, i) => ({
			name: `${name}, its middle`,
			points: curve.points.map((p) => [p.t_s / 3600, shown(p.centre_C)] as const),
			look: i === 0 ? ('full' as const) : ('dashed' as const),
			tone: i === 0 ? ('rim' as const) : ('amber' as const)
		}))
	);
	const saysCurve = $derived.by(() => {
		const [first, second] = curves.answer ?? [];
		if (!first) return '';
		const own = `${first.name}: hard to the middle after ${sayDuration(first.curve.seconds)}`;
		return second
			? `${own}; ${second.name}: ${sayDuration(second.curve.seconds)}, ${(second.curve.seconds / first.curve.seconds).toFixed(1)} times as long.`
			: `${own}.`;
	});
	const plan = $derived(week.answer?.kind === 'plan' ? week.answer : null);
	const oldOf = (w: FreezerWeek) =>
		w.points.flatMap((p) => (p.oldWarmest_C === null ? [] : [[p.t_h, shown(p.oldWarmest_C)] as const]));
	const saysWeek = $derived.by(() => {
		if (!plan) return '';
		const [first = 0] = plan.packsByDay;
		const each = sayWeight(shownKg * 1000, units);
		const days = plan.packsByDay.length;
		const { oldWarmest_C } = plan.week;
		const old =
			oldWarmest_C === null ? 'Nothing lies in it yet.' : `The warmest old pack gets to ${degrees(oldWarmest_C)}.`;
		const atOnce = plan.atOnce?.oldWarmest_C ?? null;
		const put =
			days === 1
				? `All ${first} packs of ${each} can go in on one day.`
				: `${plan.packsByDay.join(' + ')} packs of ${each}, a day apart${plan.limit === 'the old stock' ? ', so that old stock stays cold' : ''}.`;
		return `${put} ${old}${plan.atOnce ? ` All at once ${atOnce === null ? '' : `it would get to ${degrees(atOnce)}, `}the air to ${degrees(plan.atOnce.airWarmest_C)}.` : ''}`;
	});
	const shareWords = (share: number) => `${Math.round(share * 100)} %`;
</script>

{#snippet work(f: Forecast<unknown>, what: string, again: () => void)}
	{#if f.phase === 'working'}
		<p class="flex flex-wrap items-center gap-3 text-soft" role="status">
			<progress max="1" value={f.share} aria-label={what}></progress>
			{what}, {shareWords(f.share)}
			<button class="btn" type="button" onclick={() => f.stop()}>Stop</button>
		</p>
	{:else if f.phase === 'stopped'}
		<p class="flex flex-wrap items-center gap-3" role="status">
			Stopped. <button class="btn" type="button" onclick={again}>Work it out</button>
		</p>
	{:else if f.phase === 'failed'}
		<p class="font-semibold text-amber" role="status">It could not be worked out: {f.why}</p>
	{:else if f.phase === 'idle'}
		<p class="text-soft">The charts are drawn in the browser.</p>
	{/if}
{/snippet}

<div class="mt-5 grid gap-8 lg:grid-cols-2">
	<div class="min-w-0">
		<Chips label="frozen as" name="pack" value={asks.pack_mm === null ? '' : String(asks.pack_mm)} {options} />
		<div class="mt-3">
			{@render work(
				curves,
				'Working out the temperature in the pack',
				() => void curves.start((p) => solveCurves(asks.curves, p))
			)}
			{#if lines.length > 0}
				<LineChart
					title="The temperature inside"
					says={saysCurve}
					xName="hours"
					yName={unit}
					series={lines}
					levels={[{ y: shown(-10), words: 'hard' }]}
				/>
			{/if}
		</div>
	</div>
	<div class="min-w-0">
		{#if asks.freezer}
			{@const ask = asks.freezer}
			{@render work(week, 'Working out the freezer over days', () => void week.start((p) => solveWeek(ask, p)))}
			{#if plan}
				<LineChart
					title="The freezer over days"
					says={saysWeek}
					xName="hours"
					yName={unit}
					series={[
						...(plan.week.oldWarmest_C === null
							? []
							: [{ name: 'warmest old pack', points: oldOf(plan.week), look: 'full' as const }]),
						{ name: 'air', points: plan.week.points.map((p) => [p.t_h, shown(p.air_C)] as const), look: 'dotted' },
						...(plan.atOnce && plan.atOnce.oldWarmest_C !== null
							? [
									{
										name: 'old pack, all at once',
										points: oldOf(plan.atOnce),
										look: 'dashed' as const,
										tone: 'amber' as const
									}
								]
							: [])
					]}
					levels={[{ y: shown(-12), words: 'old stock at most' }]}
					yMax={shown(-6)}
				/>
				<p class="mt-1 text-sm text-soft">
					Packs spread out, not on the old ones; {plan.week.energy_kWh.toFixed(1)} kWh in all. {inHouseholdUnits(
						'The published load is 2 lb to the cubic foot a day.',
						units
					)}
				</p>
			{:else if week.answer?.kind === 'refused'}
				<NotAdvised title="Not into this freezer." refusal={week.answer} />
			{/if}
		{:else}
			<p class="text-soft">
				Give a freezer its litres in the <a href="/kitchen">Kitchen</a>, and its days are worked out here.
			</p>
		{/if}
	</div>
</div>
