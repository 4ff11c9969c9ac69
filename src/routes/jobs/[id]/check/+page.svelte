<script lang="ts">
	import { whenIdle } from '$lib/client/later';
	import HeightsStation from '$lib/ui/heights/HeightsStation.svelte';

	let { data } = $props();
	const table = whenIdle(() => import('$lib/ui/heights/CompareTable.svelte'));
	const ladder = whenIdle(() => import('$lib/ui/heights/HeightLadder.svelte'));
</script>

<HeightsStation phase="after" asked={data.corner}>
	{#snippet answer()}
		<section class="panel space-y-4 p-4">
			<h2 class="text-lg">Before, after, target</h2>
			{#await table then { default: CompareTable }}<CompareTable />{/await}
			{#await ladder then { default: HeightLadder }}<HeightLadder />{/await}
		</section>
	{/snippet}
</HeightsStation>
