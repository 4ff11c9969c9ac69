<script lang="ts">
	import CompareTable from '$lib/ui/heights/CompareTable.svelte';
	import { whenIdle } from '$lib/client/later';
	import HeightsStation from '$lib/ui/heights/HeightsStation.svelte';

	let { data } = $props();
	const ladder = whenIdle(() => import('$lib/ui/heights/HeightLadder.svelte'));
</script>

<HeightsStation phase="after" asked={data.corner}>
	{#snippet answer()}
		<section class="panel space-y-4 p-4">
			<h2 class="text-lg">Before, after, target</h2>
			<CompareTable />
			{#await ladder then { default: HeightLadder }}<HeightLadder />{/await}
		</section>
	{/snippet}
</HeightsStation>
