<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { RoundSide } from '$core/procedure/round';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RoundStation from '$lib/ui/round/RoundStation.svelte';

	const job = currentJob();
	const asked = $derived(page.url.searchParams.get('side'));
	const side = $derived<RoundSide>(asked === 'left' || asked === 'right' ? asked : 'both');
	const choose = (to: RoundSide) =>
		goto(to === 'both' ? '?' : `?side=${to}`, {
			replaceState: true,
			keepFocus: true,
			noScroll: true
		});
</script>

<div class="p-4 md:px-6">
	{#if job.record.joints.length}
		<RoundStation {side} onside={choose} />
	{:else}
		<div class="panel p-8">
			<h1 class="text-2xl">No joints are listed</h1>
			<div class="mt-4">
				<ActionButton href="/jobs/{job.record.id}/set/joints">Add one</ActionButton>
			</div>
		</div>
	{/if}
</div>
