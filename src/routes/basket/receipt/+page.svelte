<script lang="ts">
	import { enhance } from '$app/forms';
	import Faults from '$lib/ui/notice/faults.svelte';
	import Marks from '$lib/ui/notice/marks.svelte';
	import { withNotice } from '$lib/ui/notice/post';
	import { typedIn, type Failed } from '$lib/ui/notice/types';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	const failed = $derived(form as Failed | null);
	const example = '5 kg stewing beef\n3 kg chicken, in pieces, for 14.50 €\n10 kg apples';
	const typed = (name: string, value: string) => String(typedIn(failed, '/take', name, value));
</script>

<h1 class="text-3xl">A receipt</h1>
<p class="text-soft">
	Everything from one till, a line for each. What the lines do not say themselves of the price is shared out by weight.
	Bought before today, meat and the like is taken to have stood in the fridge since; a line may say another place.
</p>
<form
	method="POST"
	action="?/take"
	use:enhance={withNotice({ reset: false })}
	class="rimmed mt-4 max-w-3xl space-y-4 px-5 py-5"
>
	<Marks />
	<div class="flex flex-wrap gap-4">
		<label class="field"
			><span>shop or market</span><input name="shop" maxlength="60" value={typed('shop', '')} class="w-56" /></label
		>
		<label class="field"
			><span>bought on</span><input
				type="date"
				name="on"
				required
				max={data.today}
				value={typed('on', data.today)}
			/></label
		>
		<label class="field"
			><span>paid in all, {data.currency}</span><input
				name="total"
				maxlength="20"
				inputmode="decimal"
				value={typed('total', '')}
				placeholder="38.40"
				class="w-32"
			/></label
		>
	</div>
	<label class="field"
		><span>what was bought</span><textarea
			name="lines"
			rows="8"
			maxlength="4000"
			required
			spellcheck="false"
			placeholder={example}
			class="w-full text-lg">{typed('lines', '')}</textarea
		></label
	>
	<div class="flex flex-wrap items-center gap-3">
		<button class="btn btn-full">Into the Basket</button><a class="btn btn-plain" href="/basket">Not now</a>
	</div>
</form>
<Faults {failed} />
