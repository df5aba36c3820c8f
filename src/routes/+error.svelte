<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Root Jar</title></svelte:head>
<section class="rimmed mx-auto mt-10 max-w-xl p-8">
	<h1 class="text-3xl">
		{page.status === 404 ? 'Not here' : page.status >= 500 ? 'That went wrong' : 'That cannot be'}
	</h1>
	<p class="mt-3 text-lg">{page.error?.message}</p>
	<p class="mt-6 flex flex-wrap gap-3">
		<a class="btn btn-full" href="/basket">To the Basket</a><a class="btn" href="/shelves">To the Shelves</a>
	</p>
</section>
