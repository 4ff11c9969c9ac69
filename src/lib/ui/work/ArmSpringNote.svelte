<script lang="ts">
	import type { Corner } from '$core/height/corners';
	import { armSpring } from '$core/spring/arm-spring';
	import type { WorkStep } from '$core/work/step';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';

	/** How hard the springs push that this step lets down, and how far; asked for where nobody typed it. */
	let { step }: { step: WorkStep } = $props();
	const job = currentJob();
	const units = personalUnits();
	const springs = $derived(
		step.corners.map((corner) => {
			const kept = job.work.book.get('arm-spring', corner);
			const answer = kept && armSpring(kept.input);
			return { corner, force: answer?.ok ? answer.value : undefined };
		})
	);
	const show = (value: number, dimension: 'force' | 'length') =>
		units.show(value, dimension, { decimals: 0 });
	const bench = (corner: Corner) => `/jobs/${job.record.id}/work/bench?corner=${corner}&at=arm`;
</script>

<ul class="mt-3 space-y-1 text-lg">
	{#each springs as { corner, force } (corner)}
		<li>
			<b>{corner}</b>
			{#if force && force.freeAfterMm > 0}
				pushes with {show(force.droopForceN, 'force')} until the jack is {show(
					force.freeAfterMm,
					'length'
				)} down
			{:else if force}
				✓ loose already at full droop
			{:else}
				<a class="underline" href={bench(corner)}>How hard does this spring push?</a>
			{/if}
		</li>
	{/each}
</ul>
