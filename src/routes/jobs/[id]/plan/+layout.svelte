<script lang="ts">
	import { page } from '$app/state';
	import { currentJob } from '$lib/client/job-state.svelte';

	let { children } = $props();
	const job = currentJob();
	const base = $derived(`/jobs/${job.record.id}/plan`);
	const pages = $derived([
		{ href: base, name: 'Decide' },
		{ href: `${base}/parts`, name: 'Parts and tools' },
		{ href: `${base}/order`, name: 'Order and time' }
	]);
</script>

<div class="p-4 md:px-6">
	<nav aria-label="Plan" class="no-print mb-3 flex flex-wrap">
		{#each pages as one (one.href)}
			<a
				href={one.href}
				aria-current={page.url.pathname === one.href ? 'page' : undefined}
				class="touch flex items-center border border-edge px-5 {page.url.pathname === one.href
					? 'bg-spruce-wash font-semibold'
					: 'bg-panel hover:bg-sunk'}">{one.name}</a
			>
		{/each}
	</nav>
	{@render children()}
</div>
