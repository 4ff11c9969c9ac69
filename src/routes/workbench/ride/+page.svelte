<script lang="ts">
	import ModePage from '$lib/ui/workbench/frame/ModePage.svelte';
	import BounceBench from '$lib/ui/workbench/ride/BounceBench.svelte';
	import RideBench from '$lib/ui/workbench/ride/RideBench.svelte';
</script>

<ModePage
	label="Question"
	modes={[
		{ value: 'bounce', name: 'A bounce trace', bench: BounceBench },
		{ value: 'car', name: 'The car over a bump', bench: RideBench }
	]}
/>
