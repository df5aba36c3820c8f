<script lang="ts">
	let {
		title,
		refusal
	}: {
		title: string;
		refusal: { readonly reason: string; readonly source: string; readonly instead: readonly string[] };
	} = $props();
</script>

<section class="struck mt-3 rounded-lg px-4 py-3" aria-label={title}>
	<h3 class="text-lg text-red">{title}</h3>
	<p>{refusal.reason}</p>
	<p class="mt-1"><b>Instead:</b> {refusal.instead.join('; ')}.</p>
	<p class="source mt-1">{refusal.source}</p>
</section>

<style>
	.struck {
		background: repeating-linear-gradient(
			135deg,
			transparent 0 10px,
			color-mix(in srgb, var(--line) 35%, transparent) 10px 20px
		);
	}
</style>
