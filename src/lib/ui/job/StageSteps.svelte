<script lang="ts">
	import { stageNames, stages, type Stage } from '$core/procedure/stages';

	/** Where a job stands, step by step; the word says the same as the bar. */
	let { stage }: { stage: Stage | 'signed' } = $props();
	const at = $derived(stage === 'signed' ? stages.length : stages.indexOf(stage));
</script>

<div class="min-w-40">
	<div class="flex gap-1" aria-hidden="true">
		{#each stages as one, i (one)}
			<span
				class="h-2.5 flex-1 {i < at
					? 'bg-spruce'
					: i === at
						? 'border-2 border-ochre bg-ochre-wash'
						: 'bg-line'}"
			></span>
		{/each}
	</div>
	<p class="mt-1 text-[15px] font-medium">{stage === 'signed' ? 'Signed' : stageNames[stage]}</p>
</div>
