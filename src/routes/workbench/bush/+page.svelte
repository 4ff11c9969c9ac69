<script lang="ts">
	import BushBench from '$lib/ui/workbench/corner/BushBench.svelte';
</script>

<BushBench />
