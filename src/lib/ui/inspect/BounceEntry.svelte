<script lang="ts">
	import { axleOf, cornerNames, corners, type Corner } from '$core/height/corners';
	import { damperOf, goodMovements, unlike, type BounceFinding } from '$core/inspect/dampers';
	import { bounceOf, bounceSubject } from '$core/job/findings';
	import type { Phase } from '$core/job/model';
	import type { Damping } from '$core/ride/bounce';
	import { formatNumber } from '$core/units/format';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later } from '$lib/client/later';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	/** Bounce test of one corner: counted by eye, or a trace of any logger; left against right. */
	let { corner, phase = 'before' }: { corner: Corner; phase?: Phase } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const subject = $derived(bounceSubject(corner, phase));
	const kept = $derived(job.work.book.get('bounce', subject));
	const came = $derived(phase === 'after' ? bounceOf(job.work.book, corner, 'before') : undefined);
	const other = $derived(
		corners.find((one) => axleOf(one) === axleOf(corner) && one !== corner) as Corner
	);
	const beside = $derived(bounceOf(job.work.book, other, phase));
	const counts = [0.5, 1, 1.5, 2, 2.5, 3, 4];

	let open = $state(false);
	const traceForm = later(() => import('./BounceTrace.svelte'));
	const own = $derived(bounceOf(job.work.book, corner, phase));
	const verdict = $derived(own && damperOf(own));
	const noPair = $derived(unlike(own, beside));
	const marks = {
		good: { mark: 'set', word: 'in good order' },
		doubt: { mark: 'again', word: 'one finding against it' },
		weak: { mark: 'again', word: 'does not damp' }
	} as const;

	const inWords = ({ movements, dampingRatio }: BounceFinding) =>
		[
			movements !== undefined && `${formatNumber(movements, 1)} movements`,
			dampingRatio !== undefined && `${formatNumber(dampingRatio, 2)} of critical`
		]
			.filter(Boolean)
			.join(', ');

	const count = (movements: number) =>
		job.keep('bounce', subject, {
			...kept,
			movements: kept?.movements === movements ? null : movements
		});
	async function take({ dampingRatio, dampingRatioExpanded }: Damping) {
		await job.keep('bounce', subject, {
			movements: kept?.movements ?? null,
			dampingRatio,
			expanded: dampingRatioExpanded
		});
		open = false;
	}
</script>

<section class="panel p-3" aria-labelledby="bounce-{corner}">
	<h2 id="bounce-{corner}" class="text-[17px]">
		{phase === 'after' ? cornerNames[corner] : 'Bounce test'}
	</h2>
	{#if phase === 'before'}<p class="caption">Push down, let go: movements until it stands.</p>
	{:else if came}<p class="caption">As it came: {inWords(came)}</p>{/if}
	<div
		class="mt-1 grid max-w-96 grid-cols-7 gap-1.5"
		role="group"
		aria-label="Movements, {cornerNames[corner].toLowerCase()}"
	>
		{#each counts as movements (movements)}
			{@const on = kept?.movements === movements}
			<button
				type="button"
				class="touch num min-w-0 rounded-[3px] border px-0 text-lg {on
					? movements > goodMovements
						? 'border-2 border-madder bg-madder-wash text-madder'
						: 'border-2 border-spruce bg-spruce-wash text-spruce'
					: 'border-edge bg-panel hover:bg-sunk'}"
				aria-pressed={on}
				disabled={closed}
				onclick={() => count(movements)}>{movements}{movements === 4 ? '+' : ''}</button
			>
		{/each}
	</div>
	{#if kept && verdict}
		<p class="mt-2 text-[15px]">
			<StateMark mark={marks[verdict.verdict].mark} word={marks[verdict.verdict].word} />
			{#if kept.dampingRatio !== undefined}· {formatNumber(kept.dampingRatio, 2)} of critical ± {formatNumber(
					kept.expanded ?? 0,
					2
				)}{/if}
		</p>
		{#if verdict.ask}<p class="text-[15px] text-ochre">◇ {verdict.ask}</p>{/if}
		<p class="caption">
			{cornerNames[other]}: {beside ? inWords(beside) : 'not bounced yet'}{noPair
				? '; no longer a pair'
				: ''}
		</p>
	{/if}
	{#if !closed}
		<button
			type="button"
			class="touch text-[15px] underline"
			aria-expanded={open}
			onclick={() => (open = !open)}>{open ? 'No trace' : 'By this phone, or from a trace'}</button
		>
		{#if open}
			<Later part={traceForm()} given={{ name: corner, onkeep: take }} />
		{/if}
	{/if}
</section>
