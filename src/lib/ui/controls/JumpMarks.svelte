<script lang="ts">
	/** On a small screen: what stands further down on this page, one touch away. */
	let { marks }: { marks: readonly (readonly [id: string, name: string])[] } = $props();
</script>

<nav class="no-print flex flex-wrap gap-1.5 lg:hidden" aria-label="On this page">
	{#each marks as [id, name] (id)}
		<a
			href="#{id}"
			class="touch inline-flex items-center rounded-[3px] border border-edge bg-panel px-3 text-[15px]"
			><span aria-hidden="true" class="me-1">↓</span>{name}</a
		>
	{/each}
</nav>
