<script lang="ts">
	import ActionButton from './ActionButton.svelte';

	/** On to the next page of a list, and back. */
	let { page, more, search = '' }: { page: number; more: boolean; search?: string } = $props();
	const href = (to: number) =>
		`?${new URLSearchParams({ ...(search && { search }), page: String(to) })}`;
</script>

{#if page > 0 || more}
	<nav class="flex gap-3" aria-label="Pages">
		{#if page > 0}<ActionButton href={href(page - 1)}>Earlier in the list</ActionButton>{/if}
		{#if more}<ActionButton href={href(page + 1)}>Further in the list</ActionButton>{/if}
	</nav>
{/if}
