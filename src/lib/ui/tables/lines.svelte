<script lang="ts">
	import type { Amount } from '$core/quantities/amount';

	interface Shown {
		readonly key: string;
		readonly what: string;
		readonly group: string;
		readonly amount: Amount;
		readonly at: string;
		readonly note: string;
		readonly mark: string;
		readonly who?: string;
	}
	let { lines, notes }: { lines: readonly Shown[]; notes: readonly { mark: string; text: string }[] } = $props();
	const used = $derived(notes.filter((n) => lines.some((l) => l.mark === n.mark)));
	/** Lines of one product or cut stay together: a time must never stand at the top of a column without its name. */
	const blocks = $derived.by(() => {
		const list: { group: string; lines: Shown[] }[] = [];
		for (const line of lines) {
			const last = list.at(-1);
			if (last && last.group === line.group) last.lines.push(line);
			else list.push({ group: line.group, lines: [line] });
		}
		return list;
	});
</script>

{#each blocks as block, n (n)}
	<div class={block.group ? 'break-inside-avoid pt-1' : ''}>
		{#if block.group}<p class="font-bold first-letter:uppercase" aria-hidden="true">{block.group}</p>{/if}
		<dl class="ruled">
			{#each block.lines as l (l.key + l.what)}
				<div class="relative grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 py-1.5" data-line={l.key}>
					<dt class="min-w-0">
						{#if l.group}<span class="sr-only">{l.group},</span>{/if}
						{l.what}
						{#if l.who}<span class="block text-sm text-soft">{l.who}</span>{/if}
						{#if l.at}<span class="block text-sm text-soft">{l.at}</span>{/if}
						{#if l.note}<span class="block text-sm text-soft">{l.note}</span>{/if}
					</dt>
					<dd class="text-right">
						<b class="head text-lg whitespace-nowrap">{l.amount.main}</b><sup class="ml-0.5 text-soft" data-mark
							>{l.mark}</sup
						>
						{#if l.amount.printed}<span class="block text-sm whitespace-nowrap text-soft" data-printed
								>{l.amount.printed}</span
							>{/if}
					</dd>
				</div>
			{/each}
		</dl>
	</div>
{/each}
{#if used.length > 0}
	<p class="source mt-1">
		{#each used as n, i (n.mark)}<span data-note={n.mark}
				><b>{n.mark}</b> {n.text}{i < used.length - 1 ? ' · ' : ''}</span
			>{/each}
	</p>
{/if}
