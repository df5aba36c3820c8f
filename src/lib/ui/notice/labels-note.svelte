<script lang="ts">
	import { page } from '$app/state';

	/** Before labels are printed: a picture code with a loopback address opens on this machine alone. */
	const loopback = $derived(/^(localhost|127(\.\d+){3}|\[::1\])$/.test(page.url.hostname));
</script>

{#if loopback}
	<p class="text-sm text-amber">
		Printed from here, a label’s picture code leads to {page.url.host}, which only this computer can open. For the
		phone:
		<code>HOST=0.0.0.0 npm start</code>, then print. The code in letters stands on every label, and opens at
		<b>/b/</b> and the code.
	</p>
{/if}
