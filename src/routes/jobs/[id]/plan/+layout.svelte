<script lang="ts">
	let { children } = $props();
</script>

<div class="p-4 md:px-6">{@render children()}</div>
