<script lang="ts">
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { lineKindNames, lineKinds } from '$core/inspect/advice';
	import { currentJob } from '$lib/client/job-state.svelte';
	import type { ShopCosts } from '$core/job/costs';
	import { showMoney } from '$core/job/costs';
	import { declinedWork } from '$core/job/decisions';
	import { jobAdvice, type AdviceLine } from '$core/job/plan';
	import type { DecisionState } from '$core/job/kinds/decision/data';

	/** What ought to be done and why; the customer's word on each line. */
	let { costs }: { costs: ShopCosts } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const lines = $derived(jobAdvice(job.record, costs));
	const openLines = $derived(
		lines.filter(({ state, kind }) => state === 'open' && kind !== 'watch').length
	);
	const groups = $derived(
		lineKinds
			.map((kind) => ({ kind, lines: lines.filter((line) => line.kind === kind) }))
			.filter(({ lines }) => lines.length)
	);
	const declined = $derived(
		declinedWork(job.record).filter(({ title }) => !lines.some((line) => line.title === title))
	);
	const answers: { state: DecisionState; name: string; tone: string }[] = [
		{ state: 'accepted', name: '✓ Accepted', tone: 'border-spruce bg-spruce-wash text-spruce' },
		{ state: 'declined', name: '✕ Declined', tone: 'border-madder bg-madder-wash text-madder' },
		{ state: 'done', name: '✓ Done', tone: 'border-mark bg-mark-wash text-mark' }
	];

	async function acceptAll() {
		for (const line of lines.filter(({ state, kind }) => state === 'open' && kind !== 'watch'))
			await decide(line, 'accepted');
	}
	const decide = (line: AdviceLine, state: DecisionState) =>
		job.keep('decision', line.id, {
			state: line.state === state ? 'open' : state,
			title: line.title,
			reason: ''
		});
</script>

<section class="panel" aria-labelledby="advice-title">
	<div class="flex flex-wrap items-baseline gap-3 px-4 pt-3">
		<h2 id="advice-title" class="me-auto text-lg">What ought to be done, and why</h2>
		<span class="caption">{openLines} {openLines === 1 ? 'line' : 'lines'} not decided</span>
		{#if openLines > 1 && !closed}
			<ActionButton onclick={acceptAll}>Customer takes all {openLines}</ActionButton>
		{/if}
	</div>
	{#if lines.length === 0}
		<p class="px-4 pt-1 pb-4 text-soft">
			Nothing yet. Walk the corners on <a class="underline" href="/jobs/{job.record.id}/look"
				>Look</a
			>, or say on the left what is renewed.
		</p>
	{/if}
	{#each groups as { kind, lines: own } (kind)}
		<h3 class="bg-sunk px-4 py-1 text-[15px]">{lineKindNames[kind]}</h3>
		<ul class="divide-y divide-line">
			{#each own as line (line.id)}
				<li class="line">
					<div class="min-w-0">
						<p class="font-semibold">
							{line.title}{#if line.quantity > 1}<span class="num ms-1.5 text-soft"
									>× {line.quantity}</span
								>{/if}
						</p>
						<ul class="text-[15px] leading-snug text-soft">
							{#each line.reasons as reason (reason)}<li>{reason}</li>{/each}
						</ul>
						{#if line.risk}
							<p class="caption">
								Not here when it is needed, the car stands: {showMoney(line.risk.waiting, costs)}.
								Here for nothing, sending it back costs {showMoney(line.risk.lost, costs)}. It pays
								once more than
								{(line.risk.breakEven * 100).toFixed(0)} in 100 are needed.
							</p>
						{/if}
					</div>
					{#if kind !== 'watch'}
						<div class="flex items-start gap-1.5" role="group" aria-label={line.title}>
							{#each answers as answer (answer.state)}
								{@const on = line.state === answer.state}
								<button
									type="button"
									class="answer {on ? answer.tone : ''}"
									aria-pressed={on}
									disabled={closed}
									onclick={() => decide(line, answer.state)}
									>{on ? answer.name : answer.name.slice(2)}</button
								>
							{/each}
						</div>
					{/if}
				</li>
			{/each}
		</ul>
	{/each}
	{#if declined.length}
		<h3 class="bg-sunk px-4 py-1 text-[15px]">Declined earlier</h3>
		<ul class="px-4 py-2 text-[15px]">
			{#each declined as line (line.title)}<li>✕ {line.title}</li>{/each}
		</ul>
	{/if}
</section>

<style>
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		padding: 10px 16px;
	}
	.line > :first-child {
		flex: 1 1 20rem;
	}
	.answer {
		min-height: 48px;
		padding-inline: 12px;
		border-width: 1px;
		border-radius: 3px;
		font-size: 15px;
	}
	.answer[aria-pressed='false'] {
		border-color: var(--color-edge);
		background: var(--color-panel);
	}
	.answer[aria-pressed='true'] {
		border-width: 2px;
		font-weight: 600;
	}
	.answer[aria-pressed='false']:hover {
		background: var(--color-sunk);
	}
</style>
