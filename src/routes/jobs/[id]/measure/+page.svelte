<script lang="ts">
	import HeightsStation from '$lib/ui/heights/HeightsStation.svelte';

	let { data } = $props();
</script>

<HeightsStation phase="before" asked={data.corner} />
