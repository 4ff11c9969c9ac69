<script lang="ts">
	import { page } from '$app/state';
	import { benches } from '$lib/ui/workbench/frame/benches';

	let { children } = $props();
	const here = $derived(page.url.pathname.split('/')[2] ?? '');
</script>

<nav aria-label="Benches" class="no-print border-b border-line bg-sunk">
	<ul class="mx-auto flex max-w-[1500px] overflow-x-auto px-2">
		{#each benches as bench (bench.path)}
			<li>
				<a
					href="/workbench{bench.path && `/${bench.path}`}"
					aria-current={here === bench.path ? 'page' : undefined}
					class="touch flex items-center border-b-4 px-3 whitespace-nowrap {here === bench.path
						? 'border-spruce font-semibold'
						: 'border-transparent hover:border-edge'}">{bench.name}</a
				>
			</li>
		{/each}
	</ul>
</nav>
{@render children()}
