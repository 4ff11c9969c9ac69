<script lang="ts">
	import { cornerNames, type Corner } from '$core/height/corners';
	import { group } from 'd3';
	import { meanMinutes } from '$core/work/minutes';
	import { moveStep } from '$core/work/order';
	import type { WorkStep } from '$core/work/step';
	import { workPhaseNames } from '$core/work/terms';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** Every step in its order; moved by hand only where the rules let it. */
	let { picked = $bindable() }: { picked: string | undefined } = $props();
	const job = currentJob();
	const work = $derived(job.work);
	const closed = $derived(job.record.signedAt !== null);
	const moved = $derived((work.book.get('order')?.ids.length ?? 0) > 0);
	let refusal = $state('');
	let dragged = $state<string>();
	let over = $state<string>();

	const where = (step: WorkStep) =>
		step.at === 'car' ? 'Car' : step.at in cornerNames ? (step.at as Corner) : step.at;
	function move(id: string, to: number) {
		const answer = moveStep(work.order, id, to);
		refusal = answer.ok ? '' : `${answer.faults[0]!.value} ${answer.faults[0]!.message}`;
		if (answer.ok) void job.keep('order', 'car', { ids: answer.value });
	}
	const undo = () => void job.keep('order', 'car', work.book.before('order', 'car') ?? { ids: [] });
	const indexOf = (id: string) => work.order.steps.findIndex((step) => step.id === id);
	/** What a step waits for, one line a rule. */
	const waits = $derived((id: string) => {
		const rules = group([...(work.order.waitsFor.get(id) ?? [])], ([, { words }]) => words);
		return [...rules].map(
			([words, earlier]) => [words, earlier.map(([one]) => titleOf(one))] as const
		);
	});
	const titleOf = (id: string) => {
		const step = work.order.steps.find((one) => one.id === id)!;
		return step.at === 'car' ? step.title : `${step.title} (${step.at})`;
	};
</script>

<section class="panel" aria-labelledby="order-title">
	<div class="flex flex-wrap items-center gap-3 px-4 py-2">
		<div class="me-auto">
			<h2 id="order-title" class="text-lg">Order of work</h2>
			<p class="caption">
				{work.order.steps.length} steps; touch one for its reasons and to move it.
			</p>
		</div>
		{#if moved && !closed}
			<button
				type="button"
				class="touch rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk"
				onclick={undo}>Undo the move</button
			>
			<button
				type="button"
				class="touch rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk"
				onclick={() => job.keep('order', 'car', { ids: [] })}>Usual order</button
			>
		{/if}
	</div>
	{#if refusal}
		<Notice role="alert" class="mx-4 mb-2 text-madder!">
			✕ {refusal}
		</Notice>
	{/if}
	<ol class="divide-y divide-line border-t border-line">
		{#each work.order.steps as step, i (step.id)}
			{@const here = picked === step.id}
			{@const done = work.done.has(step.id)}
			{#if i === 0 || work.order.steps[i - 1]!.phase !== step.phase}
				<li class="bg-sunk px-4 py-0.5 text-[15px] font-semibold">{workPhaseNames[step.phase]}</li>
			{/if}
			<li
				class="{here ? 'bg-mark-wash' : ''} {over === step.id ? 'border-t-4 border-t-mark' : ''}"
				draggable={!closed}
				ondragstart={() => (dragged = step.id)}
				ondragover={(event) => {
					event.preventDefault();
					over = step.id;
				}}
				ondragend={() => (dragged = over = undefined)}
				ondrop={(event) => {
					event.preventDefault();
					const from = dragged === undefined ? -1 : indexOf(dragged);
					if (dragged && dragged !== step.id) move(dragged, from < i ? i - 1 : i);
					dragged = over = undefined;
				}}
			>
				<button
					type="button"
					class="grid min-h-12 w-full grid-cols-[2.2rem_3rem_minmax(0,1fr)_auto] items-center gap-2 px-4 py-1 text-start"
					aria-expanded={here}
					onclick={() => (picked = here ? undefined : step.id)}
				>
					<span class="num text-soft">{i + 1}</span>
					<span class="num text-[17px] capitalize">{where(step)}</span>
					<span class="leading-tight {done ? 'text-soft' : ''}"
						>{#if done}<span class="me-1 text-spruce">✓</span
							>{/if}{step.title}{#if step.people}<span class="ms-1 text-ochre">◇ two people</span
							>{/if}</span
					>
					<span class="num text-soft"
						>{Math.round(meanMinutes(work.minutes.get(step.id)!))}<span class="unit">min</span
						></span
					>
				</button>
				{#if here}
					<div class="px-4 ps-[6.4rem] pb-3 text-[15px]">
						{#if step.caution}<p class="text-madder">△ {step.caution}</p>{/if}
						{#if step.tool}<p class="text-soft">{step.tool}</p>{/if}
						{#if waits(step.id).length}
							<p class="mt-1 font-medium">Waits for</p>
							<ul class="caption list-disc ps-5">
								{#each waits(step.id) as [rule, titles] (rule)}<li>
										{rule}
										<span class="text-soft">({titles.join(', ')})</span>
									</li>{/each}
							</ul>
						{/if}
						{#if !closed}
							<div class="mt-2 flex gap-2">
								<button
									type="button"
									class="touch rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk disabled:opacity-50"
									disabled={i === 0}
									onclick={() => move(step.id, i - 1)}>↑ Earlier</button
								>
								<button
									type="button"
									class="touch rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk disabled:opacity-50"
									disabled={i === work.order.steps.length - 1}
									onclick={() => move(step.id, i + 1)}>↓ Later</button
								>
							</div>
						{/if}
					</div>
				{/if}
			</li>
		{/each}
	</ol>
</section>
