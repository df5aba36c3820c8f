<script lang="ts">
	import { enhance } from '$app/forms';
	import type { Units } from '$core/quantities/format';
	import { gearNames } from '$core/ways/equipment-fields';
	import Fold from '$lib/ui/notice/fold.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import type { Failed } from '$lib/ui/notice/types';
	import Change from './change.svelte';
	import GearForm from './gear-form.svelte';
	import type { GearGroup } from './types';

	/** Things of one sort standing on their line, each with what it changes; a tap opens its figures. */
	let { group, units, failed }: { group: GearGroup; units: Units; failed: Failed | null } = $props();
	const failedHere = (kind: string, id: string | null) =>
		failed?.action === '/gear' && failed.typed?.kind === kind && (failed.typed.id ?? null) === id;
	const names = {
		pot: 'big enamel pot',
		canner: 'the big canner',
		dryer: 'tray dryer',
		'freeze-dryer': 'freeze-dryer',
		sealer: 'bar sealer',
		mill: 'passing mill',
		grinder: 'grinder',
		moulds: 'cube trays',
		person: 'who helps'
	} as const;
</script>

<ul class="ruled border-t-4 border-b border-rim border-b-line">
	{#each group.items as i (i.id)}
		<li>
			<Fold wanted={failedHere(i.kind, i.id)} headingClass="py-2.5">
				{#snippet heading()}<Change name={i.name} words={i.words} change={i.change} />{/snippet}
				<GearForm kind={i.kind} id={i.id} name={i.name} values={i.values} {units} {failed} button="Save {i.name}" />
				<form method="POST" action="/kitchen?/drop" use:enhance={withNotice()} class="pb-3">
					<Marks />
					<input type="hidden" name="what" value={i.drops} /><input type="hidden" name="id" value={i.id} />
					<button class="btn btn-plain underline" aria-label="Remove {i.name}">remove it</button>
				</form>
			</Fold>
		</li>
	{/each}
</ul>
<div class="flex flex-wrap gap-2 pt-2">
	{#each group.adds as a (a.kind)}
		<Fold class="open:basis-full" wanted={failedHere(a.kind, null)} headingClass="btn list-none !px-4 text-[15px]">
			{#snippet heading()}+ {a.name}{/snippet}
			<GearForm
				kind={a.kind}
				values={a.values}
				{units}
				{failed}
				placeholder={names[a.kind]}
				button="Add the {gearNames[a.kind]}"
			/>
		</Fold>
	{/each}
</div>
