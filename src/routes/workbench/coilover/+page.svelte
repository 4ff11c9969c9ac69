<script lang="ts">
	import CoiloverBench from '$lib/ui/workbench/spring/CoiloverBench.svelte';
</script>

<CoiloverBench />
