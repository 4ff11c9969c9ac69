<script lang="ts">
	import CompareBench from '$lib/ui/workbench/car/CompareBench.svelte';
	import PredictBench from '$lib/ui/workbench/car/PredictBench.svelte';
	import ModePage from '$lib/ui/workbench/frame/ModePage.svelte';
</script>

<ModePage
	label="Question"
	modes={[
		{ value: 'predict', name: 'Another spring: where will it stand?', bench: PredictBench },
		{ value: 'compare', name: 'Read twice: did it change?', bench: CompareBench }
	]}
/>
