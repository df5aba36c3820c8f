<script lang="ts">
	import { Dialog } from 'bits-ui';
	import { places } from './places';

	let { open = $bindable(false) }: { open: boolean } = $props();
	const rows: [string, string][] = [
		['Space', 'at the Stove: the big button'],
		['U', 'undo the last step of a run'],
		['N', 'in the Basket: go to the line'],
		['1', 'in Ways: to Start'],
		['P', 'in Ways: a part of it'],
		['/', 'in Tables: look something up'],
		['?', 'this sheet']
	];
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
		<Dialog.Content
			class="rimmed fixed top-1/2 left-1/2 z-50 max-h-[90dvh] w-[min(30rem,92vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto p-6"
		>
			<Dialog.Title class="head text-2xl">Keys</Dialog.Title>
			<Dialog.Description class="mb-3 text-soft">They work whenever you are not typing.</Dialog.Description>
			<dl class="ruled">
				{#each rows as [key, what] (key)}
					<div class="flex justify-between gap-4 py-2">
						<dt><span class="key">{key}</span></dt>
						<dd class="text-right">{what}</dd>
					</div>
				{/each}
				{#each places as p (p.href)}
					<div class="flex justify-between gap-4 py-2">
						<dt><span class="key">G</span> then <span class="key">{p.key.toUpperCase()}</span></dt>
						<dd>{p.name}</dd>
					</div>
				{/each}
			</dl>
			<Dialog.Close class="btn btn-full mt-4">Close</Dialog.Close>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
