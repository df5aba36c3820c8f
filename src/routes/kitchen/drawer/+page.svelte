<script lang="ts">
	import { enhance } from '$app/forms';
	import { sayLength, sayVolume, sayWeight } from '$core/quantities/format';
	import { supplyWords } from '$core/ways/equipment-fields';
	import Rooms from '$lib/ui/kitchen/rooms.svelte';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Fold from '$lib/ui/notice/fold.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { faultOf, type Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const units = $derived(data.units);
	const bad = (action: string, name: string) =>
		failed?.action === action && faultOf(failed, name) ? 'true' : undefined;
	const low = $derived([...data.containers, ...data.supplies].filter((c) => c.isLow).map((c) => c.name));
	let kind = $state<'lid' | 'roll' | 'absorber'>('lid');
</script>

{#snippet remove(what: string, id: string, name: string)}
	<form method="POST" action="?/remove" use:enhance={withNotice()}>
		<Marks />
		<input type="hidden" name="what" value={what} /><input type="hidden" name="id" value={id} />
		<button class="btn btn-plain underline" aria-label="Remove {name}">remove</button>
	</form>
{/snippet}

{#snippet counted(
	action: string,
	id: string,
	name: string,
	count: number,
	mark: number | null,
	of: string,
	isLow: boolean
)}
	<form
		method="POST"
		action="?/{action}"
		use:enhance={withNotice({ reset: false })}
		class="flex flex-wrap items-center gap-2"
	>
		<Marks />
		<input type="hidden" name="id" value={id} />
		<input
			name="count"
			type="number"
			min="0"
			max="100000"
			required
			value={count}
			aria-label="How many of {name}"
			class="head w-20 text-xl font-bold {isLow ? '!text-red' : ''}"
		/>
		<span class="text-sm text-soft">{of}</span>
		<label class="flex items-center gap-2 text-sm text-soft"
			>low at <input
				name="low"
				type="number"
				min="0"
				max="100000"
				value={mark}
				aria-label="Low mark of {name}"
				class="w-16"
			/></label
		>
		<button class="btn btn-plain underline" aria-label="Save the count of {name}">save</button>
	</form>
{/snippet}

<h1 class="text-3xl">The drawer</h1>
<Rooms />
<Faults {failed} />
{#if low.length > 0}<p class="mt-3 text-lg"><b class="text-red">Running low:</b> {low.join(', ')}.</p>{/if}

<div class="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-2">
	<section aria-labelledby="t-containers">
		<h2 id="t-containers" class="mb-1 text-xl">Bags, boxes, jars</h2>
		<ul class="ruled border-t-4 border-b border-rim border-b-line">
			{#each data.containers as c (c.id)}
				<li class="flex flex-wrap items-center justify-between gap-x-3 py-1.5">
					<span
						><b>{c.name}</b>, {sayVolume(c.volumeMl / 1000, units)}{#if c.isLow}<b class="text-red">
								· low</b
							>{/if}</span
					>
					<span class="flex flex-wrap items-center"
						>{@render counted('count', c.id, c.name, c.count, c.low, '', c.isLow)}{@render remove(
							'container',
							c.id,
							c.name
						)}</span
					>
				</li>
			{:else}<li class="py-2 text-soft">Nothing in the drawer: packs cannot be worked out.</li>{/each}
		</ul>
		<Fold
			class="pt-2"
			wanted={failed?.action === '/container' || data.containers.length === 0}
			headingClass="btn list-none !px-4 text-[15px]"
		>
			{#snippet heading()}+ bag, box or jar{/snippet}
			<form method="POST" action="?/container" use:enhance={withNotice()} class="mt-2 grid grid-cols-2 gap-3">
				<Marks />
				<label class="field"
					><span>by name</span><input name="name" required maxlength="60" placeholder="freezer bag 1 L" /></label
				>
				<label class="field"
					><span>kind</span><select name="kind"
						><option value="bag">bag</option><option value="box">box</option><option value="jar">jar</option></select
					></label
				>
				<label class="field"
					><span>holds, ml{units === 'us' ? ' (a quart is 946)' : ''}</span><input
						name="volumeMl"
						type="number"
						min="50"
						max="20000"
						required
					/></label
				>
				<label class="field"
					><span>how many</span><input name="count" type="number" min="0" max="10000" required /></label
				>
				<label class="field"
					><span>low at (or nothing)</span><input name="low" type="number" min="0" max="10000" /></label
				>
				<button class="btn col-span-full justify-self-start">Add to the drawer</button>
			</form>
		</Fold>
	</section>
	<section aria-labelledby="t-supplies">
		<h2 id="t-supplies" class="mb-1 text-xl">Lids, rolls, absorbers</h2>
		<ul class="ruled border-t-4 border-b border-rim border-b-line">
			{#each data.supplies as s (s.id)}
				<li class="flex flex-wrap items-center justify-between gap-x-3 py-1.5">
					<span
						><b>{s.name}</b>, {s.kind === 'absorber' ? `${s.size} cc` : sayLength(s.size / 1000, units)}{#if s.isLow}<b
								class="text-red"
							>
								· low</b
							>{/if}</span
					>
					<span class="flex flex-wrap items-center"
						>{@render counted(
							'countSupply',
							s.id,
							s.name,
							s.amount,
							s.low,
							s.kind === 'roll' ? 'cm' : '',
							s.isLow
						)}{@render remove('supply', s.id, s.name)}</span
					>
				</li>
			{:else}<li class="py-2 text-soft">None counted: a canner load asks for its lids all the same.</li>{/each}
		</ul>
		<Fold class="pt-2" wanted={failed?.action === '/supply'} headingClass="btn list-none !px-4 text-[15px]">
			{#snippet heading()}+ lids, a roll, absorbers{/snippet}
			<form method="POST" action="?/supply" use:enhance={withNotice()} class="mt-2 grid grid-cols-2 gap-3">
				<Marks />
				<label class="field"
					><span>what</span><select name="kind" bind:value={kind}
						>{#each Object.entries(supplyWords) as [v, w] (v)}<option value={v}>{w.name}</option>{/each}</select
					></label
				>
				<label class="field"
					><span>by name</span><input name="name" required maxlength="60" placeholder="Lids, regular" /></label
				>
				<label class="field"
					><span>{supplyWords[kind].size.label}</span><input
						name="size"
						type="number"
						required
						aria-invalid={bad('/supply', 'size')}
						value={supplyWords[kind].size.usual}
					/></label
				>
				<label class="field"
					><span>{supplyWords[kind].amount}</span><input
						name="amount"
						type="number"
						min="0"
						max="100000"
						required
					/></label
				>
				<label class="field"
					><span>low at (or nothing)</span><input name="low" type="number" min="0" max="100000" /></label
				>
				<button class="btn btn-full self-end">Add to the drawer</button>
			</form>
		</Fold>
	</section>
	<section aria-labelledby="t-measures">
		<h2 id="t-measures" class="text-xl">Own measures</h2>
		<ul class="ruled border-y border-line">
			{#each data.measures as m (m.id)}
				<li class="flex items-center justify-between gap-2 py-1.5">
					<span>one <b>{m.name}</b> of {m.foodName}: {sayWeight(m.grams, units)}</span>{@render remove(
						'measure',
						m.id,
						`${m.name} of ${m.foodName}`
					)}
				</li>
			{:else}<li class="py-2 text-soft">
					None yet. Type “2 big bowls peas” in the Basket, weigh one, and it is known ever after.
				</li>{/each}
		</ul>
	</section>
	<section aria-labelledby="t-portions">
		<h2 id="t-portions" class="text-xl">Recipes’ portions</h2>
		<ul class="ruled border-y border-line">
			{#each data.portions as p (p.id)}
				<li class="flex items-center justify-between gap-2 py-1.5">
					<span><b>{p.name}</b>: {p.said} {p.foodName}, {sayWeight(p.grams, units)}</span>{@render remove(
						'portion',
						p.id,
						p.name
					)}
				</li>
			{:else}<li class="py-2 text-soft">
					None yet. Say on the Ways what one pack is for, “one loaf: 2 cups”, and it is kept.
				</li>{/each}
		</ul>
	</section>
</div>
