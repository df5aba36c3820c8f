<script lang="ts">
	import { sayTime } from '$core/quantities/dates';
	import { sayClock, sayCount } from '$core/quantities/format';
	import type { Station } from '$core/runs/engine/kind';

	/** What stands where, drawn in a row: bins, pot, ice, cloth, freezer, bags. On a phone the same as a list. */
	let { stations, now, zone, at }: { stations: readonly Station[]; now: number; zone: string; at: string | null } =
		$props();

	/** The figure over a station: a clock that runs down or up, or a word. */
	function figure({ figure: f }: Station): string {
		if ('words' in f) return f.words;
		if (f.due === null) return sayClock((now - f.since) / 1000);
		const left = (f.due - now) / 1000;
		if (left >= 86_400) return sayCount(Math.ceil(left / 86_400), 'day');
		return left <= 0 ? 'now' : left > 3600 ? sayTime(f.due, zone) : sayClock(left);
	}
	const late = ({ figure: f }: Station) => 'since' in f && f.due !== null && f.due <= now;
</script>

<ol class="worktop">
	{#each stations as s (s.id)}
		{@const here = at !== null && s.units.some((u) => u.key === at)}
		<li class="station" data-draw={s.draw} class:here>
			<div class="said">
				<h3>{s.name}</h3>
				<b class="head fig" class:late={late(s)}>{figure(s)}</b>
				<span class="words">{s.words}</span>
			</div>
			<div class="drawn">
				<div class="shape">
					{#each s.units as u (u.key)}
						<span class="unit" class:on={u.key === at} data-tone={(u.subject - 1) % 3}
							><b>{u.n}</b> <span class="of">{u.food}</span>{#if s.draw === 'rack' && u.due !== null}
								<i>{sayTime(u.due, zone)}</i>{/if}</span
						>
					{/each}
					{#if s.more > 0}<span class="more">{s.units.length > 0 ? `and ${s.more} more` : s.more}</span>{/if}
				</div>
			</div>
			<p class="foot" class:warns={s.warns}>{s.foot}</p>
		</li>
	{/each}
</ol>

<style>
	.worktop {
		margin-top: 6px;
		display: grid;
		gap: 0 14px;
		grid-auto-flow: column;
		grid-auto-columns: minmax(0, 1fr);
	}
	.station {
		display: grid;
		grid-template-rows: subgrid;
		grid-row: span 3;
		border-top: 5px solid transparent;
		padding-top: 4px;
		min-width: 0;
	}
	.station.here {
		border-top-color: var(--rim);
	}
	h3 {
		font-size: 1.05rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.fig {
		display: block;
		font-size: 1.7rem;
		line-height: 1.1;
		color: var(--rim);
	}
	.fig.late {
		color: var(--amber);
	}
	.words {
		display: block;
		font-size: 14px;
		line-height: 1.3;
	}
	.drawn {
		display: flex;
		align-items: flex-end;
		min-height: 150px;
		border-bottom: 5px solid var(--rim);
		margin-right: -14px;
		padding-right: 14px;
	}
	.station:last-child .drawn {
		margin-right: 0;
		padding-right: 0;
	}
	.shape {
		display: flex;
		flex-direction: column-reverse;
		gap: 4px;
		width: 100%;
		padding: 5px;
		min-height: 44px;
		border: 3px solid var(--rim);
		border-bottom: 0;
		position: relative;
	}
	[data-draw='bin'] .shape {
		border-top: 0;
		flex-flow: row wrap-reverse;
		min-height: 120px;
		align-content: flex-start;
	}
	[data-draw='pot'] .shape {
		min-height: 96px;
		border-radius: 0 0 18px 18px;
		border-bottom: 8px solid var(--rim);
		border-top: 5px solid var(--rim);
		background: linear-gradient(var(--enamel) 30%, var(--wash) 30%);
		justify-content: flex-start;
	}
	[data-draw='basin'] .shape {
		min-height: 78px;
		border-radius: 0 0 40% 40% / 0 0 26px 26px;
		border-bottom: 3px solid var(--rim);
		border-top: 5px solid var(--rim);
		background: var(--wash);
	}
	[data-draw='cloth'] .shape {
		min-height: 14px;
		border: 0;
		border-bottom: 12px double var(--rim);
	}
	[data-draw='rack'] .shape,
	[data-draw='fridge'] .shape {
		min-height: 140px;
		background: var(--enamel);
	}
	[data-draw='bags'] .shape {
		min-height: 60px;
		border-radius: 4px 4px 0 0;
		border-top-style: dashed;
		background: var(--enamel);
	}
	.unit {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0 6px;
		border: 2px solid var(--rim);
		border-radius: 8px;
		background: var(--enamel);
		padding: 1px 7px;
		font-size: 13px;
		line-height: 1.3;
		min-width: 0;
		max-width: 100%;
	}
	.unit b {
		font-family: var(--font-head);
		font-size: 1.05rem;
	}
	.unit i {
		font-style: normal;
		font-weight: 700;
	}
	.of {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	[data-draw='bin'] .of {
		display: none;
	}
	.unit[data-tone='1'] {
		background: var(--rim);
		color: var(--onrim);
	}
	.unit[data-tone='2'] {
		background: var(--wash);
	}
	.unit.on {
		outline: 3px solid var(--amber);
		outline-offset: 1px;
	}
	.more {
		font-size: 13px;
		color: var(--soft);
	}
	.foot {
		font-size: 13.5px;
		line-height: 1.3;
		color: var(--soft);
		padding-top: 6px;
	}
	.foot.warns {
		color: var(--amber);
		font-weight: 700;
	}
	@media (max-width: 40rem) {
		.worktop {
			grid-auto-flow: row;
			grid-auto-columns: auto;
		}
		.station {
			display: block;
			padding: 8px 0 8px 10px;
			border-top: 1px solid var(--line);
			border-left: 5px solid transparent;
		}
		.station.here {
			border-top-color: var(--line);
			border-left-color: var(--rim);
		}
		.said {
			display: grid;
			grid-template-columns: 5.5rem 1fr;
			align-items: baseline;
			gap: 0 10px;
		}
		.fig {
			font-size: 1.35rem;
		}
		.words,
		.foot {
			grid-column: 2;
			padding: 0;
		}
		.foot {
			padding-left: calc(5.5rem + 10px);
		}
		.drawn {
			display: none;
		}
	}
</style>
