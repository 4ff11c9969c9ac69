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

<ol class="steps divide-y divide-line" bind:this={list}>
	{#each work.order.steps as step, i (step.id)}
		{@const mark = look(step)}
		{#if i === 0 || work.order.steps[i - 1]!.phase !== step.phase}
			<li>{workPhaseNames[step.phase]}</li>
		{/if}
		<li>
			<button
				class={{ behind: work.done.has(step.id) }}
				aria-current={now === step.id ? 'step' : undefined}
				onclick={() => onpick(step.id)}
			>
				<i class={mark.class} aria-hidden="true">{mark.sign}</i>
				<b>{step.at}</b>
				<span>{step.title}<small class="sr-only">, {mark.word}</small></span>
			</button>
		</li>
	{/each}
</ol>

<style>
	/* Rows are many: they are styled from here, so that none carries its own words of style. */
	.steps :global {
		li:not(:has(button)) {
			padding: 0.125rem 0.75rem;
			background: var(--color-sunk);
			font-size: 15px;
			font-weight: 600;
		}
		button {
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
		button:hover {
			background: var(--color-sunk);
		}
		[aria-current] {
			background: var(--color-mark-wash);
			font-weight: 600;
		}
		i {
			font-size: 1.125rem;
			font-style: normal;
		}
		b {
			font-stretch: 78%;
			text-transform: capitalize;
		}
		.behind span {
			color: var(--color-soft);
		}
	}
</style>
