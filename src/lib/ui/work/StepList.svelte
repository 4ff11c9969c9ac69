<script lang="ts">
	import { blockedBy } from '$core/work/order';
	import type { WorkStep } from '$core/work/step';
	import { workPhaseNames } from '$core/work/terms';
	import { currentJob } from '$lib/client/job-state.svelte';

	/** Every step in order: behind, in hand, free to be done, waiting. */
	let { now, onpick }: { now: string | undefined; onpick: (id: string) => void } = $props();
	const job = currentJob();
	const work = $derived(job.work);
	let list = $state<HTMLElement>();
	/** The step in hand is in sight, without moving the page. */
	$effect(() => {
		void now;
		const row = list?.querySelector<HTMLElement>('[aria-current="step"]');
		const frame = list?.parentElement;
		if (row && frame)
			frame.scrollTop += row.getBoundingClientRect().top - frame.getBoundingClientRect().top - 90;
	});
	const look = $derived((step: WorkStep) => {
		if (work.done.has(step.id)) return { sign: '✓', word: 'done', class: 'text-spruce' };
		if (work.book.get('step', step.id)?.state === 'started')
			return { sign: '◐', word: 'begun', class: 'text-mark' };
		return blockedBy(work.order, step.id, work.done).length
			? { sign: '·', word: 'waits', class: 'text-soft' }
			: { sign: '○', word: 'free', class: 'text-ochre' };
	});
</script>

<ol class="divide-y divide-line" bind:this={list}>
	{#each work.order.steps as step, i (step.id)}
		{@const mark = look(step)}
		{#if i === 0 || work.order.steps[i - 1]!.phase !== step.phase}
			<li class="bg-sunk px-3 py-0.5 text-[15px] font-semibold">{workPhaseNames[step.phase]}</li>
		{/if}
		<li>
			<button
				type="button"
				class="step"
				aria-current={now === step.id ? 'step' : undefined}
				onclick={() => onpick(step.id)}
			>
				<span class="text-lg {mark.class}" aria-hidden="true">{mark.sign}</span>
				<span class="num capitalize">{step.at}</span>
				<span class={work.done.has(step.id) ? 'text-soft' : ''}
					>{step.title}<span class="sr-only">, {mark.word}</span></span
				>
			</button>
		</li>
	{/each}
</ol>

<style>
	.step {
		display: grid;
		width: 100%;
		min-height: 3rem;
		grid-template-columns: 1.2rem 2.4rem minmax(0, 1fr);
		align-items: center;
		gap: 0.375rem;
		padding: 0.25rem 0.75rem;
		text-align: start;
		font-size: 15px;
		line-height: 1.25;
	}
	.step:hover {
		background: var(--color-sunk);
	}
	.step[aria-current] {
		background: var(--color-mark-wash);
		font-weight: 600;
	}
</style>
