<script lang="ts">
	import ModePage from '$lib/ui/workbench/frame/ModePage.svelte';
	import ArmSpringBench from '$lib/ui/workbench/spring/ArmSpringBench.svelte';
	import CompressorBench from '$lib/ui/workbench/spring/CompressorBench.svelte';
</script>

<ModePage
	label="Where it sits"
	modes={[
		{ value: 'strut', name: 'On a strut', bench: CompressorBench },
		{ value: 'arm', name: 'On an arm', bench: ArmSpringBench }
	]}
/>
