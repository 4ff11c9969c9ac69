<script lang="ts">
	import { page } from '$app/state';
	import { cornerNames, corners, type Corner } from '$core/height/corners';
	import { roundParts, type RoundPart } from '$core/procedure/round';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import PartBar from '$lib/ui/round/PartBar.svelte';
	import RoundStation from '$lib/ui/round/RoundStation.svelte';

	const job = currentJob();
	const asked = $derived(page.url.searchParams.get('of'));
	const part = $derived<RoundPart>(roundParts.find((one) => one === asked) ?? 'all');
	const corner = $derived<Corner | undefined>(corners.find((one) => one === part));
</script>

<div class="space-y-3 p-4 md:px-6">
	<PartBar {part} />
	{#if corner && !job.record.corners.includes(corner)}
		<div class="panel p-8">
			<h1 class="text-2xl">{cornerNames[corner]}</h1>
			<p class="mt-2">This corner is not worked on in this job; only its heights are read.</p>
			<div class="mt-4 flex gap-3">
				<ActionButton href="/jobs/{job.record.id}/measure?corner={corner}">Its heights</ActionButton
				>
				{#if !job.record.signedAt}<ActionButton href="/jobs/{job.record.id}/edit"
						>Work on it too</ActionButton
					>{/if}
			</div>
		</div>
	{:else}
		{#key job.record.id}<RoundStation {part} />{/key}
	{/if}
</div>
