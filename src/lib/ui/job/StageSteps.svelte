<script lang="ts">
	import { stageNames, stages, type Stage } from '$core/procedure/owed';

	/** Where a job stands, step by step; the word says the same as the bar. */
	let { stage }: { stage: Stage } = $props();
	const steps = stages.slice(0, -1);
	const at = $derived(stages.indexOf(stage));
</script>

<div class="min-w-40">
	<div class="flex gap-1" aria-hidden="true">
		{#each steps as step, i (step)}
			<span
				class="h-2.5 flex-1 {i < at
					? 'bg-spruce'
					: i === at
						? 'border-2 border-ochre bg-ochre-wash'
						: 'bg-line'}"
			></span>
		{/each}
	</div>
	<p class="mt-1 text-[15px] font-medium">{stageNames[stage]}</p>
</div>
