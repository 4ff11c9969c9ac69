<script lang="ts">
	import BoltBench from '$lib/ui/workbench/fastener/BoltBench.svelte';
	import WrenchBench from '$lib/ui/workbench/fastener/WrenchBench.svelte';
	import ModePage from '$lib/ui/workbench/frame/ModePage.svelte';
</script>

<ModePage
	label="Part"
	modes={[
		{ value: 'bolt', name: 'Bolt', bench: BoltBench },
		{ value: 'wrench', name: 'Wrench, castle nut', bench: WrenchBench }
	]}
/>
