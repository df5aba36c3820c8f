<script lang="ts">
	import { sayClock, sayCount } from '$core/quantities/format';
	/** The one figure, to be read from two metres away. */
	let { due, latest, since, now }: { due: number | null; latest: number | null; since: number; now: number } = $props();
	/** From two days on nobody counts hours. */
	const said = (seconds: number) =>
		seconds >= 172_800 ? sayCount(Math.ceil(seconds / 86_400), 'day') : sayClock(seconds);
	const left = $derived(due === null ? null : (due - now) / 1000);
	const text = $derived(
		left === null ? said((now - since) / 1000) : left > 0 ? said(left) : said((now - (due ?? now)) / 1000)
	);
	const shown = $derived(`${left !== null && left <= 0 ? '+' : ''}${text}`);
</script>

<div class="[container-type:inline-size] my-3">
	<p class="head figure font-extrabold text-rim" role="timer" aria-live="off" style="--signs: {shown.length}">
		{shown}
	</p>
	<p class="-mt-1 text-soft">
		{#if left === null}so far, counting up
		{:else if left > 0}to go
		{:else}<b class="text-amber">over the time</b>{#if latest !== null && latest > now}: up to {sayClock(
					(latest - now) / 1000
				)} more is within the published range{/if}
		{/if}
	</p>
</div>

<style>
	.figure {
		/* As large as its box lets it be: four signs or six. */
		font-size: clamp(4rem, calc(165cqw / var(--signs)), var(--most-figure, 15rem));
		white-space: nowrap;
		line-height: 0.95;
		letter-spacing: -0.03em;
	}
</style>
