<script lang="ts">
	import TraceBench from '$lib/ui/workbench/fastener/TraceBench.svelte';
</script>

<TraceBench />
