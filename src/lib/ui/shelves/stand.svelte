<script lang="ts">
	import type { AllLooks, ShelfLot } from './types';

	/** A lot as it stands: packs as blocks as wide as they are many, jars on a board, a pile, a sack, a row in the ground. */
	let {
		lot,
		looks,
		open,
		takeForm,
		ontoggle
	}: { lot: ShelfLot; looks: AllLooks; open: boolean; takeForm: string; ontoggle: () => void } = $props();
	const many = $derived(lot.unit === 'pack' || lot.unit === 'piece' ? Math.min(26, lot.amount) : 4);
	const shown = $derived(Math.min(lot.amount, 9));
</script>

<li class="stand {lot.drawn} {lot.tone} {open ? 'open' : ''}" style="--many: {many}">
	<button class="face" aria-expanded={open} onclick={ontoggle}>
		{#if lot.drawn === 'jar' || lot.drawn === 'low-jar'}
			<span class="jars" aria-hidden="true">
				{#each Array.from({ length: shown }) as _, i (i)}<i></i>{/each}
			</span>
		{:else if lot.drawn === 'pile'}
			<span class="heap" aria-hidden="true">
				{#each Array.from({ length: shown }) as _, i (i)}<i></i>{/each}
			</span>
		{:else if lot.drawn === 'row'}
			<span class="ground" aria-hidden="true"></span>
		{/if}
		<b class="head block text-2xl leading-none">{lot.count}</b>
		<span class="block text-[15px] leading-tight first-letter:uppercase"
			>{lot.title}{#if lot.each}, <span class="whitespace-nowrap">{lot.each}</span>{/if}</span
		>
		{#if lot.aside.length > 0}<span class="block text-[13px] font-bold"
				>kept: {lot.aside.map((a) => `${a.amount} for ${a.words}`).join(', ')}</span
			>{/if}
		{#if lot.waiting}<span class="block text-[13px] text-soft">in the Basket</span>{/if}
		<span
			class="block text-[13px] {lot.tone === 'out'
				? 'font-bold text-red'
				: lot.tone
					? 'font-bold text-amber'
					: 'text-soft'}">{lot.stop ? 'do not eat: its process is unknown' : lot.until}</span
		>
		{#if lot.looks.some((l) => l.due)}<span class="block text-[13px] font-bold text-amber"
				>look: {lot.looks
					.filter((l) => l.due)
					.map((l) => looks[l.kind].name.toLowerCase())
					.join(', ')}</span
			>{/if}
	</button>
	{#if (lot.unit === 'pack' || lot.unit === 'piece') && !lot.stop && lot.tone !== 'out'}
		<button class="btn no-print take" form={takeForm} name="lotId" value={lot.id} aria-label="Take one: {lot.title}"
			>take 1</button
		>
	{/if}
	<span class="tick" aria-hidden="true"></span>
</li>

<style>
	.stand {
		position: relative;
		width: calc(6.9rem + var(--many) * 0.3rem);
		background: var(--enamel);
		border: 2px solid var(--rim);
		border-bottom: 0;
		border-radius: 12px 12px 0 0;
		display: flex;
		flex-direction: column;
		justify-content: space-between;
		min-height: 6.4rem;
	}
	.stand.soon,
	.stand.past {
		background: var(--amberbg);
		border-color: var(--amber);
	}
	.stand.out {
		background: var(--redbg);
		border-color: var(--red);
	}
	.stand.open {
		box-shadow: 0 0 0 3px var(--wash);
	}
	/* In the corner beside the figure: one tap takes one. */
	.take {
		position: absolute;
		top: 2px;
		right: 2px;
		min-height: 44px;
		padding: 4px 9px;
		font-size: 13px;
		border-color: transparent;
		border-radius: 9px;
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.face {
		text-align: left;
		padding: 8px 10px 4px;
		cursor: pointer;
		flex: 1;
	}
	/* Jars: glass side by side under their lids, at most nine; the figure says how many. */
	.jar,
	.low-jar,
	.pile,
	.row {
		border-color: transparent;
		background: transparent;
		width: auto;
		min-width: 6.9rem;
		max-width: 12rem;
	}
	.jar.soon,
	.jar.past,
	.low-jar.soon,
	.low-jar.past,
	.pile.soon,
	.pile.past,
	.row.soon {
		background: var(--amberbg);
	}
	.jars {
		display: flex;
		align-items: flex-end;
		margin-bottom: 6px;
		padding-right: 3.4rem;
	}
	.jars i {
		width: 15px;
		height: 46px;
		margin-right: -3px;
		border: 2px solid var(--rim);
		border-top-width: 7px;
		border-radius: 4px 4px 5px 5px;
		background: var(--enamel);
	}
	.low-jar .jars i {
		height: 38px;
		background: linear-gradient(var(--enamel) 40%, var(--wash) 40%);
	}
	.heap {
		display: flex;
		flex-wrap: wrap;
		gap: 2px;
		margin-bottom: 6px;
		max-width: 7.6rem;
		padding-right: 0;
		min-height: 48px;
		align-content: end;
		margin-right: 2.6rem;
	}
	.heap i {
		width: 19px;
		height: 18px;
		border: 2px solid var(--rim);
		border-radius: 46% 46% 50% 50%;
		background: var(--enamel);
	}
	.ground {
		display: block;
		height: 34px;
		margin-bottom: 6px;
		border-top: 4px solid var(--leaf);
		background: repeating-linear-gradient(90deg, transparent 0 6px, var(--rim) 6px 8px, transparent 8px 14px);
		clip-path: polygon(0 0, 100% 0, 96% 100%, 4% 100%);
	}
	.crock {
		border-bottom: 2px solid var(--rim);
		border-radius: 10px 10px 24px 24px;
		border-top-width: 8px;
	}
	.sack {
		border-radius: 18px 18px 0 0;
	}
	.dish {
		border-radius: 0 0 14px 14px;
		border-bottom: 2px solid var(--rim);
		border-top-style: dashed;
	}
	.tick {
		display: none;
	}
	@media (max-width: 480px) {
		.stand {
			width: calc(50% - 3px);
			max-width: none;
		}
	}
	@media print {
		.stand {
			width: 100%;
			max-width: none;
			min-height: 0;
			flex-direction: row;
			border: 0;
			border-bottom: 1px solid #999;
			border-radius: 0;
		}
		.jars,
		.heap,
		.ground {
			display: none;
		}
		.tick {
			display: block;
			width: 5mm;
			height: 5mm;
			margin: 2mm;
			border: 1px solid #000;
		}
	}
</style>
