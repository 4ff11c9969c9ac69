<script lang="ts">
	import { cornerNames, corners } from '$core/height/corners';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import TorqueStation from '$lib/ui/joints/TorqueStation.svelte';

	let { data } = $props();
	const job = currentJob();
	const base = $derived(`/jobs/${job.record.id}`);
	const worked = $derived(job.record.corners.includes(data.corner));
</script>

<div class="p-4 md:px-6">
	<nav class="mb-3 grid grid-cols-4 gap-2" aria-label="Corners">
		{#each corners as corner (corner)}
			{@const n = job.view.standing.owed.filter(
				(item) => item.corner === corner && item.kind === 'joint'
			).length}
			<a
				href="{base}/set/{corner}"
				aria-current={corner === data.corner ? 'page' : undefined}
				class="touch flex items-center justify-between gap-2 rounded-[3px] border-2 px-3 {corner ===
				data.corner
					? 'border-spruce bg-spruce-wash font-semibold'
					: 'border-line bg-panel hover:border-edge'}"
			>
				<span
					><span class="sm:hidden">{corner}</span><span class="max-sm:hidden"
						>{cornerNames[corner]}</span
					></span
				>
				{#if !job.record.corners.includes(corner)}<span class="caption max-sm:hidden"
						>heights only</span
					>
				{:else if n}<span class="text-ochre"
						><span class="num">{n}</span><span class="max-sm:sr-only">&nbsp;left</span></span
					>{/if}
			</a>
		{/each}
	</nav>
	{#if worked}
		{#key data.corner}<TorqueStation corner={data.corner} />{/key}
	{:else}
		<div class="panel p-8">
			<h1 class="text-2xl">{cornerNames[data.corner]}</h1>
			<p class="mt-2">This corner is not worked on in this job; only its heights are read.</p>
			<div class="mt-4 flex gap-3">
				<ActionButton href="{base}/measure?corner={data.corner}">Its heights</ActionButton>
				{#if !job.record.signedAt}<ActionButton href="{base}/edit">Work on it too</ActionButton
					>{/if}
			</div>
		</div>
	{/if}
</div>
