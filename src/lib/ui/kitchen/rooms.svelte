<script lang="ts">
	import { page } from '$app/state';

	/** The rooms of the Kitchen. */
	const rooms = [
		['/kitchen', 'Works with'],
		['/kitchen/drawer', 'Drawer'],
		['/kitchen/places', 'Places'],
		['/kitchen/instruments', 'Scales and probes'],
		['/kitchen/house', 'House and prices']
	] as const;
</script>

<nav aria-label="The kitchen" class="-mx-1 mt-2 flex flex-wrap gap-1">
	{#each rooms as [href, name] (href)}
		<a
			{href}
			class="inline-flex min-h-11 items-center border-b-4 px-3 font-bold no-underline {page.url.pathname === href
				? 'border-rim text-ink'
				: 'border-transparent text-rim hover:border-line'}"
			aria-current={page.url.pathname === href ? 'page' : undefined}>{name}</a
		>
	{/each}
</nav>
