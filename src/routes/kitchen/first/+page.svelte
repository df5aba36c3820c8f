<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { sayDuration, sayWeight } from '$core/quantities/format';
	import { ftFromM } from '$core/quantities/units';
	import { fFromC } from '$core/quantities/units';
	import { fieldUnit } from '$core/quantities/parse-measure';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, typedIn, type Failed } from '$lib/ui/notice/types';
	import type { SetUpEffects } from '$core/ways/set-up';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const was = untrack(() => data.answers);
	let units = $state<'metric' | 'us'>(untrack(() => typedIn(failed, '/setUp', 'units', was.units) as 'metric' | 'us'));
	let effects = $state.raw<SetUpEffects>(untrack(() => data.effects));
	let element: HTMLFormElement;
	let timer: ReturnType<typeof setTimeout> | undefined;
	let asked = 0;
	const typed = (name: string, value: string) => String(typedIn(failed, '/setUp', name, value));
	const bad = (name: string) => (faultOf(failed, name) ? 'true' : undefined);
	const altitude = untrack(() =>
		typed(
			'altitude',
			was.altitudeM === null ? '' : String(Math.round(was.units === 'us' ? ftFromM(was.altitudeM) : was.altitudeM))
		)
	);
	let height = $state(untrack(() => altitude));

	/** What the answers would change, a moment after the last key. */
	function changed() {
		clearTimeout(timer);
		timer = setTimeout(async () => {
			const mine = ++asked;
			const fields = [...new FormData(element)]
				.filter(([name]) => !['household', 'key', 'shownIn'].includes(name))
				.map(([name, value]) => `${name}=${encodeURIComponent(String(value) || '0')}`);
			const reply = await fetch(`/kitchen/first/echo?${fields.join('&')}`).catch(() => null);
			if (reply?.ok && mine === asked) effects = (await reply.json()) as SetUpEffects;
		}, 150);
	}
	/** Other units, the same kitchen: what stands in the fields is said anew by the page that comes. */
	const boil = $derived(units === 'us' ? fFromC(effects.boil_C) : effects.boil_C);
	const more = $derived(effects.tomatoes_min ? effects.tomatoes_min.here - effects.tomatoes_min.sea : null);
	const packs = $derived(Math.floor((effects.freezeDay_kg * 1000) / 500));
	const share = $derived(
		Math.min(1, Math.max(0, Number(height.replace(',', '.')) / (units === 'us' ? 6600 : 2000) || 0))
	);
</script>

{#snippet number(name: string, label: string, value: string)}
	<label class="field"
		><span>{label}</span><input
			{name}
			inputmode="decimal"
			required
			autocomplete="off"
			aria-invalid={bad(name)}
			value={typed(name, value)}
			class="head text-xl font-bold"
		/></label
	>
{/snippet}

<h1 class="text-3xl">Our kitchen</h1>
<p class="text-soft">Three answers, and every time and amount fits your house. All of it can be changed later.</p>
<Faults {failed} />

<form
	bind:this={element}
	method="POST"
	action="?/setUp"
	oninput={changed}
	use:enhance={withNotice({ reset: false })}
	class="mt-4"
>
	<Marks />
	<div class="bench grid gap-8 lg:grid-cols-3">
		<fieldset class="space-y-3">
			<legend class="head text-xl"><b class="text-rim">1</b> Where you stand</legend>
			<div class="flex gap-2">
				{#each [['metric', 'kg · L · °C · m'], ['us', 'lb · gal · °F · ft']] as const as [v, n] (v)}
					<label class="pick"><input type="radio" name="units" value={v} bind:group={units} />{n}</label>
				{/each}
			</div>
			<label class="field"
				><span>height above the sea, {units === 'us' ? 'feet' : 'metres'}</span><input
					name="altitude"
					inputmode="decimal"
					required
					autocomplete="off"
					placeholder={units === 'us' ? '1250' : '380'}
					aria-invalid={bad('altitude')}
					bind:value={height}
					class="head text-2xl font-bold"
				/></label
			>
			<p class="text-soft">here water boils at</p>
			<p class="head text-6xl font-bold text-rim" aria-live="polite">
				{boil.toFixed(units === 'us' ? 0 : 1)}<span class="text-2xl"> {units === 'us' ? '°F' : '°C'}</span>
			</p>
			<div class="ruler" aria-hidden="true" style="--at: {share}"></div>
			<p class="text-sm text-soft">A map, the weather service or your town’s page has the height.</p>
		</fieldset>
		<fieldset class="space-y-3">
			<legend class="head text-xl"><b class="text-rim">2</b> The pot and the burner</legend>
			<p class="text-soft">what you blanch in, and the ring under it</p>
			<div class="pot">
				{@render number(
					'potLitres',
					`${was.potName || 'the pot'} to its rim, ${fieldUnit.volume[units]}`,
					was.potLitres
				)}
			</div>
			<div class="grid grid-cols-2 gap-3">
				{@render number('burnerW', 'the burner, W', was.burnerW)}
				<label class="field"
					><span>it is</span><select name="burnerKind" class="!min-h-11"
						>{#each [['gas', 'gas'], ['electric', 'electric'], ['ceramic', 'glass-ceramic'], ['induction', 'induction'], ['fire', 'wood fire']] as const as [v, n] (v)}<option
								value={v}
								selected={typed('burnerKind', was.burnerKind) === v}>{n}</option
							>{/each}</select
					></label
				>
			</div>
			<p class="text-sm text-soft">A big electric ring has about 2000 W, a big gas ring 3000.</p>
		</fieldset>
		<fieldset class="space-y-3">
			<legend class="head text-xl"><b class="text-rim">3</b> What keeps the cold</legend>
			<p class="text-soft">where packs freeze, and the ice for the basins</p>
			<div class="chest grid grid-cols-2 gap-3">
				{@render number('freezerLitres', `${was.freezerName} inside, ${fieldUnit.volume[units]}`, was.freezerLitres)}
				{@render number('freezerTemp', `as cold as it gets, ${fieldUnit.temperature[units]}`, was.freezerTemp)}
			</div>
			<div class="grid grid-cols-3 gap-3">
				{@render number('ice', `ice, ${fieldUnit.weight[units]}`, was.ice)}
				{@render number('basins', 'basins', was.basins)}
				{@render number('trays', 'trays', was.trays)}
			</div>
		</fieldset>
	</div>
	<div class="effects grid lg:grid-cols-3" aria-live="polite">
		<p>
			<span class="sub">this changes</span>
			{#if more === null}<b class="big">none</b> no jars in boiling water: the tables end below you
			{:else}<b class="big">{more > 0 ? `+ ${more}` : '± 0'} <small>minutes</small></b>
				for jars in boiling water: crushed tomatoes in quarts {effects.tomatoes_min?.here}{more > 0
					? `, not ${effects.tomatoes_min?.sea}`
					: ''}{/if}
		</p>
		<p>
			<span class="sub">this changes</span>
			{#if effects.beans}
				<b class="big">{sayWeight(effects.beans.potful_kg * 1000, units)} <small>a potful</small></b>
				of beans, and the boil is back in {sayDuration(Math.round(effects.beans.reboil_s))}. {sayWeight(9000, units)} are
				{effects.beans.potfuls} potfuls, {sayDuration(effects.beans.elapsed_s)}
			{/if}
		</p>
		<p>
			<span class="sub">this changes</span>
			<b class="big">{sayWeight(effects.freezeDay_kg * 1000, units)} <small>a day</small></b>
			may go in to freeze: {packs} packs of {sayWeight(500, units)}. {#if effects.beans}The ice cools {effects.beans
					.iced} potfuls.{/if}
		</p>
	</div>
	<p class="mt-4 flex flex-wrap items-center justify-between gap-3">
		<a href="/kitchen">Everything else, in the Kitchen</a>
		<button class="btn btn-full !min-h-16 px-8 text-lg">This is our kitchen</button>
	</p>
</form>

<style>
	.pick {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		min-height: 44px;
		padding: 6px 14px;
		border: 2px solid var(--rim);
		border-radius: 12px;
		cursor: pointer;
	}
	.pick:has(:checked) {
		background: var(--rim);
		color: var(--onrim);
		font-weight: 700;
	}
	.pick input {
		min-height: 0;
		width: 18px;
		height: 18px;
	}
	/* One measuring rule for every quantity: the height along it. */
	.ruler {
		height: 34px;
		border: 2px solid var(--rim);
		border-radius: 5px;
		background:
			repeating-linear-gradient(90deg, var(--rim) 0 1px, transparent 1px 5%) bottom / 100% 9px no-repeat,
			linear-gradient(90deg, var(--wash) calc(var(--at) * 100%), var(--enamel) calc(var(--at) * 100%));
	}
	.pot {
		border: 3px solid var(--rim);
		border-top-width: 7px;
		border-radius: 4px 4px 16px 16px;
		padding: 16px;
		background: linear-gradient(var(--enamel) 30%, var(--wash) 30%);
	}
	.chest {
		border: 3px solid var(--rim);
		border-top-width: 9px;
		border-radius: 8px 8px 12px 12px;
		padding: 14px;
		background: var(--enamel);
	}
	.effects {
		margin-top: 18px;
		border: 2px solid var(--rim);
		border-top: 9px solid var(--rim);
	}
	.effects > p {
		padding: 10px 16px 14px;
	}
	.effects > p + p {
		border-left: 2px solid var(--rim);
	}
	.big {
		display: block;
		font-family: var(--font-head);
		font-size: 2.4rem;
		line-height: 1.1;
		color: var(--rim);
	}
	.big small {
		font-size: 1.05rem;
	}
	@media (max-width: 1023px) {
		.effects > p + p {
			border-left: 0;
			border-top: 2px solid var(--rim);
		}
	}
</style>
