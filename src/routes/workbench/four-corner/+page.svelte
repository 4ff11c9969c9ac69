<script lang="ts">
	import CollarBench from '$lib/ui/workbench/car/CollarBench.svelte';
	import PlanBench from '$lib/ui/workbench/car/PlanBench.svelte';
	import SagBench from '$lib/ui/workbench/car/SagBench.svelte';
	import ModePage from '$lib/ui/workbench/frame/ModePage.svelte';
</script>

<ModePage
	label="Question"
	modes={[
		{ value: 'collars', name: 'Collars turned: where does it stand?', bench: CollarBench },
		{ value: 'plan', name: 'Heights wanted: which turns?', bench: PlanBench },
		{ value: 'sag', name: 'Low: which spring?', bench: SagBench }
	]}
/>
